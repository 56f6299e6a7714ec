/** When a face was seen: on the way through a flush they follow each other, from the same position. */
export const FACE_STAGES = ['found', 'cleaner', 'agitated', 'flushed', 'after'] as const;
export type FaceStage = (typeof FACE_STAGES)[number];

export const STAGE_WORDS: Record<FaceStage, string> = {
  found: 'Before',
  cleaner: 'With cleaner',
  agitated: 'After agitation',
  flushed: 'After flushing',
  after: 'Refilled and hot',
};

import type { VisitDocument } from '../../model/document';
import type { Row } from '../../model/entities';
import type { Alignment } from '../../method/frame/alignment';
import { remembered } from '../../ground/derived';
import { partsOfFrame } from '../visit/settingsInForce';
import { photoOf, photoPlace } from '../visit/photoOver';
import type { PairValue } from '../../model/pairRow';

/** The photo of one frame of a pair, and how it lies over it. */
export interface PairPhoto {
  row: Row<'photo'>;
  alignment: Alignment;
  /** Of the frame, pixels. */
  frame: { width: number; height: number };
}

const once = remembered<readonly [PairPhoto, PairPhoto]>();

/**
 * The photos of a pair's frames, the earlier one first; the same for as long as nothing that they follow from changed.
 *
 * @returns null where one frame has none
 */
export function photosOfPair(
  earlier: VisitDocument,
  document: VisitDocument,
  { beforeFrameId, afterFrameId }: Pick<PairValue, 'beforeFrameId' | 'afterFrameId'>,
): readonly [PairPhoto, PairPhoto] | null {
  const [before, after] = [photoOf(earlier, beforeFrameId), photoOf(document, afterFrameId)];
  if (!before || !after) return null;
  const parts = [before, ...partsOfFrame(earlier, beforeFrameId), ...partsOfFrame(document, afterFrameId)];
  const over = (visit: VisitDocument, frameId: string, row: Row<'photo'>): PairPhoto => {
    const { width, height } = visit.frameFacts[frameId]!;
    return { row, alignment: photoPlace(visit, frameId, row).alignment, frame: { width, height } };
  };
  return once(after, parts, () => [over(earlier, beforeFrameId, before), over(document, afterFrameId, after)]);
}

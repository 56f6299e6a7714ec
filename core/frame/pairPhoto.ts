/** A file that was taken at some moment and has some name. */
export interface Taken {
  id: string;
  fileName: string;
  /** Milliseconds since 1970, UTC. */
  takenAt: number;
}

/** A photo taken within this time of a frame belongs to it, ms. */
const SAME_MOMENT = 60_000;

/** `Row-012.tif` and `row-012-photo.jpg` have one stem. */
function stem(fileName: string): string {
  return fileName
    .replace(/\.[^.]*$/, '')
    .toLowerCase()
    .replace(/[-_ ]?(photo|visible|daylight)$/, '');
}

/** Whether two files go by one name, as a frame and its photo on a card do. */
export function sameName(a: Pick<Taken, 'fileName'>, b: Pick<Taken, 'fileName'>): boolean {
  return stem(a.fileName) === stem(b.fileName);
}

/**
 * The frame that a photo belongs to: one of the same name, else the one nearest in time within a minute.
 *
 * @returns its id, or null when none fits
 */
export function frameForPhoto(photo: Taken, frames: readonly Taken[]): string | null {
  const named = frames.find((frame) => sameName(frame, photo));
  if (named) return named.id;
  let best: Taken | null = null;
  for (const frame of frames) {
    const apart = Math.abs(frame.takenAt - photo.takenAt);
    if (apart <= SAME_MOMENT && (!best || apart < Math.abs(best.takenAt - photo.takenAt))) best = frame;
  }
  return best?.id ?? null;
}

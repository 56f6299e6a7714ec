/** A file that was taken at some moment and has some name. */
export interface Taken {
  id: string;
  fileName: string;
  /** Milliseconds since 1970, UTC. */
  takenAt: number;
}

/** A photo taken within this time of a frame belongs to it, ms. */
export const SAME_MOMENT_MS = 60_000;

/** What the name of a photo may have behind that of its frame. */
const PHOTO_WORDS = ['photo', 'visible', 'daylight'];
const BEFORE_WORD = ['', '-', '_', ' '];
const SUFFIX = new RegExp(`[-_ ]?(${PHOTO_WORDS.join('|')})$`);

/** `Row-012.tif` and `row-012-photo.jpg` have one stem. */
function stem(fileName: string): string {
  return fileName
    .replace(/\.[^.]*$/, '')
    .toLowerCase()
    .replace(SUFFIX, '');
}

/**
 * Patterns of the names that go by the same stem as a file's, for a search that knows `%` (anything) and `_` (one
 * character), with a backslash before either where it stands for itself. What they find is held against `sameName`.
 */
export function namesLike(file: Pick<Taken, 'fileName'>): string[] {
  const own = stem(file.fileName).replace(/[\\%_]/g, '\\$&');
  const stems = [
    own,
    ...BEFORE_WORD.flatMap((before) => PHOTO_WORDS.map((word) => `${own}${before === '_' ? '\\_' : before}${word}`)),
  ];
  return stems.flatMap((one) => [one, `${one}.%`]);
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
    if (apart <= SAME_MOMENT_MS && (!best || apart < Math.abs(best.takenAt - photo.takenAt))) best = frame;
  }
  return best?.id ?? null;
}

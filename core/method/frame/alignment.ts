import * as z from 'zod';
import { CoreError } from '../../ground/errors';
import { affineThrough, similarityThrough } from '../../ground/affine';

/** The way from a place on a frame to the place on its photo, both as shares of their own width: x' = a x + b y + c, y' = d x + e y + f. */
export const alignmentSchema = z.tuple([z.number(), z.number(), z.number(), z.number(), z.number(), z.number()]);

export type Alignment = z.infer<typeof alignmentSchema>;

/** One place seen on both: shares of the frame's width and of the photo's width. */
export interface MatchedPoint {
  frame: [x: number, y: number];
  photo: [x: number, y: number];
}

/** Until somebody matched points: both pictures middle on middle, as wide as each other. */
export function plainAlignment(frame: { width: number; height: number }, photo: { width: number; height: number }): Alignment {
  return [1, 0, 0, 0, 1, photo.height / photo.width / 2 - frame.height / frame.width / 2];
}

/**
 * The alignment through matched points: two give shift, size and turn, three also shear.
 *
 * @throws CoreError `bad_input` for fewer than two points or more than three, or points that lie too close or on a line
 */
export function alignmentFrom(points: readonly MatchedPoint[]): Alignment {
  const close = () =>
    new CoreError(
      'bad_input',
      points.length === 2 ? 'The two points lie too close to each other.' : 'The three points lie on a line.',
      {},
      'Choose points far apart: corners of a window, a socket, the end of a shelf.',
    );
  const [p, q, r] = points;
  if (!p || !q || points.length > 3)
    throw new CoreError('bad_input', 'Two or three matched points are needed.', {}, 'Mark the same place on both pictures.');
  const found = r
    ? affineThrough([p.frame, q.frame, r.frame], [p.photo, q.photo, r.photo])
    : similarityThrough([p.frame, q.frame], [p.photo, q.photo]);
  if (!found) throw close();
  return found;
}

/** How one camera's pictures lie on each other at a distance. */
export const storedAlignmentSchema = z.object({
  distanceM: z.number().gt(0, 'must be above 0 m').max(1000, 'must not exceed 1000 m'),
  alignment: alignmentSchema,
});

export type StoredAlignment = z.infer<typeof storedAlignmentSchema>;

/**
 * The alignment at a distance, from those that were stored: parallax goes with the inverse of the distance, so between two
 * it is interpolated in that; beyond them the nearest holds.
 *
 * @param distanceM - null when it is not known: the farthest stored one is taken
 * @returns null when none is stored
 */
export function alignmentAt(stored: readonly StoredAlignment[], distanceM: number | null): Alignment | null {
  const sorted = [...stored].sort((a, b) => b.distanceM - a.distanceM);
  if (sorted.length === 0) return null;
  if (distanceM === null || distanceM >= sorted[0]!.distanceM) return sorted[0]!.alignment;
  const near = sorted.findIndex((one) => one.distanceM <= distanceM);
  if (near < 0) return sorted.at(-1)!.alignment;
  const [far, close] = [sorted[near - 1]!, sorted[near]!];
  const share = (1 / distanceM - 1 / far.distanceM) / (1 / close.distanceM - 1 / far.distanceM);
  return far.alignment.map((value, i) => value + share * (close.alignment[i]! - value)) as Alignment;
}

/** Stored alignments with a new one; one at nearly the same distance gives way to it. */
export function withAlignment(stored: readonly StoredAlignment[], next: StoredAlignment): StoredAlignment[] {
  const kept = stored.filter(({ distanceM }) => Math.abs(distanceM / next.distanceM - 1) > 0.1);
  return [...kept, next].sort((a, b) => a.distanceM - b.distanceM).slice(-20);
}

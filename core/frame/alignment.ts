import { z } from 'zod';
import { CoreError } from '../errors';

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
  if (points.length === 2) {
    const [p, q] = points as [MatchedPoint, MatchedPoint];
    const [fx, fy] = [q.frame[0] - p.frame[0], q.frame[1] - p.frame[1]];
    const [px, py] = [q.photo[0] - p.photo[0], q.photo[1] - p.photo[1]];
    const square = fx * fx + fy * fy;
    if (square < 0.0025 || px * px + py * py < 1e-6) throw close();
    const a = (px * fx + py * fy) / square;
    const d = (py * fx - px * fy) / square;
    return [a, -d, p.photo[0] - a * p.frame[0] + d * p.frame[1], d, a, p.photo[1] - d * p.frame[0] - a * p.frame[1]];
  }
  if (points.length !== 3)
    throw new CoreError('bad_input', 'Two or three matched points are needed.', {}, 'Mark the same place on both pictures.');
  const [p, q, r] = points as [MatchedPoint, MatchedPoint, MatchedPoint];
  const [ux, uy] = [q.frame[0] - p.frame[0], q.frame[1] - p.frame[1]];
  const [vx, vy] = [r.frame[0] - p.frame[0], r.frame[1] - p.frame[1]];
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < 0.0025) throw close();
  const row = (of: 0 | 1): [number, number, number] => {
    const [du, dv] = [q.photo[of] - p.photo[of], r.photo[of] - p.photo[of]];
    const x = (du * vy - dv * uy) / det;
    const y = (dv * ux - du * vx) / det;
    return [x, y, p.photo[of] - x * p.frame[0] - y * p.frame[1]];
  };
  return [...row(0), ...row(1)];
}

/** Where a place of the frame lies on the photo; shares of their widths. */
export function onPhoto([a, b, c, d, e, f]: Alignment, [x, y]: readonly [number, number]): [number, number] {
  return [a * x + b * y + c, d * x + e * y + f];
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

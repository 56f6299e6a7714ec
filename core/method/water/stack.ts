import { warped } from '../compare/change';
import { medianOf } from '../../ground/median';
import type { Grid } from '../../ground/grid';
import type { Homography } from '../../ground/homography';
import { hasReading } from '../../ground/hasReading';

/** Frames of one view on the pixels of the first, as rises over it, without what the camera's level did. */
export interface Stack {
  width: number;
  height: number;
  /** Seconds from the first frame. */
  times: readonly number[];
  /** For each frame the rise of each pixel over its usual value before, K; NaN where a frame does not reach. */
  rises: Float32Array[];
}

/** Less of a frame than this is noise and single pixels. */
const PASSING = 0.005;

/** Whether somebody or something passed through a frame. @param disturbed - the share of it that was taken out */
export function isDisturbed({ disturbed }: { disturbed: number }): boolean {
  return disturbed >= PASSING;
}

/** So many frames on each side tell whether one is disturbed. */
const REACH = 2;
const DISTURBED = 5;
const LEVEL_STEP = 7;

/**
 * Lays frames on the first of them.
 *
 * @param noise - of one pixel of a frame as it is here, K
 * @returns disturbed: for each frame the share of it that was something passing by, 0 … 1, and was taken out
 */
export function stackOf(
  frames: readonly Grid[],
  maps: readonly Homography[],
  times: readonly number[],
  noise: number,
): { stack: Stack; disturbed: number[] } {
  const [first] = frames as [Grid];
  const { width, height } = first;
  const rises = frames.map((frame, i) => warped(frame, first, maps[i]!));
  // A shutter moves all pixels alike: the middle difference to the first frame is the camera's doing.
  const base = rises[0]!;
  for (const values of rises.slice(1)) {
    const some: number[] = [];
    for (let i = 0; i < values.length; i += LEVEL_STEP) {
      const value = values[i]! - base[i]!;
      if (hasReading(value)) some.push(value);
    }
    const level = some.length > 0 ? medianOf(Float32Array.from(some)) : 0;
    for (let i = 0; i < values.length; i += 1) values[i]! -= level;
  }
  return { stack: { width, height, times, rises }, disturbed: undisturbed(rises, DISTURBED * noise) };
}

/**
 * What stands out from the frames before and after for a frame or two is somebody walking by: it gets their middle value. The
 * first and last frames have others on one side only, and may stand out by what grows: up to twice as fast as it did there.
 */
function undisturbed(frames: Float32Array[], limit: number): number[] {
  const n = frames.length;
  const shares = new Array<number>(n).fill(0);
  if (n < 2 * REACH + 1) return shares;
  const kept = frames.map((frame) => frame.slice());
  for (let i = 0; i < n; i += 1) {
    const from = Math.max(0, Math.min(n - 2 * REACH - 1, i - REACH));
    const [a, b, c, d, e] = kept.slice(from) as [Float32Array, Float32Array, Float32Array, Float32Array, Float32Array];
    const far = i < REACH ? e : i >= n - REACH ? a : null;
    const target = frames[i]!;
    for (let p = 0; p < target.length; p += 1) {
      const middle = medianOfFive(a[p]!, b[p]!, c[p]!, d[p]!, e[p]!);
      const growth = far ? 2 * Math.abs(middle - far[p]!) : 0;
      // Not for pixels without a reading, of which nothing can be told.
      if (!(Math.abs(target[p]! - middle) > limit + growth)) continue;
      target[p] = middle;
      shares[i]! += 1 / target.length;
    }
  }
  return shares;
}

/** The third largest: what is left when the smallest and largest of two pairs are struck out. */
function medianOfFive(a: number, b: number, c: number, d: number, e: number): number {
  const low = Math.max(Math.min(a, b), Math.min(c, d));
  const high = Math.min(Math.max(a, b), Math.max(c, d));
  return Math.max(Math.min(low, high), Math.min(Math.max(low, high), e));
}

import { warped } from '../compare/change';
import { medianOf } from '../detect/median';
import type { Grid } from '../detect/grid';
import type { Homography } from '../geometry/homography';
import { hasReading } from '../pixels/hasReading';

/** Frames of one view on the pixels of the first, as rises over it, without what the camera's level did. */
export interface Stack {
  width: number;
  height: number;
  /** Seconds from the first frame. */
  times: readonly number[];
  /** For each frame the rise of each pixel over its usual value before, K; NaN where a frame does not reach. */
  rises: Float32Array[];
}

/** So many frames on each side tell whether one is disturbed. */
const REACH = 2;
const DISTURBED = 5;
const LEVEL_STEP = 7;

/**
 * @param noise - of one pixel of a frame as it is here, K
 */
export function stackOf(frames: readonly Grid[], maps: readonly Homography[], times: readonly number[], noise: number): Stack {
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
  undisturbed(rises, DISTURBED * noise);
  return { width, height, times, rises };
}

/** What stands out from the frames before and after for a frame or two is somebody walking by: it gets their middle value. */
function undisturbed(frames: Float32Array[], limit: number): void {
  const n = frames.length;
  if (n < 2 * REACH + 1) return;
  const kept = frames.map((frame) => frame.slice());
  for (let i = 0; i < n; i += 1) {
    const from = Math.max(0, Math.min(n - 2 * REACH - 1, i - REACH));
    const [a, b, c, d, e] = kept.slice(from) as [Float32Array, Float32Array, Float32Array, Float32Array, Float32Array];
    const target = frames[i]!;
    for (let p = 0; p < target.length; p += 1) {
      const middle = medianOfFive(a[p]!, b[p]!, c[p]!, d[p]!, e[p]!);
      if (Math.abs(target[p]! - middle) > limit) target[p] = middle;
    }
  }
}

/** The third largest: what is left when the smallest and largest of two pairs are struck out. */
function medianOfFive(a: number, b: number, c: number, d: number, e: number): number {
  const low = Math.max(Math.min(a, b), Math.min(c, d));
  const high = Math.min(Math.max(a, b), Math.max(c, d));
  return Math.max(Math.min(low, high), Math.min(Math.max(low, high), e));
}

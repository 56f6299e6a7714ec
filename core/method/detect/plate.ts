import type { Grid } from '../../ground/grid';
import { quantileOf } from '../../ground/median';
import type { Standout } from './standouts';
import { boundsOf } from './flood';

/** A plate around a place changes the picture by at least so much, K, and by less than this share of the place. */
const LEAST_K = 0.15;
const MOST = 0.4;
/** Steps to each side that are looked at, as a share of the place's size. */
const REACH = 0.6;

/**
 * Whether a sharp place lies on something with an outline of its own: a mirror shows its own rim where the surroundings that it
 * mirrors are not as warm as the wall.
 *
 * @param contrast - smoothed, K
 */
export function onPlate(contrast: Grid, { pixels, sign }: Pick<Standout, 'pixels' | 'sign'>): boolean {
  const { width, height, values } = contrast;
  const { left, right, top, bottom } = boundsOf(pixels, width);
  const peak = quantileOf(
    Float32Array.from(pixels, (i) => sign * values[i]!),
    0.9,
  );
  const reach = Math.max(4, Math.round(REACH * Math.sqrt((right - left + 1) * (bottom - top + 1))));
  const mine = new Uint8Array(values.length);
  for (const i of pixels) mine[i] = 1;
  let steps = 0;
  const row = (side: 'x' | 'y', at: number, from: number, to: number) => {
    const line: number[] = [];
    for (let k = from; k <= to; k += 1) {
      const i = side === 'x' ? k * width + at : at * width + k;
      if (!mine[i]) line.push(values[i]!);
    }
    return line.length < 4 ? null : quantileOf(Float32Array.from(line), 0.5);
  };
  for (const [side, start, outward, length, from, to] of [
    ['x', left, -1, width, top, bottom],
    ['x', right, 1, width, top, bottom],
    ['y', top, -1, height, left, right],
    ['y', bottom, 1, height, left, right],
  ] as const) {
    // Outwards from the place: a level that is no wall, then a step to the wall.
    let before: number | null = null;
    for (let d = 2; d <= reach; d += 1) {
      const at = start + outward * d;
      if (at < 1 || at >= length - 1) break;
      const here = row(side, at, from, to);
      const back = row(side, at - outward * 3 < 0 || at - outward * 3 >= length ? at : at - outward * 3, from, to);
      if (here === null || back === null) continue;
      if (Math.abs(here) < 0.08 && Math.abs(back) >= LEAST_K && Math.abs(back) < MOST * peak) {
        before = back;
        break;
      }
    }
    if (before !== null) steps += 1;
  }
  return steps >= 2;
}

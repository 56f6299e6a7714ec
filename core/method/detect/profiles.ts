import type { Grid } from '../../ground/grid';
import { medianOf, quantileOf, robustSpread, runningMedian } from '../../ground/median';

/** Something narrow that crosses the whole picture, as its profile shows it. */
export interface ProfileLine {
  from: number;
  to: number;
  /** Place of its extreme. */
  at: number;
  /** K, signed. */
  height: number;
}

/** How a profile is taken: over columns or rows that lean, pixels sideways for each pixel along. */
export interface Direction {
  of: 'columns' | 'rows';
  lean: number;
}

/**
 * Median of each column (or row) over the pixels that count; where fewer than a third do, that of the nearest that has one.
 *
 * @param from, to - the part of each column (or row) that is asked, 0 … 1 of its length
 */
export function medianProfile(
  { width, height, values }: Grid,
  counts: Uint8Array,
  { of, lean }: Direction,
  from = 0,
  to = 1,
): Float32Array {
  const [length, depth] = of === 'columns' ? [width, height] : [height, width];
  const [along, across] = of === 'columns' ? [1, width] : [width, 1];
  const profile = new Float32Array(length);
  // A part of the pixels tells the median of a long row as well.
  const step = depth >= 180 ? 3 : depth >= 90 ? 2 : 1;
  const [first, last] = [Math.round(from * depth), Math.round(to * depth)];
  const taken = new Float32Array(depth);
  for (let k = 0; k < length; k += 1) {
    let n = 0;
    for (let d = first + (k % step); d < last; d += step) {
      const place = lean === 0 ? k : k + Math.round(lean * (d - depth / 2));
      if (place < 0 || place >= length) continue;
      const i = place * along + d * across;
      if (counts[i]) taken[n++] = values[i]!;
    }
    profile[k] = 3 * step * n < last - first ? NaN : mainLevel(taken.subarray(0, n));
  }
  return filledProfile(profile);
}

/** Wider apart than this, K, the quarters of a row are two things, and the surface is the one nearer to its slow change. */
const TWO_THINGS_K = 0.5;
const NEAR_K = 0.4;
const LEAST_NEAR = 0.2;

/** Level of the surface in a row: its median, or where large things lie in it, that of what is near to the slow change. */
function mainLevel(values: Float32Array): number {
  const n = values.length;
  const middle = medianOf(values);
  if (quantileOf(values, 0.8) - quantileOf(values, 0.2) < TWO_THINGS_K) return middle;
  const near = values.filter((value) => Math.abs(value) < NEAR_K);
  return near.length < LEAST_NEAR * n ? middle : medianOf(near);
}

/** Value of a profile at a pixel, between its places. */
export function profileAt(
  profile: Float32Array,
  { of, lean }: Direction,
  x: number,
  y: number,
  width: number,
  height: number,
): number {
  const place = of === 'columns' ? x - lean * (y - height / 2) : y - lean * (x - width / 2);
  if (lean === 0) return profile[place]!;
  const low = Math.max(0, Math.min(profile.length - 1, Math.floor(place)));
  const high = Math.min(profile.length - 1, low + 1);
  const share = Math.max(0, Math.min(1, place - low));
  return profile[low]! * (1 - share) + profile[high]! * share;
}

/** Lines lean by no more than this: more is no longer along the picture. */
const MOST_LEAN = 0.1;
/** Two parts of a picture show the same lines when their profiles agree so much. */
const AGREES = 0.55;

/** How far the lines of a picture lean: the shift between the profiles of its two outer parts that makes them agree. */
export function leanOf(grid: Grid, counts: Uint8Array, of: 'columns' | 'rows'): Direction {
  const [length, depth] = of === 'columns' ? [grid.width, grid.height] : [grid.height, grid.width];
  const upright: Direction = { of, lean: 0 };
  const one = narrowPart(medianProfile(grid, counts, upright, 0, 0.3));
  const other = narrowPart(medianProfile(grid, counts, upright, 0.7, 1));
  const most = Math.ceil(MOST_LEAN * 0.7 * depth);
  if (2 * most >= length) return upright;
  const agreement = (shift: number) => {
    let [sab, saa, sbb] = [0, 0, 0];
    for (let i = Math.max(0, -shift); i < Math.min(length, length - shift); i += 1) {
      const [a, b] = [one[i]!, other[i + shift]!];
      sab += a * b;
      saa += a * a;
      sbb += b * b;
    }
    return sab / Math.sqrt(Math.max(1e-12, saa * sbb));
  };
  let best = 0;
  let agreed = agreement(0);
  for (let shift = -most; shift <= most; shift += 1) {
    const agrees = agreement(shift);
    if (agrees > agreed + 0.02) [best, agreed] = [shift, agrees];
  }
  return agreed < AGREES || Math.abs(best) < 2 ? upright : { of, lean: best / (0.7 * depth) };
}

/** Gaps take the value of the nearest place that has one; zero where none has. */
function filledProfile(profile: Float32Array): Float32Array {
  const known: number[] = [];
  profile.forEach((value, i) => value === value && known.push(i));
  if (known.length === 0) return profile.fill(0);
  let next = 0;
  return profile.map((value, i) => {
    if (value === value) return value;
    while (next + 1 < known.length && Math.abs(known[next + 1]! - i) <= Math.abs(known[next]! - i)) next += 1;
    return profile[known[next]!]!;
  });
}

/** Lines are narrower than this share of the profile. */
const NARROW = 0.1;
/** A line stands out by so many spreads of the profile, and by at least so much, K. */
const CLEAR = 4;
const LEAST_K = 0.05;

/** What is narrow in a profile: the profile less its running median. */
export function narrowPart(profile: Float32Array): Float32Array {
  const slow = runningMedian(profile, Math.max(3, Math.round(NARROW * profile.length)));
  return profile.map((value, i) => value - slow[i]!);
}

/** The lines of a profile's narrow part. */
export function linesOf(narrow: Float32Array): ProfileLine[] {
  const least = Math.max(LEAST_K, CLEAR * Math.min(0.05, robustSpread(narrow.slice())));
  const lines: ProfileLine[] = [];
  for (let i = 0; i < narrow.length; i += 1) {
    if (Math.abs(narrow[i]!) < least) continue;
    const sign = Math.sign(narrow[i]!);
    let at = i;
    let end = i;
    while (end < narrow.length && sign * narrow[end]! >= least) {
      if (sign * narrow[end]! > sign * narrow[at]!) at = end;
      end += 1;
    }
    // Down to where it is a fifth of its height, and no further than it falls.
    const floor = 0.2 * Math.abs(narrow[at]!);
    let from = at;
    while (from > 0 && sign * narrow[from - 1]! > floor) from -= 1;
    let to = at;
    while (to < narrow.length - 1 && sign * narrow[to + 1]! > floor) to += 1;
    lines.push({ from, to, at, height: narrow[at]! });
    i = Math.max(end, to);
  }
  return lines;
}

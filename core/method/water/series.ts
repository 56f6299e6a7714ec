import { hasReading } from '../../ground/hasReading';
import { times as through, unsteady } from './growth';
import type { Stack } from './stack';

/** Pixels and frames are taken together: a leak is broader and slower than they are. So many bins tell it, of at most this side. */
const BINS = 350;
const LARGEST_BIN = 4;
/** No floor is as a model has it: so much of what it does, as a share, is left over. */
const MODEL = 0.04;
const MODEL_PEAK = 0.03;
const MOST_TIMES = 12;

/** What a part of the view did over time, without its level and as far as needed without a steady rate of its own. */
export interface Series {
  /** Middles of bins of pixels. */
  xs: Float32Array;
  ys: Float32Array;
  /** Middles of groups of frames, s. */
  times: readonly number[];
  /** Bin by bin its courses in time, K. */
  courses: Float64Array;
  /** What takes levels and steady rates out of a course. */
  matrix: Float64Array;
  /** Standard deviation of each value of a course, K: from noise, and from what a model of floors leaves of a strong leak. */
  spreads: Float64Array;
  /** The same from noise alone where the model tells little. */
  sharp: Float64Array;
}

/** @param inside - which pixels belong to the part */
export function seriesOf(stack: Stack, noise: number, inside: (x: number, y: number) => boolean): Series {
  const { width, height, rises } = stack;
  let pixels = 0;
  for (let y = 0; y < height; y += 1) for (let x = 0; x < width; x += 1) if (inside(x, y)) pixels += 1;
  const bin = Math.max(2, Math.min(LARGEST_BIN, Math.round(Math.sqrt(pixels / BINS))));
  const groups = groupsOf(stack.times);
  const times = groups.map(({ middle }) => middle);
  const each = noise / bin / Math.sqrt(stack.times.length / groups.length);
  const matrix = unsteady(times, each);
  const xs: number[] = [];
  const ys: number[] = [];
  const courses: number[] = [];
  for (let top = 0; top + bin <= height; top += bin)
    for (let left = 0; left + bin <= width; left += bin) {
      const [x, y] = [left + (bin - 1) / 2, top + (bin - 1) / 2];
      if (!inside(x, y)) continue;
      const course = groups.map(({ from, to }) => meanOf(rises, width, left, top, bin, from, to));
      if (!course.every(hasReading)) continue;
      xs.push(x);
      ys.push(y);
      courses.push(...through(matrix, course));
    }
  const peak = courses.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  return {
    xs: Float32Array.from(xs),
    ys: Float32Array.from(ys),
    times,
    courses: Float64Array.from(courses),
    matrix,
    spreads: Float64Array.from(courses, (value) => Math.hypot(each, MODEL * value, MODEL_PEAK * peak)),
    sharp: Float64Array.from(courses, (value) => Math.hypot(each, MODEL * value)),
  };
}

/** A series without some of its bins; the same one when none is left out. */
export function without(series: Series, out: (bin: number, x: number, y: number) => boolean): Series {
  const { xs, ys, times, courses, spreads, sharp } = series;
  const kept = [...xs.keys()].filter((p) => !out(p, xs[p]!, ys[p]!));
  if (kept.length === xs.length) return series;
  const n = times.length;
  const of = (values: Float64Array) =>
    Float64Array.from({ length: kept.length * n }, (_, i) => values[kept[Math.floor(i / n)]! * n + (i % n)]!);
  return {
    ...series,
    xs: Float32Array.from(kept, (p) => xs[p]!),
    ys: Float32Array.from(kept, (p) => ys[p]!),
    courses: of(courses),
    spreads: of(spreads),
    sharp: of(sharp),
  };
}

function groupsOf(times: readonly number[]): { from: number; to: number; middle: number }[] {
  const count = Math.min(MOST_TIMES, times.length);
  return Array.from({ length: count }, (_, g) => {
    const [from, to] = [Math.round((g * times.length) / count), Math.round(((g + 1) * times.length) / count)];
    return { from, to, middle: times.slice(from, to).reduce((sum, t) => sum + t, 0) / (to - from) };
  });
}

function meanOf(
  rises: readonly Float32Array[],
  width: number,
  left: number,
  top: number,
  bin: number,
  from: number,
  to: number,
): number {
  let [sum, n] = [0, 0];
  for (let i = from; i < to; i += 1)
    for (let y = top; y < top + bin; y += 1)
      for (let x = left; x < left + bin; x += 1) {
        const value = rises[i]![y * width + x]!;
        if (hasReading(value)) {
          sum += value;
          n += 1;
        }
      }
  return n === 0 ? NaN : sum / n;
}

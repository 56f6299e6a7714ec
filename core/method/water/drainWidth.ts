import type { Grid } from '../../ground/grid';
import { medianOf } from '../../ground/median';
import { estimateNoise } from '../../ground/noise';
import { hasReading } from '../../ground/hasReading';

/** A pipe with warm water in it, as it shows on the floor along its run. */
export interface DrainProfile {
  /** Distances from the first end, pixels. */
  along: number[];
  /** How wide it shows at half its height, pixels; null where it does not stand out. */
  widths: (number | null)[];
  /** The middle one of all widths, pixels. */
  usual: number;
  /** Parts that are wider than usual: water leaves the pipe there, or it bends. */
  wide: { from: number; to: number }[];
}

/** Profiles across the pipe reach this share of the picture's width to each side, and take so many pixels along together. */
const REACH = 0.16;
const TOGETHER = 2;
/** A pipe stands out from the floor by so many noises of its profile. */
const STANDS_OUT = 4;
/** Wider than usual: by this factor, over so many pixels. */
const WIDER = 1.5;
const LEAST_LENGTH = 4;
/** The outer parts of a profile are floor: this share of it at each end. */
const FLOOR_SHARE = 0.25;
const LEAST_WIDTHS = 8;

/**
 * How wide a warm pipe shows along a line that follows it.
 *
 * @param from, to - ends of the line, pixels
 * @returns null where the line is shorter than ten pixels, or hardly anything along it stands out
 */
export function drainProfile(grid: Grid, from: { x: number; y: number }, to: { x: number; y: number }): DrainProfile | null {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 10) return null;
  const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const reach = Math.max(6, Math.round(REACH * grid.width));
  const limit = (STANDS_OUT * estimateNoise(grid)) / Math.sqrt(2 * TOGETHER + 1);
  const along = Array.from({ length: Math.floor(length) + 1 }, (_, i) => i);
  const widths = along.map((s) => widthOf(profileAt(grid, from.x + s * ux, from.y + s * uy, ux, uy, reach), limit));
  const known = widths.filter((width) => width !== null);
  if (known.length < LEAST_WIDTHS) return null;
  const usual = medianOf(Float32Array.from(known));
  return { along, widths, usual, wide: widerParts(widths, WIDER * usual) };
}

/** Means of a few pixels along the pipe, across it from one side to the other. */
function profileAt(grid: Grid, x: number, y: number, ux: number, uy: number, reach: number): (number | null)[] {
  return Array.from({ length: 2 * reach + 1 }, (_, k) => {
    let [sum, n] = [0, 0];
    for (let a = -TOGETHER; a <= TOGETHER; a += 1) {
      const value = valueAt(grid, x + a * ux - (k - reach) * uy, y + a * uy + (k - reach) * ux);
      if (value !== null) {
        sum += value;
        n += 1;
      }
    }
    return n === 0 ? null : sum / n;
  });
}

function valueAt({ width, height, values }: Grid, x: number, y: number): number | null {
  const [i, j] = [Math.round(x), Math.round(y)];
  if (i < 0 || j < 0 || i >= width || j >= height) return null;
  const value = values[j * width + i]!;
  return hasReading(value) ? value : null;
}

/** Width of a profile's top at half its height over the floor on both sides; null where it does not stand out. */
function widthOf(profile: readonly (number | null)[], limit: number): number | null {
  const edge = Math.floor(FLOOR_SHARE * profile.length);
  const floor = meanOf([...profile.slice(0, edge), ...profile.slice(-edge)]);
  if (floor === null) return null;
  const inner = profile.map((value, k) => (value === null || k < edge || k >= profile.length - edge ? -Infinity : value - floor));
  const top = inner.indexOf(Math.max(...inner));
  if (!(inner[top]! > limit)) return null;
  const half = inner[top]! / 2;
  const over = profile.map((value) => (value === null ? -Infinity : value - floor));
  const crossing = (step: 1 | -1): number | null => {
    for (let k = top; k + step >= 0 && k + step < over.length; k += step) {
      const [here, next] = [over[k]!, over[k + step]!];
      if (next < half) return Number.isFinite(next) ? Math.abs(k - top) + (here - half) / (here - next) : null;
    }
    return null;
  };
  const [left, right] = [crossing(-1), crossing(1)];
  return left === null || right === null ? null : left + right;
}

function meanOf(values: readonly (number | null)[]): number | null {
  const known = values.filter((value) => value !== null);
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) / known.length;
}

function widerParts(widths: readonly (number | null)[], limit: number): DrainProfile['wide'] {
  const parts: DrainProfile['wide'] = [];
  let begin: number | null = null;
  for (let i = 0; i <= widths.length; i += 1) {
    const wide = i < widths.length && widths[i] !== null && widths[i]! > limit;
    if (wide) begin ??= i;
    else if (begin !== null) {
      if (i - begin >= LEAST_LENGTH) parts.push({ from: begin, to: i - 1 });
      begin = null;
    }
  }
  return parts;
}

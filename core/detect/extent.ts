import type { Span } from '../frame/region';
import { partsOf } from './flood';
import { enlarged, type Grid } from './grid';
import { smoothed } from './blur';
import { quantileOf } from './median';
import type { Standout } from './standouts';

/** The pixels of a place in the frame itself. */
export interface Extent {
  rows: Span[];
  area: number;
  /** Contrast at its strongest, K, positive. */
  peak: number;
  /** Contrast of its middle pixel over its strongest: 1 has a flat top, a third runs out. */
  flat: number;
}

/** Smoothing of the frame's own pixels before its extents are drawn. */
const SIGMA = 0.8;
/** Pieces smaller than this share of the largest are noise at the rim. */
const PIECE = 0.1;

/** Contrast in the frame's own pixels: the frame less the background, which is as fine as the working grid. */
export function fullContrast(frame: Grid, background: Grid, factor: number): Grid {
  const fine = factor === 1 ? background : enlarged(background, factor, frame);
  const values = new Float32Array(frame.values.length);
  for (let i = 0; i < values.length; i += 1) values[i] = frame.values[i]! - fine.values[i]!;
  return smoothed({ ...frame, values }, SIGMA);
}

/** Share of its peak at which a place ends: half way up for what has a flat top, lower for what runs out. */
function endShare(flat: number): number {
  return flat >= 0.78 ? 0.5 : flat >= 0.62 ? 0.4 : flat >= 0.5 ? 0.35 : 0.3;
}

/**
 * Draws a place in the frame's own pixels, from its peak down to its end share.
 *
 * @param contrast - of the frame's own pixels, as {@link fullContrast} gives it
 * @param grid - the working grid that the place was found on
 * @param factor - pixels of the frame to one of the working grid
 * @returns null where nothing is left of it
 */
export function extentOf(
  contrast: Grid,
  grid: Pick<Grid, 'width' | 'height'>,
  standout: Standout,
  factor: number,
): Extent | null {
  const { sign, pixels } = standout;
  const { width, height, values } = contrast;
  const near = nearby(pixels, grid);
  const mine: number[] = [];
  for (const i of near) {
    const left = (i % grid.width) * factor;
    const top = Math.floor(i / grid.width) * factor;
    for (let y = top; y < Math.min(height, top + factor); y += 1)
      for (let x = left; x < Math.min(width, left + factor); x += 1) mine.push(y * width + x);
  }
  const peak = strongest(values, mine, sign);
  const third = mine.filter((i) => sign * values[i]! >= 0.3 * peak);
  if (third.length === 0) return null;
  const flat =
    quantileOf(
      Float32Array.from(third, (i) => sign * values[i]!),
      0.5,
    ) / peak;
  const limit = endShare(flat) * peak;
  const all = Int32Array.from(third.filter((i) => sign * values[i]! >= limit));
  const set = new Uint8Array(values.length);
  for (const i of all) set[i] = 1;
  const parts = partsOf(contrast, (i) => set[i] === 1, all);
  const largest = Math.max(...parts.map((part) => part.pixels.length));
  const kept = parts.filter((part) => part.pixels.length >= PIECE * largest);
  const rows = rowsOf(Int32Array.from(kept.flatMap((part) => [...part.pixels])), width);
  return { rows, area: rows.reduce((sum, { from, to }) => sum + to - from + 1, 0), peak, flat };
}

/** Pixels of the working grid and the ring around them, of which a part may belong. */
function nearby(pixels: Int32Array, { width, height }: Pick<Grid, 'width' | 'height'>): number[] {
  const seen = new Uint8Array(width * height);
  const near: number[] = [];
  for (const i of pixels) {
    const x = i % width;
    const y = (i - x) / width;
    for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v += 1)
      for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u += 1) {
        const j = v * width + u;
        if (!seen[j]) near.push(j);
        seen[j] = 1;
      }
  }
  return near;
}

/** Mean of the strongest pixels: three, or one in two hundred. */
function strongest(values: Float32Array, pixels: readonly number[], sign: -1 | 1): number {
  const strengths = Float32Array.from(pixels, (i) => sign * values[i]!);
  const count = Math.min(strengths.length, Math.max(3, Math.round(strengths.length / 200)));
  const least = quantileOf(strengths.slice(), 1 - (count - 1) / Math.max(1, strengths.length - 1));
  let sum = 0;
  let taken = 0;
  for (let i = 0; i < strengths.length && taken < count; i += 1) {
    if (strengths[i]! < least) continue;
    sum += strengths[i]!;
    taken += 1;
  }
  return sum / Math.max(1, taken);
}

/** Pixels as rows of neighbours, from the top left. */
function rowsOf(pixels: Int32Array, width: number): Span[] {
  const rows: Span[] = [];
  let last: Span | null = null;
  for (const i of pixels.slice().sort()) {
    const x = i % width;
    const y = (i - x) / width;
    if (last && last.y === y && last.to === x - 1) last.to = x;
    else rows.push((last = { y, from: x, to: x }));
  }
  return rows;
}

import type { Span } from '../frame/region';
import { boundsOf, partsOf, widenedMask } from './flood';
import { enlarged, type Grid } from '../../ground/grid';
import { smoothed } from '../../ground/blur';
import { quantileOf } from '../../ground/median';
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
  const { width, values } = contrast;
  const mine = nearby(pixels, grid, factor, contrast);
  const peak = strongest(values, mine, sign);
  const third = mine.filter((i) => sign * values[i]! >= 0.3 * peak);
  if (third.length === 0) return null;
  const strengths = new Float32Array(third.length);
  for (let k = 0; k < third.length; k += 1) strengths[k] = sign * values[third[k]!]!;
  const flat = quantileOf(strengths, 0.5) / peak;
  const limit = endShare(flat) * peak;
  const all = third.filter((i) => sign * values[i]! >= limit);
  const set = new Uint8Array(values.length);
  for (let k = 0; k < all.length; k += 1) set[all[k]!] = 1;
  const parts = partsOf(contrast, (i) => set[i] === 1, all);
  const largest = Math.max(...parts.map((part) => part.pixels.length));
  // Pieces that are noise are taken out; the mask is what is left.
  for (const part of parts) if (part.pixels.length < PIECE * largest) for (const i of part.pixels) set[i] = 0;
  const rows = rowsOf(set, width, boundsOf(all, width));
  return { rows, area: rows.reduce((sum, { from, to }) => sum + to - from + 1, 0), peak, flat };
}

/** Pixels of the frame under those of the working grid and the ring around them, of which a part may belong. */
function nearby(
  pixels: Int32Array,
  grid: Pick<Grid, 'width' | 'height'>,
  factor: number,
  frame: Pick<Grid, 'width' | 'height'>,
): Int32Array {
  const { left, right, top, bottom } = boundsOf(pixels, grid.width);
  const [x0, y0] = [Math.max(0, left - 1), Math.max(0, top - 1)];
  const size = {
    width: Math.min(grid.width - 1, right + 1) - x0 + 1,
    height: Math.min(grid.height - 1, bottom + 1) - y0 + 1,
  };
  const mask = new Uint8Array(size.width * size.height);
  for (let k = 0; k < pixels.length; k += 1) {
    const x = pixels[k]! % grid.width;
    mask[((pixels[k]! - x) / grid.width - y0) * size.width + x - x0] = 1;
  }
  const near = widenedMask(mask, size, 1);
  const out = new Int32Array(near.length * factor * factor);
  let n = 0;
  for (let y = y0 * factor; y < Math.min(frame.height, (y0 + size.height) * factor); y += 1) {
    const row = (Math.floor(y / factor) - y0) * size.width;
    for (let u = 0; u < size.width; u += 1) {
      if (!near[row + u]) continue;
      const from = (x0 + u) * factor;
      for (let x = from; x < Math.min(frame.width, from + factor); x += 1) out[n++] = y * frame.width + x;
    }
  }
  return out.subarray(0, n);
}

/** Mean of the strongest pixels: three, or one in two hundred. */
function strongest(values: Float32Array, pixels: Int32Array, sign: -1 | 1): number {
  const strengths = new Float32Array(pixels.length);
  for (let k = 0; k < pixels.length; k += 1) strengths[k] = sign * values[pixels[k]!]!;
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

/** Pixels of a mask as rows of neighbours, from the top left. */
function rowsOf(mask: Uint8Array, width: number, { left, right, top, bottom }: ReturnType<typeof boundsOf>): Span[] {
  const rows: Span[] = [];
  for (let y = top; y <= bottom; y += 1) {
    for (let x = left; x <= right; x += 1) {
      if (!mask[y * width + x]) continue;
      const from = x;
      while (x < right && mask[y * width + x + 1]) x += 1;
      rows.push({ y, from, to: x });
    }
  }
  return rows;
}

import type { Grid } from '../../ground/grid';
import { quantileOf } from '../../ground/median';

/** Columns left … right and rows top … bottom, all of them in it. */
export interface PixelBox {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** What belongs to a rectangle stands out by this share of its middle: a frame is weaker than the panes in it. */
const CORE = 0.35;
/** A side counts up to where a column or row is filled by this share of what the fullest are. */
const SIDE = 0.6;
const LEAST_SIDE = 5;
/** Longer than this it is a stripe. */
const MOST_LONG = 6;
/** Over a sharp side the contrast falls by this share of what it is just inside, within so many pixels to each side of it. */
const FALLS = 0.5;
/** Just inside it is at least this share of the middle: a window's frame is warmer than its panes. */
const STANDS = 0.3;
const WITHIN = 2;
/** Share of a side's length over which it has to fall. */
const STRAIGHT = 0.55;
/** Share of the rectangle that stands out as it should: a mirror image in a pane takes some away. */
const FILLED = 0.8;

/** Size of a corner, as a share of the side. */
const CORNER = 0.15;

/** A rectangle with how many of its four sides are straight and sharp (those beyond the picture count). */
export interface Rectangle extends PixelBox {
  sharpSides: number;
}

/** The upright rectangle that makes up most of a place: a pane, a bay, a panel; null where there is none. */
export function rectangleIn(grid: Grid, pixels: Int32Array, sign: -1 | 1): Rectangle | null {
  const { width, values } = grid;
  const strengths = new Float32Array(pixels.length);
  for (let k = 0; k < pixels.length; k += 1) strengths[k] = sign * values[pixels[k]!]!;
  const level = quantileOf(strengths, 0.5);
  const core = pixels.filter((i) => sign * values[i]! >= CORE * level);
  const columns = new Map<number, number>();
  const rows = new Map<number, number>();
  for (const i of core) {
    const x = i % width;
    const y = (i - x) / width;
    columns.set(x, (columns.get(x) ?? 0) + 1);
    rows.set(y, (rows.get(y) ?? 0) + 1);
  }
  const [left, right] = sideOf(columns);
  const [top, bottom] = sideOf(rows);
  const [wide, high] = [right - left + 1, bottom - top + 1];
  if (Math.min(wide, high) < LEAST_SIDE || Math.max(wide, high) > MOST_LONG * Math.min(wide, high)) return null;
  let inside = 0;
  for (const i of core) {
    const x = i % width;
    const y = (i - x) / width;
    if (x >= left && x <= right && y >= top && y <= bottom) inside += 1;
  }
  if (inside < FILLED * wide * high || inside < 0.5 * core.length) return null;
  const box = { left, right, top, bottom };
  if (filledCorners(grid, box, sign, 0.5 * level) < 3) return null;
  const sharpSides = [
    sharp(grid, sign, level, left, top, bottom, 'x', -1),
    sharp(grid, sign, level, right, top, bottom, 'x', 1),
    sharp(grid, sign, level, top, left, right, 'y', -1),
    sharp(grid, sign, level, bottom, left, right, 'y', 1),
  ].filter(Boolean).length;
  return sharpSides < 3 ? null : { ...box, sharpSides };
}

function sideOf(counts: Map<number, number>): [number, number] {
  const full = quantileOf(Float32Array.from(counts.values()), 0.8);
  let from = Infinity;
  let to = -Infinity;
  for (const [place, count] of counts) {
    if (count < SIDE * full) continue;
    from = Math.min(from, place);
    to = Math.max(to, place);
  }
  return [from, to];
}

/** How many corners of a box are filled: those of a blotch are not. */
function filledCorners({ width, values }: Grid, { left, right, top, bottom }: PixelBox, sign: -1 | 1, least: number): number {
  const wide = Math.max(2, Math.round(CORNER * (right - left + 1)));
  const high = Math.max(2, Math.round(CORNER * (bottom - top + 1)));
  let filled = 0;
  for (const x0 of [left, right - wide + 1]) {
    for (const y0 of [top, bottom - high + 1]) {
      let held = 0;
      for (let y = y0; y < y0 + high; y += 1)
        for (let x = x0; x < x0 + wide; x += 1) if (sign * values[y * width + x]! >= least) held += 1;
      if (held >= 0.5 * wide * high) filled += 1;
    }
  }
  return filled;
}

/** Whether the contrast falls off along a side of a rectangle. */
function sharp(
  { width, height, values }: Grid,
  sign: -1 | 1,
  level: number,
  side: number,
  from: number,
  to: number,
  axis: 'x' | 'y',
  outward: -1 | 1,
): boolean {
  const length = axis === 'x' ? width : height;
  const out = side + outward * WITHIN;
  if (out < 0 || out >= length) return true;
  const into = Math.max(0, Math.min(length - 1, side - outward * WITHIN));
  let falls = 0;
  for (let k = from; k <= to; k += 1) {
    const [inner, outer] = axis === 'x' ? [k * width + into, k * width + out] : [into * width + k, out * width + k];
    const within = sign * values[inner]!;
    if (within >= STANDS * level && sign * values[outer]! <= (1 - FALLS) * within) falls += 1;
  }
  return falls >= STRAIGHT * (to - from + 1);
}

/** Whether a pixel lies in a box or within `rim` of it. */
export function inBox({ left, right, top, bottom }: PixelBox, x: number, y: number, rim: number): boolean {
  return x >= left - rim && x <= right + rim && y >= top - rim && y <= bottom + rim;
}

/** Outer frame of a pane is thinner than this share of its shorter side. */
const MOST_FRAME = 0.25;

/**
 * The pane's frame, where it stands out the other way than the pane: the box with it; the same box where there is none.
 *
 * @param least - contrast from which a frame counts, K
 */
export function withFrame(grid: Grid, box: PixelBox, sign: -1 | 1, least: number): PixelBox {
  const { width, height, values } = grid;
  const reach = Math.max(3, Math.round(MOST_FRAME * Math.min(box.right - box.left, box.bottom - box.top)));
  const along = (axis: 'x' | 'y', at: number, from: number, to: number) => {
    const line = new Float32Array(to - from + 1);
    for (let k = from; k <= to; k += 1) line[k - from] = -sign * values[axis === 'x' ? k * width + at : at * width + k]!;
    return quantileOf(line, 0.4);
  };
  const thickness = (axis: 'x' | 'y', side: number, outward: -1 | 1, from: number, to: number) => {
    let last = 0;
    let most = 0;
    for (let d = 1; d <= reach; d += 1) {
      const at = side + outward * d;
      if (at < 0 || at >= (axis === 'x' ? width : height)) break;
      const height_ = along(axis, at, from, to);
      most = Math.max(most, height_);
      if (height_ >= least && height_ >= 0.4 * most) last = d;
      else if (last > 0) break;
    }
    return last;
  };
  const [x0, x1, y0, y1] = [box.left + 1, box.right - 1, box.top + 1, box.bottom - 1];
  if (x1 <= x0 || y1 <= y0) return box;
  const grown = [
    thickness('x', box.left, -1, y0, y1),
    thickness('x', box.right, 1, y0, y1),
    thickness('y', box.top, -1, x0, x1),
    thickness('y', box.bottom, 1, x0, x1),
  ];
  if (grown.filter((d) => d > 0).length < 3) return box;
  return {
    left: Math.max(0, box.left - grown[0]!),
    right: Math.min(width - 1, box.right + grown[1]!),
    top: Math.max(0, box.top - grown[2]!),
    bottom: Math.min(height - 1, box.bottom + grown[3]!),
  };
}

import type { Grid } from '../../ground/grid';

type Size = Pick<Grid, 'width' | 'height'>;

/** One connected group of pixels. */
export interface Part {
  /** Places in the grid, in no order. */
  pixels: Int32Array;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Which pixels were met in which search, and their queue: kept, because a search over a small part should not cost a whole picture. */
let met = new Uint32Array(0);
let queue = new Int32Array(0);
let search = 0;

/**
 * Gathers connected pixels (by sides and corners) for which `belongs` holds, each group once.
 *
 * @param among - where to look; every pixel when left out
 */
export function partsOf({ width, height }: Size, belongs: (i: number) => boolean, among?: Int32Array): Part[] {
  if (met.length < width * height) {
    met = new Uint32Array(width * height);
    queue = new Int32Array(width * height);
  }
  search += 1;
  const parts: Part[] = [];
  const count = among?.length ?? width * height;
  for (let k = 0; k < count; k += 1) {
    const start = among ? among[k]! : k;
    if (met[start] === search || !belongs(start)) continue;
    let filled = 0;
    queue[filled++] = start;
    met[start] = search;
    let [left, right, top, bottom] = [width, 0, height, 0];
    for (let head = 0; head < filled; head += 1) {
      const i = queue[head]!;
      const x = i % width;
      const y = (i - x) / width;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
      const [x0, x1] = [x > 0 ? -1 : 0, x < width - 1 ? 1 : 0];
      const [y0, y1] = [y > 0 ? -1 : 0, y < height - 1 ? 1 : 0];
      for (let dy = y0; dy <= y1; dy += 1) {
        for (let dx = x0; dx <= x1; dx += 1) {
          const j = i + dy * width + dx;
          if (met[j] === search || !belongs(j)) continue;
          met[j] = search;
          queue[filled++] = j;
        }
      }
    }
    parts.push({ pixels: queue.slice(0, filled), left, right, top, bottom });
  }
  return parts;
}

/** Bounds of pixels; `pixels` must not be empty. */
export function boundsOf(pixels: Int32Array, width: number): Omit<Part, 'pixels'> {
  let [left, right, top, bottom] = [Infinity, -Infinity, Infinity, -Infinity];
  for (const i of pixels) {
    const x = i % width;
    const y = (i - x) / width;
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  return { left, right, top, bottom };
}

/** Pixels within `reach` of a set one, by columns and rows. */
export function widenedMask(mask: Uint8Array, { width, height }: Size, reach: number): Uint8Array {
  if (reach <= 0) return mask.slice();
  const across = new Uint8Array(mask.length);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      if (!mask[y * width + x]) continue;
      across.fill(1, y * width + Math.max(0, x - reach), y * width + Math.min(width - 1, x + reach) + 1);
    }
  }
  const out = new Uint8Array(mask.length);
  for (let y = 0; y < height; y += 1) {
    for (let k = Math.max(0, y - reach); k <= Math.min(height - 1, y + reach); k += 1) {
      for (let x = 0; x < width; x += 1) out[y * width + x]! |= across[k * width + x]!;
    }
  }
  return out;
}

import { hasReading } from '../pixels/hasReading';
import { estimateNoise } from '../frame/noise';
import { medianOf } from './median';
import type { Grid } from './grid';

/** A frame whose every pixel has a value that can be believed, and what had to be mended for that. */
export interface Clean {
  grid: Grid;
  /** Of one pixel, K. */
  noise: number;
  /** Share of pixels that had no reading or answered wrongly, 0 … 1. */
  mended: number;
}

/** A single pixel that stands out from its neighbourhood by so many noises answers wrongly, if nothing near it does the same. */
const DEAD_NOISES = 8;
const DEAD_K = 0.7;
/** Optics spread what is real: a neighbour of a real peak shows at least this share of it. */
const SPREAD = 0.3;

/**
 * Fills pixels without a reading from around them and replaces those that answer wrongly by the median of their neighbours.
 *
 * @returns null when no pixel has a reading
 */
export function cleaned({ width, height, values }: Grid): Clean | null {
  const filled = values.slice();
  let mended = fillMissing(filled, width, height);
  if (mended === filled.length) return null;
  const noise = estimateNoise({ width, height, values: filled });
  const least = Math.max(DEAD_K, DEAD_NOISES * noise);
  const around = new Float32Array(8);
  const out = filled.slice();
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      const value = filled[i]!;
      const beside = filled[x > 0 ? i - 1 : i + 1]!;
      const above = filled[y > 0 ? i - width : i + width]!;
      // Most pixels are like one of their neighbours: no need to look further.
      if (Math.abs(value - beside) < least || Math.abs(value - above) < least) continue;
      let count = 0;
      for (let dy = -1; dy <= 1; dy += 1) {
        for (let dx = -1; dx <= 1; dx += 1) {
          if ((dx || dy) && x + dx >= 0 && x + dx < width && y + dy >= 0 && y + dy < height)
            around[count++] = filled[i + dy * width + dx]!;
        }
      }
      const middle = medianOf(around.subarray(0, count));
      const off = value - middle;
      if (Math.abs(off) < least) continue;
      let alike = 0;
      for (let k = 0; k < count; k += 1) if ((around[k]! - middle) * Math.sign(off) > SPREAD * Math.abs(off)) alike += 1;
      if (alike > 1) continue;
      out[i] = middle;
      mended += 1;
    }
  }
  return { grid: { width, height, values: out }, noise, mended: mended / values.length };
}

/** Gives pixels without a reading the mean of their neighbours, ring by ring. @returns how many there were */
function fillMissing(values: Float32Array, width: number, height: number): number {
  let open: number[] = [];
  for (let i = 0; i < values.length; i += 1) if (!hasReading(values[i]!)) open.push(i);
  const missing = open.length;
  if (missing === values.length) return missing;
  while (open.length > 0) {
    const found: [number, number][] = [];
    const left: number[] = [];
    for (const i of open) {
      const [x, y] = [i % width, Math.floor(i / width)];
      let sum = 0;
      let count = 0;
      for (const [dx, dy] of [
        [-1, 0],
        [1, 0],
        [0, -1],
        [0, 1],
      ] as const) {
        if (x + dx < 0 || x + dx >= width || y + dy < 0 || y + dy >= height) continue;
        const value = values[i + dy * width + dx]!;
        if (!hasReading(value)) continue;
        sum += value;
        count += 1;
      }
      if (count > 0) found.push([i, sum / count]);
      else left.push(i);
    }
    for (const [i, value] of found) values[i] = value;
    open = left;
  }
  return missing;
}

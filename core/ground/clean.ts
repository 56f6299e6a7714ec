import { hasReading } from './hasReading';
import { estimateNoise } from './noise';
import { medianOf, quantileOf } from './median';
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

/** Neighbours that may answer wrongly in the same way; where many pixels do, pairs and triples come by chance. */
const ALIKE = 1;
const ALIKE_IN_MANY = 3;
const MANY = 0.004;
const ROUNDS = 5;

/**
 * Fills pixels without a reading from around them and replaces those that answer wrongly by the median of their neighbours.
 *
 * @returns null when no pixel has a reading
 */
export function cleaned(frame: Grid): Clean | null {
  const clean = believable(frame);
  return clean && { ...clean, noise: estimateNoise(clean.grid) };
}

/** The same without asking for the noise, which costs as much again. */
export function believable({ width, height, values }: Grid): Omit<Clean, 'noise'> | null {
  const filled = values.slice();
  const missing = fillMissing(filled, width, height);
  if (missing === filled.length) return null;
  const least = Math.max(DEAD_K, DEAD_NOISES * Math.min(estimateNoise({ width, height, values: filled }), stepNoise(filled)));
  let wrong = 0;
  for (let round = 0; round < ROUNDS; round += 1) {
    const found = mend(filled, width, height, least, wrong > MANY * filled.length ? ALIKE_IN_MANY : ALIKE);
    wrong += found;
    if (found <= 1e-3 * filled.length) break;
  }
  return { grid: { width, height, values: filled }, mended: Math.min(1, (missing + wrong) / filled.length) };
}

/** Noise by the smaller steps from one pixel to the next, which even many dead pixels leave alone, K. */
function stepNoise(values: Float32Array): number {
  const every = Math.max(1, Math.floor(values.length / 8000));
  const steps = new Float32Array(Math.floor((values.length - 1) / every));
  for (let k = 0; k < steps.length; k += 1) steps[k] = Math.abs(values[k * every + 1]! - values[k * every]!);
  // A quarter of all normal numbers are smaller than 0.3186 of their deviation; a step has √2 of a pixel's.
  return steps.length === 0 ? 0 : quantileOf(steps, 0.25) / (0.3186 * Math.SQRT2);
}

/** Replaces pixels that stand out from their neighbourhood where hardly a neighbour does the same. @returns how many */
function mend(values: Float32Array, width: number, height: number, least: number, mostAlike: number): number {
  const before = values.slice();
  const around = new Float32Array(8);
  let found = 0;
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      const value = before[i]!;
      const beside = before[x > 0 ? i - 1 : i + 1]!;
      const above = before[y > 0 ? i - width : i + width]!;
      // Most pixels are like their neighbours: no need to look further.
      if (Math.abs(value - beside) < least && Math.abs(value - above) < least) continue;
      let count = 0;
      for (let dy = -1; dy <= 1; dy += 1) {
        for (let dx = -1; dx <= 1; dx += 1) {
          if ((dx || dy) && x + dx >= 0 && x + dx < width && y + dy >= 0 && y + dy < height)
            around[count++] = before[i + dy * width + dx]!;
        }
      }
      const near = around.subarray(0, count);
      const middle = medianOf(near);
      const off = value - middle;
      if (Math.abs(off) < least) continue;
      let alike = 0;
      for (let k = 0; k < count; k += 1) if ((near[k]! - middle) * Math.sign(off) > SPREAD * Math.abs(off)) alike += 1;
      if (alike > mostAlike) continue;
      values[i] = middle;
      found += 1;
    }
  }
  return found;
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

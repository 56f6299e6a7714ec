import { hasReading } from '../../ground/hasReading';
import type { Span } from './region';

/** Steps back from blurred to sharp. More would only sharpen the noise. */
const STEPS = 20;
/** Of larger regions blur takes less than 4 % of their contrast. */
const MOST_PIXELS = 1024;
/** Pixels around a region that count: beyond three of the blur's standard deviations nothing reaches it. */
const REACH = 4;

/**
 * What the surroundings took from a region's mean by the blur of the optics: the mean as it would be if the frame were sharp,
 * less the mean as it is.
 *
 * @param values - apparent temperatures, row by row, °C; NaN for no reading
 * @param blur - standard deviation of the blur, pixels, 0 … 3
 * @returns K; 0 for regions above 1024 pixels, and for none
 *
 * Van Cittert's iteration (f ← f + g − G f) within the region's window, which brings back what the blur did not take below
 * the noise. What a region loses because it reaches a fraction of a pixel beyond its target is not in it: nothing in the frame
 * tells that.
 */
export function spillOf(values: Float32Array, width: number, height: number, spans: readonly Span[], blur: number): number {
  const count = spans.reduce((sum, { from, to }) => sum + to - from + 1, 0);
  if (blur === 0 || count === 0 || count > MOST_PIXELS) return 0;
  const left = Math.max(0, Math.min(...spans.map(({ from }) => from)) - REACH);
  const right = Math.min(width - 1, Math.max(...spans.map(({ to }) => to)) + REACH);
  const top = Math.max(0, Math.min(...spans.map(({ y }) => y)) - REACH);
  const bottom = Math.min(height - 1, Math.max(...spans.map(({ y }) => y)) + REACH);
  const [wide, tall] = [right - left + 1, bottom - top + 1];
  if (wide * tall > 8 * MOST_PIXELS) return 0;

  const seen = new Float64Array(wide * tall);
  let sum = 0;
  let known = 0;
  for (let y = 0; y < tall; y += 1) {
    for (let x = 0; x < wide; x += 1) {
      const value = values[(top + y) * width + left + x]!;
      seen[y * wide + x] = value;
      if (!hasReading(value)) continue;
      sum += value;
      known += 1;
    }
  }
  if (known === 0) return 0;
  for (let i = 0; i < seen.length; i += 1) if (!hasReading(seen[i]!)) seen[i] = sum / known;

  const kernel = gaussian(blur);
  const sharp = Float64Array.from(seen);
  const [across, blurred] = [new Float64Array(seen.length), new Float64Array(seen.length)];
  for (let step = 0; step < STEPS; step += 1) {
    smooth(sharp, across, wide, tall, kernel, 1, wide);
    smooth(across, blurred, tall, wide, kernel, wide, 1);
    for (let i = 0; i < sharp.length; i += 1) sharp[i]! += seen[i]! - blurred[i]!;
  }
  let gained = 0;
  for (const { y, from, to } of spans) {
    for (let x = from; x <= to; x += 1) {
      const i = (y - top) * wide + x - left;
      gained += sharp[i]! - seen[i]!;
    }
  }
  return gained / count;
}

/** Half a Gaussian from its middle outward, its whole sum 1. */
function gaussian(sigma: number): number[] {
  const half = Array.from({ length: Math.ceil(3 * sigma) + 1 }, (_, k) => Math.exp((-k * k) / (2 * sigma * sigma)));
  const total = half.reduce((sum, weight, k) => sum + (k === 0 ? weight : 2 * weight), 0);
  return half.map((weight) => weight / total);
}

/** Along lines of `length` values, `step` apart; lines lie `stride` apart. At the ends the picture is mirrored. */
function smooth(
  from: Float64Array,
  to: Float64Array,
  length: number,
  lines: number,
  kernel: readonly number[],
  step: number,
  stride: number,
): void {
  for (let line = 0; line < lines; line += 1) {
    for (let i = 0; i < length; i += 1) {
      let sum = kernel[0]! * from[line * stride + i * step]!;
      for (let k = 1; k < kernel.length; k += 1) {
        const [before, after] = [mirrored(i - k, length), mirrored(i + k, length)];
        sum += kernel[k]! * (from[line * stride + before * step]! + from[line * stride + after * step]!);
      }
      to[line * stride + i * step] = sum;
    }
  }
}

function mirrored(i: number, length: number): number {
  const at = i < 0 ? -i - 1 : i >= length ? 2 * length - i - 1 : i;
  return Math.min(length - 1, Math.max(0, at));
}

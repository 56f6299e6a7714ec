import { hasReading } from '../../ground/hasReading';

/** Two groups of pixels that lie apart, such as an object and what is behind it; °C. */
export interface Populations {
  colder: { mean: number; share: number };
  warmer: { mean: number; share: number };
}

const BINS = 64;
/** So few pixels tell nothing. */
const LEAST_PIXELS = 12;
/** The smaller group has at least this share. */
const LEAST_SHARE = 0.08;
/** How far apart the groups lie, in their own widths. An even slope cut in two has 3.5, a single bell 2.7. */
const APART = 4.5;
const LEAST_APART_K = 0.5;
const NOISES_APART = 6;

/**
 * Whether values fall into two groups with next to nothing between them, so that their mean is neither's.
 *
 * @param values - °C, NaN for no reading
 * @param noise - standard deviation of one pixel's noise, K
 * @returns null for a single group, an even slope, or too few values
 *
 * Cuts the histogram where the variance between the parts is greatest (Otsu 1979) and holds the parts' distance against
 * their widths (Ashman's D, 1994). Linear in values.
 */
export function populationsOf(values: Float32Array, noise: number): Populations | null {
  let min = Infinity;
  let max = -Infinity;
  let count = 0;
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i]!;
    if (!hasReading(value)) continue;
    count += 1;
    if (value < min) min = value;
    if (value > max) max = value;
  }
  if (count < LEAST_PIXELS || max - min < Math.max(LEAST_APART_K, NOISES_APART * noise)) return null;
  const perUnit = (BINS * (1 - 1e-9)) / (max - min);
  const counts = new Float64Array(BINS);
  const sums = new Float64Array(BINS);
  const squares = new Float64Array(BINS);
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i]!;
    if (!hasReading(value)) continue;
    const offset = value - min;
    const bin = (offset * perUnit) | 0;
    counts[bin]! += 1;
    sums[bin]! += offset;
    squares[bin]! += offset * offset;
  }
  const total = partOf(counts, sums, squares, 0, BINS);
  let best = { between: -1, cut: 0 };
  let below = { count: 0, sum: 0 };
  for (let cut = 1; cut < BINS; cut += 1) {
    below = { count: below.count + counts[cut - 1]!, sum: below.sum + sums[cut - 1]! };
    const above = total.count - below.count;
    if (below.count === 0 || above === 0) continue;
    const apart = below.sum / below.count - (total.sum - below.sum) / above;
    const between = below.count * above * apart * apart;
    if (between > best.between) best = { between, cut };
  }
  if (best.between < 0) return null;
  const colder = partOf(counts, sums, squares, 0, best.cut);
  const warmer = partOf(counts, sums, squares, best.cut, BINS);
  const apart = warmer.mean - colder.mean;
  const least = Math.min(colder.count, warmer.count);
  const width = Math.hypot(colder.std, warmer.std, noise);
  if (least < Math.max(3, LEAST_SHARE * count) || apart < Math.max(LEAST_APART_K, NOISES_APART * noise)) return null;
  if ((Math.SQRT2 * apart) / width < APART) return null;
  return {
    colder: { mean: min + colder.mean, share: colder.count / count },
    warmer: { mean: min + warmer.mean, share: warmer.count / count },
  };
}

function partOf(counts: Float64Array, sums: Float64Array, squares: Float64Array, from: number, to: number) {
  let count = 0;
  let sum = 0;
  let square = 0;
  for (let bin = from; bin < to; bin += 1) {
    count += counts[bin]!;
    sum += sums[bin]!;
    square += squares[bin]!;
  }
  const mean = sum / count;
  return { count, sum, mean, std: Math.sqrt(Math.max(0, square / count - mean * mean)) };
}

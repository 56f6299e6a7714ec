import { hasReading } from '../../ground/hasReading';
import type { Span } from './region';

export interface Place {
  x: number;
  y: number;
}

export interface RegionStatistics {
  /** Pixels with a reading. */
  count: number;
  /** Pixels without one. */
  missing: number;
  min: number;
  max: number;
  minAt: Place;
  maxAt: Place;
  mean: number;
  median: number;
  /** 2nd and 98th percentile, which noise and dead pixels pull less than the extremes; null for few pixels. */
  percentiles: { low: number; high: number } | null;
  /** With n − 1; null for a single pixel, which has no spread. */
  std: number | null;
}

/**
 * Statistics of the pixels in `spans`, °C in and out.
 *
 * @param values - row by row, NaN for no reading
 * @param transform - applied to each value first, for example a correction; the default takes values as they are
 * @returns null when no pixel has a reading
 *
 * The median of an even count is the mean of the middle two. Linear in pixels.
 */
export function regionStatistics(
  values: Float32Array,
  width: number,
  spans: readonly Span[],
  transform?: (gathered: Float32Array) => void,
): RegionStatistics | null {
  const total = spans.reduce((sum, span) => sum + span.to - span.from + 1, 0);
  const gathered = new Float32Array(total);
  let at = 0;
  for (const { y, from, to } of spans) {
    gathered.set(values.subarray(y * width + from, y * width + to + 1), at);
    at += to - from + 1;
  }
  transform?.(gathered);

  let count = 0;
  let sum = 0;
  let min = Infinity;
  let max = -Infinity;
  let minIndex = 0;
  let maxIndex = 0;
  for (let i = 0; i < total; i += 1) {
    const value = gathered[i]!;
    if (!hasReading(value)) continue;
    count += 1;
    sum += value;
    if (value < min) {
      min = value;
      minIndex = i;
    }
    if (value > max) {
      max = value;
      maxIndex = i;
    }
  }
  if (count === 0) return null;

  const mean = sum / count;
  const readings = new Float32Array(count);
  let squares = 0;
  let kept = 0;
  for (let i = 0; i < total; i += 1) {
    const value = gathered[i]!;
    if (!hasReading(value)) continue;
    const deviation = value - mean;
    squares += deviation * deviation;
    readings[kept] = value;
    kept += 1;
  }
  return {
    count,
    missing: total - count,
    min,
    max,
    minAt: pixelOfIndex(minIndex, spans),
    maxAt: pixelOfIndex(maxIndex, spans),
    mean,
    median: quantileOf(readings, min, max, 0.5),
    percentiles:
      count < PERCENTILES_FROM
        ? null
        : { low: quantileOf(readings, min, max, OUTER_SHARE), high: quantileOf(readings, min, max, 1 - OUTER_SHARE) },
    std: count > 1 ? Math.sqrt(squares / (count - 1)) : null,
  };
}

function pixelOfIndex(index: number, spans: readonly Span[]): Place {
  let rest = index;
  for (const { y, from, to } of spans) {
    const length = to - from + 1;
    if (rest < length) return { x: from + rest, y };
    rest -= length;
  }
  throw new RangeError(`No pixel ${index} in these spans`);
}

/** Of fewer pixels than this a percentile is an extreme. */
const PERCENTILES_FROM = 100;
const OUTER_SHARE = 0.02;

const BINS = 1024;
/** So few values are sorted outright. */
const SORTED_FROM = 256;

/**
 * Exact quantile of readings between `min` and `max`, the mean of two neighbours where it falls between them; `values` must not
 * be empty and is not kept in order.
 *
 * Counts into bins, keeps only the bins that hold it, and does it again until few are left: linear, and faster
 * than selecting by exchange, because a count does not move anything.
 */
function quantileOf(values: Float32Array, min: number, max: number, share: number): number {
  const rank = share * (values.length - 1);
  const [lower, upper] = [Math.floor(rank), Math.ceil(rank)];
  let pool = values;
  let below = 0;
  let [low, high] = [min, max];
  while (pool.length > SORTED_FROM && high > low) {
    const perUnit = BINS / (high - low);
    const counts = new Uint32Array(BINS);
    for (let i = 0; i < pool.length; i += 1) counts[Math.min(BINS - 1, ((pool[i]! - low) * perUnit) | 0)]! += 1;
    let first = 0;
    let seen = 0;
    while (seen + counts[first]! <= lower - below) seen += counts[first++]!;
    let last = first;
    for (let upTo = seen + counts[last]!; upTo <= upper - below; upTo += counts[last]!) last += 1;

    const kept = new Float32Array(pool.length);
    let count = 0;
    let [nextLow, nextHigh] = [Infinity, -Infinity];
    for (let i = 0; i < pool.length; i += 1) {
      const value = pool[i]!;
      const bin = Math.min(BINS - 1, ((value - low) * perUnit) | 0);
      if (bin < first || bin > last) continue;
      kept[count] = value;
      count += 1;
      if (value < nextLow) nextLow = value;
      if (value > nextHigh) nextHigh = value;
    }
    if (count === pool.length) break;
    pool = kept.subarray(0, count);
    below += seen;
    [low, high] = [nextLow, nextHigh];
  }
  const sorted = pool.slice().sort();
  return (sorted[lower - below]! + sorted[upper - below]!) / 2;
}

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
  const asked = count < PERCENTILES_FROM ? [0.5] : [0.5, OUTER_SHARE, 1 - OUTER_SHARE];
  const [median, low, high] = quantilesOf(readings, min, max, asked);
  return {
    count,
    missing: total - count,
    min,
    max,
    minAt: pixelOfIndex(minIndex, spans),
    maxAt: pixelOfIndex(maxIndex, spans),
    mean,
    median: median!,
    percentiles: low === undefined ? null : { low, high: high! },
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

/** Exact quantiles of readings between `min` and `max`, the mean of two neighbours where one falls between them. */
function quantilesOf(values: Float32Array, min: number, max: number, shares: readonly number[]): number[] {
  const ranks = shares.map((share) => share * (values.length - 1));
  const ranked = atRanks(
    values,
    min,
    max,
    ranks.flatMap((rank) => [Math.floor(rank), Math.ceil(rank)]),
  );
  return ranks.map((_, i) => (ranked[2 * i]! + ranked[2 * i + 1]!) / 2);
}

/**
 * The values that stand at some ranks, from 0, when readings between `min` and `max` are put in order.
 *
 * Counts into bins once for all of them, keeps only the bin that holds each, and does that again until few are left: linear,
 * and faster than selecting by exchange, because a count does not move anything.
 */
function atRanks(values: Float32Array, min: number, max: number, ranks: readonly number[]): number[] {
  if (values.length <= SORTED_FROM || !(max > min)) {
    const sorted = values.slice().sort();
    return ranks.map((rank) => sorted[rank]!);
  }
  const perUnit = BINS / (max - min);
  const bins = new Uint16Array(values.length);
  // One more than there are bins: the greatest value lies at its end.
  const counts = new Uint32Array(BINS + 1);
  for (let i = 0; i < values.length; i += 1) {
    const bin = ((values[i]! - min) * perUnit) | 0;
    bins[i] = bin;
    counts[bin]! += 1;
  }
  const found = new Map<number, number>();
  for (const rank of ranks) {
    if (found.has(rank)) continue;
    let bin = 0;
    let below = 0;
    while (below + counts[bin]! <= rank) below += counts[bin++]!;
    const inBin = ranks.filter((one) => one >= below && one < below + counts[bin]!);
    const pool = new Float32Array(counts[bin]!);
    let [kept, low, high] = [0, Infinity, -Infinity];
    for (let i = 0; i < bins.length; i += 1) {
      if (bins[i] !== bin) continue;
      const value = values[i]!;
      pool[kept++] = value;
      if (value < low) low = value;
      if (value > high) high = value;
    }
    const ranked = atRanks(
      pool,
      low,
      high,
      inBin.map((one) => one - below),
    );
    inBin.forEach((one, i) => found.set(one, ranked[i]!));
  }
  return ranks.map((rank) => found.get(rank)!);
}

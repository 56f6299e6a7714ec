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

  const first = gathered.find(hasReading);
  if (first === undefined) return null;
  // Deviations from the first reading: their squares lose nothing, and one pass tells mean and spread.
  let count = 0;
  let sum = 0;
  let squares = 0;
  let min = first;
  let max = first;
  let minIndex = gathered.indexOf(first);
  let maxIndex = minIndex;
  for (let i = 0; i < total; i += 1) {
    const value = gathered[i]!;
    if (!hasReading(value)) continue;
    const deviation = value - first;
    count += 1;
    sum += deviation;
    squares += deviation * deviation;
    if (value < min) {
      min = value;
      minIndex = i;
    }
    if (value > max) {
      max = value;
      maxIndex = i;
    }
  }
  const readings = count === total ? gathered : gathered.filter(hasReading);
  const asked = count < PERCENTILES_FROM ? [0.5] : [0.5, OUTER_SHARE, 1 - OUTER_SHARE];
  const [median, low, high] = quantilesOf(readings, min, max, asked);
  return {
    count,
    missing: total - count,
    min,
    max,
    minAt: pixelOfIndex(minIndex, spans),
    maxAt: pixelOfIndex(maxIndex, spans),
    mean: first + sum / count,
    median: median!,
    percentiles: low === undefined ? null : { low, high: high! },
    std: count > 1 ? Math.sqrt(Math.max(0, squares - (sum * sum) / count) / (count - 1)) : null,
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
  // Bins that hold a rank, each with how many readings lie below it.
  const pools = new Map<number, { below: number; kept: number; values: Float32Array }>();
  const wanted = new Uint8Array(BINS + 1);
  const binOf = ranks.map((rank) => {
    let [bin, below] = [0, 0];
    while (below + counts[bin]! <= rank) below += counts[bin++]!;
    if (wanted[bin] === 0) pools.set(bin, { below, kept: 0, values: new Float32Array(counts[bin]!) });
    wanted[bin] = 1;
    return bin;
  });
  for (let i = 0; i < bins.length; i += 1) {
    if (wanted[bins[i]!] === 0) continue;
    const pool = pools.get(bins[i]!)!;
    pool.values[pool.kept++] = values[i]!;
  }
  const found = new Map<number, number>();
  for (const [bin, pool] of pools) {
    const inBin = ranks.filter((_, k) => binOf[k] === bin);
    const [low, high] = extremesOf(pool.values);
    const ranked = atRanks(
      pool.values,
      low,
      high,
      inBin.map((rank) => rank - pool.below),
    );
    inBin.forEach((rank, k) => found.set(rank, ranked[k]!));
  }
  return ranks.map((rank) => found.get(rank)!);
}

function extremesOf(values: Float32Array): [low: number, high: number] {
  let [low, high] = [Infinity, -Infinity];
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  return [low, high];
}

import { hasReading } from './hasReading';

export interface Extremes {
  min: number;
  max: number;
  /** Mean of the pixels with a reading. */
  mean: number;
  count: number;
}

/** Lowest, highest and mean value of a frame in the unit of `values`; null when no pixel has a reading. */
export function extremesOf(values: Float32Array): Extremes | null {
  let min = Infinity;
  let max = -Infinity;
  let sum = 0;
  let count = 0;
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i]!;
    if (value < min) min = value;
    if (value > max) max = value;
    if (hasReading(value)) {
      sum += value;
      count += 1;
    }
  }
  return count === 0 ? null : { min, max, mean: sum / count, count };
}

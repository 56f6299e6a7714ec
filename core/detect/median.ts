/** Median of values, which are sorted for it in place; the mean of the middle two of an even count. NaN for none. */
export function medianOf(values: Float32Array): number {
  if (values.length === 0) return NaN;
  values.sort();
  const half = values.length >> 1;
  return values.length % 2 ? values[half]! : (values[half - 1]! + values[half]!) / 2;
}

/** The value below which a share of the values lies; sorts in place. NaN for none. @param share - 0 … 1 */
export function quantileOf(values: Float32Array, share: number): number {
  if (values.length === 0) return NaN;
  values.sort();
  return values[Math.min(values.length - 1, Math.max(0, Math.round(share * (values.length - 1))))]!;
}

/** Standard deviation of the bulk of values, by the median of their distance from their median (sorts in place). */
export function robustSpread(values: Float32Array): number {
  const middle = medianOf(values);
  return 1.4826 * medianOf(values.map((value) => Math.abs(value - middle)));
}

/** Running median of a profile; the rim has shorter neighbourhoods. @param reach - pixels to each side */
export function runningMedian(values: Float32Array, reach: number): Float32Array {
  return values.map((_, i) => medianOf(values.slice(Math.max(0, i - reach), Math.min(values.length, i + reach + 1))));
}

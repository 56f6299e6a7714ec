/** The value that would stand at place k if the values were sorted; reorders them (Hoare 1961). */
function selected(values: Float32Array, k: number): number {
  let [left, right] = [0, values.length - 1];
  while (left < right) {
    const pivot = values[(left + right) >> 1]!;
    let [i, j] = [left, right];
    while (i <= j) {
      while (values[i]! < pivot) i += 1;
      while (values[j]! > pivot) j -= 1;
      if (i <= j) {
        const kept = values[i]!;
        values[i] = values[j]!;
        values[j] = kept;
        i += 1;
        j -= 1;
      }
    }
    if (k <= j) right = j;
    else if (k >= i) left = i;
    else break;
  }
  return values[k]!;
}

/** Median of values, which are reordered for it; of an even count the upper of the middle two. NaN for none. */
export function medianOf(values: Float32Array): number {
  return values.length === 0 ? NaN : selected(values, values.length >> 1);
}

/** The value below which a share of the values lies; reorders them. NaN for none. @param share - 0 … 1 */
export function quantileOf(values: Float32Array, share: number): number {
  if (values.length === 0) return NaN;
  return selected(values, Math.min(values.length - 1, Math.max(0, Math.round(share * (values.length - 1)))));
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

import { cholesky, solveWith } from '../../ground/cholesky';

/** A thing in view may warm at a rate of its own: standard deviation of such rates, K/s. */
export const OWN_RATE = 1 / 3600;

/**
 * Takes out of series of readings what does not tell a leak: their level, and as far as it is needed a steady rate.
 *
 * @param times - s
 * @param noise - of one reading, K
 * @returns a matrix n × n, row by row
 */
export function unsteady(times: readonly number[], noise: number): Float64Array {
  const n = times.length;
  const middle = times.reduce((sum, t) => sum + t, 0) / n;
  const basis = [times.map(() => 1), times.map((t) => t - middle)] as const;
  const gram = new Float64Array(4);
  for (let i = 0; i < 2; i += 1)
    for (let k = 0; k < 2; k += 1) gram[i * 2 + k] = basis[i]!.reduce((sum, value, t) => sum + value * basis[k]![t]!, 0);
  gram[3]! += (noise / OWN_RATE) ** 2;
  const triangle = cholesky(gram, 2)!;
  const out = new Float64Array(n * n);
  for (let r = 0; r < n; r += 1) {
    const known = solveWith(triangle, Float64Array.of(basis[0][r]!, basis[1][r]!));
    for (let c = 0; c < n; c += 1) out[r * n + c] = (r === c ? 1 : 0) - (basis[0][c]! * known[0]! + basis[1][c]! * known[1]!);
  }
  return out;
}

/** A matrix times a series. */
export function times(
  matrix: Float64Array,
  series: ArrayLike<number>,
  out: Float64Array = new Float64Array(series.length),
): Float64Array {
  const n = series.length;
  for (let r = 0; r < n; r += 1) {
    let sum = 0;
    for (let c = 0; c < n; c += 1) sum += matrix[r * n + c]! * series[c]!;
    out[r] = sum;
  }
  return out;
}

/**
 * How much of a course in time each pixel shows, K at its end; and the standard uncertainty of that from noise.
 *
 * @param course - the rise of a leak over the frames, 1 at its end
 */
export function amountOf(
  rises: readonly Float32Array[],
  matrix: Float64Array,
  course: readonly number[],
  noise: number,
): { amount: Float32Array; u: number } {
  const weights = times(matrix, course);
  const scale = weights.reduce((sum, weight, i) => sum + weight * course[i]!, 0);
  const amount = new Float32Array(rises[0]!.length);
  rises.forEach((values, i) => {
    const weight = weights[i]! / scale;
    for (let p = 0; p < amount.length; p += 1) amount[p]! += weight * values[p]!;
  });
  return { amount, u: (noise * Math.sqrt(weights.reduce((sum, w) => sum + w * w, 0))) / Math.abs(scale) };
}

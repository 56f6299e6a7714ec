/** A lower triangle, row by row, n × n. */
export interface Triangle {
  n: number;
  values: Float64Array;
}

/**
 * Cholesky's factor L of a symmetric matrix A = L Lᵀ.
 *
 * @param matrix - n × n, row by row; only its lower triangle is read
 * @returns null where it is not positive definite
 */
export function cholesky(matrix: Float64Array, n: number): Triangle | null {
  const values = new Float64Array(n * n);
  // What stands left of a row's first number stays zero: sums begin where both rows have begun.
  const begins = new Int32Array(n);
  for (let i = 0; i < n; i += 1) {
    const row = i * n;
    let begin = 0;
    while (begin < i && matrix[row + begin] === 0) begin += 1;
    begins[i] = begin;
    for (let j = begin; j <= i; j += 1) {
      const other = j * n;
      let sum = matrix[row + j]!;
      for (let k = Math.max(begin, begins[j]!); k < j; k += 1) sum -= values[row + k]! * values[other + k]!;
      if (i > j) values[row + j] = sum / values[other + j]!;
      else if (sum > 0) values[row + i] = Math.sqrt(sum);
      else return null;
    }
  }
  return { n, values };
}

/** Solves Lᵀ x = b; with independent normal numbers b, x has the covariance A⁻¹. */
export function solveUpper({ n, values }: Triangle, b: Float64Array): Float64Array {
  const x = b.slice();
  for (let i = n - 1; i >= 0; i -= 1) {
    for (let k = i + 1; k < n; k += 1) x[i]! -= values[k * n + i]! * x[k]!;
    x[i]! /= values[i * n + i]!;
  }
  return x;
}

/** Solves L y = b: what has the covariance A becomes independent, with standard deviation 1. */
export function solveLower({ n, values }: Triangle, b: Float64Array): Float64Array {
  const y = b.slice();
  for (let i = 0; i < n; i += 1) {
    for (let k = 0; k < i; k += 1) y[i]! -= values[i * n + k]! * y[k]!;
    y[i]! /= values[i * n + i]!;
  }
  return y;
}

/** Solves A x = b with A = L Lᵀ. */
export function solveWith(triangle: Triangle, b: Float64Array): Float64Array {
  return solveUpper(triangle, solveLower(triangle, b));
}

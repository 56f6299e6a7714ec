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
  for (let i = 0; i < n; i += 1) {
    for (let j = 0; j <= i; j += 1) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k += 1) sum -= values[i * n + k]! * values[j * n + k]!;
      if (i > j) values[i * n + j] = sum / values[j * n + j]!;
      else if (sum > 0) values[i * n + i] = Math.sqrt(sum);
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

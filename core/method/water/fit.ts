import { cholesky, solveWith } from '../../ground/cholesky';

/** A quantity that is sought: where to begin, and what is usual for it. */
export interface Unknown {
  start: number;
  usual: number;
  /** Standard deviation of what is usual; Infinity where nothing is known. */
  spread: number;
  /** A step by which a slope is measured. */
  step: number;
}

export interface Fitted {
  values: Float64Array;
  /** Covariance of the values, n × n, as far as the model is right and noise is what it was taken for. */
  covariance: Float64Array;
  /** Sum of squares of the residuals, without what is usual. */
  squares: number;
}

const ROUNDS = 25;
const SETTLED = 1e-3;

/**
 * Values at which residuals and what is usual are smallest together (Levenberg and Marquardt, slopes by differences).
 *
 * @param residuals - in standard deviations; always as many
 */
export function leastSquares(unknowns: readonly Unknown[], residuals: (values: Float64Array) => Float64Array): Fitted {
  const n = unknowns.length;
  let values = Float64Array.from(unknowns, ({ start }) => start);
  let left = residuals(values);
  const prior = (v: Float64Array) => unknowns.reduce((sum, { usual, spread }, i) => sum + ((v[i]! - usual) / spread) ** 2, 0);
  const sum = (r: Float64Array) => r.reduce((total, value) => total + value * value, 0);
  let cost = sum(left) + prior(values);
  let damping = 1e-2;
  let matrix = new Float64Array(n * n);
  for (let round = 0; round < ROUNDS; round += 1) {
    const slopes = unknowns.map(({ step }, i) => {
      const moved = values.slice();
      moved[i]! += step;
      const other = residuals(moved);
      return other.map((value, k) => (value - left[k]!) / step);
    });
    matrix = new Float64Array(n * n);
    const side = new Float64Array(n);
    for (let i = 0; i < n; i += 1) {
      const { usual, spread } = unknowns[i]!;
      const one = slopes[i]!;
      side[i] = -(values[i]! - usual) / spread ** 2;
      for (let k = 0; k < left.length; k += 1) side[i]! -= one[k]! * left[k]!;
      for (let j = 0; j <= i; j += 1) {
        const other = slopes[j]!;
        let total = 0;
        for (let k = 0; k < left.length; k += 1) total += one[k]! * other[k]!;
        matrix[i * n + j] = total + (i === j ? 1 / spread ** 2 : 0);
      }
    }
    let better = false;
    let settled = false;
    for (let attempt = 0; attempt < 6 && !better; attempt += 1) {
      const damped = matrix.slice();
      for (let i = 0; i < n; i += 1) damped[i * n + i] = damped[i * n + i]! * (1 + damping) + 1e-12;
      const triangle = cholesky(damped, n);
      const d = triangle && solveWith(triangle, side);
      if (d) {
        const next = values.map((value, i) => value + d[i]!);
        const other = residuals(next);
        const total = sum(other) + prior(next);
        if (total < cost) {
          better = true;
          settled = cost - total < SETTLED * cost && cost - total < 0.05;
          values = next;
          left = other;
          cost = total;
          damping = Math.max(1e-6, damping / 5);
          break;
        }
      }
      damping *= 6;
    }
    if (!better || settled) break;
  }
  return { values, covariance: inverted(matrix, n), squares: sum(left) };
}

function inverted(matrix: Float64Array, n: number): Float64Array {
  const held = matrix.slice();
  for (let i = 0; i < n; i += 1) held[i * n + i]! += 1e-9;
  const triangle = cholesky(held, n);
  const out = new Float64Array(n * n);
  if (!triangle) return out.fill(NaN);
  for (let i = 0; i < n; i += 1) {
    const unit = new Float64Array(n);
    unit[i] = 1;
    out.set(solveWith(triangle, unit), i * n);
  }
  return out;
}

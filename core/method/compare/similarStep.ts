import { cholesky, solveWith } from '../../ground/cholesky';

const ALL = 8;
/** Size, turn, shift across and down: what each adds to the numbers of a projective step. */
const PARTS: readonly (readonly [number, number])[][] = [
  [
    [0, 1],
    [4, 1],
  ],
  [
    [3, 1],
    [1, -1],
  ],
  [[2, 1]],
  [[5, 1]],
];

/** The best step that keeps a similarity a similarity. @param matrix, side - of a projective step, lower triangle */
export function similarStep(matrix: Float64Array, side: Float64Array): Float64Array | null {
  const n = PARTS.length;
  const entry = (r: number, c: number) => matrix[Math.max(r, c) * ALL + Math.min(r, c)]!;
  const small = new Float64Array(n * n);
  const right = new Float64Array(n);
  PARTS.forEach((row, i) => {
    for (const [r, x] of row) right[i]! += x * side[r]!;
    PARTS.slice(0, i + 1).forEach((column, k) => {
      for (const [r, x] of row) for (const [c, y] of column) small[i * n + k]! += x * y * entry(r, c);
    });
  });
  const triangle = cholesky(small, n);
  if (!triangle) return null;
  const d = solveWith(triangle, right);
  const step = new Float64Array(ALL);
  PARTS.forEach((row, i) => {
    for (const [r, x] of row) step[r]! += x * d[i]!;
  });
  return step;
}

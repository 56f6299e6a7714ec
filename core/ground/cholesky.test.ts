import fc from 'fast-check';
import { cholesky, solveUpper, solveWith } from './cholesky';

/** B Bᵀ + 1, which is positive definite. */
function positive(entries: readonly number[], n: number): Float64Array {
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j < n; j += 1) {
      let sum = i === j ? 1 : 0;
      for (let k = 0; k < n; k += 1) sum += entries[i * n + k]! * entries[j * n + k]!;
      matrix[i * n + j] = sum;
    }
  return matrix;
}

const times = (matrix: Float64Array, x: Float64Array, n: number) =>
  Float64Array.from({ length: n }, (_, i) => x.reduce((sum, value, j) => sum + matrix[i * n + j]! * value, 0));

test('a system solved by its factor is solved', () => {
  const n = 5;
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: n * n, maxLength: n * n }),
      fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: n, maxLength: n }),
      (entries, right) => {
        const matrix = positive(entries, n);
        const x = solveWith(cholesky(matrix, n)!, Float64Array.from(right));
        times(matrix, x, n).forEach((value, i) => expect(value).toBeCloseTo(right[i]!, 6));
      },
    ),
  );
});

test('the factor of a known matrix, and its upper half solved', () => {
  const factor = cholesky(Float64Array.from([4, 2, 2, 5]), 2)!;
  expect([...factor.values]).toEqual([2, 0, 1, 2]);
  expect([...solveUpper(factor, Float64Array.from([4, 2]))]).toEqual([1.5, 1]);
});

test('what is not positive definite has no factor', () => {
  expect(cholesky(Float64Array.from([1, 2, 2, 1]), 2)).toBeNull();
  expect(cholesky(Float64Array.from([0]), 1)).toBeNull();
});

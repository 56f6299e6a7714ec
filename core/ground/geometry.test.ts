import fc from 'fast-check';
import { affineThrough, moved, similarityThrough } from './affine';
import { homographyThrough, projected } from './homography';
import type { Point } from './point';
import { solve } from './solve';

const number = fc.double({ min: -3, max: 3, noNaN: true });
const point = fc.tuple(number, number);
const near = ([x, y]: Point, [u, v]: Point, within = 1e-6) => Math.hypot(x - u, y - v) <= within;

test('a system is solved with pivots where they are needed', () => {
  // 0·x + 2·y = 4; 3·x + y = 5
  expect(
    solve([
      [0, 2, 4],
      [3, 1, 5],
    ]),
  ).toEqual([1, 2]);
  expect(
    solve([
      [1, 2, 3],
      [2, 4, 6],
    ]),
  ).toBeNull();
});

test('what solves a system satisfies it', () => {
  fc.assert(
    fc.property(fc.array(fc.array(number, { minLength: 5, maxLength: 5 }), { minLength: 4, maxLength: 4 }), (rows) => {
      const found = solve(rows.map((row) => [...row]));
      if (!found || found.some((x) => Math.abs(x) > 1e3)) return;
      for (const row of rows) {
        const left = found.reduce((sum, x, i) => sum + x * row[i]!, 0);
        expect(left).toBeCloseTo(row[4]!, 3);
      }
    }),
  );
});

test('a similarity takes its points where they belong and keeps angles', () => {
  const turn = similarityThrough(
    [
      [0, 0],
      [1, 0],
    ],
    [
      [2, 3],
      [2, 5],
    ],
  )!;
  // A quarter turn, twice as large.
  expect(turn.map((x) => x + 0)).toEqual([0, -2, 2, 2, 0, 3]);
  expect(similarityThrough([[0, 0], [0.01, 0]], [[0, 0], [1, 0]])).toBeNull(); // prettier-ignore
});

test('an affine map takes three points where they belong', () => {
  fc.assert(
    fc.property(fc.tuple(point, point, point), fc.tuple(point, point, point), (from, to) => {
      const map = affineThrough(from, to);
      if (map) from.forEach((p, i) => expect(near(moved(map, p), to[i]!)).toBe(true));
    }),
  );
  expect(affineThrough([[0, 0], [1, 1], [2, 2]], [[0, 0], [1, 0], [0, 1]])).toBeNull(); // prettier-ignore
});

test('a homography takes four points where they belong, and its inverse takes them back', () => {
  const square: Point[] = [[0, 0], [2, 0], [2, 1], [0, 1]]; // prettier-ignore
  const seen: Point[] = [[10, 12], [90, 5], [95, 60], [8, 48]]; // prettier-ignore
  const there = homographyThrough(square, seen)!;
  const back = homographyThrough(seen, square)!;
  square.forEach((p, i) => expect(near(projected(there, p), seen[i]!)).toBe(true));
  expect(near(projected(back, projected(there, [1.2, 0.4])), [1.2, 0.4])).toBe(true);
  expect(homographyThrough([[0, 0], [1, 1], [2, 2], [0, 1]], seen)).toBeNull(); // prettier-ignore
});

import { affineThrough, similarityThrough } from '../../ground/affine';
import { homographyThrough, projected, type Homography } from '../../ground/homography';
import type { Point } from '../../ground/point';
import { solve } from '../../ground/solve';

/** The same place in the earlier and in the later frame. */
export interface Matched {
  before: Point;
  after: Point;
}

/**
 * The map through places that were marked by hand in both frames: two give shift, turn and size, three any parallel shape, four
 * perspective, more the best of all.
 *
 * @returns null for fewer than two, or places that lie on a line or too close
 */
export function mapThrough(points: readonly Matched[]): { h: Homography; residualPx: number } | null {
  const h = through(points);
  if (!h) return null;
  const squares = points.map(({ before, after }) => {
    const [x, y] = projected(h, before);
    return (x - after[0]) ** 2 + (y - after[1]) ** 2;
  });
  return { h, residualPx: Math.sqrt(squares.reduce((sum, square) => sum + square, 0) / squares.length) };
}

function through(points: readonly Matched[]): Homography | null {
  const [p, q, r, s] = points;
  if (!p || !q) return null;
  if (!r) {
    const map = similarityThrough([p.before, q.before], [p.after, q.after]);
    return map && [...map, 0, 0, 1];
  }
  if (!s) {
    const map = affineThrough([p.before, q.before, r.before], [p.after, q.after, r.after]);
    return map && [...map, 0, 0, 1];
  }
  if (points.length === 4)
    return homographyThrough(
      points.map(({ before }) => before),
      points.map(({ after }) => after),
    );
  return leastSquares(points);
}

/** Normal equations of the projective map, in pixels of the later frame. */
function leastSquares(points: readonly Matched[]): Homography | null {
  const rows = points.flatMap(({ before: [x, y], after: [u, v] }) => [
    [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
    [0, 0, 0, x, y, 1, -v * x, -v * y, v],
  ]);
  const normal = Array.from({ length: 8 }, (_, i) =>
    Array.from({ length: 9 }, (__, k) => rows.reduce((sum, row) => sum + row[i]! * row[k]!, 0)),
  );
  const solved = solve(normal);
  return solved && [...solved, 1];
}

import type { Point } from './point';

/** x' = a x + b y + c, y' = d x + e y + f. */
export type Affine = [a: number, b: number, c: number, d: number, e: number, f: number];

/** Where a map takes a point. */
export function moved([a, b, c, d, e, f]: Readonly<Affine>, [x, y]: Point): [number, number] {
  return [a * x + b * y + c, d * x + e * y + f];
}

/** Two points that lie closer than this, in the units of the places, or three on a line within it, give no map. */
const LEAST = 0.05;

/**
 * The similarity (shift, size, turn) that takes two points to two others.
 *
 * @returns null when they lie too close to each other
 */
export function similarityThrough([p, q]: readonly [Point, Point], [s, t]: readonly [Point, Point]): Affine | null {
  const [fx, fy] = [q[0] - p[0], q[1] - p[1]];
  const [px, py] = [t[0] - s[0], t[1] - s[1]];
  const square = fx * fx + fy * fy;
  if (square < LEAST * LEAST || px * px + py * py < 1e-6) return null;
  const a = (px * fx + py * fy) / square;
  const d = (py * fx - px * fy) / square;
  return [a, -d, s[0] - a * p[0] + d * p[1], d, a, s[1] - d * p[0] - a * p[1]];
}

/**
 * The affine map that takes three points to three others.
 *
 * @returns null when they lie on a line
 */
export function affineThrough(
  [p, q, r]: readonly [Point, Point, Point],
  [s, t, u]: readonly [Point, Point, Point],
): Affine | null {
  const [ux, uy] = [q[0] - p[0], q[1] - p[1]];
  const [vx, vy] = [r[0] - p[0], r[1] - p[1]];
  const det = ux * vy - uy * vx;
  if (Math.abs(det) < LEAST * LEAST) return null;
  const row = (of: 0 | 1): [number, number, number] => {
    const [du, dv] = [t[of] - s[of], u[of] - s[of]];
    const x = (du * vy - dv * uy) / det;
    const y = (dv * ux - du * vx) / det;
    return [x, y, s[of] - x * p[0] - y * p[1]];
  };
  return [...row(0), ...row(1)];
}

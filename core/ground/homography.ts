import type { Point } from './point';
import { solve } from './solve';

/** Nine numbers, row by row: a projective map of a plane. */
export type Homography = readonly number[];

/**
 * The projective map that takes four points to four others (Hartley & Zisserman, Multiple View Geometry, ch. 4).
 *
 * @returns null when three of the points lie on a line
 */
export function homographyThrough(from: readonly Point[], to: readonly Point[]): Homography | null {
  const rows = from.flatMap(([x, y], i) => {
    const [u, v] = to[i]!;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y, u],
      [0, 0, 0, x, y, 1, -v * x, -v * y, v],
    ];
  });
  const solved = solve(rows);
  return solved && [...solved, 1];
}

/** How far a point is on the near side of a map's vanishing line: positive as at `near`; 0 on the line. */
export function beforeHorizon(h: Homography, near: Point, [x, y]: Point): number {
  const depth = (px: number, py: number) => h[6]! * px + h[7]! * py + h[8]!;
  return depth(x, y) / depth(near[0], near[1]);
}

/** Where a map takes a point. Beyond the map's vanishing line the place means nothing: see `beforeHorizon`. */
export function projected(h: Homography, [x, y]: Point): [number, number] {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w];
}

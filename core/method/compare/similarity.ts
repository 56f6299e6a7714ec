import type { Grid } from '../../ground/grid';
import { projected, type Homography } from '../../ground/homography';
import type { Point } from '../../ground/point';
import { bounded, fitted, leftOver, look, loss, sharedOf } from './shared';
import type { Template } from './template';

/**
 * A shift with a turn and another size explains two pictures as well as any map while it leaves no more than this over, in
 * spreads squared for each pixel.
 */
const AS_GOOD = 0.0095;
const ROUNDS = 7;

/**
 * The map, or the plain shift, turn and size next to it if that explains the pictures as well: fewer numbers err less where a
 * wall shows little.
 */
export function plainer(a: Template, b: Grid, h: Homography): { h: Homography; similar: boolean } {
  const plain = a.fitted(b, nearestSimilarity(h, a.a), { rounds: ROUNDS, kind: 'similar', robust: true }).h;
  return misfit(a, b, plain, h) < AS_GOOD ? { h: plain, similar: true } : { h, similar: false };
}

/** How much more one map leaves over than another, in spreads squared a pixel. */
function misfit({ a, places }: Template, b: Grid, plain: Homography, full: Homography): number {
  const shared = sharedOf(a.width * a.height);
  look(a, b, full, places, shared);
  const left = leftOver(shared, fitted(shared));
  const limit = bounded(left);
  const each = (values: Float32Array) => values.reduce((sum, value) => sum + loss(value / limit), 0) / Math.max(1, values.length);
  const least = each(left);
  look(a, b, plain, places, shared);
  return each(leftOver(shared, fitted(shared))) - least;
}

/** The similarity that takes the corners of a picture nearest to where a map takes them. */
function nearestSimilarity(h: Homography, { width, height }: Grid): Homography {
  const from: Point[] = [
    [0, 0],
    [width, 0],
    [0, height],
    [width, height],
  ];
  const to = from.map((at) => projected(h, at));
  const [mx, my] = [width / 2, height / 2];
  const [ux, uy] = [mean(to, 0), mean(to, 1)];
  let [along, across, square] = [0, 0, 0];
  from.forEach(([x, y], i) => {
    const [dx, dy] = [x - mx, y - my];
    const [ex, ey] = [to[i]![0] - ux, to[i]![1] - uy];
    along += dx * ex + dy * ey;
    across += dx * ey - dy * ex;
    square += dx * dx + dy * dy;
  });
  const [c, s] = [along / square, across / square];
  return [c, -s, ux - c * mx + s * my, s, c, uy - s * mx - c * my, 0, 0, 1];
}

function mean(points: readonly Point[], k: 0 | 1): number {
  return points.reduce((sum, point) => sum + point[k], 0) / points.length;
}

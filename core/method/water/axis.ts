/** Middle, direction (radians) and size (pixels) of a patch, by its second moments. */
export interface Axis {
  x: number;
  y: number;
  direction: number;
  length: number;
  width: number;
}

/**
 * The axis of a patch, each place counted by how far it stands out: a shallow thing that touches the patch turns it little.
 *
 * @param weights - of the places, above zero
 */
export function axisOf(xs: readonly number[], ys: readonly number[], weights: ArrayLike<number>): Axis {
  let [n, x, y] = [0, 0, 0];
  for (let i = 0; i < xs.length; i += 1) {
    n += weights[i]!;
    x += weights[i]! * xs[i]!;
    y += weights[i]! * ys[i]!;
  }
  [x, y] = [x / n, y / n];
  let [xx, xy, yy] = [0, 0, 0];
  for (let i = 0; i < xs.length; i += 1) {
    const share = weights[i]! / n;
    xx += share * (xs[i]! - x) ** 2;
    xy += share * (xs[i]! - x) * (ys[i]! - y);
    yy += share * (ys[i]! - y) ** 2;
  }
  const middle = (xx + yy) / 2;
  const apart = Math.hypot((xx - yy) / 2, xy);
  return {
    x,
    y,
    direction: Math.atan2(2 * xy, xx - yy) / 2,
    length: Math.sqrt(12 * (middle + apart)),
    width: Math.sqrt(12 * Math.max(0, middle - apart)),
  };
}

import { times as through } from './growth';
import type { Series } from './series';
import { addRises, momentOf, profileOf, rise } from './spread';

/** A place under the floor that warms, seen from where the water comes out: from when on, s, and how much. */
export interface Spot {
  dx: number;
  dy: number;
  from: number;
  weight: number;
}

/** What a floor does with heat from below. */
export interface Floor {
  /** How far heat spreads sideways on its way up, pixels. */
  lambda: number;
  /** How long its way up takes, s: z² / 4α. */
  D: number;
  /** How much shorter things look along the view than across it. */
  flat: number;
}

/** Water cools over such a distance, in λ. */
const COOLING = 3.5;
/** Water stands this wide around where it comes out before it spreads, pixels. */
const FIRST_RADIUS = 1.8;
/** Rings of a pool: when they are reached, their share of its area, and how many places stand for one. */
const RINGS = [
  [0.05, 0.1, 4],
  [0.2, 0.2, 6],
  [0.45, 0.3, 8],
  [0.8, 0.4, 10],
] as const;

/** All from one place. */
export function dot(on: number): Spot[] {
  return [{ dx: 0, dy: 0, from: on, weight: 1 }];
}

/**
 * A pool that fills: its area grows evenly, its middle moves away from where the water comes out.
 *
 * @param radius - pixels, when it is full
 * @param lean - how far the middle moves, in radii
 * @param filling - s
 */
export function pool(on: number, radius: number, lean: readonly [number, number], filling: number, lambda: number): Spot[] {
  const spots: Spot[] = [{ dx: 0, dy: 0, from: on, weight: FIRST_RADIUS ** 2 }];
  const gained = Math.max(0, radius ** 2 - FIRST_RADIUS ** 2);
  RINGS.forEach(([when, area, count], ring) => {
    const r = Math.sqrt(when) * radius;
    for (let k = 0; k < count; k += 1) {
      const angle = (2 * Math.PI * (k + ring / RINGS.length)) / count;
      const [u, v] = [Math.cos(angle), Math.sin(angle)];
      const [dx, dy] = [r * (u + lean[0]), r * (v + lean[1])];
      // The rim moves the faster the more it lies where the pool leans to, and wets more.
      const faster = Math.max(0, 1 + lean[0] * u + lean[1] * v);
      const weight = ((area * gained * faster) / count) * Math.exp(-Math.hypot(dx, dy) / (COOLING * lambda));
      spots.push({ dx, dy, from: on + filling * when, weight });
    }
  });
  return spots;
}

/** So many places stand for a line. */
const ALONG = 14;
/** Water in a duct stays warm longer, in λ. */
const DUCT_COOLING = 16;

/**
 * Water that runs along a line.
 *
 * @param direction - radians, from x towards y
 * @param length - pixels
 * @param back - how far some of it creeps the other way, pixels
 * @param speed - of its fronts, pixels a second
 */
export function line(on: number, direction: number, length: number, back: number, speed: number, lambda: number): Spot[] {
  return Array.from({ length: ALONG }, (_, k) => {
    const s = ((k + 0.5) / ALONG) * (length + back) - back;
    const far = Math.abs(s);
    return {
      dx: s * Math.cos(direction),
      dy: s * Math.sin(direction),
      from: on + far / speed,
      weight: (Math.exp(-far / (DUCT_COOLING * lambda)) * (length + back)) / ALONG,
    };
  });
}

/** Farther than this, in λ, hardly anything is left. */
const FARTHEST_SHOWN = 7;

/** What a series would show of one unit of heat in spots around a place. */
export function shownBy(
  series: Series,
  [x, y]: readonly [number, number],
  { lambda, D, flat }: Floor,
  spots: readonly Spot[],
): Float64Array {
  const { xs, ys, times, matrix } = series;
  const n = times.length;
  const out = new Float64Array(xs.length * n);
  const levelled = new Float64Array(n);
  const profiles = new Map<number, Float64Array>();
  for (const { from } of spots)
    if (!profiles.has(from))
      profiles.set(
        from,
        profileOf(
          times.map((time) => momentOf((time - from) / D)),
          (row) => row.set(through(matrix, row, levelled)),
        ),
      );
  for (const { dx, dy, from, weight } of spots) {
    const profile = profiles.get(from)!;
    for (let p = 0; p < xs.length; p += 1) {
      const across = xs[p]! - x - dx;
      const along = (ys[p]! - y - dy) / flat;
      const distance = Math.sqrt(across * across + along * along) / lambda;
      if (distance < FARTHEST_SHOWN) addRises(distance, profile, weight, out, p * n, n);
    }
  }
  return out;
}

/** The largest rise over spots at a time, for one unit of heat. */
export function largestRise(time: number, floor: Floor, spots: readonly Spot[]): number {
  return Math.max(...spots.map(({ dx, dy }) => riseAt([dx, dy], time, floor, spots)));
}

/** Rise of the surface at a place and a time over spots, for one unit of heat. */
export function riseAt(
  [x, y]: readonly [number, number],
  time: number,
  { lambda, D, flat }: Floor,
  spots: readonly Spot[],
): number {
  return spots.reduce(
    (sum, { dx, dy, from, weight }) => sum + weight * rise(Math.hypot(x - dx, (y - dy) / flat) / lambda, (time - from) / D),
    0,
  );
}

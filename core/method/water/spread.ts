/**
 * How the surface of a floor warms over a point under it that warms steadily from some moment on.
 *
 * A layer of thickness z lies on insulation, heat enters at its lower side (images of the source above and below), spreads
 * sideways as a bell and leaves the surface slowly enough to neglect that. In units of its own: distances in λ = z / (√2 · size
 * of a pixel), times in D = z² / 4α (Carslaw and Jaeger, Conduction of Heat in Solids, ch. 10).
 */
const SIDE = 0.125;
const SIDES = 65;
const FIRST = 0.04;
const LAST = 40;
const TIMES = 120;
const FINER = 8;
const RATIO = Math.log(LAST / FIRST);

/** Rows of distance, columns of time; made once. */
let table: Float32Array | null = null;

function made(): Float32Array {
  const rows = new Float32Array(SIDES * TIMES);
  const step = RATIO / ((TIMES - 1) * FINER);
  for (let i = 0; i < SIDES; i += 1) {
    const square = (i * SIDE) ** 2;
    let sum = 0;
    // Below the first time nothing has arrived: exp(−1 / 0.04) is 1e-11.
    for (let k = 0; k < TIMES; k += 1) {
      rows[i * TIMES + k] = sum;
      for (let j = 0; j < FINER; j += 1) {
        const v = FIRST * Math.exp((k * FINER + j + 0.5) * step);
        let images = 0;
        for (let m = 1; m < 60; m += 2) {
          const one = Math.exp(-(m * m) / v);
          images += one;
          if (one < 1e-6 * images) break;
        }
        // dv = v d(log v); 1/(2πv) sideways, 1/√v upwards.
        sum += ((Math.exp(-square / (2 * v)) * images) / (2 * Math.PI * Math.sqrt(v))) * step;
      }
    }
  }
  return rows;
}

/** Where a time lies in the table: a column, and how far on to the next; −1 before anything has arrived. */
export interface Moment {
  column: number;
  share: number;
}

/** @param time - in D, since the source began */
export function momentOf(time: number): Moment {
  if (!(time > FIRST)) return { column: -1, share: 0 };
  const k = Math.min(TIMES - 1.001, (Math.log(time / FIRST) / RATIO) * (TIMES - 1));
  const column = Math.floor(k);
  return { column, share: k - column };
}

/** Distances, in λ, from which on nothing is left. */
export const FARTHEST_RISE = (SIDES - 1) * SIDE;

/**
 * What a source of one unit shows at some moments, for each step of distance: a row of moments for each.
 *
 * @param into - what is done with each row, in place
 */
export function profileOf(moments: readonly Moment[], into: (row: Float64Array) => void = () => {}): Float64Array {
  const rows = (table ??= made());
  const n = moments.length;
  const profile = new Float64Array(SIDES * n);
  for (let i = 0; i < SIDES; i += 1) {
    for (let k = 0; k < n; k += 1) {
      const { column, share } = moments[k]!;
      if (column < 0) continue;
      const at = i * TIMES + column;
      profile[i * n + k] = rows[at]! * (1 - share) + rows[at + 1]! * share;
    }
    into(profile.subarray(i * n, (i + 1) * n));
  }
  return profile;
}

/**
 * Adds what a source of some weight shows at a distance to one of several courses.
 *
 * @param distance - in λ, less than FARTHEST_RISE
 * @param profile - for the moments of the courses
 * @param start - where the course begins among all
 * @param n - its length
 */
export function addRises(
  distance: number,
  profile: Float64Array,
  weight: number,
  courses: Float64Array,
  start: number,
  n: number,
): void {
  const i = distance / SIDE;
  const row = Math.floor(i);
  const [near, far] = [row * n, (row + 1) * n];
  const b = weight * (i - row);
  const a = weight - b;
  for (let k = 0; k < n; k += 1) courses[start + k]! += a * profile[near + k]! + b * profile[far + k]!;
}

/**
 * Rise of the surface at a distance after a time, for a source of one unit.
 *
 * @param distance - in λ; from 8 on nothing is left
 * @param time - in D, since the source began
 */
export function rise(distance: number, time: number): number {
  const { column, share } = momentOf(time);
  if (distance >= FARTHEST_RISE || column < 0) return 0;
  const rows = (table ??= made());
  const row = Math.floor(distance / SIDE);
  const beyond = distance / SIDE - row;
  const at = (k: number) => rows[row * TIMES + k]! * (1 - beyond) + rows[(row + 1) * TIMES + k]! * beyond;
  return at(column) * (1 - share) + at(column + 1) * share;
}

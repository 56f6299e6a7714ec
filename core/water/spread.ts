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
 * Adds what a source of some weight shows at a distance to a course.
 *
 * @param distance - in λ, less than FARTHEST_RISE
 * @param moments - of the course
 */
export function addRises(distance: number, moments: readonly Moment[], weight: number, course: Float64Array): void {
  const rows = (table ??= made());
  const i = distance / SIDE;
  const row = Math.floor(i);
  const [near, far] = [row * TIMES, (row + 1) * TIMES];
  const b = weight * (i - row);
  const a = weight - b;
  for (let k = 0; k < moments.length; k += 1) {
    const { column, share } = moments[k]!;
    if (column < 0) continue;
    const [p, q] = [near + column, far + column];
    course[k]! += (a * rows[p]! + b * rows[q]!) * (1 - share) + (a * rows[p + 1]! + b * rows[q + 1]!) * share;
  }
}

/**
 * Rise of the surface at a distance after a time, for a source of one unit.
 *
 * @param distance - in λ; from 8 on nothing is left
 * @param time - in D, since the source began
 */
export function rise(distance: number, time: number): number {
  if (distance >= FARTHEST_RISE) return 0;
  const course = new Float64Array(1);
  addRises(distance, [momentOf(time)], 1, course);
  return course[0]!;
}

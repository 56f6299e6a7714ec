import { leastSquares, type Fitted, type Unknown } from './fit';
import type { Series } from './series';
import { dot, line, pool, shownBy, type Floor, type Spot } from './spots';

/** What is known or usual before anything is seen. */
export interface Known {
  lambda: number;
  D: number;
  /** When the water was turned on, s from the first frame, and how well that is known. */
  on: number;
  onU: number;
  /** Where the search for that begins, s. */
  begin: number;
  /** 1: warmer, −1: colder. */
  sign: 1 | -1;
  /** Whether the cover over the pipe was told. */
  coverKnown: boolean;
}

export interface Source {
  kind: 'dot' | 'pool' | 'line';
  /** All that was sought, in the order of its kind. */
  values: Float64Array;
  x: number;
  y: number;
  /** Standard uncertainty of the place from noise, pixels, of each coordinate. */
  u: number;
  floor: Floor;
  on: number;
  spots: Spot[];
  /** Heat, in units of which one unit gives the rises of `riseAt`, K. */
  amount: number;
  /** Direction, radians, and length, pixels, of a line. */
  direction: number;
  length: number;
  /** Squares of what is left over, in noises, with what is unusual about the values; and for each value. */
  cost: number;
  each: number;
  /** How unusual the values are: squares of standard deviations. */
  unusual: number;
  /** How much broader than its depth explains the patch is, as a share of that. */
  excess: number;
}

const LEAST_BINS = 12;
const FLAT = { start: 0.93, usual: 0.93, spread: 0.06, step: 0.01 };
/** How far a cover that was told, or not, leaves open how far and how fast heat spreads (of their logarithms). */
const SPREADS = { told: 0.2, untold: 0.4 };
/** A patch that is broader than its depth explains is a pool; a dot takes any breadth. */
const ANY_BREADTH = 0.6;

function shared({ lambda, D, on, onU, begin, coverKnown }: Known, breadth: number): Unknown[] {
  const open = coverKnown ? SPREADS.told : SPREADS.untold;
  return [
    { start: Math.log(lambda), usual: Math.log(lambda), spread: Math.max(open, breadth), step: 0.02 },
    { start: Math.log(D), usual: Math.log(D), spread: 1.6 * open, step: 0.02 },
    { start: begin, usual: on, spread: onU, step: 5 },
    FLAT,
  ];
}

/** Spread of what is held to a value, pixels. */
const HELD = 0.05;

/** Heat from one place. */
export function dotSource(series: Series, at: readonly [number, number], known: Known, start?: Float64Array): Source {
  const unknowns = [...place(at), ...shared(known, ANY_BREADTH)];
  return solve('dot', series, unknowns, start, known, (v) => ({ ...common(v), spots: dot(v[4]!), direction: 0, length: 0 }));
}

/** Heat from a pool that fills and leans to one side. @param begin - a dot that was found */
export function poolSource(series: Series, begin: Pick<Source, 'x' | 'y'>, known: Known, start?: Float64Array): Source {
  const unknowns = [
    ...place([begin.x, begin.y]),
    ...shared(known, 0),
    { start: Math.log(2.2 * known.lambda), usual: Math.log(2.5 * known.lambda), spread: 0.3, step: 0.03 },
    { start: 0, usual: 0, spread: 0.3, step: 0.03 },
    { start: 0, usual: 0, spread: 0.3, step: 0.03 },
    { start: Math.log(600), usual: Math.log(600), spread: 0.7, step: 0.05 },
  ];
  return solve('pool', series, unknowns, start, known, (v) => {
    const both = common(v);
    return {
      ...both,
      spots: pool(v[4]!, Math.exp(v[6]!), [v[7]!, v[8]!], Math.exp(v[9]!), both.floor.lambda),
      direction: 0,
      length: 0,
    };
  });
}

/**
 * Heat along a line.
 *
 * @param begin - where the water comes out and which way it runs, roughly
 * @param back - how far some of it creeps the other way, pixels; sought where it is not given
 */
export function lineSource(
  series: Series,
  begin: { at: readonly [number, number]; direction: number; length: number },
  known: Known,
  start?: Float64Array,
  back?: number,
): Source {
  const unknowns = [
    ...place(begin.at),
    ...shared(known, 0),
    { start: begin.direction, usual: begin.direction, spread: 1, step: 0.02 },
    { start: Math.log(begin.length), usual: Math.log(begin.length), spread: 0.6, step: 0.03 },
    { start: Math.log(0.17), usual: Math.log(0.17), spread: 0.5, step: 0.05 },
    back === undefined
      ? { start: known.lambda, usual: known.lambda, spread: known.lambda, step: 0.1 }
      : { start: back, usual: back, spread: HELD, step: 0.1 },
  ];
  return solve('line', series, unknowns, start, known, (v) => {
    const both = common(v);
    const length = Math.exp(v[7]!);
    return {
      ...both,
      spots: line(v[4]!, v[6]!, length, Math.abs(v[9]!), Math.exp(v[8]!), both.floor.lambda),
      direction: v[6]!,
      length,
    };
  });
}

/** The same source in a series whose spreads are others. */
export function again(series: Series, { kind, x, y, direction, length, values }: Source, known: Known): Source {
  if (kind === 'line') return lineSource(series, { at: [x, y], direction, length }, known, values);
  return kind === 'pool' ? poolSource(series, { x, y }, known, values) : dotSource(series, [x, y], known, values);
}

function place([x, y]: readonly [number, number]): Unknown[] {
  return [x, y].map((start) => ({ start, usual: start, spread: Infinity, step: 0.1 }));
}

function common(v: Float64Array): { floor: Floor; on: number } {
  return { floor: { lambda: Math.exp(v[2]!), D: Math.exp(v[3]!), flat: v[5]! }, on: v[4]! };
}

/** @param start - where the search begins, if not with what is usual */
function solve(
  kind: Source['kind'],
  series: Series,
  unknowns: readonly Unknown[],
  start: Float64Array | undefined,
  { sign, lambda }: Known,
  made: (v: Float64Array) => Pick<Source, 'floor' | 'on' | 'spots' | 'direction' | 'length'>,
): Source {
  const left = (v: Float64Array) => {
    const { floor, spots } = made(v);
    return leftOver(series, shownBy(series, [v[0]!, v[1]!], floor, spots), sign);
  };
  const begun = unknowns.map((one, i) => ({ ...one, start: start?.[i] ?? one.start }));
  const fitted: Fitted = leastSquares(begun, (v) => left(v).values);
  const { values, covariance, squares } = fitted;
  const n = values.length;
  const unusual = unknowns.reduce((sum, { usual, spread }, i) => sum + ((values[i]! - usual) / spread) ** 2, 0);
  return {
    kind,
    values,
    x: values[0]!,
    y: values[1]!,
    u: Math.sqrt((covariance[0]! + covariance[n + 1]!) / 2),
    ...made(values),
    amount: sign * left(values).amount,
    cost: squares + unusual,
    each: leftNear(series, values[0]!, values[1]!, left(values).values, 2 * lambda),
    unusual,
    excess: 0,
  };
}

/** Mean square of what a source leaves of each bin, in noises. */
export function leftOfBins(series: Series, { x, y, floor, spots, amount }: Source): Float64Array {
  const n = series.times.length;
  const shown = shownBy(series, [x, y], floor, spots);
  return Float64Array.from(series.xs, (_, p) => {
    let sum = 0;
    for (let i = p * n; i < (p + 1) * n; i += 1) sum += ((series.courses[i]! - amount * shown[i]!) / series.spreads[i]!) ** 2;
    return sum / n;
  });
}

/** Mean square of what is left near a place, in noises; of the nearest few bins when it lies outside the view. */
function leftNear({ xs, ys, times }: Series, x: number, y: number, left: Float64Array, radius: number): number {
  const n = times.length;
  const bins = [...xs.keys()]
    .map((p) => ({ p, distance: Math.hypot(xs[p]! - x, ys[p]! - y) }))
    .sort((a, b) => a.distance - b.distance);
  const near = bins.filter(({ distance }, i) => i < LEAST_BINS || distance < radius);
  let sum = 0;
  for (const { p } of near) for (let i = 0; i < n; i += 1) sum += left[p * n + i]! ** 2;
  return sum / (near.length * n);
}

/** What is left of a series when as much as fits best of a course is taken out; only in the direction that is sought. */
function leftOver({ courses, spreads }: Series, shown: Float64Array, sign: 1 | -1): { values: Float64Array; amount: number } {
  let [top, below] = [0, 0];
  for (let i = 0; i < courses.length; i += 1) {
    const weight = 1 / spreads[i]! ** 2;
    top += weight * shown[i]! * courses[i]!;
    below += weight * shown[i]! ** 2;
  }
  const amount = Math.max(0, (sign * top) / (below + 1e-30));
  const values = new Float64Array(courses.length);
  for (let i = 0; i < courses.length; i += 1) values[i] = (courses[i]! - sign * amount * shown[i]!) / spreads[i]!;
  return { values, amount };
}

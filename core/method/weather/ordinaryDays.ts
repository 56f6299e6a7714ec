import { type Drives, STEP_MINUTES } from './wallFaces';

/** What an ordinary house stood in before it was looked at, by how it differs from now. */
export interface OrdinaryDay {
  /** Share of all ordinary days. */
  share: number;
  /** By how many kelvin (sun: W/m² at noon) the shape is multiplied. */
  amount: readonly [from: number, to: number];
  /** By how much the air outside, inside, and the sun differed, `minutes` (≤ 0) before the frame, as a share of the amount. */
  outside?: (minutes: number) => number;
  inside?: (minutes: number) => number;
  sun?: (minutes: number) => number;
}

const HOUR = 60;
/** From 0 to 1 between two moments. */
const ramp = (minutes: number, from: number, to: number) => Math.min(1, Math.max(0, (minutes - from) / (to - from)));
const before = (hours: number) => (minutes: number) => (minutes < -hours * HOUR ? 1 : 0);
const slowly = (hours: number) => (minutes: number) => 1 - ramp(minutes, -hours * HOUR, -HOUR);
const on = (hours: number) => (minutes: number) => -(1 - ramp(minutes, -hours * HOUR, -hours * HOUR + 45));
const off = (hours: number) => (minutes: number) => 1 - ramp(minutes, -hours * HOUR, 0);
const swing = (minutes: number) => (1 - Math.cos((2 * Math.PI * minutes) / (24 * HOUR))) / 2;
const sunUntil = (hours: number) => (minutes: number) => {
  const x = (minutes + (hours + 8) * HOUR) / (8 * HOUR);
  return x > 0 && x < 1 ? Math.sin(Math.PI * x) : 0;
};

/**
 * Weather and heating as they ordinarily were: fronts of either sign, heating that came on or went off, sun, the swing of a day.
 * How often each comes, and how large it is, is a judgement of practice, not a measurement.
 */
export const ORDINARY_DAYS: readonly OrdinaryDay[] = [
  { share: 0.3, amount: [0, 0] },
  { share: 0.08, amount: [5, 15], outside: before(3) },
  { share: 0.05, amount: [5, 15], outside: before(8) },
  { share: 0.04, amount: [-10, -4], outside: before(4) },
  { share: 0.08, amount: [4, 13], outside: slowly(5) },
  { share: 0.07, amount: [3, 7], inside: on(1.5) },
  { share: 0.07, amount: [3, 7], inside: on(3) },
  { share: 0.04, amount: [3, 7], inside: on(8) },
  { share: 0.08, amount: [2, 5], inside: off(2) },
  { share: 0.09, amount: [200, 600], sun: sunUntil(3) },
  { share: 0.1, amount: [5, 13], outside: swing },
];

const DAYS = 5;

/** A day's shape as what drives both faces, beside nothing, for an amount of 1. */
export function shapeOf(day: OrdinaryDay, outerFilm: number, absorptance: number): Drives {
  const count = (DAYS * 24 * HOUR) / STEP_MINUTES + 1;
  const outerC = new Float64Array(count);
  const innerC = new Float64Array(count);
  for (let i = 0; i < count; i += 1) {
    const minutes = -(count - 1 - i) * STEP_MINUTES;
    outerC[i] = (day.outside?.(minutes) ?? 0) + ((day.sun?.(minutes) ?? 0) * absorptance) / outerFilm;
    innerC[i] = day.inside?.(minutes) ?? 0;
  }
  return { outerC, innerC };
}

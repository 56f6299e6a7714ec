import { solveDense } from '../../heating/balance/network';
import { outputW } from '../../heating/output';

/** A pipe pair from one branching to the next; the first hangs on the source. */
export interface Pipe {
  /** Which pipe it hangs on; −1: the source. */
  over: number;
  /** kPa at 1 kg/s, flow and return together; pressure grows with the flow to the power of 1.8. */
  resistance: number;
  /** Heat lost per kelvin over the air around it, W/K, by its flow as by its return. */
  lossWK: number;
}

/** A radiator with its two valves, as it really is. */
export interface Radiator {
  id: string;
  /** The pipe that it hangs on. */
  pipe: number;
  ratedW: number;
  exponent: number;
  roomC: number;
  /** Heat that it stores per kelvin of its mean temperature, J/K. */
  storeJK: number;
  /** Body and own pipe (Infinity: blocked), and lockshield wide open: kPa at 1 kg/s. */
  body: number;
  valve: number;
  /** Turns in which the lockshield opens nothing, and turns to its stop. */
  dead: number;
  turnsOpen: number;
  /** Share of its face that air keeps cold, 0 … 1. */
  air: number;
}

export interface HeatingHouse {
  pipes: Pipe[];
  radiators: Radiator[];
  /** Head without flow, kPa, and what it loses at 1 (kg/s)², kPa. */
  pump: { head: number; fall: number };
  /** Set temperature, what it can give, what it stores; swings by so much about its set temperature where it switches. */
  source: { setC: number; powerW: number; storeJK: number; swingK: number };
  voidC: number;
}

/** Water at 60 °C, J/(kg·K). */
export const WATER_J_KGK = 4186;
const PIPE_POWER = 1.8;

/** Share of the open valve's flow coefficient: a tapered plug that opens as the sine of its way, slowly at first. */
export function plugOpening({ dead, turnsOpen }: Pick<Radiator, 'dead' | 'turnsOpen'>, turns: number): number {
  const x = Math.max(0, Math.min(1, (turns - dead) / (turnsOpen - dead)));
  return Math.sin((Math.PI / 2) * x) ** 1.5;
}

/** The pipes between a radiator and the source. */
function wayOf(house: HeatingHouse, i: number): number[] {
  const way: number[] = [];
  for (let k = house.radiators[i]!.pipe; k >= 0; k = house.pipes[k]!.over) way.push(k);
  return way;
}

/**
 * Mass flow of each radiator, kg/s, with the lockshields at these turns: Newton's rule on the balance of every loop.
 *
 * Pipes, radiators and pump take and give the same pressure around each loop within 1e-9 of the head.
 */
export function massFlows(house: HeatingHouse, turns: readonly number[]): number[] {
  const { radiators, pipes, pump } = house;
  const n = radiators.length;
  const openings = radiators.map((radiator, i) => plugOpening(radiator, turns[i]!));
  const on = openings.map((opening, i) => opening > 1e-4 && Number.isFinite(radiators[i]!.body));
  const own = radiators.map(({ body, valve }, i) => body + valve / Math.max(1e-9, openings[i]!) ** 2);
  const ways = radiators.map((_, i) => wayOf(house, i));
  const through = (m: readonly number[]) => {
    const q = pipes.map(() => 0);
    m.forEach((flow, i) => ways[i]!.forEach((k) => (q[k]! += flow)));
    return q;
  };
  const off = (m: readonly number[]) => {
    const q = through(m);
    const total = m.reduce((sum, flow) => sum + flow, 0);
    return m.map((flow, i) =>
      on[i]
        ? own[i]! * flow ** 2 +
          ways[i]!.reduce((sum, k) => sum + pipes[k]!.resistance * q[k]! ** PIPE_POWER, 0) -
          (pump.head - pump.fall * total ** 2)
        : 0,
    );
  };
  let m = own.map((resistance, i) => (on[i] ? 0.5 * Math.sqrt(pump.head / resistance) : 0));
  let now = off(m);
  const size = (values: readonly number[]) => Math.max(...values.map(Math.abs));
  for (let round = 0; round < 80 && size(now) > 1e-10 * pump.head; round += 1) {
    const q = through(m);
    const total = m.reduce((sum, flow) => sum + flow, 0);
    const matrix = new Float64Array(n * n);
    for (let i = 0; i < n; i += 1) {
      if (!on[i]) {
        matrix[i * n + i] = 1;
        continue;
      }
      for (let j = 0; j < n; j += 1) {
        const shared = ways[i]!.filter((k) => ways[j]!.includes(k));
        const pipe = shared.reduce((sum, k) => sum + PIPE_POWER * pipes[k]!.resistance * q[k]! ** (PIPE_POWER - 1), 0);
        matrix[i * n + j] = pipe + 2 * pump.fall * total + (i === j ? 2 * own[i]! * m[i]! : 0);
      }
    }
    const step = solveDense(
      matrix,
      Float64Array.from(now, (one) => -one),
      n,
    );
    let share = 1;
    for (;;) {
      const next = m.map((flow, i) => (on[i] ? Math.max(flow + share * step[i]!, 0.1 * flow) : 0));
      const there = off(next);
      if (size(there) < size(now) || share < 1e-6) {
        m = next;
        now = there;
        break;
      }
      share /= 2;
    }
  }
  return m;
}

/** Heat given by a radiator with these tails, W; air takes its share of the face. */
export function radiatorW({ ratedW, exponent, roomC, air }: Radiator, flowC: number, returnC: number): number {
  return (1 - air) * outputW(ratedW, exponent, Math.max(0, flowC - roomC), Math.max(1e-9, returnC - roomC));
}

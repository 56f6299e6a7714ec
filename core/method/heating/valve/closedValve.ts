import { CoreError } from '../../../ground/errors';
import { cholesky, solveLower } from '../../../ground/cholesky';
import { normalFrom, seededRandom } from '../../../ground/random';
import { INSTRUMENT_U } from '../../../ground/instruments';
import type { PipeBuild } from '../pipes';
import { coolingBehind, pipeThermal, shareAt, type Cooling, type Unknowns } from './cooling';

export const ORIENTATIONS = ['level', 'rising'] as const;
export type Orientation = (typeof ORIENTATIONS)[number];

export interface PipeReading {
  /** Since the valve was closed. */
  minutes: number;
  /** From the valve along the pipe. */
  m: number;
  celsius: number;
  /** Its own standard uncertainty, K. */
  u: number;
}

/** A pipe behind a valve that was closed (or behind a zone valve whose call ended), and what was read of it. */
export interface ClosedValve {
  build: PipeBuild;
  orientation: Orientation;
  roomC: number;
  roomU: number;
  /** The pipe behind the valve when it was closed, and the water before it, all the time. */
  hotC: number;
  supplyC: number;
  readings: readonly PipeReading[];
}

export type ValveVerdict = 'holds' | 'passes' | 'cannot-say';

export interface JudgedValve {
  verdict: ValveVerdict;
  /** Likelihood that it passes water, 0 … 1. */
  passing: number;
  /** What passes, l/h, with its 95 % interval; 0 where it holds, null where it cannot be said. */
  litresHour: number | null;
  lowLitres: number;
  highLitres: number;
  /** Since closing, when to read again, min; null where a reading would not help. */
  waitMinutes: number | null;
  /** Neither a valve that holds nor one that passes up to 20 l/h explains the readings. */
  fitsNeither: boolean;
}

/** It passes nothing, or this much, each factor alike; both are as likely beforehand. l/h */
const LEAST_LITRES = 0.3;
const MOST_LITRES = 20;
const FLOWS = 17;
/** The loss of a metre is known to this share (k = 1): steps of a normal distribution. */
const LOSS_U = 0.15;
const LOSS_STEPS = [-2.25, -1.5, -0.75, 0, 0.75, 1.5, 2.25];
/** Heat creeps along so many times what wall and still water conduct: water circulates in itself, most where the pipe rises. */
const ALONG: Record<Orientation, readonly number[]> = { level: [1.19, 1.68, 2.38, 3.36], rising: [13, 22, 37, 62] };
/** A place reads off by this share of its excess, each its own and always the same (k = 1). */
const PLACE_SHARE = 0.02;
/** Of the pipe when it was closed, and of the water before the valve, K (k = 1). */
const HOT_U = INSTRUMENT_U.contactK;
const SUPPLY_U = 0.1;
/** Said from this likelihood on. */
const SAYS_PASSES = 0.97;
const SAYS_HOLDS = 0.95;
const LONGEST_WAIT_MIN = 240;
/** When it may be read again, min; and steps of advice. */
const LATER = [15, 20, 30, 45, 60, 90, 120, 180, LONGEST_WAIT_MIN];
const LEAST_PAUSE_MIN = 5;
/** A later reading helps where it decides with this likelihood; the earliest that is nearly as good as the best is advised. */
const HELPS = 0.06;
const NEARLY = 0.85;
const TRIALS = 24;
/** What is less likely than this is left out of what may be read later. */
const LEFT = 1e-3;
const SEED = 20_261_201;
/** Below this excess at the start nothing can be told, K. */
const LEAST_EXCESS_K = 8;
/** Readings farther from all that is known than this many standard deviations fit neither. */
const MISFIT = 4;

interface Possibility extends Unknowns {
  prior: number;
  cooling: Cooling;
}

/**
 * Whether a closed valve holds, from how its full pipe cools behind it: Bayes' rule over what may pass, what a metre loses and how
 * far heat creeps along, each followed in time.
 *
 * @throws CoreError `bad_input` without readings, `out_of_range` where the pipe was hardly warmer than the room
 */
export function judgeValve(valve: ClosedValve): JudgedValve {
  const { readings, hotC, roomC } = valve;
  if (readings.length === 0)
    throw new CoreError('bad_input', 'No place of the pipe was read.', {}, 'Read it at some places behind the valve.');
  if (hotC - roomC < LEAST_EXCESS_K)
    throw new CoreError(
      'out_of_range',
      `The pipe was less than ${LEAST_EXCESS_K} K warmer than the room when it was closed.`,
      {},
      'Open the valve, let the pipe get hot, and close it again.',
    );
  const last = Math.max(...readings.map(({ minutes }) => minutes));
  const all = possibilities(valve);
  const now = posterior(valve, all, readings);
  const passing = passingOf(all, now.weights);
  const fitsNeither = now.misfit > readings.length + MISFIT * Math.sqrt(2 * readings.length);
  const verdict = fitsNeither ? 'cannot-say' : verdictOf(passing);
  const { low, high, middle } = litresOf(all, now.weights, verdict === 'passes');
  return {
    verdict,
    passing,
    litresHour: verdict === 'passes' ? middle : verdict === 'holds' ? 0 : null,
    lowLitres: low,
    // Less than that was never in question.
    highLitres: verdict === 'holds' ? Math.max(LEAST_LITRES, high) : high,
    waitMinutes: verdict === 'cannot-say' && !fitsNeither ? whenAgain(valve, all, now.weights, last) : null,
    fitsNeither,
  };
}

/** What a pipe at a place would read, were the valve tight: the temperature of the middle of what may be, °C. */
export function expectedClosed(valve: Omit<ClosedValve, 'readings'>, minutes: number, m: number): number {
  const along = ALONG[valve.orientation][1]!;
  const cooling = coolingBehind(pipeThermal(valve.build), { litresHour: 0, loss: 1, along }, new Set([Math.round(minutes)]));
  return predicted(valve, cooling, minutes, m);
}

const verdictOf = (passing: number): ValveVerdict =>
  passing >= SAYS_PASSES ? 'passes' : 1 - passing >= SAYS_HOLDS ? 'holds' : 'cannot-say';

function possibilities({ build, orientation, readings }: ClosedValve): Possibility[] {
  const pipe = pipeThermal(build);
  const minutes = minutesOf(readings);
  const flows = Array.from({ length: FLOWS }, (_, k) => LEAST_LITRES * (MOST_LITRES / LEAST_LITRES) ** ((k + 0.5) / FLOWS));
  const along = ALONG[orientation];
  return [0, ...flows].flatMap((litresHour) =>
    LOSS_STEPS.flatMap((z) =>
      along.map((times) => {
        const unknowns = { litresHour, loss: Math.exp(LOSS_U * z), along: times };
        const prior = Math.exp(-(z ** 2) / 2) * (litresHour === 0 ? 1 : 1 / FLOWS);
        return { ...unknowns, prior, cooling: coolingBehind(pipe, unknowns, minutes) };
      }),
    ),
  );
}

const minutesOf = (readings: readonly PipeReading[]) => new Set(readings.map(({ minutes }) => Math.round(minutes)));

function predicted(
  { roomC, hotC, supplyC }: Omit<ClosedValve, 'readings'>,
  cooling: Cooling,
  minutes: number,
  m: number,
): number {
  return (
    roomC + shareAt(cooling.ofStart, minutes, m) * (hotC - roomC) + shareAt(cooling.ofSupply, minutes, m) * (supplyC - roomC)
  );
}

/** Readings of one possibility: what they would be, and the triangle of their covariance with the logarithm of its size. */
function model(valve: ClosedValve, { cooling }: Possibility, readings: readonly PipeReading[]) {
  const n = readings.length;
  const starts = readings.map(({ minutes, m }) => shareAt(cooling.ofStart, minutes, m));
  const supplies = readings.map(({ minutes, m }) => shareAt(cooling.ofSupply, minutes, m));
  const excess = starts.map((share, j) => share * (valve.hotC - valve.roomC) + supplies[j]! * (valve.supplyC - valve.roomC));
  const covariance = new Float64Array(n * n);
  for (let i = 0; i < n; i += 1)
    for (let j = 0; j < n; j += 1) {
      const room = (1 - starts[i]! - supplies[i]!) * (1 - starts[j]! - supplies[j]!) * valve.roomU ** 2;
      const place = readings[i]!.m === readings[j]!.m ? PLACE_SHARE ** 2 * excess[i]! * excess[j]! : 0;
      covariance[i * n + j] =
        room +
        place +
        starts[i]! * starts[j]! * HOT_U ** 2 +
        supplies[i]! * supplies[j]! * SUPPLY_U ** 2 +
        (i === j ? readings[i]!.u ** 2 : 0);
    }
  const triangle = cholesky(covariance, n)!;
  let size = 0;
  for (let i = 0; i < n; i += 1) size += Math.log(triangle.values[i * n + i]!);
  return { expected: excess.map((one) => valve.roomC + one), triangle, size };
}
type Model = ReturnType<typeof model>;

/** Squared distance of readings from what a possibility expects, in standard deviations. */
function distance({ expected, triangle }: Model, read: readonly number[]): number {
  const off = solveLower(
    triangle,
    Float64Array.from(read, (value, i) => value - expected[i]!),
  );
  return off.reduce((sum, one) => sum + one ** 2, 0);
}

function weigh(all: readonly Possibility[], models: readonly Model[], read: readonly number[]) {
  const squares = models.map((one) => distance(one, read));
  const logs = squares.map((square, k) => Math.log(all[k]!.prior) - square / 2 - models[k]!.size);
  const most = Math.max(...logs);
  const raw = logs.map((one) => Math.exp(one - most));
  const sum = raw.reduce((a, b) => a + b, 0);
  return { weights: raw.map((one) => one / sum), misfit: Math.min(...squares) };
}

function posterior(valve: ClosedValve, all: readonly Possibility[], readings: readonly PipeReading[]) {
  return weigh(
    all,
    all.map((one) => model(valve, one, readings)),
    readings.map(({ celsius }) => celsius),
  );
}

const passingOf = (all: readonly Possibility[], weights: readonly number[]) =>
  weights.reduce((sum, weight, k) => sum + (all[k]!.litresHour > 0 ? weight : 0), 0);

/** 2.5, 50 and 97.5 % of what passes, l/h. @param passes - that it does is settled */
function litresOf(all: readonly Possibility[], weights: readonly number[], passes: boolean) {
  const flows = [...new Set(all.map(({ litresHour }) => litresHour))].filter((flow) => !passes || flow > 0);
  const of = flows.map((flow) => weights.reduce((sum, weight, k) => sum + (all[k]!.litresHour === flow ? weight : 0), 0));
  const total = of.reduce((a, b) => a + b, 0);
  // Each flow stands for its share of the range.
  const half = (MOST_LITRES / LEAST_LITRES) ** (0.5 / FLOWS);
  const at = (share: number) => {
    let sum = 0;
    for (const [k, flow] of flows.entries()) {
      const next = sum + of[k]! / total;
      if (next >= share) return flow === 0 ? 0 : flow * half ** (2 * ((share - sum) / (next - sum)) - 1);
      sum = next;
    }
    return MOST_LITRES;
  };
  // No interval is finer than the steps it was weighed in.
  return { low: at(0.025) / half, middle: at(0.5), high: at(0.975) * half };
}

/** When a further reading at the same places would decide: readings are drawn from what is left possible, and judged. */
function whenAgain(valve: ClosedValve, all: readonly Possibility[], weights: readonly number[], last: number): number | null {
  const pipe = pipeThermal(valve.build);
  const minutes = new Set([...minutesOf(valve.readings), ...LATER]);
  const kept = all.map((one, k) => ({ one, weight: weights[k]! })).filter(({ weight }) => weight > LEFT);
  const left = kept.map(({ one }) => ({ ...one, cooling: coolingBehind(pipe, one, minutes) }));
  const places = [...new Map(valve.readings.map((reading) => [reading.m, reading])).values()];
  const random = seededRandom(SEED);
  const normal = normalFrom(random);
  const chances = LATER.filter((minutes) => minutes >= last + LEAST_PAUSE_MIN).map((minutes) => {
    const later = [...valve.readings, ...places.map(({ m, u }) => ({ minutes, m, u, celsius: 0 }))];
    const models = left.map((one) => model(valve, one, later));
    let decided = 0;
    for (let trial = 0; trial < TRIALS; trial += 1) {
      // A quiet reading: what is left possible, with noise at the later places only.
      const truth = models[drawn(kept, (trial + 0.5) / TRIALS)]!;
      const read = later.map(({ celsius, u }, i) => (i < valve.readings.length ? celsius : truth.expected[i]! + u * normal()));
      const { weights: then } = weigh(left, models, read);
      if (verdictOf(passingOf(left, then)) !== 'cannot-say') decided += 1;
    }
    return { minutes, chance: decided / TRIALS };
  });
  const best = Math.max(0, ...chances.map(({ chance }) => chance));
  return best < HELPS ? null : chances.find(({ chance }) => chance >= NEARLY * best)!.minutes;
}

/** The possibility at a quantile of the weights. */
function drawn(kept: readonly { weight: number }[], share: number): number {
  const total = kept.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  for (const [k, { weight }] of kept.entries()) {
    sum += weight / total;
    if (sum >= share) return k;
  }
  return kept.length - 1;
}

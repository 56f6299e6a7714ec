import { cholesky, solveUpper, solveWith, type Triangle } from '../../../ground/cholesky';
import { normalFrom, seededRandom } from '../../../ground/random';
import { INSTRUMENT_U } from '../../../ground/instruments';
import { expectedCircuit, flowSensitivity, networkOf, tailsOf, tailSpread, USUAL_ROOM_C, type Circuit } from './circuit';
import { solveFlows, type Flows } from './network';
import type { Sorted } from './readings';
import type { BalanceState } from './state';

/** A circuit as far as it is known: the likeliest row of numbers, and how it may be otherwise. */
export interface FittedCircuit {
  circuit: Circuit;
  row: Float64Array;
  /** Factor of the curvature there. */
  curvature: Triangle;
  /** What each emitter's drop is beyond its circuit, where it stands, K, with its standard uncertainty. */
  own: { mean: Float64Array; u: Float64Array };
  /** How much farther readings lie from it than their noise should bring them; 1 and more. */
  excess: number;
}

const READING_K = INSTRUMENT_U.tailK;
/** What a model of one trunk and smooth valves leaves open, as a share of a drop; and for each e-fold of its flow since then. */
const OPEN_SHARE = 0.02;
const OPEN_PER_FOLD = 0.12;
/** A swinging source shows in the flow; the return follows it by so much. */
const FOLLOWS = 0.4;
const MOST_STEPS = 25;
const NEGLIGIBLE = 4e-3;
const STEPS_ON_THE_WAY = 6;
const STEPS_PER_HOUSE = 8;
/** What a model of one time constant leaves open of what has not settled, as a share. */
const UNSETTLED = 0.25;
/** A source is held for one that swings from this deviation of the flows on, K. */
const SWINGS_K = 0.35;

/** What painted tails of a house read off, as a share of their excess: nothing, some, or much; each as likely beforehand. */
const OF_HOUSES = [0.003, 0.03, 0.06];
/** Tails that were taped since count as ones that nobody looked at; their readings go wrong together, which is reckoned so. */
const TOGETHER = 1.5;
/** A head takes such a share of its emitter's drop as its room becomes warm: readings of earlier walks know less. */
const HEAD_SHARE = 0.05;

/** Emitters that get no water at these turns, by what was read. */
function shutAt(sorted: Sorted, turns: Float64Array): boolean[] {
  return sorted.emitters.map((_, i) => turns[i]! <= Math.max(0, sorted.coldAt[i]!));
}

interface Equations {
  /** Half the gradient and curvature of the sum of squares. */
  gradient: Float64Array;
  curvature: Float64Array;
  cost: number;
  /** Sum of the logarithms of what readings scatter by. */
  scatter: number;
  flowOff: number[];
  /** Drops as they were read over what the row says of them, K. */
  dropOff: number[];
}

/**
 * Finds the circuit that answers as what was read did, by Levenberg and Marquardt's rule; what is expected of circuits counts
 * as readings do.
 */
export function fitCircuit(state: BalanceState, sorted: Sorted): FittedCircuit {
  const unsure = sorted.emitters.some(({ tail }) => tail !== null && tail !== 'taped');
  const usual = meanSquare(OF_HOUSES, [1, 1, 1]);
  const expected = expectedCircuit(state, sorted, usual);
  let row: Float64Array = expected.mean.slice();
  // Walk by walk, so that what the first readings say of a house leads to what all of them say.
  for (let walk = 0; walk < sorted.walks - 1; walk = 4 * walk + 3) {
    const upTo = { ...sorted, observations: sorted.observations.filter((one) => one.walk <= walk) };
    row = settle({ circuit: expected, sorted: upTo, swing: 0, ofHouse: usual }, row, STEPS_ON_THE_WAY).row;
  }
  const ofHouse = unsure && sorted.observations.length > 0 ? spreadOfTails(state, sorted, row) : usual;
  const circuit = expectedCircuit(state, sorted, ofHouse);
  let found = settle({ circuit, sorted, swing: 0, ofHouse }, row, MOST_STEPS);
  const swing = swingOf(found.now.flowOff);
  // Settled: what the flows still do is the source's own swing.
  if (swing >= SWINGS_K) found = settle({ circuit, sorted, swing, ofHouse }, found.row, MOST_STEPS);
  // At the likeliest row the sum of squares is about the number of readings, if they are as good as was thought.
  const excess = Math.sqrt(Math.max(1, found.now.cost / Math.max(1, 2 * sorted.observations.length)));
  const own = ownOf(state, sorted, found.now.dropOff);
  return { circuit, row: found.row, curvature: cholesky(found.now.curvature, row.length)!, own, excess };
}

/** No valve and no radiator is quite as the model has them: its drop is off by this share of the target, always the same way (k = 1). */
const OWN_SHARE = 0.015;

/** What an emitter's readings since its own last turn say of that, beside their noise. */
function ownOf(
  { targetK }: BalanceState,
  { emitters, observations, lastTurned }: Sorted,
  dropOff: readonly number[],
): FittedCircuit['own'] {
  const before = (OWN_SHARE * targetK) ** 2;
  const mean = new Float64Array(emitters.length);
  const u = new Float64Array(emitters.length).fill(Math.sqrt(before));
  emitters.forEach((_, i) => {
    const off = dropOff.filter(
      (__, k) => observations[k]!.i === i && observations[k]!.atS > lastTurned[i]! && !observations[k]!.beforeTape,
    );
    if (off.length === 0) return;
    const noise = (2 * READING_K ** 2) / off.length;
    mean[i] = (off.reduce((sum, one) => sum + one, 0) / off.length) * (before / (before + noise));
    u[i] = Math.sqrt((before * noise) / (before + noise));
  });
  return { mean, u };
}

const meanSquare = (values: readonly number[], weights: readonly number[]) =>
  Math.sqrt(
    values.reduce((sum, value, k) => sum + weights[k]! * value ** 2, 0) / weights.reduce((sum, weight) => sum + weight, 0),
  );

/**
 * What painted tails of this house read off, from how well its readings go together with each that may be (Laplace's rule);
 * the mean of their squares, so that doubt makes wider.
 */
function spreadOfTails(state: BalanceState, sorted: Sorted, start: Float64Array): number {
  let row = start;
  const logs = OF_HOUSES.map((ofHouse) => {
    const circuit = expectedCircuit(state, sorted, ofHouse);
    const settled = settle({ circuit, sorted, swing: 0, ofHouse }, row, STEPS_PER_HOUSE);
    row = settled.row;
    const triangle = cholesky(settled.now.curvature, row.length)!;
    let log = -settled.now.cost / 2 - settled.now.scatter;
    for (let k = 0; k < row.length; k += 1) log -= Math.log(triangle.values[k * row.length + k]!) + Math.log(circuit.spread[k]!);
    return log;
  });
  const most = Math.max(...logs);
  return meanSquare(
    OF_HOUSES,
    logs.map((log) => Math.exp(log - most)),
  );
}

/** What a row is held against. */
interface Held {
  circuit: Circuit;
  sorted: Sorted;
  /** Of the source, standard deviation, K. */
  swing: number;
  ofHouse: number;
}

/** Levenberg and Marquardt's rule from a row to the likeliest one near it. */
function settle(held: Held, start: Float64Array, steps: number): { row: Float64Array; now: Equations } {
  const { circuit } = held;
  const size = start.length;
  let row = start;
  let now = equationsAt(held, row);
  let damping = 1e-3;
  for (let k = 0; k < steps; k += 1) {
    const damped = now.curvature.slice();
    for (let j = 0; j < size; j += 1) damped[j * size + j]! *= 1 + damping;
    const step = solveWith(cholesky(damped, size)!, now.gradient);
    const next = row.map((value, j) => value - Math.max(-2 * circuit.spread[j]!, Math.min(2 * circuit.spread[j]!, step[j]!)));
    const there = equationsAt(held, next);
    if (there.cost >= now.cost) {
      damping *= 6;
      if (damping > 1e5) break;
      continue;
    }
    const gained = now.cost - there.cost;
    row = next;
    now = there;
    damping = Math.max(1e-6, damping / 5);
    if (gained < 4e-3) break;
  }
  return { row, now };
}

function swingOf(off: readonly number[]): number {
  if (off.length < 4) return 0;
  const power = off.reduce((sum, one) => sum + one ** 2, 0) / off.length;
  return Math.sqrt(Math.max(0, power - READING_K ** 2));
}

/** The row's sum of squares with its derivatives. */
function equationsAt({ circuit, sorted, swing, ofHouse }: Held, row: Float64Array): Equations {
  const { mean, spread, at } = circuit;
  const size = row.length;
  const gradient = new Float64Array(size);
  const curvature = new Float64Array(size * size);
  let [cost, scatter] = [0, 0];
  for (let k = 0; k < size; k += 1) {
    const off = (row[k]! - mean[k]!) / spread[k]!;
    cost += off ** 2;
    gradient[k] = off / spread[k]!;
    curvature[k * size + k] = spread[k]! ** -2;
  }
  const solved = new Map<number, { flows: Flows; by: Float64Array }>();
  let last: Float64Array | null = null;
  const solveAt = (epoch: number) => {
    const kept = solved.get(epoch);
    if (kept) return kept;
    const turns = sorted.epochs[epoch]!;
    const network = networkOf(circuit, row, turns, shutAt(sorted, turns));
    const flows = solveFlows(network, last);
    last = flows.capacity;
    const one = { flows, by: flowSensitivity(circuit, row, network, flows, turns) };
    solved.set(epoch, one);
    return one;
  };
  const flowOff: number[] = [];
  const dropOff: number[] = [];
  const columns = at.hydraulic;
  const slope = new Float64Array(size);
  const places = new Int32Array(size);
  const add = (off: number, deviation: number) => {
    const weight = deviation ** -2;
    scatter += Math.log(deviation);
    cost += weight * off ** 2;
    let count = 0;
    // What a number may move a reading by is left out where that is far below its noise.
    const least = NEGLIGIBLE * deviation;
    for (let k = 0; k < size; k += 1) if (Math.abs(slope[k]!) * spread[k]! > least) places[count++] = k;
    // Only the lower triangle: that is all that is read of it.
    for (let i = 0; i < count; i += 1) {
      const a = places[i]!;
      const share = weight * slope[a]!;
      gradient[a]! += share * off;
      const from = a * size;
      for (let j = 0; j <= i; j += 1) curvature[from + places[j]!]! += share * slope[places[j]!]!;
    }
  };
  const nowFlows = solveAt(sorted.epochs.length - 1).flows;
  for (const one of sorted.observations) {
    const { i } = one;
    const source = row[at.source]! + row[at.sourceOf(one.walk)]!;
    const offset = row[at.offsetOf(one.walk)]!;
    const here = solveAt(one.epoch);
    const capacity = here.flows.capacity[i]!;
    if (capacity < 1e-6) {
      dropOff.push(0);
      continue;
    }
    const tails = tailsOf(circuit, row, i, capacity, source, one.roomC);
    const old = one.before === one.epoch ? null : solveAt(one.before);
    const oldCapacity = old?.flows.capacity[i] ?? 0;
    const before = oldCapacity > 1e-6 ? tailsOf(circuit, row, i, oldCapacity, source, one.roomC) : null;
    const left = Math.exp(-one.settledS / tails.timeConstant);
    const oldReturn = before ? before.flowC - before.dropK : one.roomC;
    const settledReturn = tails.flowC - tails.dropK;
    const returnC = settledReturn + left * (oldReturn - settledReturn);

    // Tails read off by a share of their excess over the room; what they were before they were taped is noise by now.
    const [flowExcess, returnExcess] = [tails.flowC - one.roomC, returnC - one.roomC];
    const ends = one.beforeTape || !at.tails ? null : ([at.tails.flow(i), at.tails.back(i)] as const);
    const [flowTail, returnTail] = ends ? [row[ends[0]]!, row[ends[1]]!] : [0, 0];
    const untaped = one.beforeTape ? TOGETHER * tailSpread('unknown', ofHouse) : 0;
    const flowOffK = tails.flowC + flowTail * flowExcess + offset - one.flowC;
    flowOff.push(flowOffK);
    slope.fill(0);
    for (let k = 0; k < columns; k += 1) slope[k] = tails.flowByCapacity * here.by[i * columns + k]!;
    slope[at.cooling(i)] = -tails.flowByCapacity;
    slope[at.source] = slope[at.sourceOf(one.walk)] = tails.flowBySource;
    slope[at.offsetOf(one.walk)] = 1;
    if (ends) slope[ends[0]] = flowExcess;
    add(flowOffK, Math.hypot(READING_K, swing, untaped * flowExcess));

    slope.fill(0);
    const fill = (share: number, part: typeof tails, by: Float64Array) => {
      const byFlow = 1 - part.dropByFlow;
      const byCapacity = part.flowByCapacity * byFlow - part.dropByCapacity;
      for (let k = 0; k < columns; k += 1) slope[k]! += share * byCapacity * by[i * columns + k]!;
      slope[at.cooling(i)]! -= share * part.flowByCapacity * byFlow;
      slope[at.rated(i)]! += share * part.dropByCapacity;
      slope[at.source]! += share * part.flowBySource * byFlow;
    };
    fill(1 - left, tails, here.by);
    if (before && old) fill(left, before, old.by);
    slope[at.sourceOf(one.walk)] = slope[at.source]!;
    slope[at.offsetOf(one.walk)] = 1;
    const folds = Math.abs(Math.log(capacity / Math.max(1e-6, nowFlows.capacity[i]!)));
    const open = tails.dropK * (OPEN_SHARE + OPEN_PER_FOLD * Math.min(3, folds));
    const unsettled = UNSETTLED * left * (oldReturn - settledReturn);
    slope[at.slow(i)] = (left * one.settledS * (oldReturn - settledReturn)) / tails.timeConstant;
    if (ends) slope[ends[1]] = returnExcess;
    const head = sorted.emitters[i]!.headOn && one.walk < sorted.walks - 1 ? HEAD_SHARE * tails.dropK : 0;
    const returnOffK = returnC + returnTail * returnExcess + offset - one.returnC;
    dropOff.push(returnOffK - flowOffK);
    add(returnOffK, Math.hypot(READING_K, FOLLOWS * swing, open, unsettled, untaped * returnExcess, head));
  }
  return { gradient, curvature, cost, scatter, flowOff, dropOff };
}

const SEED = 20_261_127;
/** What no model holds of a house makes drops less sure than readings say, by this factor. */
const WIDER = 1.2;

/** Rows that the readings leave open, drawn around the likeliest one; the same number draws the same. */
export function drawCircuits({ row, curvature, excess }: FittedCircuit, count: number): Float64Array[] {
  const normal = normalFrom(seededRandom(SEED));
  return Array.from({ length: count }, () => {
    const step = solveUpper(curvature, Float64Array.from(row, normal));
    return row.map((value, k) => value + WIDER * excess * step[k]!);
  });
}

/** Steady drops with the valves at some turns, K, NaN for no water; and which emitters are heated. */
export interface Steady {
  drops: Float64Array;
  heated: boolean[];
}

/** Less than this share of the hottest excess over the room at the flow tail is not heated. */
const HEATED = 0.7;
/** An emitter with less than this gets no water, W/K. */
const TRACE = 1e-6;
/** The logarithm of a flow is followed no further than this by its slopes. */
const MOST_STEP = 3;

/** What the likeliest circuit does with the valves at these turns. @param start - capacity rates nearby, or null */
export function flowsWith(
  { circuit, row }: FittedCircuit,
  sorted: Sorted,
  turns: Float64Array,
  start: Float64Array | null,
): Flows {
  return solveFlows(networkOf(circuit, row, turns, shutAt(sorted, turns)), start);
}

/** Drops of a row of numbers for capacity rates, W/K. */
export function steadyFrom(circuit: Circuit, row: Float64Array, sorted: Sorted, capacity: Float64Array): Steady {
  const { n, at } = circuit;
  const source = row[at.source]! + (sorted.walks > 0 ? row[at.sourceOf(sorted.walks - 1)]! : 0);
  const drops = new Float64Array(n).fill(NaN);
  const excess = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    if (capacity[i]! < TRACE) continue;
    const room = Number.isNaN(sorted.roomC[i]!) ? USUAL_ROOM_C : sorted.roomC[i]!;
    const { flowC, dropK } = tailsOf(circuit, row, i, capacity[i]!, source, room);
    drops[i] = dropK;
    excess[i] = flowC - room;
  }
  const hottest = Math.max(...excess);
  return { drops, heated: Array.from(excess, (one) => one >= HEATED * hottest) };
}

/**
 * What each drawn circuit does with the valves at these turns. Flows follow the draws by their slopes at the likeliest circuit:
 * what readings have settled stays settled, which drawn rows by themselves would not keep.
 */
export function steadyOfDraws(
  fitted: FittedCircuit,
  draws: readonly Float64Array[],
  sorted: Sorted,
  turns: Float64Array,
): Steady[] {
  const { circuit, row } = fitted;
  const { n, at } = circuit;
  const network = networkOf(circuit, row, turns, shutAt(sorted, turns));
  const flows = solveFlows(network, null);
  const by = flowSensitivity(circuit, row, network, flows, turns);
  return draws.map((drawn) => {
    const capacity = new Float64Array(n);
    for (let i = 0; i < n; i += 1) {
      if (flows.capacity[i]! < TRACE) continue;
      let step = 0;
      for (let k = 0; k < at.hydraulic; k += 1) step += by[i * at.hydraulic + k]! * (drawn[k]! - row[k]!);
      capacity[i] = flows.capacity[i]! * Math.exp(Math.max(-MOST_STEP, Math.min(MOST_STEP, step)));
    }
    return steadyFrom(circuit, drawn, sorted, capacity);
  });
}

import { outputW, meanExcess, steadyDrop } from '../output';
import { jacobian, solveDense, type Flows, type Network } from './network';
import { logOpening } from './valveCurve';
import type { Sorted } from './readings';
import type { BalanceState, TailKind } from './state';

/**
 * What is not known of a circuit, as one row of numbers, each with what is expected of it before anything was read.
 *
 * Resistances are of capacity rates (W/K) in kPa; the trunk is one, with emitters on it in their order. Nothing here has to be
 * true of a house: what was read moves it to where it answers as that house does.
 */
export interface Circuit {
  n: number;
  exponent: Float64Array;
  turnsOpen: Float64Array;
  /** Capacity rates that would bring the target, W/K, and through each part of the trunk. */
  wanted: Float64Array;
  wantedThrough: Float64Array;
  mean: Float64Array;
  spread: Float64Array;
  at: ReturnType<typeof layout>;
}

/** Where in the row which number stands. */
function layout(n: number, withTails: boolean) {
  const end = 3 + (withTails ? 10 : 8) * n;
  const each = (k: number) => (i: number) => 3 + k * n + i;
  return {
    head: 0,
    fall: 1,
    pipes: 2,
    trunk: each(0),
    valve: each(1),
    body: each(2),
    dead: each(3),
    shape: each(4),
    rated: each(5),
    cooling: each(6),
    /** Of the slowness of each emitter, as a logarithm over what its size makes usual. */
    slow: each(7),
    /** What the tails of each read off, as a share of their excess over the room, the same on every walk; null where all read right. */
    tails: withTails ? { flow: each(8), back: each(9) } : null,
    source: end,
    sourceOf: (walk: number) => end + 1 + 2 * walk,
    offsetOf: (walk: number) => end + 2 + 2 * walk,
    hydraulic: 3 + 5 * n,
  };
}

/** Temperature of what pipes run through, °C. */
const VOID_C = 18;
/** Of a room in which nobody read it, °C. */
export const USUAL_ROOM_C = 20;
/** A valve of 1 m³/h at 1 bar lets so many W/K by at 1 kPa: 985 kg/m³, 4186 J/(kg·K), √(1/100). */
const PER_KV = 114.5;
const VALVE_KV = 0.85;
const BODY_KV = 0.95;
/** A part of the trunk takes so much at the wanted flow, kPa. */
const PART_KPA = 0.5;
/** Output of an emitter of which nobody knows it, W, as people fit them. */
const USUAL_W = 1000;
const MASS_PER_W = 8.5;
const MOST_FALL = 0.7;
const MOST_LOSS = 0.6;

/** Tape reads off by so much, as a share of its excess. */
const TAPED = 0.007;
/** Bare tails read off twice what painted ones do; of those that nobody looked at some are bare. */
const TIMES: Record<TailKind, number> = { painted: 1, bare: 2, taped: 0, unknown: 1.4 };
/** What reads right, as far as numbers go. */
const RIGHT = 1e-4;
/** How far the time constants of emitters differ from what their size makes usual, as a logarithm. */
const SLOW_U = 0.3;

/** What a tail reads off, as a share of its excess over the room (k = 1). @param ofHouse - what painted tails of this house do */
export function tailSpread(tail: TailKind | null, ofHouse: number): number {
  return tail === null ? RIGHT : Math.hypot(TIMES[tail] * ofHouse, tail === 'taped' ? TAPED : RIGHT);
}

/**
 * What is expected of a circuit before anything was read.
 *
 * @param ofHouse - what painted tails of this house read off, as a share of their excess (k = 1)
 */
export function expectedCircuit({ targetK, flowSetC }: BalanceState, sorted: Sorted, ofHouse = 0): Circuit {
  const { emitters, walks, coldAt } = sorted;
  const n = emitters.length;
  const at = layout(
    n,
    emitters.some(({ tail }) => tail !== null),
  );
  const size = at.offsetOf(walks - 1) + 1;
  const mean = new Float64Array(size);
  const spread = new Float64Array(size);
  const put = (place: number, expected: number, deviation: number) => {
    mean[place] = expected;
    spread[place] = deviation;
  };
  const known = emitters.flatMap(({ ratedW }) => ratedW ?? []);
  const middle = known.length > 0 ? Math.exp(known.reduce((sum, one) => sum + Math.log(one), 0) / known.length) : USUAL_W;
  const excess = Math.max(5, flowSetC - USUAL_ROOM_C);
  const wanted = Float64Array.from(emitters, ({ ratedW, exponent }) => {
    const drop = Math.min(targetK, 0.7 * excess);
    return outputW(ratedW ?? middle, exponent, excess, excess - drop) / drop;
  });
  const wantedThrough = new Float64Array(n);
  let sum = 0;
  for (let i = n - 1; i >= 0; i -= 1) wantedThrough[i] = sum += wanted[i]!;
  const needs = wanted.map((one, i) => one ** 2 * ((PER_KV * VALVE_KV) ** -2 + (PER_KV * BODY_KV) ** -2) + PART_KPA * (i + 1));
  put(at.head, Math.log(1.7 * Math.max(...needs)), 0.6);
  put(at.fall, -0.9, 1);
  put(at.pipes, 0, 0.8);
  emitters.forEach(({ ratedW, tail }, i) => {
    put(at.trunk(i), 0, 0.8);
    put(at.valve(i), Math.log(PER_KV * VALVE_KV), 0.3);
    put(at.body(i), Math.log(PER_KV * BODY_KV), 0.45);
    // Shut at this opening: the dead part reaches at least there.
    const least = Math.min(0.6, Math.max(0, coldAt[i]!));
    put(at.dead(i), (least + 0.6) / 2, Math.max(0.04, (0.6 - least) / 3.2));
    put(at.shape(i), 0.5, 0.45);
    put(at.rated(i), Math.log(ratedW ?? middle), ratedW === null ? 0.5 : 0.08);
    put(at.cooling(i), Math.log((0.012 + (0.03 * i) / n) * wanted[i]!), 0.7);
    put(at.slow(i), 0, SLOW_U);
    if (at.tails) for (const end of [at.tails.flow, at.tails.back]) put(end(i), 0, tailSpread(tail, ofHouse));
  });
  put(at.source, flowSetC - 1, 3);
  for (let w = 0; w < walks; w += 1) {
    put(at.sourceOf(w), 0, 0.8);
    put(at.offsetOf(w), 0, 1);
  }
  return {
    n,
    exponent: Float64Array.from(emitters, ({ exponent }) => exponent),
    turnsOpen: Float64Array.from(emitters, ({ turnsOpen }) => turnsOpen),
    wanted,
    wantedThrough,
    mean,
    spread,
    at,
  };
}

const fallOf = (z: number) => MOST_FALL / (1 + Math.exp(-z));

function openingOf({ at, turnsOpen }: Circuit, row: Float64Array, i: number, turns: number): number {
  return logOpening({ dead: row[at.dead(i)]!, shape: row[at.shape(i)]!, turnsOpen: turnsOpen[i]! }, turns);
}

/** The network that a row of numbers describes, with the valves as they stand. @param shut - emitters that get no water whatever the turn */
export function networkOf(circuit: Circuit, row: Float64Array, turns: Float64Array, shut: readonly boolean[]): Network {
  const { n, at, wantedThrough } = circuit;
  const own = new Float64Array(n);
  const trunk = new Float64Array(n);
  for (let i = 0; i < n; i += 1) {
    trunk[i] = (PART_KPA * Math.exp(row[at.pipes]! + row[at.trunk(i)]!)) / wantedThrough[i]! ** 2;
    own[i] = shut[i]
      ? Infinity
      : Math.exp(-2 * row[at.body(i)]!) + Math.exp(-2 * (row[at.valve(i)]! + openingOf(circuit, row, i, turns[i]!)));
  }
  return { head: Math.exp(row[at.head]!), fall: fallOf(row[at.fall]!), reference: 1.6 * wantedThrough[0]!, trunk, own };
}

/** d ln(flow of each emitter) / d(each hydraulic number), n × hydraulic by rows. */
export function flowSensitivity(
  circuit: Circuit,
  row: Float64Array,
  network: Network,
  flows: Flows,
  turns: Float64Array,
): Float64Array {
  const { n, at } = circuit;
  const count = at.hydraulic;
  const columns = new Float64Array(n * count);
  const { head, fall, reference, trunk, own } = network;
  const load = (flows.through[0]! / reference) ** 2;
  const slope = fall * (1 - fall / MOST_FALL);
  for (let i = 0; i < n; i += 1) {
    if (own[i] === Infinity) continue;
    const across = flows.across[i]!;
    const put = (place: number, value: number) => (columns[i * count + place] = value);
    put(at.head, (head * (1 - fall * load)) / across);
    put(at.fall, (-head * load * slope) / across);
    let pipes = 0;
    for (let k = 0; k <= i; k += 1) {
      const taken = trunk[k]! * flows.through[k]! ** 2;
      pipes += taken;
      put(at.trunk(k), -taken / across);
    }
    put(at.pipes, -pipes / across);
    const opening = openingOf(circuit, row, i, turns[i]!);
    const valve = Math.exp(-2 * (row[at.valve(i)]! + opening)) / own[i]!;
    put(at.body(i), 2 * (1 - valve));
    put(at.valve(i), 2 * valve);
    for (const place of [at.dead(i), at.shape(i)]) {
      const moved = row.slice();
      moved[place]! += 1e-5;
      put(place, (2 * valve * (openingOf(circuit, moved, i, turns[i]!) - opening)) / 1e-5);
    }
  }
  return solveDense(jacobian(network, flows), columns, n, count);
}

/** Temperatures at an emitter, and how they answer to its flow and to the source. */
export interface Tails {
  flowC: number;
  dropK: number;
  /** d flow / d ln capacity (its negative is d flow / d ln cooling), and d flow / d source. */
  flowByCapacity: number;
  flowBySource: number;
  /** d drop / d ln capacity (its negative is d drop / d ln rated), and d drop / d flow. */
  dropByCapacity: number;
  dropByFlow: number;
  /** s */
  timeConstant: number;
}

/** @param capacity - W/K, above 0 */
export function tailsOf(circuit: Circuit, row: Float64Array, i: number, capacity: number, sourceC: number, roomC: number): Tails {
  const { at, exponent } = circuit;
  const rated = Math.exp(row[at.rated(i)]!);
  // What trickles cools on its way, but never to the temperature of the void: that branch would have two answers for one drop.
  const bare = Math.exp(row[at.cooling(i)]!) / capacity / MOST_LOSS;
  const left = Math.exp(-MOST_LOSS * Math.tanh(bare));
  const flowC = VOID_C + (sourceC - VOID_C) * left;
  const excess = Math.max(0.5, flowC - roomC);
  const drop = (c: number, e: number) => steadyDrop(c, rated, exponent[i]!, e);
  const dropK = drop(capacity, excess);
  const given = outputW(rated, exponent[i]!, excess, excess - dropK);
  const byReturn = (exponent[i]! * given) / (2 * Math.max(0.5, meanExcess(excess, excess - dropK)));
  return {
    flowC,
    dropK,
    flowByCapacity: (sourceC - VOID_C) * left * MOST_LOSS * bare * (1 - Math.tanh(bare) ** 2),
    flowBySource: left,
    dropByCapacity: (drop(capacity * 1.001, excess) - dropK) / 0.001,
    dropByFlow: (drop(capacity, excess * 1.001) - dropK) / (0.001 * excess),
    timeConstant: (Math.exp(row[at.slow(i)]!) * MASS_PER_W * rated) / (capacity + byReturn),
  };
}

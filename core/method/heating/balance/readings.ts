import type { BalanceEmitter, BalanceState } from './state';

/** One reading, ready to be fitted. */
export interface Observation {
  /** Place of the emitter in order from the source. */
  i: number;
  /** Which state of the valves it was read in, and which one held before the last turns. */
  epoch: number;
  before: number;
  atS: number;
  /** Place of its walk among the walks with readings. */
  walk: number;
  flowC: number;
  returnC: number;
  roomC: number;
  settledS: number;
  /** Its tails were other ones then: they have been taped since. */
  beforeTape: boolean;
}

/** What was read, in order, and what it says at once. */
export interface Sorted {
  /** In order from the source. */
  emitters: BalanceEmitter[];
  /** Turns of every valve in each state that was read in, and last as they stand now. */
  epochs: Float64Array[];
  observations: Observation[];
  walks: number;
  /** The last walks in which somebody only read. */
  idle: number;
  /** Widest opening at which an emitter got no water; −1 where it always did, or was never read. */
  coldAt: Float64Array;
  /** Narrowest opening at which it got water; Infinity where it never did. */
  warmAt: Float64Array;
  /** When each valve was last turned, s; −∞ where it never was. */
  lastTurned: Float64Array;
  /** How often each was read since its own valve was last turned. */
  readSince: number[];
  /** Its newest drop, K; NaN where it was never read warm. */
  readDrop: Float64Array;
  /** The newest reading was taken with the ends exchanged, or before anything had settled. */
  swapped: boolean[];
  hasty: boolean[];
  /** Latest air temperature beside each; NaN where it was never read. */
  roomC: Float64Array;
}

/** A return hotter than the flow by so much, K, is no noise: the ends are exchanged. */
const SWAPPED_K = 2;
/** Below this share of the hottest excess over the room both tails are cold. */
const COLD_SHARE = 0.3;
/** Where nothing reaches this share of the set temperature's excess, all are cold. */
const HEAT_SHARE = 0.35;
/** Read so soon after a turn nothing has settled, s. */
const HASTY_S = 90;

/** Sorts what was read by emitter and state of the valves; tells cold emitters, exchanged ends and hasty readings. */
export function sortReadings(state: BalanceState): Sorted {
  const emitters = [...state.emitters].sort((a, b) => a.order - b.order);
  const at = new Map(emitters.map(({ id }, i) => [id, i]));
  const n = emitters.length;
  const turns = Float64Array.from(
    emitters,
    ({ id, turns: now }) => state.turned.find((one) => one.emitterId === id)?.from ?? now,
  );
  const epochs: Float64Array[] = [];
  const observations: Observation[] = [];
  const walks = [...new Set(state.readings.map(({ walk }) => walk))].sort((a, b) => a - b);
  const coldAt = new Float64Array(n).fill(-1);
  const warmAt = new Float64Array(n).fill(Infinity);
  const swapped = new Array<boolean>(n).fill(false);
  const hasty = new Array<boolean>(n).fill(false);
  const roomC = new Float64Array(n).fill(NaN);
  const lastTurned = new Float64Array(n).fill(-Infinity);
  for (const { emitterId, atS } of state.turned) lastTurned[at.get(emitterId)!] = atS;
  const readSince = new Array<number>(n).fill(0);
  const readDrop = new Float64Array(n).fill(NaN);
  const hottest = new Map<number, number>();
  for (const { walk, flowC, returnC, roomC: room } of state.readings)
    hottest.set(walk, Math.max(hottest.get(walk) ?? 0, Math.max(flowC, returnC) - room));
  const most = Math.max(0, ...hottest.values());

  let made = 0;
  let changed = true;
  let before = 0;
  for (const reading of state.readings) {
    while (made < state.turned.length && state.turned[made]!.atS <= reading.atS) {
      const moved = at.get(state.turned[made]!.emitterId)!;
      turns[moved] = state.turned[made]!.to;
      readSince[moved] = 0;
      made += 1;
      changed = true;
    }
    if (changed) {
      before = Math.max(0, epochs.length - 1);
      epochs.push(turns.slice());
      changed = false;
    }
    const i = at.get(reading.emitterId)!;
    const isSwapped = reading.returnC - reading.flowC > SWAPPED_K;
    const [flowC, returnC] = isSwapped ? [reading.returnC, reading.flowC] : [reading.flowC, reading.returnC];
    swapped[i] = isSwapped;
    hasty[i] = reading.settledS < HASTY_S;
    roomC[i] = reading.roomC;
    const hot = Math.max(hottest.get(reading.walk)!, 0.6 * most, HEAT_SHARE * (state.flowSetC - reading.roomC));
    if (flowC - reading.roomC < COLD_SHARE * hot) {
      coldAt[i] = Math.max(coldAt[i]!, reading.turns);
      continue;
    }
    warmAt[i] = Math.min(warmAt[i]!, reading.turns);
    const walk = walks.indexOf(reading.walk);
    const { tapedWalk } = emitters[i]!;
    const beforeTape = tapedWalk !== null && reading.walk < tapedWalk;
    if (!hasty[i] && !beforeTape) readSince[i]! += 1;
    readDrop[i] = flowC - returnC;
    observations.push({ ...reading, i, epoch: epochs.length - 1, before, walk, flowC, returnC, beforeTape });
  }
  // An emitter that got water at a narrower opening was cold for another reason then: it had no time.
  for (let i = 0; i < n; i += 1) if (warmAt[i]! <= coldAt[i]!) coldAt[i] = -1;
  for (const { emitterId } of state.turned.slice(made)) readSince[at.get(emitterId)!] = 0;
  epochs.push(Float64Array.from(emitters, (emitter) => emitter.turns));
  return {
    emitters,
    epochs,
    observations,
    walks: walks.length,
    idle: idleOf(state, walks),
    coldAt,
    warmAt,
    lastTurned,
    readSince,
    readDrop,
    swapped,
    hasty,
    roomC,
  };
}

function idleOf({ turned, emitters }: BalanceState, walks: readonly number[]): number {
  const busy = new Set([...turned.map(({ walk }) => walk), ...emitters.map(({ tapedWalk }) => tapedWalk)]);
  let idle = 0;
  for (const walk of walks.toReversed()) {
    if (busy.has(walk)) break;
    idle += 1;
  }
  return idle;
}

/** A valve as far open as this without water is shut elsewhere, turns. */
const OPEN_ENOUGH = 1.25;

/** Cold whatever the turn. */
export function isClosed({ emitters, coldAt, warmAt }: Sorted, i: number): boolean {
  return warmAt[i] === Infinity && coldAt[i]! >= Math.min(OPEN_ENOUGH, emitters[i]!.turnsOpen);
}

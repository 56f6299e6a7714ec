import { chancesAt, type Chances } from './chances';
import { tailsOf, USUAL_ROOM_C } from './circuit';
import { flowsWith, steadyFrom, type FittedCircuit } from './fit';
import { isClosed, type Sorted } from './readings';
import { EIGHTH, stopOf, type BalanceState } from './state';

/** An emitter is left alone while it is in tolerance with this likelihood. */
const LEAVE = 0.9;
/** Who is visited anyway and is off the target by this share of the tolerance is brought nearer to it. */
const CENTRE = 0.3;
const LEAST_WAIT_S = 240;
const MOST_WAIT_S = 360;
/** Time constants after which an eighth of a change is left; the fit knows what is left. */
const SETTLES = 2;

export interface Plan {
  turns: Float64Array;
  chances: Chances;
}

/** The turns of the next walk: who is out of tolerance, or would be, goes to where all reach the target together. */
export function planWalk(
  state: BalanceState,
  fitted: FittedCircuit,
  draws: readonly Float64Array[],
  sorted: Sorted,
  here: Float64Array,
  risk: number,
): Plan {
  const { emitters } = sorted;
  const mayTurn = emitters.map((emitter, i) => !emitter.sticks && !isClosed(sorted, i));
  const chosen = emitters.map(() => false);
  let turns: Float64Array = here.slice();
  let chances = chancesAt(state, fitted, draws, sorted, turns);
  for (let round = 0; round < 4; round += 1) {
    let added = 0;
    emitters.forEach((_, i) => {
      if (chosen[i] || !mayTurn[i] || chances.on[i]! >= LEAVE) return;
      chosen[i] = true;
      added += 1;
    });
    if (added === 0) break;
    turns = turnsFor(state, fitted, sorted, here, chosen);
    chances = chancesAt(state, fitted, draws, sorted, turns);
  }
  // Who is visited for a reading anyway is brought nearer to the target on the way.
  let off = false;
  for (const i of toRead(chances, chosen, sorted, risk)) {
    if (chosen[i] || !mayTurn[i] || Math.abs(chances.mean[i]! - state.targetK) < CENTRE * state.toleranceK) continue;
    chosen[i] = true;
    off = true;
  }
  if (off) {
    turns = turnsFor(state, fitted, sorted, here, chosen);
    chances = chancesAt(state, fitted, draws, sorted, turns);
  }
  return { turns, chances };
}

/** Eighths of a turn that bring the chosen emitters to the target together, by the likeliest circuit. */
function turnsFor(
  { targetK, toleranceK }: BalanceState,
  fitted: FittedCircuit,
  sorted: Sorted,
  here: Float64Array,
  chosen: readonly boolean[],
): Float64Array {
  const { emitters } = sorted;
  const { circuit, row } = fitted;
  let capacity: Float64Array | null = null;
  const dropsAt = (at: Float64Array) => {
    capacity = flowsWith(fitted, sorted, at, capacity).capacity;
    const { drops, heated } = steadyFrom(circuit, row, sorted, capacity);
    // What trickles arrives cold: its small drop asks for more water, not for less.
    return drops.map((drop, i) => (heated[i] || drop > targetK ? Math.max(0.5, drop + fitted.own.mean[i]!) : NaN));
  };
  const turns: Float64Array = here.slice();
  // Shut valves begin where water surely comes.
  chosen.forEach((is, i) => {
    if (is && turns[i]! <= Math.max(0.25, sorted.coldAt[i]! + EIGHTH))
      turns[i] = Math.min(stopOf(emitters[i]!), Math.max(1, sorted.coldAt[i]! + 0.5));
  });
  let drops = dropsAt(turns);
  // Each to its target while the others move too: a few rounds of the secant rule settle it.
  for (let round = 0; round < 14; round += 1) {
    let moved = 0;
    chosen.forEach((is, i) => {
      if (!is) return;
      const at = turns[i]!;
      const next = Math.max(
        least(sorted, i),
        Math.min(stopOf(emitters[i]!), at + stepFor(circuit, row, i, at, drops[i]!, targetK)),
      );
      moved = Math.max(moved, Math.abs(next - at));
      turns[i] = next;
    });
    drops = dropsAt(turns);
    if (moved < 0.01) break;
  }
  chosen.forEach((is, i) => {
    if (is) turns[i] = Math.max(least(sorted, i), Math.min(stopOf(emitters[i]!), Math.round(turns[i]! / EIGHTH) * EIGHTH));
  });
  // An eighth this way or that where it brings the worst nearer.
  // Who stands open and is still above the target has nothing to gain by it, and is nobody's measure.
  const offOf = (steady: Float64Array, at: Float64Array) =>
    steady.reduce((sum, drop, i) => {
      if (!chosen[i] || (at[i]! >= stopOf(emitters[i]!) && !(drop < targetK))) return sum;
      return sum + (Math.abs((Number.isNaN(drop) ? 3 * targetK : drop) - targetK) / toleranceK) ** 4;
    }, 0);
  let best = offOf(dropsAt(turns), turns);
  for (let sweep = 0; sweep < 2; sweep += 1) {
    let better = false;
    chosen.forEach((is, i) => {
      if (!is) return;
      for (const step of [-EIGHTH, EIGHTH]) {
        const tried = turns.slice();
        tried[i]! += step;
        if (tried[i]! < least(sorted, i) || tried[i]! > stopOf(emitters[i]!)) continue;
        const off = offOf(dropsAt(tried), tried);
        if (off >= best - 1e-6) continue;
        best = off;
        turns[i] = tried[i]!;
        better = true;
      }
    });
    if (!better) break;
  }
  return turns;
}

const least = ({ coldAt }: Sorted, i: number) => Math.max(EIGHTH, coldAt[i]! + EIGHTH);

/** How far to turn for a change of the drop, by the slope of the valve's own curve. */
function stepFor(
  circuit: FittedCircuit['circuit'],
  row: Float64Array,
  i: number,
  turns: number,
  dropK: number,
  targetK: number,
): number {
  if (Number.isNaN(dropK)) return 0.25;
  const wanted = Math.log(dropK / targetK);
  const dead = row[circuit.at.dead(i)]!;
  // Flow grows about as the way beyond the dead part; the drop falls a little slower than the flow grows.
  const way = Math.max(0.06, turns - dead);
  return Math.max(-0.45 * way, Math.min(1.2 * way, way * (Math.exp(0.9 * wanted) - 1)));
}

/** Who is read after a walk: whoever was turned or never read, and the least sure, until what is left is sure enough. */
export function toRead(
  chances: Chances,
  turned: readonly boolean[],
  { roomC }: Sorted,
  risk: number,
  without: readonly number[] = [],
): number[] {
  const all = turned.map((_, i) => i);
  const chosen = new Set(all.filter((i) => turned[i] || Number.isNaN(roomC[i]!)));
  const rest = all.filter((i) => !chosen.has(i) && !without.includes(i)).sort((a, b) => chances.on[b]! - chances.on[a]!);
  let left = 0;
  for (const i of rest) {
    left += 1 - chances.on[i]!;
    if (left > risk) chosen.add(i);
  }
  return all.filter((i) => chosen.has(i));
}

/** Until the slowest emitter has followed, s, in half minutes. */
export function waitFor(fitted: FittedCircuit, sorted: Sorted, turns: Float64Array): number {
  const { circuit, row } = fitted;
  const { capacity } = flowsWith(fitted, sorted, turns, null);
  const source = row[circuit.at.source]!;
  const slowest = Math.max(
    ...sorted.emitters.map((_, i) =>
      capacity[i]! > 1e-6 ? tailsOf(circuit, row, i, capacity[i]!, source, USUAL_ROOM_C).timeConstant : 0,
    ),
  );
  return 30 * Math.ceil(Math.max(LEAST_WAIT_S, Math.min(MOST_WAIT_S, SETTLES * slowest)) / 30);
}

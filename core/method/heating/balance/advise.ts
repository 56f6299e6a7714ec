import { chancesAt, tolerated } from './chances';
import { drawCircuits, fitCircuit, type FittedCircuit } from './fit';
import { planWalk, toRead, waitFor } from './plan';
import { isClosed, sortReadings, type Sorted } from './readings';
import { toTape } from './tape';
import { stopOf, type BalanceAdvice, type BalanceState, type CannotWhy, type DropState } from './state';

/** Circuits drawn to judge what may be. */
const DRAWS = 240;
/** All are done when the chance that any is out of tolerance is below this; after many walks patience costs more than it brings. */
const RISK = 0.04;
const PATIENT_WALKS = 8;
/** The chance from which it is said that an emitter cannot reach the target. */
const CERTAIN = 0.85;
/** After so many walks another one tells no more, and this is certain enough. */
const MANY_WALKS = 15;
const CERTAIN_BY_THEN = 0.6;
/** No drop is surer than this, K. */
const LEAST_SPREAD_K = 0.2;
/**
 * Where it stands, each is read so often before it is done, unless it is in tolerance for sure and its newest reading is as the
 * circuit expects, K: one reading may be off, and one valve may be other than valves are.
 */
const CONFIRMED = 2;
const FOR_SURE = 0.97;
const AS_EXPECTED_K = 1.6;
/** So often in a row it is only read again; after that no turn and no reading makes it better. */
const MOST_IDLE = 2;
const LIKELY = 0.92;
/** After so many walks it ends, and says what is left. */
const LONGEST_WALKS = 30;

/**
 * Which valves to turn, how long to wait and what to read, from everything that was read of a circuit.
 *
 * A model of the circuit (pump, trunk, valves, outputs) is fitted to all readings; some hundred circuits that fit as well say how
 * sure it is. Drops are between the tails of one emitter: what a camera's level adds to
 * both is no part of them. What each tail's own emissivity adds is, and is one of the unknowns.
 */
export function adviseBalance(state: BalanceState): BalanceAdvice {
  const sorted = sortReadings(state);
  const { emitters } = sorted;
  const n = emitters.length;
  const ids = emitters.map(({ id }) => id);
  const messages = messagesOf(sorted);
  const unread = emitters.filter((_, i) => Number.isNaN(sorted.roomC[i]!)).map(({ id }) => id);
  const fitted = fitCircuit(state, sorted);
  const draws = drawCircuits(fitted, DRAWS);
  const here = sorted.epochs.at(-1)!;
  const now = chancesAt(state, fitted, draws, sorted, here);
  const noHeat = sorted.observations.length === 0 && unread.length === 0 && emitters.every((_, i) => sorted.coldAt[i]! >= 0.75);
  const plan = planWalk(state, fitted, draws, sorted, here, RISK);
  const cannot = new Map<number, CannotWhy>();
  emitters.forEach((emitter, i) => {
    if (noHeat) cannot.set(i, 'no-heat');
    else if (isClosed(sorted, i)) cannot.set(i, 'closed');
    else if (emitter.sticks && now.on[i]! < 0.5) cannot.set(i, 'sticks');
    else if (
      !emitter.sticks &&
      here[i]! >= stopOf(emitter) &&
      plan.turns[i] === here[i] &&
      plan.chances.above[i]! > (sorted.walks > MANY_WALKS ? CERTAIN_BY_THEN : CERTAIN)
    )
      cannot.set(i, whyTooLarge(fitted, i));
  });
  const open = [...Array(n).keys()].filter((i) => !cannot.has(i));
  const risk = now.out.filter((out) => open.some((i) => out[i])).length / DRAWS;
  const allRead = unread.length === 0;
  const allowed = RISK * Math.max(1, sorted.walks / PATIENT_WALKS);
  const enough = allRead && risk <= allowed;
  const odd = (i: number) => !(Math.abs(now.mean[i]! - sorted.readDrop[i]!) <= AS_EXPECTED_K);
  const confirm = enough ? open.filter((i) => sorted.readSince[i]! < CONFIRMED && (now.on[i]! < FOR_SURE || odd(i))) : [];
  const good = noHeat || (enough && (confirm.length === 0 || sorted.idle >= MOST_IDLE));
  const telling = enough
    ? []
    : toTape(
        fitted,
        draws,
        sorted,
        here,
        emitters.map((emitter) => tolerated(state, emitter)),
      ).filter((i) => !cannot.has(i));
  const tape = telling.filter((i) => !emitters[i]!.withoutTape);
  const turned = emitters.map((_, i) => !enough && plan.turns[i] !== here[i]);
  const stuck = !enough && tape.length === 0 && !turned.includes(true) && sorted.idle >= MOST_IDLE;
  const ends = !good && allRead && (stuck || sorted.walks >= LONGEST_WALKS);
  const done = good || ends;
  // What no turn and no reading makes surer: who is likely in tolerance is done, the others are named.
  const left = ends ? open.filter((i) => now.on[i]! < LIKELY) : [];
  const moved = done ? [] : [...Array(n).keys()].filter((i) => turned[i]);
  const visited = turned.map((is, i) => is || tape.includes(i));
  const read = done
    ? []
    : enough
      ? confirm.map((i) => ids[i]!)
      : toRead(plan.chances, visited, sorted, RISK, [...cannot.keys()]).map((i) => ids[i]!);
  return {
    done,
    tape: done ? [] : tape.map((i) => ids[i]!),
    end: done ? (left.length > 0 ? 'as-good-as-it-gets' : 'done') : null,
    left: left.map((i) => ids[i]!),
    untaped: telling.filter((i) => emitters[i]!.withoutTape).map((i) => ids[i]!),
    moves: moved.map((i) => ({
      emitterId: ids[i]!,
      toTurns: plan.turns[i]!,
      expectDropK: finite(plan.chances.mean[i]!, state.targetK),
      uncertaintyK: finite(plan.chances.spread[i]!, state.targetK / 2),
    })),
    waitS: moved.length > 0 ? waitFor(fitted, sorted, plan.turns) : 0,
    read,
    drops: emitters.map(({ id }, i) => {
      const known = !Number.isNaN(sorted.roomC[i]!);
      const cold = known && (here[i]! <= sorted.coldAt[i]! || Number.isNaN(now.mean[i]!));
      if (!known || cold) return { emitterId: id, dropK: null, uncertaintyK: null, state: known ? 'cold' : 'not-read' };
      const dropK = now.mean[i]!;
      return { emitterId: id, dropK, uncertaintyK: Math.max(LEAST_SPREAD_K, now.spread[i]!), state: dropState(state, dropK) };
    }),
    cannot: [...[...cannot].map(([i, why]) => ({ emitterId: ids[i]!, why })), ...messages],
  };
}

const finite = (value: number, otherwise: number) => (Number.isFinite(value) ? value : otherwise);

function dropState({ targetK, toleranceK }: BalanceState, dropK: number): DropState {
  if (Math.abs(dropK - targetK) <= toleranceK) return 'on-target';
  return dropK < targetK ? 'too-small' : 'too-large';
}

function messagesOf({ emitters, swapped, hasty }: Sorted): BalanceAdvice['cannot'] {
  return emitters.flatMap(({ id }, i): BalanceAdvice['cannot'] => [
    ...(swapped[i] ? [{ emitterId: id, why: 'ends-swapped' as const }] : []),
    ...(hasty[i] ? [{ emitterId: id, why: 'not-settled' as const }] : []),
  ]);
}

/** Too large a drop with the valve open: its own way resists far more than ways do, or the house has no more head to give. */
function whyTooLarge({ circuit, row }: FittedCircuit, i: number): CannotWhy {
  const { at, mean, spread } = circuit;
  return (mean[at.body(i)]! - row[at.body(i)]!) / spread[at.body(i)]! > 1.2 ? 'sludged' : 'undersized-pump';
}

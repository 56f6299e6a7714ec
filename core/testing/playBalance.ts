import { normalFrom, seededRandom } from '../ground/random';
import { adviseBalance } from '../method/heating/balance/advise';
import type { BalanceAdvice, BalanceState } from '../method/heating/balance/state';
import type { HeatingHouse } from '../method/simulate/heating/house';
import { coldHeating, flowTails, runHeating, type HeatingState } from '../method/simulate/heating/run';

/** What it takes to walk to an emitter and turn or read it, s. */
const VISIT_S = 30;
const NOISE_K = 0.5;
const MOST_WALKS = 40;

interface Play {
  advice: BalanceAdvice;
  state: BalanceState;
  house: HeatingState;
  walks: number;
  /** Emitters turned or read, counted once a walk. */
  visits: number;
}

/**
 * Does in a simulated house what the adviser says, until it is done: turns, waits, reads with noise and with an offset for
 * each walk.
 *
 * @param turns - how the lockshields stand at first; @param stuck, swapped - ids
 * @param tailShare - what each tail reads off, as a share of its excess (k = 1), until it is taped
 * @param believed - the adviser takes them for right all the same; @param untapeable - ids of those whose tails cannot be taped
 */
export function playBalance(
  house: HeatingHouse,
  turns: readonly number[],
  {
    seed = 1,
    stuck = '',
    swapped = '',
    targetK = 12,
    toleranceK = 2,
    tailShare = 0,
    believed = false,
    untapeable = [] as string[],
  } = {},
): Play {
  const normal = normalFrom(seededRandom(seed));
  let now = runHeating(house, coldHeating(house, turns), 4 * 3600);
  const begun = now.timeS;
  let turnedAt = begun - 3600;
  let exchanged = swapped;
  const state: BalanceState = {
    targetK,
    toleranceK,
    flowSetC: house.source.setC,
    emitters: house.radiators.map(({ id, ratedW, turnsOpen }, i) => ({
      id,
      order: i + 1,
      ratedW: i % 4 === 3 ? null : Math.round(ratedW * (1 + 0.06 * normal())),
      exponent: 1.3,
      turns: turns[i]!,
      turnsOpen,
      sticks: id === stuck,
      tail: tailShare > 0 && !believed ? 'painted' : null,
      tapedWalk: null,
      withoutTape: untapeable.includes(id),
      headOn: false,
    })),
    turned: [],
    readings: [],
  };
  const offTail = house.radiators.map(() => [tailShare * normal(), tailShare * normal()] as const);
  let visits = 0;
  for (let walk = 1; ; walk += 1) {
    const advice = adviseBalance(state);
    if (advice.done || walk > MOST_WALKS) return { advice, state, house: now, walks: walk - 1, visits };
    if (advice.cannot.some(({ emitterId, why }) => why === 'ends-swapped' && emitterId === exchanged)) exchanged = '';
    visits += new Set([...advice.moves.map(({ emitterId }) => emitterId), ...advice.read]).size;
    const at = (id: string) => state.emitters.findIndex((emitter) => emitter.id === id);
    for (const id of advice.tape) Object.assign(state.emitters[at(id)]!, { tail: 'taped', tapedWalk: walk });
    for (const { emitterId, toTurns } of advice.moves) {
      const i = at(emitterId);
      now = runHeating(house, now, VISIT_S);
      state.turned.push({ walk, atS: now.timeS - begun, emitterId, from: now.turns[i]!, to: toTurns });
      now = { ...now, turns: now.turns.map((turn, k) => (k === i ? toTurns : turn)) };
      state.emitters[i]!.turns = toTurns;
      turnedAt = now.timeS;
    }
    now = runHeating(house, now, advice.waitS);
    const offset = normal();
    for (const id of advice.read) {
      const i = at(id);
      now = runHeating(house, now, VISIT_S);
      const { roomC } = house.radiators[i]!;
      const off = state.emitters[i]!.tapedWalk === null ? offTail[i]! : [0, 0];
      const tails = [flowTails(house, now)[i]!, now.returnC[i]!].map(
        (value, end) => value + off[end]! * (value - roomC) + offset + NOISE_K * normal(),
      );
      const [flowC, returnC] = id === exchanged ? [tails[1]!, tails[0]!] : [tails[0]!, tails[1]!];
      state.readings.push({
        walk,
        atS: now.timeS - begun,
        emitterId: id,
        turns: now.turns[i]!,
        flowC,
        returnC,
        roomC,
        settledS: now.timeS - turnedAt,
      });
    }
  }
}

/** Steady drops of a house with the lockshields at these turns, K. */
export function trueDrops(house: HeatingHouse, turns: readonly number[]): number[] {
  const end = runHeating(house, coldHeating(house, turns), 6 * 3600);
  return flowTails(house, end).map((flow, i) => flow - end.returnC[i]!);
}

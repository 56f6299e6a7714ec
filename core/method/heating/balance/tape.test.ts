import { SIGNAL_HOUSE } from '../../simulate/heating/signalHouse';
import { playBalance, trueDrops } from '../../../testing/playBalance';
import { adviseBalance } from './advise';

const START = [4, 0.75, 4, 3.5, 0.375, 4, 1, 4, 3.5, 0];
const BLED = { ...SIGNAL_HOUSE, radiators: SIGNAL_HOUSE.radiators.map((radiator) => ({ ...radiator, air: 0 })) };

describe('tails that read off the mark', () => {
  test.each([1, 2])('are taped, and the drops are truly in tolerance in the end (seed %i)', (seed) => {
    const { advice, house, state } = playBalance(BLED, START, { seed, tailShare: 0.05 });
    expect(advice.done).toBe(true);
    const taped = state.emitters.filter(({ tapedWalk }) => tapedWalk !== null);
    expect(taped.length).toBeGreaterThan(4);
    trueDrops(BLED, house.turns).forEach((drop, i) => {
      if (!advice.left.includes(state.emitters[i]!.id)) expect(Math.abs(drop - 12)).toBeLessThanOrEqual(2);
    });
    // Nobody is asked twice.
    expect(new Set(taped.map(({ id }) => id)).size).toBe(taped.length);
  });

  test('taken for right they would mislead: what is said done is not', () => {
    const { house } = playBalance(BLED, START, { seed: 1, tailShare: 0.05, believed: true });
    const out = trueDrops(BLED, house.turns).filter((drop) => Math.abs(drop - 12) > 2);
    expect(out.length).toBeGreaterThan(0);
  });

  test('that cannot be taped are not asked for; it ends all the same and names them, and taped after all they are asked for', () => {
    const untapeable = BLED.radiators.slice(0, 2).map(({ id }) => id);
    const { advice, state, house } = playBalance(BLED, START, { seed: 2, tailShare: 0.05, untapeable });
    expect(state.emitters.filter(({ tapedWalk }) => tapedWalk !== null).map(({ id }) => id)).not.toEqual(
      expect.arrayContaining([untapeable[0]]),
    );
    expect(advice).toMatchObject({ done: true, end: 'as-good-as-it-gets', tape: [], untaped: untapeable });
    trueDrops(BLED, house.turns).forEach((drop, i) => {
      const { id } = state.emitters[i]!;
      if (!advice.left.includes(id)) expect(Math.abs(drop - 12)).toBeLessThanOrEqual(2);
    });
    const possible = { ...state, emitters: state.emitters.map((one) => ({ ...one, withoutTape: false })) };
    expect(adviseBalance(possible)).toMatchObject({ done: false, end: null, tape: untapeable, untaped: [] });
  });

  test('that are taped already, or read right, are never to be taped', () => {
    const { state } = playBalance(BLED, START, { seed: 3 });
    expect(state.emitters.every(({ tapedWalk }) => tapedWalk === null)).toBe(true);
    const taped = { ...state, emitters: state.emitters.map((one) => ({ ...one, tail: 'taped' as const })) };
    expect(adviseBalance({ ...taped, readings: taped.readings.slice(0, 10) }).tape).toEqual([]);
  });

  test('reading again without a turn ends: then it says who may be out, or that it is done', () => {
    const { state } = playBalance(BLED, START, { seed: 5 });
    // The same walk of readings, again and again, with nothing turned.
    const last = state.readings.at(-1)!;
    const walkOf = (k: number) =>
      state.emitters.map(({ id, turns }, i) => ({
        ...last,
        walk: last.walk + k,
        atS: last.atS + 400 * k + 30 * i,
        emitterId: id,
        turns,
        flowC: 58,
        returnC: 58 - (12 + (i % 2 === 0 ? 1.9 : -1.9)),
        settledS: 900 + 400 * k,
      }));
    const again = { ...state, readings: [...state.readings, ...[1, 2, 3].flatMap(walkOf)] };
    const advice = adviseBalance(again);
    expect(advice.done || advice.moves.length > 0).toBe(true);
    if (advice.done) expect(advice.end === 'as-good-as-it-gets').toBe(advice.left.length > 0);
  });
});

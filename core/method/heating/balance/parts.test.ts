import { SIGNAL_HOUSE } from '../../simulate/heating/signalHouse';
import { playBalance } from '../../../testing/playBalance';
import { chancesAt } from './chances';
import { expectedCircuit, networkOf, tailsOf } from './circuit';
import { drawCircuits, fitCircuit, flowsWith, steadyFrom, steadyOfDraws } from './fit';
import { planWalk, toRead, waitFor } from './plan';
import { isClosed, sortReadings } from './readings';
import type { BalanceState, TailReading } from './state';

const emitter = (id: string, order: number, turns: number, more = {}) => ({
  id,
  order,
  ratedW: 1000,
  exponent: 1.3,
  turns,
  turnsOpen: 4,
  sticks: false,
  tail: null,
  tapedWalk: null,
  withoutTape: false,
  headOn: false,
  ...more,
});
const reading = (
  walk: number,
  atS: number,
  emitterId: string,
  turns: number,
  flowC: number,
  returnC: number,
  settledS = 3600,
): TailReading => ({
  walk,
  atS,
  emitterId,
  turns,
  flowC,
  returnC,
  roomC: 20,
  settledS,
});
const state = (change: Partial<BalanceState>): BalanceState => ({
  targetK: 12,
  toleranceK: 2,
  flowSetC: 60,
  emitters: [emitter('b', 2, 1), emitter('a', 1, 2)],
  turned: [],
  readings: [],
  ...change,
});

describe('sorted readings', () => {
  test('follow the valves: each reading in the state that held when it was taken, emitters in their order', () => {
    const sorted = sortReadings(
      state({
        turned: [{ walk: 2, atS: 100, emitterId: 'a', from: 4, to: 2 }],
        readings: [reading(1, 30, 'a', 4, 59, 55), reading(1, 60, 'b', 1, 58, 46), reading(2, 500, 'a', 2, 59, 48, 400)],
      }),
    );
    expect(sorted.emitters.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(sorted.epochs.map((turns) => [...turns])).toEqual([
      [4, 1],
      [2, 1],
      [2, 1],
    ]);
    expect(sorted.observations.map(({ i, epoch, before, walk }) => [i, epoch, before, walk])).toEqual([
      [0, 0, 0, 0],
      [1, 0, 0, 0],
      [0, 1, 0, 1],
    ]);
    expect(sorted.walks).toBe(2);
  });

  test('a cold emitter beside hot ones gets no water at this opening; warm at a narrower one it was only late', () => {
    const cold = state({ readings: [reading(1, 30, 'a', 2, 59, 47), reading(1, 60, 'b', 1, 22, 21)] });
    expect([...sortReadings(cold).coldAt]).toEqual([-1, 1]);
    expect(sortReadings(cold).observations).toHaveLength(1);
    const late = state({
      turned: [{ walk: 2, atS: 100, emitterId: 'b', from: 1, to: 0.75 }],
      readings: [...cold.readings, reading(2, 500, 'b', 0.75, 58, 40, 400)],
    });
    expect([...sortReadings(late).coldAt]).toEqual([-1, -1]);
    expect(sortReadings(late).warmAt[1]).toBe(0.75);
  });

  test('closed is what stays cold more than a turn open, not what was hardly opened', () => {
    const at = (turns: number) =>
      sortReadings(
        state({
          emitters: [emitter('a', 1, 2), emitter('b', 2, turns)],
          readings: [reading(1, 30, 'a', 2, 59, 47), reading(1, 60, 'b', turns, 21, 20.5)],
        }),
      );
    expect(isClosed(at(0.5), 1)).toBe(false);
    expect(isClosed(at(1.5), 1)).toBe(true);
    expect(isClosed(at(1.5), 0)).toBe(false);
  });

  test('two kelvin the wrong way are exchanged ends, one is noise', () => {
    const sorted = sortReadings(state({ readings: [reading(1, 30, 'a', 2, 47, 59), reading(1, 60, 'b', 1, 57, 58)] }));
    expect(sorted.swapped).toEqual([true, false]);
    expect(sorted.observations.map(({ flowC, returnC }) => [flowC, returnC])).toEqual([
      [59, 47],
      [57, 58],
    ]);
  });
});

describe('what is expected of a circuit', () => {
  const sorted = sortReadings(state({}));
  const circuit = expectedCircuit(state({}), sorted);

  test('a size that nobody knows is that of the others, less surely', () => {
    const unknown = state({ emitters: [emitter('a', 1, 2, { ratedW: 1500 }), emitter('b', 2, 1, { ratedW: null })] });
    const { mean, spread, at } = expectedCircuit(unknown, sortReadings(unknown));
    expect(Math.exp(mean[at.rated(1)]!)).toBeCloseTo(1500, 6);
    expect(spread[at.rated(1)]!).toBeGreaterThan(4 * spread[at.rated(0)]!);
  });

  test('a valve that was cold is dead at least so far', () => {
    const cold = state({ readings: [reading(1, 30, 'a', 2, 59, 47), reading(1, 60, 'b', 0.5, 21, 20.5)] });
    const { mean, at } = expectedCircuit(cold, sortReadings(cold));
    expect(mean[at.dead(1)]!).toBeGreaterThanOrEqual(0.5);
    expect(mean[at.dead(0)]!).toBeCloseTo(0.3, 6);
  });

  test('opening a valve lowers its own resistance alone; a shut one has none to speak of', () => {
    const [shut, open] = [1, 3].map((turns) => networkOf(circuit, circuit.mean, Float64Array.of(turns, 1), [false, false]).own);
    expect(open![0]).toBeLessThan(shut![0]!);
    expect(open![1]).toBe(shut![1]);
    expect(networkOf(circuit, circuit.mean, Float64Array.of(1, 1), [true, false]).own[0]).toBe(Infinity);
  });

  test('tails answer to flow and source as their slopes say', () => {
    const at = (capacity: number, source: number) => tailsOf(circuit, circuit.mean, 0, capacity, source, 20);
    const one = at(40, 60);
    const more = at(40 * 1.001, 60);
    expect((more.flowC - one.flowC) / 0.001).toBeCloseTo(one.flowByCapacity, 2);
    const warmer = at(40, 60.01);
    expect((warmer.flowC - one.flowC) / 0.01).toBeCloseTo(one.flowBySource, 4);
    expect((warmer.dropK - one.dropK) / (warmer.flowC - one.flowC)).toBeCloseTo(one.dropByFlow, 2);
    expect(one.timeConstant).toBeGreaterThan(60);
    expect(at(10, 60).timeConstant).toBeGreaterThan(one.timeConstant);
  });
});

describe('a fit', () => {
  const { state: played, house } = playBalance(SIGNAL_HOUSE, [4, 0.75, 4, 3.5, 0.5, 4, 1, 4, 3.5, 2], { seed: 11 });
  const sorted = sortReadings(played);
  const fitted = fitCircuit(played, sorted);
  const draws = drawCircuits(fitted, 60);
  const here = sorted.epochs.at(-1)!;

  test('answers as the house was read, within its noise', () => {
    const { capacity } = flowsWith(fitted, sorted, here, null);
    const { drops, heated } = steadyFrom(fitted.circuit, fitted.row, sorted, capacity);
    expect([...here]).toEqual(house.turns);
    expect(heated.every(Boolean)).toBe(true);
    const newest = sorted.observations.filter(({ epoch }) => epoch === sorted.epochs.length - 2);
    for (const { i, flowC, returnC } of newest) expect(Math.abs(drops[i]! - (flowC - returnC))).toBeLessThan(3);
    expect(fitted.excess).toBeLessThan(1.6);
  });

  test('drawn circuits lie around it, and are the same each time', () => {
    const of = steadyOfDraws(fitted, draws, sorted, here).map(({ drops }) => drops[0]!);
    const mean = of.reduce((sum, one) => sum + one, 0) / of.length;
    const { drops } = steadyFrom(fitted.circuit, fitted.row, sorted, flowsWith(fitted, sorted, here, null).capacity);
    expect(Math.abs(mean - drops[0]!)).toBeLessThan(0.5);
    expect(Math.max(...of) - Math.min(...of)).toBeGreaterThan(0.5);
    expect(drawCircuits(fitted, 3)).toEqual(draws.slice(0, 3));
  });

  test('in the end everyone is probably on target, and the plan leaves them alone', () => {
    const chances = chancesAt(played, fitted, draws, sorted, here);
    chances.on.forEach((on) => expect(on).toBeGreaterThan(0.7));
    chances.spread.forEach((spread) => expect(spread).toBeLessThan(1.2));
    const plan = planWalk(played, fitted, draws, sorted, here, 0.5);
    expect([...plan.turns].filter((turns, i) => turns !== here[i]).length).toBeLessThanOrEqual(2);
  });

  test('a tighter target moves valves; one that sticks stays', () => {
    const tight = { ...played, targetK: 9, toleranceK: 1 };
    const stuck = { ...sorted, emitters: sorted.emitters.map((one, i) => ({ ...one, sticks: i === 2 })) };
    const plan = planWalk(tight, fitted, draws, stuck, here, 0.04);
    expect(plan.turns[2]).toBe(here[2]);
    // A smaller drop wants more water.
    expect([...plan.turns].filter((turns, i) => turns > here[i]!).length).toBeGreaterThanOrEqual(6);
    expect([...plan.turns].every((turns) => turns * 8 === Math.round(turns * 8))).toBe(true);
  });

  const nobody = Array.from(here, () => false);

  test('who is least sure is read, until the others are sure enough; who was turned always', () => {
    const chances = {
      ...chancesAt(played, fitted, draws, sorted, here),
      on: Float64Array.from(here, (_, i) => (i === 4 ? 0.8 : 0.995)),
    };
    expect(toRead(chances, nobody, sorted, 0.06)).toEqual([4]);
    expect(
      toRead(
        chances,
        Array.from(here, (_, i) => i === 7),
        sorted,
        0.06,
      ),
    ).toEqual([4, 7]);
    expect(toRead(chances, nobody, sorted, 0.06, [4])).toEqual([]);
  });

  test('it waits for the slowest, between four and six minutes, in half minutes', () => {
    const waitS = waitFor(fitted, sorted, here);
    expect(waitS).toBeGreaterThanOrEqual(240);
    expect(waitS).toBeLessThanOrEqual(360);
    expect(waitS % 30).toBe(0);
  });
});

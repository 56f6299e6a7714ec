import fc from 'fast-check';
import type { CoreError } from '../../../ground/errors';
import { normalFrom, seededRandom } from '../../../ground/random';
import type { PipeBuild } from '../pipes';
import { expectedClosed, judgeValve, type ClosedValve } from './closedValve';
import { coolingBehind, pipeThermal, shareAt } from './cooling';
import { closedValvesFrom, valveAnswer } from './document';

const copper: PipeBuild = { material: 'copper', outerMm: 22, wallMm: 0.9, laggingMm: 0 };

const valve = (change: Partial<ClosedValve> = {}): ClosedValve => ({
  build: copper,
  orientation: 'level',
  roomC: 20,
  roomU: 0.3,
  hotC: 58,
  supplyC: 59,
  readings: [],
  ...change,
});

/** What a pipe with this much passing would read at places, with noise. */
function read(of: ClosedValve, litresHour: number, minutes: number, places: readonly number[], seed = 1, loss = 1.1) {
  const cooling = coolingBehind(pipeThermal(of.build), { litresHour, loss, along: 2 }, new Set([minutes]));
  const normal = normalFrom(seededRandom(seed));
  return places.map((m) => ({
    minutes,
    m,
    u: 0.5,
    celsius:
      of.roomC +
      shareAt(cooling.ofStart, minutes, m) * (of.hotC - of.roomC) +
      shareAt(cooling.ofSupply, minutes, m) * (of.supplyC - of.roomC) +
      0.5 * normal(),
  }));
}

describe('a full pipe', () => {
  test('holds the heat of its water and metal: 22 mm copper about 1.5 kJ/K a metre, and loses about 0.7 W/K', () => {
    const { capacity, loss } = pipeThermal(copper);
    // Bore 20.2 mm: 320 mm² of water and 60 mm² of copper.
    expect(capacity).toBeCloseTo(4.1e6 * 320.5e-6 + 3.45e6 * 59.7e-6, -1);
    expect(loss).toBeCloseTo(10.5 * Math.PI * 0.022, 3);
    expect(pipeThermal({ ...copper, laggingMm: 20 }).loss).toBeLessThan(loss / 3);
  });

  test('cools as capacity over loss says where nothing passes, far from the valve', () => {
    const { capacity, loss } = pipeThermal(copper);
    const { ofStart, ofSupply } = coolingBehind(pipeThermal(copper), { litresHour: 0, loss: 1, along: 1 }, new Set([0, 20]));
    expect(shareAt(ofStart, 0, 3)).toBe(1);
    expect(shareAt(ofStart, 20, 4)).toBeCloseTo(Math.exp((-1200 * loss) / capacity), 1);
    expect(shareAt(ofSupply, 20, 4)).toBeLessThan(1e-6);
    // After ten minutes two thirds to nine tenths are still there.
    const ten = coolingBehind(pipeThermal(copper), { litresHour: 0, loss: 1, along: 1 }, new Set([10]));
    expect(shareAt(ten.ofStart, 10, 2)).toBeGreaterThan(0.66);
    expect(shareAt(ten.ofStart, 10, 2)).toBeLessThan(0.9);
  });

  test('ends where flow and loss are in balance: the excess fades over capacity rate by loss', () => {
    const pipe = pipeThermal(copper);
    const { ofStart, ofSupply } = coolingBehind(pipe, { litresHour: 3, loss: 1, along: 1 }, new Set([600]));
    expect(shareAt(ofStart, 600, 1)).toBeLessThan(1e-3);
    const length = ((3 / 3600) * 4100) / pipe.loss;
    const ratio = shareAt(ofSupply, 600, 3) / shareAt(ofSupply, 600, 1);
    expect(ratio).toBeCloseTo(Math.exp(-2 / length), 1);
  });
});

describe('a closed valve', () => {
  test('that is tight is never said to let by for being warm still, and is found tight in the end', () => {
    const early = { ...valve(), readings: read(valve(), 0, 12, [0.5, 1.5, 3]) };
    const first = judgeValve(early);
    expect(first.verdict).toBe('cannot-say');
    expect(first.litresHour).toBeNull();
    expect(first.waitMinutes).toBeGreaterThan(12);
    const again = read(valve(), 0, first.waitMinutes!, [0.5, 1.5, 3], 2);
    const then = judgeValve({ ...early, readings: [...early.readings, ...again] });
    expect(then).toMatchObject({ verdict: 'holds', litresHour: 0, waitMinutes: null, fitsNeither: false });
    expect(then.highLitres).toBeLessThan(1);
  });

  test('that passes is found, and what passes lies in what is stated', () => {
    for (const litres of [1, 4, 12]) {
      const found = judgeValve(valve({ readings: read(valve(), litres, 60, [0.5, 1.5, 3, 4]) }));
      expect(found.verdict).toBe('passes');
      expect(found.lowLitres).toBeLessThanOrEqual(litres);
      expect(found.highLitres).toBeGreaterThanOrEqual(litres);
    }
  });

  test('of twenty tight ones at most one is blamed, of twenty that pass at most one is called tight', () => {
    const verdicts = (litres: number) =>
      Array.from({ length: 20 }, (_, k) => {
        const of = valve({ hotC: 50 + (k % 8), build: { ...copper, laggingMm: k % 3 === 0 ? 13 : 0 } });
        return judgeValve({ ...of, readings: read(of, litres, 60, [0.4, 1, 2.5], k, 0.85 + 0.015 * k) }).verdict;
      });
    expect(verdicts(0).filter((one) => one === 'passes').length).toBeLessThanOrEqual(1);
    expect(verdicts(2).filter((one) => one === 'holds').length).toBeLessThanOrEqual(1);
  });

  test('in a pipe that rises stays warm by itself: what a level one would betray is no proof there', () => {
    const warm = read(valve(), 0.6, 30, [0.3, 0.6]);
    const level = judgeValve(valve({ readings: warm })).passing;
    const rising = judgeValve(valve({ readings: warm, orientation: 'rising' })).passing;
    expect(rising).toBeLessThan(level);
  });

  test('that reads what neither can be is said to be odd', () => {
    const odd = [0.5, 1.5, 3].map((m) => ({ m, minutes: 60, u: 0.3, celsius: 80 }));
    expect(judgeValve(valve({ readings: odd }))).toMatchObject({ verdict: 'cannot-say', fitsNeither: true, waitMinutes: null });
  });

  test('the expected reading of a tight one falls with the minutes and away from the valve', () => {
    const at = (minutes: number, m: number) => expectedClosed(valve(), minutes, m);
    expect(at(0, 1)).toBeCloseTo(58, 6);
    expect(at(20, 1)).toBeLessThan(at(10, 1));
    expect(at(60, 1)).toBeLessThan(at(60, 0.1));
    expect(at(1000, 3)).toBeCloseTo(20, 0);
  });

  test('without readings, or hardly warm, it is refused', () => {
    expect(() => judgeValve(valve())).toThrow(expect.objectContaining({ code: 'bad_input' }));
    expect(() => judgeValve(valve({ hotC: 25, readings: read(valve(), 0, 10, [1]) }))).toThrow(
      expect.objectContaining({ code: 'out_of_range' }),
    );
  });
});

describe('the document', () => {
  const one = {
    id: 'v1',
    kind: 'zone',
    outer_mm: 22,
    wall_mm: 0.9,
    material: 'copper',
    lagging_mm: 0,
    orientation: 'level',
    room_c: 20,
    room_u: 0.3,
    hot_c: 58,
    supply_c: 59,
    readings: [{ minutes: 12, m: 0.5, c: 49.1, u: 0.6 }],
  };

  test('is read into words of our own, and answered in its words', () => {
    expect(closedValvesFrom([one])[0]).toMatchObject({
      build: copper,
      hotC: 58,
      readings: [{ minutes: 12, m: 0.5, celsius: 49.1 }],
    });
    expect(valveAnswer(judgeValve(closedValvesFrom([one])[0]!))).toMatchObject({ verdict: 'cannot-say', litresPerHour: null });
  });

  test.each<[string, unknown, string]>([
    ['no list', one, 'the document: '],
    ['an empty list', [], 'the document: '],
    ['no readings', [{ ...one, readings: [] }], '0.readings: '],
    ['a wall as thick as the pipe', [{ ...one, wall_mm: 11 }], '0.wall_mm: is thicker than the pipe.'],
    ['another material', [{ ...one, material: 'lead' }], '0.material: '],
  ])('%s is refused with its place', (_, document, words) => {
    expect(() => closedValvesFrom(document)).toThrow(expect.objectContaining({ code: 'bad_input' }));
    try {
      closedValvesFrom(document);
    } catch (error) {
      expect((error as CoreError).message).toContain(words);
    }
  });

  test('whatever comes is read or refused', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(one)), fc.jsonValue(), (key, value) => {
        try {
          closedValvesFrom([{ ...one, [key]: value }]);
        } catch (error) {
          expect((error as CoreError).code).toBe('bad_input');
        }
      }),
    );
  });
});

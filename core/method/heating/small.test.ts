import { openingsByOrder, orderOfWarming } from './byOrder';
import { BUILDS, usualOutputW, type EmitterBuild } from './build';
import { FLUSH_STEPS, FLUSH_WORDS, isClear, whatKeeps, type FlushStep } from './flushSteps';
import { flowThatWouldDo, givenAt, heatGiven } from './given';
import { outputW } from './output';
import { SCHOOLS, TARGETS } from './school';

describe('output by size', () => {
  test('plain steel of 0.6 m by 1 m lies where makers have it', () => {
    expect(usualOutputW('single-fins', 1, 0.6)).toBeGreaterThan(850);
    expect(usualOutputW('single-fins', 1, 0.6)).toBeLessThan(1150);
    expect(usualOutputW('double-fins', 1, 0.6)).toBeGreaterThan(1600);
    expect(usualOutputW('double-fins', 1, 0.6)).toBeLessThan(2000);
  });
  test('more panels and fins give more', () => {
    const area = (build: EmitterBuild) => BUILDS[build].wattsPer;
    expect(area('single')).toBeLessThan(area('single-fins'));
    expect(area('double')).toBeLessThan(area('double-one-fins'));
    expect(area('double-one-fins')).toBeLessThan(area('double-fins'));
    expect(area('double-fins')).toBeLessThan(area('triple-fins'));
  });
  test('a baseboard goes by its length, whatever its height', () =>
    expect(usualOutputW('baseboard', 2, 0.15)).toBe(usualOutputW('baseboard', 2, 0.3)));
});

describe('heat given', () => {
  test('at the rated excess it is the rated output', () => {
    // A logarithmic mean of 50 K: 75 °C to 65 °C in 20 °C is 49.83 K.
    const { nowW, litresMin } = heatGiven(1000, 1.3, 75, 65, 20);
    expect(nowW!).toBeCloseTo(outputW(1000, 1.3, 55, 45), 9);
    expect(nowW! / 1000).toBeCloseTo(0.996, 2);
    // 996 W over 10 K are 1.45 litres a minute.
    expect(litresMin!).toBeCloseTo(1.45, 1);
  });
  test('what its water brings is what it gives', () => {
    const { nowW, litresMin } = heatGiven(1200, 1.3, 60, 48, 20);
    expect((litresMin! / 60) * 0.983 * 4186 * 12).toBeCloseTo(nowW!, 6);
    expect(givenAt(1200, 1.3, litresMin!, 60, 20)).toBeCloseTo(nowW!, 4);
  });
  test('hotter water gives more, and none colder than the room', () => {
    expect(givenAt(1200, 1.3, 1, 70, 20)).toBeGreaterThan(givenAt(1200, 1.3, 1, 50, 20));
    expect(givenAt(1200, 1.3, 1, 19, 20)).toBe(0);
  });
  test('ends that are exchanged or cold give nothing to state', () => {
    expect(heatGiven(1200, 1.3, 48, 60, 20)).toEqual({ nowW: null, litresMin: null });
    expect(heatGiven(1200, 1.3, 20, 20, 20)).toEqual({ nowW: null, litresMin: null });
  });
  test('the flow that would do gives just what is needed', () => {
    const flowC = flowThatWouldDo(1500, 1.3, 700, 12, 20)!;
    expect(outputW(1500, 1.3, flowC - 20, flowC - 32)).toBeCloseTo(700, 4);
    expect(flowThatWouldDo(300, 1.3, 900, 12, 20)).toBeNull();
    expect(flowThatWouldDo(1500, 1.3, 300, 12, 20)!).toBeLessThan(flowC);
  });
});

describe('the school without instruments', () => {
  test('the first is opened little, the last fully, in whole eighths', () => {
    const turns = openingsByOrder([4, 4, 4, 4, 4]);
    expect(turns[0]).toBe(1);
    expect(turns.at(-1)).toBe(4);
    turns.slice(1).forEach((one, k) => expect(one).toBeGreaterThan(turns[k]!));
    turns.forEach((one) => expect((8 * one) % 1).toBe(0));
  });
  test('nobody goes beyond a stop, and one alone is opened', () => {
    expect(openingsByOrder([0.5, 3.5])).toEqual([0.5, 3.5]);
    expect(openingsByOrder([4])).toEqual([4]);
    expect(openingsByOrder([])).toEqual([]);
  });
});

describe('order of warming', () => {
  const warmed = [
    { id: 'a', minutes: 3 },
    { id: 'b', minutes: 1 },
    { id: 'c', minutes: 5 },
    { id: 'd', minutes: 25 },
    { id: 'e', minutes: null },
  ];
  test('by their minutes; late is much later than the middle, warm or not', () => {
    const { order, late } = orderOfWarming(warmed, 30);
    expect(order).toEqual(['b', 'a', 'c', 'd']);
    expect(late).toEqual([
      { id: 'd', minutes: 25, laterMin: 20 },
      { id: 'e', minutes: null, laterMin: 25 },
    ]);
  });
  test('who is cold is not late before the others took much less', () =>
    expect(orderOfWarming(warmed.slice(0, 3).concat({ id: 'e', minutes: null }), 6).late).toEqual([]));
  test('nothing warm yet says nothing', () =>
    expect(orderOfWarming([{ id: 'a', minutes: null }], 60)).toEqual({ order: [], late: [] }));
});

describe('the order of a flush', () => {
  const all = new Set<FlushStep>(FLUSH_STEPS);
  const without = (step: FlushStep) => new Set([...all].filter((one) => one !== step));

  test('vents come back before anything heats', () => {
    expect(FLUSH_STEPS.indexOf('vents-back')).toBeLessThan(FLUSH_STEPS.indexOf('heat-on'));
    expect(whatKeeps('heat-on', without('vents-back'), [])).toBe('First: vents and cold feeds open again.');
    expect(whatKeeps('heat-on', all, ['Open vent, loft'])).toContain('Open vent, loft');
    expect(whatKeeps('vents-back', all, ['Cold feed'])).toContain('Nothing heats before that.');
    expect(whatKeeps('heat-on', all, [])).toBeNull();
  });
  test('nothing is capped on a hot system, and the last frames are hot', () => {
    expect(whatKeeps('vents-capped', new Set(), [])).toContain('heating off');
    expect(whatKeeps('frames-after', without('heat-on'), [])).toContain('heat on');
    expect(whatKeeps('cleaner', new Set(), [])).toBeNull();
    // Nothing is struck or opened before it is off, cool and isolated.
    for (const step of ['agitated', 'each-alone', 'both-ways', 'dumped'] as const)
      expect(whatKeeps(step, new Set(['cleaner']), [])).toBe('First: heating off, cool, isolated.');
  });
  test('every step has its words', () =>
    FLUSH_STEPS.forEach((step) => expect(FLUSH_WORDS[step].title.length).toBeGreaterThan(5)));
  test('clear is within a tenth of the mains', () => {
    expect(isClear(330, 300)).toBe(true);
    expect(isClear(331, 300)).toBe(false);
    expect(isClear(null, 300)).toBeNull();
    expect(isClear(300, null)).toBeNull();
  });
});

test('the tolerance of every school is in proportion to its target', () => {
  for (const school of SCHOOLS)
    if (school !== 'own') expect(TARGETS[school].toleranceK / TARGETS[school].targetK).toBeCloseTo(1 / 6, 2);
});

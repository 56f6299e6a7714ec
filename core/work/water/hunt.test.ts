import fc from 'fast-check';
import type { VisitDocument } from '../../model/document';
import { ID, visitDocument } from '../../testing/visit';
import { COVERING_NAMES, forecast, travelTime } from '../../method/water/willShow';
import { HUNT_STEPS, HYPOTHESES, nextStep, OUTCOMES, speaksFor, weighed, type StepsDone } from '../../model/hypotheses';
import { clocksOf, huntOf, intervalOf, noiseOf, seriesChoices } from './huntOf';
import { huntValueSchema } from '../../model/huntRow';
import { COVERING_WORDS, HYPOTHESIS_WORDS, PREDICTS, STEP_WORDS } from './huntWords';

const steps = (done: Record<string, 'yes' | 'no' | 'unclear'>): StepsDone =>
  Object.fromEntries(Object.entries(done).map(([step, outcome]) => [step, { outcome }]));

describe('what it may be', () => {
  test('shares add up to one, whatever was done', () => {
    const outcome = fc.option(fc.constantFrom(...OUTCOMES), { nil: undefined });
    const record = fc.record(Object.fromEntries(HUNT_STEPS.map((step) => [step, outcome])));
    fc.assert(
      fc.property(record, (done) => {
        const given = Object.fromEntries(Object.entries(done).flatMap(([step, one]) => (one ? [[step, { outcome: one }]] : [])));
        const shares = weighed(given as StepsDone);
        expect(shares.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        expect(shares.map(({ hypothesis }) => hypothesis).sort()).toEqual([...HYPOTHESES].sort());
      }),
      { numRuns: 50 },
    );
  });

  test('a meter that runs until the hot side is shut, and a floor that warms, mean the hot side', () => {
    const [first] = weighed(steps({ 'meter-still': 'no', 'meter-hot-off': 'yes', 'warms-hot': 'yes' }));
    expect(first!.hypothesis).toBe('hot-pipe');
    expect(first!.share).toBeGreaterThan(0.9);
  });

  test('a surface below the dew point while the meter stands still means condensation', () => {
    expect(weighed(steps({ 'meter-still': 'yes', 'dew-point': 'yes', 'after-rain': 'no' }))[0]!.hypothesis).toBe('condensation');
  });

  test('wet after rain means rain; an outcome that is unclear moves nothing', () => {
    expect(weighed(steps({ 'after-rain': 'yes' }))[0]!.hypothesis).toBe('rain');
    expect(weighed(steps({ 'after-rain': 'unclear', listen: 'unclear' }))).toEqual(weighed({}));
  });

  test('an outcome speaks for one and against another', () => {
    expect(speaksFor('dew-point', 'yes', 'condensation')).toBeGreaterThan(2);
    expect(speaksFor('dew-point', 'yes', 'heating-pipe')).toBeLessThan(0.5);
    expect(speaksFor('dew-point', 'unclear', 'condensation')).toBe(1);
  });
});

describe('the next step', () => {
  test('is the one that tells most, never one that was done, and none in the end', () => {
    expect(nextStep({})).toBe('meter-still');
    const asked = new Set<string>();
    const done: StepsDone = {};
    for (;;) {
      const step = nextStep(done);
      if (!step) break;
      expect(asked.has(step)).toBe(false);
      asked.add(step);
      done[step] = { outcome: 'no' };
    }
    expect(asked.size).toBe(HUNT_STEPS.length);
  });
});

describe('will it show', () => {
  const usual = { coverMm: 50, covering: 'tile', waterC: 50, floorC: 18, noiseK: 0.06 } as const;

  test('deeper takes longer with the square, a covering adds', () => {
    expect(travelTime(100, 'none') / travelTime(50, 'none')).toBeCloseTo(4, 9);
    const times = COVERING_NAMES.map((covering) => travelTime(50, covering));
    expect(Math.min(...times)).toBe(times[0]);
    expect(travelTime(50, 'timber')).toBeGreaterThan(1.5 * travelTime(50, 'none'));
  });

  test('a usual leak shows within minutes, sooner when it is strong, later when it is weak', () => {
    const { soonest, usual: middle, latest } = forecast(usual).showsAfterMin;
    expect(middle).toBeGreaterThan(3);
    expect(middle).toBeLessThan(40);
    expect(soonest!).toBeLessThan(middle!);
    expect(latest!).toBeGreaterThan(middle!);
  });

  test('contrast grows with time and with the water, and has its sign', () => {
    const warm = forecast(usual).contrasts.map(({ kelvin }) => kelvin);
    expect([...warm].sort((a, b) => a - b)).toEqual(warm);
    const cold = forecast({ ...usual, waterC: 8 });
    expect(cold.driveK).toBe(-10);
    expect(cold.contrasts.at(-1)!.kelvin).toBeCloseTo((-10 / 32) * warm.at(-1)!, 9);
  });

  test('mains as warm as the floor never show', () => {
    expect(forecast({ ...usual, waterC: 18 }).showsAfterMin).toEqual({ soonest: null, usual: null, latest: null });
  });
});

describe('the hunt of a visit', () => {
  test('is there before anything was said, and can be stored as it is', () => {
    const { value, version } = huntOf(visitDocument());
    expect(version).toBe(0);
    expect(huntValueSchema.parse(value)).toEqual(value);
    expect(huntValueSchema.safeParse({ ...value, coverMm: 0 }).success).toBe(false);
    expect(huntValueSchema.safeParse({ ...value, steps: { listen: { outcome: 'maybe', at: 1 } } }).success).toBe(false);
  });

  /** A visit with `n` frames of one place, a minute apart. */
  function withSeries(n: number, change: (document: VisitDocument) => void = () => undefined): VisitDocument {
    const document = visitDocument();
    const { value } = document.rows.frame[ID.frame]!;
    const facts = document.frameFacts[ID.frame]!;
    document.rows.frame = {};
    for (let i = 0; i < n; i += 1) {
      const id = `0192f0a0-0000-7000-8000-0000000001${String(i).padStart(2, '0')}`;
      document.rows.frame[id] = { id, version: 1, value: { ...value, stopKey: 'floor-1' } };
      document.frameFacts[id] = { ...facts, takenAt: new Date(Date.UTC(2026, 1, 2, 10, i)).toISOString() };
    }
    change(document);
    return document;
  }

  test('takes three frames of a stop and more for a series, in the order of time', () => {
    expect(seriesChoices(withSeries(2))).toEqual([]);
    const document = withSeries(4);
    const [one, ...more] = seriesChoices(document);
    expect(more).toEqual([]);
    expect(one!.frameIds).toHaveLength(4);
    const clocks = clocksOf(document, one!.frameIds);
    expect(clocks.map((clock) => clock! - clocks[0]!)).toEqual([0, 60, 120, 180]);
    expect(intervalOf(document, one!.frameIds).value).toBe(120);
  });

  test('frames of another size are no part of it, nor a clock that stands still', () => {
    const mixed = withSeries(4, ({ frameFacts }) => {
      const [first] = Object.keys(frameFacts).filter((id) => id.endsWith('100'));
      frameFacts[first!] = { ...frameFacts[first!]!, width: 80 };
    });
    expect(seriesChoices(mixed)[0]!.frameIds).toHaveLength(3);
    const still = withSeries(3, ({ frameFacts }) => {
      for (const id of Object.keys(frameFacts)) frameFacts[id] = { ...frameFacts[id]!, takenAt: '2026-02-02T10:00:00.000Z' };
    });
    expect(clocksOf(still, seriesChoices(still)[0]!.frameIds)).toEqual([null, null, null]);
  });

  test('knows the noise of the camera, or what is usual', () => {
    expect(noiseOf(visitDocument())).toBe(0.05);
    expect(noiseOf(withSeries(0))).toBe(0.06);
  });
});

test('everything has words', () => {
  for (const hypothesis of HYPOTHESES) expect(HYPOTHESIS_WORDS[hypothesis] && PREDICTS[hypothesis]).toMatch(/\.$/);
  for (const step of HUNT_STEPS) expect(STEP_WORDS[step].ask).toMatch(/\?$/);
  expect(Object.keys(COVERING_WORDS)).toEqual([...COVERING_NAMES]);
});

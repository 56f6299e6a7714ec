import fc from 'fast-check';
import { visitDocument } from '../testing/visit';
import { dryingOf, meterDays } from '../work/water/drying';
import { huntOf } from '../work/water/huntOf';
import { huntValueSchema } from './huntRow';

const value = huntOf(visitDocument()).value;
const holds = (change: object) => huntValueSchema.safeParse({ ...value, ...change }).success;
const ID = '0192f0a0-0000-7000-8000-0000000000f1';
const reading = { id: ID, at: 1, frameId: ID, x: 3, y: 4, value: 48 };

describe('the row of a hunt', () => {
  test('takes timers, prices and readings, and comes back as it was', () => {
    const filled = {
      ...value,
      pricePerM3: 4.2,
      pricePerKwh: 0.11,
      timers: { 'meter-still': 1_700_000_000_000 },
      meter: [reading],
      steps: { listen: { outcome: 'yes', at: 2 } },
    };
    expect(huntValueSchema.parse(filled)).toEqual(filled);
  });

  test('refuses prices below nothing and beyond belief', () => {
    expect(holds({ pricePerM3: -0.1 })).toBe(false);
    expect(holds({ pricePerM3: 1001 })).toBe(false);
    expect(holds({ pricePerKwh: 101 })).toBe(false);
    expect(holds({ pricePerKwh: 0 })).toBe(true);
  });

  test('refuses clocks of steps that are none', () => {
    expect(holds({ timers: { nothing: 1 } })).toBe(false);
    expect(holds({ timers: { listen: 'now' } })).toBe(false);
  });

  test('refuses readings that no meter gives, beside every frame, and too many', () => {
    expect(holds({ meter: [{ ...reading, value: -1 }] })).toBe(false);
    expect(holds({ meter: [{ ...reading, value: 2001 }] })).toBe(false);
    expect(holds({ meter: [{ ...reading, x: -1 }] })).toBe(false);
    expect(holds({ meter: [{ ...reading, frameId: 'none' }] })).toBe(false);
    expect(holds({ meter: Array.from({ length: 401 }, () => reading) })).toBe(false);
    expect(holds({ meter: Array.from({ length: 400 }, () => reading) })).toBe(true);
  });
});

describe('laws', () => {
  test('every reading of a frame is on one day, and means lie between them', () => {
    const readings = fc.array(fc.record({ at: fc.integer({ min: 0, max: 1e9 }), value: fc.integer({ min: 0, max: 2000 }) }), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(readings, (list) => {
        const meter = list.map((one, i) => ({ ...reading, ...one, id: String(i) }));
        const days = meterDays(meter, ID, (at) => String(Math.floor(at / 86_400_000)));
        expect(days.reduce((sum, day) => sum + day.readings.length, 0)).toBe(list.length);
        expect(days.map(({ at }) => at)).toEqual([...days.map(({ at }) => at)].sort((a, b) => a - b));
        for (const { readings: of, mean, highest } of days) {
          expect(mean).toBeLessThanOrEqual(highest);
          expect(mean).toBeGreaterThanOrEqual(Math.min(...of.map((one) => one.value)));
        }
        const drying = dryingOf(days);
        expect(drying === null).toBe(days.length < 2);
        if (drying?.says === 'dries') expect(drying.aDay).toBeLessThan(0);
      }),
    );
  });
});

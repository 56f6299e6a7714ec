import { HOUR_MS } from '../../ground/localClock';
import fc from 'fast-check';
import { inTypedNight, type Night, nightSchema, weatherOfNights } from './typedNights';

const ZONE = 'Europe/London';
const night = (change: Partial<Night> = {}): Night => ({ day: '2027-02-11', lowC: 1, windMs: 2, cloudPct: 0, ...change });
const at = (iso: string) => Date.parse(iso);
const hourOf = (nights: Night[], iso: string) => {
  const { start, hours } = weatherOfNights(nights, ZONE);
  return hours[(at(iso) - start) / HOUR_MS]!;
};

describe('nights that were typed', () => {
  test('are coldest at six, with wind and sky as typed', () => {
    expect(hourOf([night()], '2027-02-12T06:00:00Z')).toMatchObject({ temperatureC: 1, windMs: 2, cloudPct: 0, rainMm: 0 });
    const { hours } = weatherOfNights([night()], ZONE);
    expect(Math.min(...hours.map(({ temperatureC }) => temperatureC))).toBeCloseTo(1, 6);
  });

  test('a clear day is warmer than a covered one by what is assumed', () => {
    expect(hourOf([night()], '2027-02-11T18:00:00Z').temperatureC).toBeCloseTo(1 + 9, 6);
    expect(hourOf([night({ cloudPct: 100 })], '2027-02-11T18:00:00Z').temperatureC).toBeCloseTo(1 + 4, 6);
  });

  test('the days before are as the first, days between as the one before them', () => {
    const two = [night({ day: '2027-02-14', lowC: -3, windMs: 5 }), night()];
    expect(hourOf(two, '2027-02-07T06:00:00Z').temperatureC).toBe(1);
    expect(hourOf(two, '2027-02-13T06:00:00Z')).toMatchObject({ temperatureC: 1, windMs: 2 });
    expect(hourOf(two, '2027-02-15T06:00:00Z')).toMatchObject({ temperatureC: -3, windMs: 5 });
    expect(inTypedNight(two, at('2027-02-12T22:00:00Z'), ZONE)).toBe(false);
    expect(inTypedNight(two, at('2027-02-14T22:00:00Z'), ZONE)).toBe(true);
    expect(inTypedNight(two, at('2027-02-15T10:00:00Z'), ZONE)).toBe(false);
  });

  test('without a night there is no weather', () => {
    expect(weatherOfNights([], ZONE)).toEqual({ start: 0, hours: [], warnings: [] });
  });

  test('a clock that changes within them leaves no hole', () => {
    const { hours } = weatherOfNights([night({ day: '2027-03-27' })], ZONE);
    // Five days before at midnight to the noon after, an hour of which is lost.
    expect(hours).toHaveLength(6 * 24 + 12 - 1);
  });

  test('is never colder than the coldest that was typed', () => {
    const one = fc.record({
      day: fc.integer({ min: 1, max: 28 }).map((day) => `2027-02-${String(day).padStart(2, '0')}`),
      lowC: fc.double({ min: -60, max: 40, noNaN: true }),
      windMs: fc.integer({ min: 0, max: 60 }),
      cloudPct: fc.integer({ min: 0, max: 100 }),
    });
    fc.assert(
      fc.property(fc.uniqueArray(one, { selector: ({ day }) => day, minLength: 1, maxLength: 5 }), (nights) => {
        expect(nights.every((each) => nightSchema.safeParse(each).success)).toBe(true);
        const least = Math.min(...nights.map(({ lowC }) => lowC));
        for (const { temperatureC } of weatherOfNights(nights, ZONE).hours)
          expect(temperatureC).toBeGreaterThanOrEqual(least - 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});

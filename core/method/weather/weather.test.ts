import { HOUR_MS } from '../../ground/localClock';
import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { cutWeather, withoutGaps, type RawHour, type Weather } from './weather';

const raw = (temperatureC: number | null, change: Partial<RawHour> = {}): RawHour => ({
  temperatureC,
  cloudPct: 50,
  windMs: 2,
  rainMm: 0,
  humidityPct: 80,
  snowCm: null,
  windFromDeg: null,
  ...change,
});
const temperatures = ({ hours }: Weather) => hours.map(({ temperatureC }) => temperatureC);

describe('holes', () => {
  test('of one to three hours are straight lines between their neighbours', () => {
    expect(temperatures(withoutGaps(0, [raw(1), raw(null), raw(3)]))).toEqual([1, 2, 3]);
    expect(temperatures(withoutGaps(0, [raw(0), null, null, null, raw(8)]))).toEqual([0, 2, 4, 6, 8]);
  });

  test('are counted in the warning; without any there is none', () => {
    expect(withoutGaps(0, [raw(1), raw(2)]).warnings).toEqual([]);
    expect(withoutGaps(0, [raw(1), raw(null), raw(3)]).warnings[0]!.message).toMatch(/^1 missing value was put/);
    expect(withoutGaps(0, [raw(1), null, raw(3)]).warnings[0]!.message).toMatch(/^5 missing values were put/);
  });

  test('keep what was said of other things', () => {
    const warnings = [{ code: 'no_rain' as const, message: 'dry' }];
    expect(withoutGaps(0, [raw(1), raw(null), raw(3)], warnings).warnings.map(({ code }) => code)).toEqual([
      'no_rain',
      'interpolated',
    ]);
  });

  test.each([
    ['four hours', [raw(1), null, null, null, null, raw(2)], '2027-02-08T01:00'],
    ['at the start', [raw(null), raw(2)], '2027-02-08T00:00'],
    ['at the end', [raw(1), raw(null)], '2027-02-08T01:00'],
  ])('%s are not guessed, and their first hour is named', (_, hours, from) => {
    const error = errorOf(() => withoutGaps(Date.UTC(2027, 1, 8), hours));
    expect(error).toMatchObject({ code: 'malformed', where: { argument: 'temperatureC', value: from } });
  });

  test('lying snow stays until something else is said', () => {
    const { hours } = withoutGaps(0, [raw(1), raw(1, { snowCm: 5 }), raw(1), raw(1, { snowCm: 0 })]);
    expect(hours.map(({ snowCm }) => snowCm)).toEqual([null, 5, 5, 0]);
  });

  test('what was measured is never changed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.integer({ min: -30, max: 30 }), { freq: 3 }), { minLength: 1, maxLength: 40 }),
        (values) => {
          try {
            const filled = temperatures(
              withoutGaps(
                0,
                values.map((value) => raw(value)),
              ),
            );
            values.forEach((value, i) => value !== null && expect(filled[i]).toBe(value));
            const known = values.filter((value): value is number => value !== null);
            for (const value of filled) expect(value >= Math.min(...known) && value <= Math.max(...known)).toBe(true);
          } catch (error) {
            expect(error).toMatchObject({ code: 'malformed' });
          }
        },
      ),
    );
  });
});

describe('a stretch of weather', () => {
  const day = withoutGaps(
    Date.UTC(2027, 1, 8),
    Array.from({ length: 24 }, (_, i) => raw(i)),
  );

  test('holds the hours that begin within it', () => {
    const part = cutWeather(day, day.start + 3 * HOUR_MS, day.start + 6 * HOUR_MS);
    expect(part.start).toBe(day.start + 3 * HOUR_MS);
    expect(temperatures(part)).toEqual([3, 4, 5]);
  });

  test('is shorter where there is no weather, and the whole when nothing is cut', () => {
    expect(temperatures(cutWeather(day, day.start - 5 * HOUR_MS, day.start + 2 * HOUR_MS))).toEqual([0, 1]);
    expect(cutWeather(day, -Infinity, Infinity)).toEqual(day);
    expect(temperatures(cutWeather(day, day.start + 9 * HOUR_MS, day.start + 2 * HOUR_MS))).toEqual([]);
  });
});

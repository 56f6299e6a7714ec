import { HOUR_MS } from '../../ground/localClock';
import fc from 'fast-check';
import { CoreError } from '../../ground/errors';
import { errorOf, februaryWeek } from '../../testing/material';
import { readWeather } from './readWeather';
import { cutWeather } from './weather';

const HEADER = 'time,temperature_c,cloud_percent,wind_m_s,rain_mm,humidity_percent';
const table = (...lines: string[]) => [HEADER, ...lines].join('\n');
const hour = (h: number, rest = '1.5,40,2,0,80') => `2027-02-08T${String(h).padStart(2, '0')}:00:00Z,${rest}`;

describe('hourly tables', () => {
  test('a week is read whole', () => {
    const weather = readWeather(februaryWeek);
    expect(weather).toMatchObject({ format: 'csv', start: Date.UTC(2027, 1, 8), warnings: [] });
    expect(weather.hours).toHaveLength(168);
    expect(weather.hours[0]).toEqual({
      temperatureC: 1.1,
      cloudPct: 46,
      windMs: 2.3,
      rainMm: 0,
      humidityPct: 60,
      snowCm: null,
      windFromDeg: null,
    });
  });

  test('offsets, semicolons with decimal commas, byte order marks, further columns and snow are understood', () => {
    const weather = readWeather(
      `\uFEFF${HEADER.replaceAll(',', ';')};note;snow_cm\r\n2027-02-08T01:00+01:00;−1,5;40;2;0;80;cold;3\r\n2027-02-08T02:00+01:00;-1;40;2;0;80;;\r\n`,
    );
    expect(weather.start).toBe(Date.UTC(2027, 1, 8));
    expect(weather.hours.map(({ temperatureC, snowCm }) => [temperatureC, snowCm])).toEqual([
      [-1.5, 3],
      [-1, 3],
    ]);
  });

  test('clocks that change are no matter when offsets are given', () => {
    const weather = readWeather(
      table('2027-10-31T01:00+01:00,9,40,2,0,80', '2027-10-31T01:00+00:00,8,40,2,0,80', '2027-10-31T02:00+00:00,7,40,2,0,80'),
    );
    expect(weather.hours.map(({ temperatureC }) => temperatureC)).toEqual([9, 8, 7]);
  });

  test('holes of up to three hours are closed in a straight line, and said', () => {
    const weather = readWeather(table(hour(0, '2,40,2,0,80'), hour(4, '6,40,2,0,80')));
    expect(weather.hours.map(({ temperatureC }) => temperatureC)).toEqual([2, 3, 4, 5, 6]);
    expect(weather.warnings).toEqual([{ code: 'interpolated', message: expect.stringContaining('15 missing values') }]);
    const cell = readWeather(table(hour(0, '2,40,2,0,80'), hour(1, ',40,2,0,80'), hour(2, '4,40,2,0,80')));
    expect(cell.hours[1]!.temperatureC).toBe(3);
  });

  test.each([
    ['a longer hole', table(hour(0), hour(5)), 'malformed', undefined],
    ['a hole at the end', table(hour(0), hour(1, '2,40,2,0,')), 'malformed', undefined],
    ['times without zone', table(hour(0), '2027-02-08T01:00:00,1,40,2,0,80'), 'malformed', 3],
    ['a day that does not exist', table('2027-02-30T25:00:00Z,1,40,2,0,80'), 'malformed', 2],
    ['an hour twice', table(hour(0), hour(1), hour(1)), 'malformed', 4],
    ['hours backwards', table(hour(3), hour(1)), 'malformed', 3],
    ['half hours', table(hour(0), '2027-02-08T00:30:00Z,1,40,2,0,80'), 'malformed', 3],
    ['kelvin', table(hour(0), hour(1, '274.2,40,2,0,80')), 'absurd', 3],
    ['cloud in a wrong unit', table(hour(0, '1,400,2,0,80')), 'absurd', 2],
    ['a word', table(hour(0), hour(1, '1,few,2,0,80')), 'not_a_number', 3],
    ['a missing column', 'time,temperature_c,wind_m_s\n2027-02-08T00:00:00Z,1,2', 'malformed', 1],
    ['a header alone', HEADER, 'empty_file', 1],
    ['nothing', '  \n', 'empty_file', undefined],
  ])('%s is refused with its line', (_, text, code, line) => {
    const error = errorOf(() => readWeather(text)) as CoreError;
    expect(error).toBeInstanceOf(CoreError);
    expect(error.code).toBe(code);
    expect(error.where.line).toBe(line);
    expect(error.hint).not.toBe('');
  });

  test('whatever comes ends in weather or a refusal', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.nat(februaryWeek.length), (noise, at) => {
        try {
          const weather = readWeather(februaryWeek.slice(0, at) + noise + februaryWeek.slice(at + noise.length));
          expect(weather.hours.length).toBeGreaterThan(0);
          expect(weather.hours.every((one) => Number.isFinite(one.temperatureC))).toBe(true);
        } catch (error) {
          expect(error).toBeInstanceOf(CoreError);
        }
      }),
      { numRuns: 500 },
    );
  });
});

/** Two days as an EPW year would begin them. */
function epw({ zone = '0.0', year = 2025, rain = '0.0', cut = 0 } = {}): string {
  const head = [
    `LOCATION,Hill Town,-,XX,synthetic,000000,51.2,1.0,${zone},180`,
    ...Array.from({ length: 7 }, (_, i) => `HEAD ${i}`),
  ];
  const hours = Array.from({ length: 48 }, (_, i) => {
    const fields = Array<string>(35).fill('9999');
    fields.splice(0, 6, String(year), '1', String(1 + Math.floor(i / 24)), String((i % 24) + 1), '60', '?9');
    fields[6] = (i / 10).toFixed(1);
    fields[8] = '93';
    fields[21] = '3.8';
    fields[22] = '6';
    fields[30] = '999';
    fields[33] = rain;
    return fields.slice(0, 35 - cut).join(',');
  });
  return [...head, ...hours].join('\r\n');
}

describe('EPW years', () => {
  test('hours begin where their number ends less one, in UTC', () => {
    const weather = readWeather(epw({ zone: '5.5' }));
    expect(weather.format).toBe('epw');
    expect(weather.start).toBe(Date.UTC(2025, 0, 1) - 5.5 * HOUR_MS);
    expect(weather.hours[3]).toEqual({
      temperatureC: 0.3,
      cloudPct: 60,
      windMs: 3.8,
      rainMm: 0,
      humidityPct: 93,
      snowCm: null,
      windFromDeg: null,
    });
  });

  test('a year without rain counts as dry and says so; a leap year without its day moves on', () => {
    const weather = readWeather(epw({ rain: '999', year: 2024 }));
    expect(weather.warnings.map(({ code }) => code)).toEqual(['no_rain']);
    expect(new Date(weather.start).getUTCFullYear()).toBe(2025);
  });

  test.each([
    ['a first line without place', epw({ zone: 'here' }), 'malformed', 1],
    ['lines cut short', epw({ cut: 6 }), 'malformed', 9],
    ['a file cut after its head', epw().split('\r\n').slice(0, 8).join('\n'), 'truncated', 8],
    ['a word in a field', epw().replace(',0.1,9999,93', ',warm,9999,93'), 'not_a_number', 10],
  ])('%s is refused', (_, text, code, line) => {
    expect(errorOf(() => readWeather(text))).toMatchObject({ code, where: { line } });
  });
});

test('a week is cut out of a year; beyond its ends there is nothing', () => {
  const weather = readWeather(februaryWeek);
  const part = cutWeather(weather, weather.start + 166.5 * HOUR_MS, weather.start + 180 * HOUR_MS);
  expect(part.start).toBe(weather.start + 167 * HOUR_MS);
  expect(part.hours).toHaveLength(1);
  expect(cutWeather(weather, weather.start + 500 * HOUR_MS, weather.start + 600 * HOUR_MS).hours).toEqual([]);
});

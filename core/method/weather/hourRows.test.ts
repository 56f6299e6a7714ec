import { HOUR_MS } from '../../ground/localClock';
import { errorOf } from '../../testing/material';
import { onHourlyGrid, requireWeatherRange } from './hourRows';
import { type RawHour } from './weather';

const hour = (temperatureC: number): RawHour => ({
  temperatureC,
  cloudPct: null,
  windMs: null,
  rainMm: null,
  humidityPct: null,
  snowCm: null,
  windFromDeg: null,
});
const START = Date.UTC(2027, 1, 8);
const rows = (...hours: number[]) => hours.map((h, i) => ({ time: START + h * HOUR_MS, line: i + 2, hour: hour(i) }));

test('rows lie on a grid of hours; where there is none the grid is empty', () => {
  const { start, hours } = onHourlyGrid(rows(0, 1, 4));
  expect(start).toBe(START);
  expect(hours.map((one) => one?.temperatureC ?? null)).toEqual([0, 1, null, null, 2]);
});

test('the grid may begin at half past, where clocks do', () => {
  const half = rows(0, 1, 2).map((row) => ({ ...row, time: row.time + HOUR_MS / 2 }));
  expect(onHourlyGrid(half)).toMatchObject({ start: START + HOUR_MS / 2, hours: [{}, {}, {}] });
});

test.each([
  ['twice', [0, 1, 1], 4],
  ['backwards', [0, 2, 1], 4],
  ['between', [0, 0.5], 3],
  ['ten years later', [0, 100_000], 3],
])('an hour that comes %s is refused with its line', (_, hours, line) => {
  expect(errorOf(() => onHourlyGrid(rows(...hours)))).toMatchObject({ code: 'malformed', where: { line } });
});

test('values within their range pass, others are refused with line, column and range', () => {
  expect(requireWeatherRange('cloudPct', 100, { line: 2 }, 'Check.')).toBe(100);
  expect(requireWeatherRange('temperatureC', -90, { line: 2 }, 'Check.')).toBe(-90);
  const error = errorOf(() => requireWeatherRange('windMs', 130, { line: 7, column: 4 }, 'Check the unit.'));
  expect(error).toMatchObject({
    code: 'absurd',
    where: { line: 7, column: 4, argument: 'windMs', range: '0 … 90' },
    hint: 'Check the unit.',
  });
  expect(errorOf(() => requireWeatherRange('rainMm', NaN, { line: 3 }, ''))).toMatchObject({ code: 'absurd' });
});

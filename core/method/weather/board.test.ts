import { februaryWeek } from '../../testing/material';
import { boardCells, boardDays, dayNumber, isoDay, localDayNumber } from './board';
import { hoursPlanSchema } from './plan';
import { readWeather } from './readWeather';
import { scoreHours } from './scoreHours';
import { standInWeather } from './standIn';

const plan = hoursPlanSchema.parse({
  latitude: 51.2,
  longitude: 1,
  timezone: 'Europe/London',
  inside_c: 20,
  facades: [{ azimuth: 180, wall: 'brick' }],
});

test('days are counted by the calendar at the site', () => {
  expect(isoDay(dayNumber('2027-02-11'))).toBe('2027-02-11');
  expect(isoDay(localDayNumber(Date.UTC(2027, 1, 11, 23, 30), 'Europe/Madrid'))).toBe('2027-02-12');
  expect(isoDay(localDayNumber(Date.UTC(2027, 1, 11, 2), 'America/Denver'))).toBe('2027-02-10');
});

test('a week has seven days of eight cells; days beyond the weather are there, empty', () => {
  const { hours } = scoreHours(readWeather(februaryWeek), plan);
  const days = boardDays(hours, dayNumber('2027-02-10'), 'Europe/London');
  expect(days.map((day) => day.hours.length)).toEqual([24, 24, 24, 24, 24, 0, 0]);
  const cells = boardCells(days[0]!, 'Europe/London', ({ inside }) => inside);
  expect(cells).toHaveLength(8);
  const first = hours.slice(48, 51).map(({ inside }) => inside.score);
  expect(cells[0]!.score).toBeCloseTo((first[0]! + first[1]! + first[2]!) / 3, 12);
  expect(boardCells(days[6]!, 'Europe/London', ({ inside }) => inside).every(({ score }) => score === null)).toBe(true);
});

test.each([
  ['2027-03-28', 23],
  ['2027-10-31', 25],
])('on %s the day has %i hours, and every one of them is in a cell', (iso, count) => {
  const { hours } = scoreHours(standInWeather(51.2, 1, Date.parse(`${iso}T00:00Z`) - 3 * 86_400_000, 168), plan);
  const [day] = boardDays(hours, dayNumber(iso), 'Europe/London');
  expect(day!.hours).toHaveLength(count);
  const cells = boardCells(day!, 'Europe/London', ({ inside }) => inside);
  expect(new Set(cells.map(({ from }) => from)).size).toBe(8);
  expect(cells.every(({ score }) => score !== null)).toBe(true);
});

import { HOUR_MS } from '../../ground/localClock';
import { localHours, localHoursOf, momentOf } from '../../ground/localClock';
import type { Score } from './rated';
import type { HourScore } from './scoreHours';

/** Hours that one cell of the board stands for. */
export const CELL_H = 3;
export const CELLS_A_DAY = 24 / CELL_H;
export const BOARD_DAYS = 7;
/** Weather before the first day that walls remember: stone for five days. */
export const LEAD_DAYS = 5;

export interface Cell {
  /** ms since 1970. */
  from: number;
  /** Mean of its hours; null where there is no weather. */
  score: number | null;
}

export interface BoardDay {
  /** Days since 1970 by the site's calendar. */
  day: number;
  start: number;
  /** Its hours that there is weather for: 23 to 25 when whole. */
  hours: HourScore[];
}

/** Days since 1970 of a calendar day, and back. */
export const dayNumber = (iso: string): number => Date.parse(`${iso}T00:00:00Z`) / (24 * HOUR_MS);
export const isoDay = (day: number): string => new Date(day * 24 * HOUR_MS).toISOString().slice(0, 10);

/** The calendar day at a moment. */
export function localDayNumber(time: number, timeZone: string): number {
  return localHours(time, 1, timeZone).day[0]!;
}

/** Hours sorted into the days of a week, by the site's calendar; a day without weather is there without hours. */
export function boardDays(hours: HourScore[], firstDay: number, timeZone: string): BoardDay[] {
  const local = localHoursOf(
    hours.map(({ time }) => time),
    timeZone,
  ).day;
  return Array.from({ length: BOARD_DAYS }, (_, d) => ({
    day: firstDay + d,
    start: momentOf(firstDay + d, 0, timeZone),
    hours: hours.filter((_, i) => local[i] === firstDay + d),
  }));
}

/** One row's cells of a day: which score is asked for decides the row. */
export function boardCells({ day, hours }: BoardDay, timeZone: string, scoreOf: (hour: HourScore) => Score): Cell[] {
  return Array.from({ length: CELLS_A_DAY }, (_, c) => {
    const from = momentOf(day, c * CELL_H, timeZone);
    const to = momentOf(c === CELLS_A_DAY - 1 ? day + 1 : day, ((c + 1) * CELL_H) % 24, timeZone);
    const scores = hours.filter(({ time }) => time >= from && time < to).map((hour) => scoreOf(hour).score);
    return { from, score: scores.length === 0 ? null : scores.reduce((sum, score) => sum + score, 0) / scores.length };
  });
}

import { HOUR_MS } from '../../ground/localClock';
import { CoreError } from '../../ground/errors';
import { WEATHER_RANGES, WORDS, type RawHour } from './weather';

const LONGEST_HOURS = 10 * 8784;

interface RowPlace {
  line: number;
  column?: number;
}

/** A value within what its kind may be at all. @throws CoreError `absurd` with line, column and range */
export function requireWeatherRange(key: keyof RawHour, value: number, place: RowPlace, hint: string): number {
  const [min, max] = WEATHER_RANGES[key];
  if (value >= min && value <= max) return value;
  throw new CoreError(
    'absurd',
    `${WORDS[key]} in line ${place.line} is ${value}, but must lie between ${min} and ${max}.`,
    { ...place, argument: key, value: String(value), range: `${min} … ${max}` },
    hint,
  );
}

/**
 * Lays rows with their times on an hourly grid.
 *
 * @param rows - in the order of the file
 * @returns the first hour and one entry an hour, null where the file has none
 * @throws CoreError `malformed` for times that are not whole hours apart, go backwards or come twice, with the line
 */
export function onHourlyGrid(rows: { time: number; line: number; hour: RawHour }[]): {
  start: number;
  hours: (RawHour | null)[];
} {
  const start = rows[0]!.time;
  const hours: (RawHour | null)[] = [];
  let before = rows[0]!;
  for (const row of rows) {
    const refuse = (what: string, hint: string) =>
      new CoreError('malformed', `Line ${row.line} ${what}.`, { line: row.line, value: new Date(row.time).toISOString() }, hint);
    if ((row.time - start) % HOUR_MS !== 0)
      throw refuse('is not a whole number of hours after the first', 'Bring hourly weather, on the hour.');
    if (row !== before && row.time === before.time)
      throw refuse(
        `has the same hour as line ${before.line}`,
        'Keep one of the two. If the clock was changed there, give times in UTC.',
      );
    if (row.time < before.time) throw refuse(`is earlier than line ${before.line}`, 'Sort the lines by time.');
    const index = (row.time - start) / HOUR_MS;
    if (index >= LONGEST_HOURS)
      throw refuse('is more than ten years after the first', 'Cut the file to the weeks that you need.');
    while (hours.length < index) hours.push(null);
    hours.push(row.hour);
    before = row;
  }
  return { start, hours };
}

import { dayNumber, isoDay } from '@core/method/weather/board';
import { momentOf, offsetReader } from '@core/ground/localClock';

const HOUR_MS = 3_600_000;

/** What a field for day and time shows for a moment, by the clock of a zone: `2027-02-11T18:30`. */
export function clockText(time: number, timeZone: string): string {
  const local = time + offsetReader(timeZone)(time);
  const rest = new Date(local).toISOString();
  return `${isoDay(Math.floor(local / (24 * HOUR_MS)))}T${rest.slice(11, 16)}`;
}

/** The moment that such a field means; null while it is empty or half typed. */
export function clockMoment(text: string, timeZone: string): number | null {
  const parts = /^(\d{4}-\d{2}-\d{2})T(\d{2}):(\d{2})/.exec(text);
  if (!parts || Number.isNaN(dayNumber(parts[1]!))) return null;
  return momentOf(dayNumber(parts[1]!), Number(parts[2]), timeZone) + Number(parts[3]) * 60_000;
}

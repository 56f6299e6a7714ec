export const HOUR_MS = 3_600_000;
const DAY_H = 24;

/** What a clock at the site shows at each of a row of hours. */
export interface LocalHours {
  /** Hour of the day, 0 … 23. */
  hour: Uint8Array;
  /** Days since 1970 by the site's calendar. */
  day: Int32Array;
}

/**
 * Local hours of a row of consecutive hours. Asking the calendar is slow, so it is asked once a day, and hour by hour only
 * on the days on which the clock is changed.
 */
export function localHours(start: number, count: number, timeZone: string): LocalHours {
  const offset = offsetReader(timeZone);
  const hour = new Uint8Array(count);
  const day = new Int32Array(count);
  for (let first = 0; first < count; first += DAY_H) {
    const last = Math.min(count, first + DAY_H);
    const from = offset(start + first * HOUR_MS);
    const steady = from === offset(start + last * HOUR_MS);
    for (let i = first; i < last; i += 1) {
      const utc = start + i * HOUR_MS;
      const local = utc + (steady ? from : offset(utc));
      hour[i] = Math.floor(local / HOUR_MS) - Math.floor(local / (DAY_H * HOUR_MS)) * DAY_H;
      day[i] = Math.floor(local / (DAY_H * HOUR_MS));
    }
  }
  return { hour, day };
}

/** Local hours of rows of hours that may have holes between them, in order. @param times - ms since 1970, rising */
export function localHoursOf(times: readonly number[], timeZone: string): LocalHours {
  const hour = new Uint8Array(times.length);
  const day = new Int32Array(times.length);
  for (let first = 0; first < times.length;) {
    let last = first + 1;
    while (last < times.length && times[last]! - times[last - 1]! === HOUR_MS) last += 1;
    const row = localHours(times[first]!, last - first, timeZone);
    hour.set(row.hour, first);
    day.set(row.day, first);
    first = last;
  }
  return { hour, day };
}

/** Making a format is a hundred times dearer than using it, and a board of hours asks some thousand times. */
const readers = new Map<string, (utc: number) => number>();

/** Milliseconds by which clocks in a zone are ahead of UTC at a moment. */
export function offsetReader(timeZone: string): (utc: number) => number {
  const known = readers.get(timeZone);
  if (known) return known;
  const reader = newOffsetReader(timeZone);
  readers.set(timeZone, reader);
  return reader;
}

function newOffsetReader(timeZone: string): (utc: number) => number {
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
  });
  return (utc) => {
    const part = Object.fromEntries(format.formatToParts(new Date(utc)).map(({ type, value }) => [type, Number(value)]));
    const minute = Math.floor(utc / 60_000) * 60_000;
    return Date.UTC(part.year!, part.month! - 1, part.day, part.hour, part.minute) - minute;
  };
}

/**
 * The moment at which a clock in a zone shows a day and hour; when the clock skips that hour, the moment after the skip,
 * and of an hour that comes twice the first.
 *
 * @param day - days since 1970 by the local calendar
 */
export function momentOf(day: number, hour: number, timeZone: string): number {
  const offset = offsetReader(timeZone);
  const wall = (day * DAY_H + hour) * HOUR_MS;
  const early = wall - offset(wall - DAY_H * HOUR_MS);
  const late = wall - offset(early);
  return late + offset(late) === wall ? late : early;
}

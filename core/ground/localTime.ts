/** What a calendar and a clock on the site's wall show: the one place where moments become words. Times are stored in UTC. */

const STYLES = {
  clock: { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' },
  /** 3 Feb 2026 */
  date: { day: 'numeric', month: 'short', year: 'numeric' },
  /** Tue 3 */
  shortest: { weekday: 'short', day: 'numeric' },
  /** Tue 3 Feb */
  short: { weekday: 'short', day: 'numeric', month: 'short' },
  /** Tuesday 3 February */
  long: { weekday: 'long', day: 'numeric', month: 'long' },
  /** Tuesday */
  weekday: { weekday: 'long' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;

export type DayStyle = Exclude<keyof typeof STYLES, 'clock'>;

/** A moment: milliseconds since 1970, or ISO text with its zone. */
type Moment = number | string;

/** Making a format is a hundred times dearer than using it. */
const formats = new Map<string, Intl.DateTimeFormat>();

function write(at: Moment, timeZone: string, style: keyof typeof STYLES): string {
  const key = `${style} ${timeZone}`;
  let format = formats.get(key);
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', { timeZone, ...STYLES[style] });
    formats.set(key, format);
  }
  return format.format(new Date(at));
}

/** @throws RangeError for a zone that is none, or no moment */
export function localTime(at: Moment, timeZone: string): string {
  return write(at, timeZone, 'clock');
}

/** @throws RangeError for a zone that is none, or no moment */
export function localDay(at: Moment, timeZone: string, style: DayStyle = 'date'): string {
  return write(at, timeZone, style);
}

import Papa from 'papaparse';
import { CoreError } from '../../ground/errors';
import { momentOf as momentOfHour } from '../../ground/localClock';
import { type LogEntry, MAX_LOG_ENTRIES, logEntrySchema } from '../../model/logRow';

/** What a column of a logger's file holds, by words in its head. */
const COLUMNS: [RegExp, 'time' | keyof Omit<LogEntry, 'at'>][] = [
  [/time|date|zeit|hora|heure/i, 'time'],
  [/humid|rh\b|%/i, 'humidityPct'],
  [/out|ext|aussen|außen/i, 'outsideC'],
  [/in\b|inside|indoor|room|temp|air|°c|celsius/i, 'insideC'],
];

export interface LoggerOptions {
  /** IANA zone of times that name none. */
  timeZone: string;
  /** Readings outside of it are of no use, ms since 1970. */
  from: number;
  to: number;
}

export interface LoggerFile {
  entries: LogEntry[];
  /** Readings before or after the visit, left out. */
  outside: number;
}

function problem(line: number, message: string, hint: string): CoreError {
  return new CoreError('malformed', `Line ${line}: ${message}`, { line }, hint);
}

/** A moment from `2026-02-11 19:20[:30]`, `11.02.2026 19:20`, `11/02/2026 19:20`, or with a zone as ISO 8601 has it. */
function momentOf(text: string, timeZone: string, line: number): number {
  const iso = /^(\d{4})-(\d{2})-(\d{2})[T ](\d{1,2}):(\d{2})(?::(\d{2})(?:\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})?$/.exec(text);
  const european = /^(\d{1,2})[./](\d{1,2})[./](\d{4})[ ,T]+(\d{1,2}):(\d{2})(?::(\d{2}))?$/.exec(text);
  if (iso?.[7]) {
    const moment = Date.parse(text.replace(' ', 'T').replace(/([+-]\d{2})(\d{2})$/, '$1:$2'));
    if (Number.isFinite(moment)) return moment;
  }
  const parts = iso ?? (european && [european[0], european[3], european[2], european[1], european[4], european[5], european[6]]);
  if (!parts)
    throw problem(line, `“${text.slice(0, 40)}” is not a time.`, 'Export times as 2026-02-11 19:20, with or without a zone.');
  const [year, month, day, hour, minute, second] = parts.slice(1, 7).map((part) => Number(part ?? 0)) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const midnight = Date.UTC(year, month - 1, day);
  if (new Date(midnight).getUTCDate() !== day || month > 12 || hour > 23 || minute > 59)
    throw problem(
      line,
      `“${text.slice(0, 40)}” is not in the calendar.`,
      'Export times as 2026-02-11 19:20, with or without a zone.',
    );
  return momentOfHour(midnight / 86_400_000, hour, timeZone) + (minute * 60 + second) * 1000;
}

function numberOf(text: string | undefined): number | null {
  const plain = (text ?? '')
    .trim()
    .replace(',', '.')
    .replace(/\s*(°?C|%)$/, '');
  return plain === '' || !Number.isFinite(Number(plain)) ? null : Number(plain);
}

/**
 * Reads a logger's CSV: a head line with a time and at least one of air inside, air outside, humidity; comma, semicolon or
 * tab. Times without a zone are local time at the site.
 *
 * @throws CoreError `malformed` with its line, `too_large`, `out_of_range` when no reading lies within the visit; it says by
 * how many hours the file seems to be off when another zone would explain that
 */
export function readLogger(text: string, { timeZone, from, to }: LoggerOptions): LoggerFile {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: true });
  const head = data[0] ?? [];
  const places = new Map<string, number>();
  for (const [i, cell] of head.entries()) {
    const name = COLUMNS.find(([words, one]) => words.test(cell) && !places.has(one))?.[1];
    if (name) places.set(name, i);
  }
  if (!places.has('time') || places.size < 2)
    throw problem(
      1,
      'the head names no time, or nothing that was measured.',
      'The first line must name the columns, such as time, inside, outside, humidity.',
    );
  if (data.length - 1 > 20 * MAX_LOG_ENTRIES)
    throw new CoreError('too_large', `The file has ${data.length - 1} readings.`, {}, 'Export the hours of the visit only.');
  const all = data.slice(1).map((cells, i) => {
    const value = (name: string) => (places.has(name) ? numberOf(cells[places.get(name)!]) : null);
    const entry = {
      at: momentOf((cells[places.get('time')!] ?? '').trim(), timeZone, i + 2),
      insideC: value('insideC'),
      outsideC: value('outsideC'),
      humidityPct: value('humidityPct'),
    };
    const checked = logEntrySchema.safeParse(entry);
    if (!checked.success) {
      const issue = checked.error.issues[0]!;
      throw problem(i + 2, `${String(issue.path[0])} ${issue.message}.`, 'Correct the value, or leave the cell empty.');
    }
    return checked.data;
  });
  const entries = all.filter(({ at }) => at >= from && at <= to);
  if (entries.length === 0) throw nothingWithin(all, from, to);
  if (entries.length > MAX_LOG_ENTRIES)
    throw new CoreError(
      'too_large',
      `${entries.length} readings lie within the visit; ${MAX_LOG_ENTRIES} are kept.`,
      {},
      'Export one reading a minute.',
    );
  return { entries, outside: all.length - entries.length };
}

function nothingWithin(all: LogEntry[], from: number, to: number): CoreError {
  const hours = [...Array(27).keys()]
    .map((i) => i - 13)
    .sort((a, b) => Math.abs(a) - Math.abs(b))
    .find((shift) => shift !== 0 && all.some(({ at }) => at + shift * 3_600_000 >= from && at + shift * 3_600_000 <= to));
  return new CoreError(
    'out_of_range',
    hours === undefined
      ? 'None of the readings lies within the hours of the visit.'
      : `None of the readings lies within the hours of the visit; they would if the logger's clock were ${Math.abs(hours)} h ${hours > 0 ? 'behind' : 'ahead'}.`,
    {},
    hours === undefined
      ? 'Choose the file of the right day.'
      : 'Is the logger in another time zone? Export its times with their zone, or in UTC.',
  );
}

import Papa from 'papaparse';
import { CoreError } from '../../ground/errors';
import { weatherLines } from './lines';
import { onHourlyGrid, requireWeatherRange } from './hourRows';
import { EMPTY, withoutGaps, type RawHour, type Weather } from './weather';

/** Columns by name; the unit is part of the name, so that it cannot be mistaken. */
const COLUMNS: Record<string, keyof RawHour> = {
  temperature_c: 'temperatureC',
  cloud_percent: 'cloudPct',
  wind_m_s: 'windMs',
  rain_mm: 'rainMm',
  humidity_percent: 'humidityPct',
  snow_cm: 'snowCm',
  wind_from_deg: 'windFromDeg',
};
const OPTIONAL = ['snow_cm', 'wind_from_deg'];
const EXPECTED = `time,${Object.keys(COLUMNS)
  .filter((name) => !OPTIONAL.includes(name))
  .join(',')}`;
/** A time with its zone: `Z` or an offset. */
const TIME = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}(:\d{2}(\.\d+)?)?\s*(Z|[+-]\d{2}:?\d{2})$/;

/**
 * Reads an hourly table with a header line; further columns are left alone.
 *
 * @throws CoreError `malformed` (columns, times without zone, twice, backwards, long holes), `not_a_number`, `absurd`
 *   (a wrong unit, most likely), each with its line
 */
export function readWeatherCsv(text: string): Weather {
  const [first = '', ...lines] = weatherLines(text);
  // Line by line: a cell never goes over several, and a quote without its end then costs its line and no more.
  const { data, meta } = Papa.parse<string[]>(first);
  const header = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const columns = columnsOf(header);
  const decimalComma = !first.includes(',');
  const rows: { time: number; line: number; hour: RawHour }[] = [];
  lines.forEach((text, i) => {
    const cells = Papa.parse<string[]>(text, { delimiter: meta.delimiter }).data[0] ?? [];
    const line = i + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const hour: RawHour = { ...EMPTY };
    for (const [key, column] of columns.values) {
      const cell = (cells[column] ?? '').trim();
      if (cell !== '') hour[key] = cellValue(key, decimalComma ? cell.replace(',', '.') : cell, { line, column: column + 1 });
    }
    rows.push({ time: timeOf((cells[columns.time] ?? '').trim(), line), line, hour });
  });
  if (rows.length === 0)
    throw new CoreError(
      'empty_file',
      'There is no hour below the header line.',
      { line: 1 },
      `Expected lines under ${EXPECTED}.`,
    );
  const { start, hours } = onHourlyGrid(rows);
  return withoutGaps(start, hours);
}

function columnsOf(header: string[]): { time: number; values: [keyof RawHour, number][] } {
  const missing = ['time', ...Object.keys(COLUMNS).filter((name) => !OPTIONAL.includes(name))].filter(
    (name) => !header.includes(name),
  );
  if (missing.length > 0) {
    throw new CoreError(
      'malformed',
      `The first line has no column ${missing.join(', ')}.`,
      { line: 1, value: header.join(',').slice(0, 120) },
      `Name the columns ${EXPECTED}: °C, %, m/s, mm in the hour, %. snow_cm and wind_from_deg may be added.`,
    );
  }
  return {
    time: header.indexOf('time'),
    values: Object.entries(COLUMNS)
      .map(([name, key]): [keyof RawHour, number] => [key, header.indexOf(name)])
      .filter(([, index]) => index >= 0),
  };
}

function cellValue(key: keyof RawHour, cell: string, place: { line: number; column: number }): number {
  const value = Number(cell.replace('−', '-'));
  if (!Number.isFinite(value)) {
    throw new CoreError(
      'not_a_number',
      `Line ${place.line}, column ${place.column} holds ${JSON.stringify(cell.slice(0, 40))}, which is no number.`,
      { ...place, value: cell.slice(0, 40) },
      'Write a number, or leave the cell empty where nothing was measured.',
    );
  }
  const kelvin = key === 'temperatureC' && value > 180 ? 'That looks like kelvin. ' : '';
  return requireWeatherRange(key, value, place, `${kelvin}Check the unit of the column.`);
}

function timeOf(cell: string, line: number): number {
  if (!TIME.test(cell)) {
    const zoneless = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}/.test(cell);
    throw new CoreError(
      'malformed',
      `The time in line ${line}, ${JSON.stringify(cell.slice(0, 40))}, ${zoneless ? 'does not say its zone' : 'is not understood'}.`,
      { line, value: cell.slice(0, 40) },
      'Write times like 2027-02-11T20:00:00Z or 2027-02-11T21:00+01:00.',
    );
  }
  const time = Date.parse(cell.replace(' ', 'T').replace(/\s+/g, ''));
  if (Number.isNaN(time))
    throw new CoreError(
      'malformed',
      `There is no such time as ${cell} (line ${line}).`,
      { line, value: cell },
      'Correct the time.',
    );
  return time;
}

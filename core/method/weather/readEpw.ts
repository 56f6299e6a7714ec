import { HOUR_MS } from '../../ground/localClock';
import { CoreError } from '../../ground/errors';
import { weatherLines } from './lines';
import { onHourlyGrid, requireWeatherRange } from './hourRows';
import { withoutGaps, type RawHour, type Weather, type WeatherWarning } from './weather';

const HEADER_LINES = 8;
const FIELDS = {
  year: 0,
  month: 1,
  day: 2,
  hour: 3,
  temperature: 6,
  humidity: 8,
  windFrom: 20,
  wind: 21,
  cloud: 22,
  snow: 30,
  rain: 33,
};

export interface EpwPlace {
  name: string;
  latitude: number;
  longitude: number;
}

/**
 * Reads a weather year in the EPW format. Its hours are local standard time, numbered by their end (1 is midnight to one
 * o'clock); they are given here by their start, in UTC. Months of different years are put into one year.
 *
 * Read are dry bulb, humidity, wind and its direction, total sky cover (tenths), snow depth and liquid precipitation; a year without
 * precipitation counts as dry, with a warning. Radiation is not read: it is reckoned from the cloud, as for a forecast.
 *
 * @throws CoreError `malformed`, `not_a_number`, `absurd`, each with its line
 */
export function readEpw(text: string): Weather & { place: EpwPlace } {
  const lines = weatherLines(text);
  const { place, zoneHours } = locationOf(lines[0]!);
  const rows: { time: number; line: number; hour: RawHour }[] = [];
  const year = singleYear(lines);
  let dry = true;
  for (let i = HEADER_LINES; i < lines.length; i += 1) {
    if (lines[i]!.trim() === '') continue;
    const line = i + 1;
    const cells = lines[i]!.split(',');
    if (cells.length < 32)
      throw new CoreError(
        'malformed',
        `Line ${line} has ${cells.length} fields; an hour has at least 32.`,
        { line },
        'The file may be cut short; fetch it again.',
      );
    const field = (name: keyof typeof FIELDS, missing: number): number | null => {
      const text = cells[FIELDS[name]]?.trim() ?? '';
      if (text === '') return null;
      const value = Number(text);
      if (!Number.isFinite(value))
        throw new CoreError(
          'not_a_number',
          `Line ${line}, field ${FIELDS[name] + 1} (${name}) holds ${JSON.stringify(text.slice(0, 40))}, which is no number.`,
          { line, column: FIELDS[name] + 1 },
          'Correct the field.',
        );
      return value >= missing ? null : value;
    };
    const ranged = (key: keyof RawHour, value: number | null): number | null =>
      value === null ? null : requireWeatherRange(key, value, { line }, 'The fields may be out of order.');
    const cloud = field('cloud', 99);
    const rain = field('rain', 999);
    dry &&= rain === null;
    const month = field('month', 99);
    const day = field('day', 99);
    const hour = field('hour', 99);
    if (month === null || day === null || hour === null || hour < 1 || hour > 24)
      throw new CoreError(
        'malformed',
        `Line ${line} does not begin with year, month, day and an hour from 1 to 24.`,
        { line },
        'The file may be damaged.',
      );
    rows.push({
      time: Date.UTC(year, month - 1, day, hour - 1) - zoneHours * HOUR_MS,
      line,
      hour: {
        temperatureC: ranged('temperatureC', field('temperature', 99.9)),
        cloudPct: ranged('cloudPct', cloud === null ? null : cloud * 10),
        windMs: ranged('windMs', field('wind', 999)),
        rainMm: ranged('rainMm', rain),
        humidityPct: ranged('humidityPct', field('humidity', 999)),
        snowCm: ranged('snowCm', field('snow', 999)),
        windFromDeg: ranged('windFromDeg', field('windFrom', 999)),
      },
    });
  }
  if (rows.length === 0)
    throw new CoreError('truncated', 'The file ends before its first hour.', { line: lines.length }, 'Fetch the file again.');
  const { start, hours } = onHourlyGrid(rows);
  if (dry) for (const hour of hours) if (hour) hour.rainMm = 0;
  const warnings: WeatherWarning[] = dry
    ? [{ code: 'no_rain', message: 'The year does not say its rain: every hour counts as dry.' }]
    : [];
  return { ...withoutGaps(start, hours, warnings), place };
}

function locationOf(line: string): { place: EpwPlace; zoneHours: number } {
  const cells = line.split(',').map((cell) => cell.trim());
  const [latitude, longitude, zoneHours] = [cells[6], cells[7], cells[8]].map(Number) as [number, number, number];
  const possible =
    Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 && Math.abs(zoneHours) <= 14 && Number.isInteger(zoneHours * 4);
  if (!possible)
    throw new CoreError(
      'malformed',
      'The first line does not hold a latitude, a longitude and a time zone.',
      { line: 1, value: line.slice(0, 120) },
      'Expected LOCATION,city,region,country,source,number,latitude,longitude,zone in hours,elevation.',
    );
  return { place: { name: cells[1] ?? '', latitude, longitude }, zoneHours };
}

/** A typical year is put together from months of many years; the first one's year stands for all, so long as its days fit. */
function singleYear(lines: string[]): number {
  const first = Number(lines[HEADER_LINES]?.split(',')[FIELDS.year]);
  const year = Number.isInteger(first) && first > 1900 && first < 2200 ? first : 2001;
  const leap = new Date(Date.UTC(year, 1, 29)).getUTCMonth() === 1;
  const hasLeapDay = lines.some((line, i) => i >= HEADER_LINES && /^\d+,\s*2,\s*29,/.test(line));
  return leap && !hasLeapDay ? year + 1 : year;
}

import { HOUR_MS } from '../../ground/localClock';
import * as z from 'zod';
import { CoreError } from '../../ground/errors';

/** One hour of weather, from its full hour on. */
export interface WeatherHour {
  temperatureC: number;
  cloudPct: number;
  windMs: number;
  /** Rain, or snow as water, within the hour. */
  rainMm: number;
  humidityPct: number;
  /** Snow that lies, cm; null when nobody says. */
  snowCm: number | null;
  /** Where the wind comes from, degrees from north; null when nobody says. */
  windFromDeg: number | null;
}

export interface WeatherWarning {
  code: 'interpolated' | 'no_rain';
  message: string;
}

/** Hours without a hole, in order. */
export interface Weather {
  /** Milliseconds since 1970, UTC, of the first hour; a full hour somewhere, half past in a few countries. */
  start: number;
  hours: WeatherHour[];
  warnings: WeatherWarning[];
}

/** Weather as it goes over the wire. */
export const weatherSchema = z.object({
  start: z.number(),
  hours: z.array(
    z.object({
      temperatureC: z.number(),
      cloudPct: z.number(),
      windMs: z.number(),
      rainMm: z.number(),
      humidityPct: z.number(),
      snowCm: z.number().nullable(),
      windFromDeg: z.number().nullable(),
    }),
  ),
  warnings: z.array(z.object({ code: z.enum(['interpolated', 'no_rain']), message: z.string() })),
});

/** What a reader found: any value may be missing. */
export type RawHour = { [K in keyof WeatherHour]: number | null };

/** What a value may be at all; beyond it the column or its unit is wrong. */
export const WEATHER_RANGES: Record<keyof WeatherHour, [number, number]> = {
  temperatureC: [-90, 60],
  cloudPct: [0, 100],
  windMs: [0, 90],
  rainMm: [0, 300],
  humidityPct: [0, 110],
  snowCm: [0, 1500],
  windFromDeg: [0, 360],
};

const KEYS = ['temperatureC', 'cloudPct', 'windMs', 'rainMm', 'humidityPct'] as const;
/** A longer hole is not guessed. */
const LONGEST_GAP_H = 3;

/**
 * Closes holes of up to three hours by straight lines between their neighbours, and says so; snow is kept as it was.
 *
 * @param raw - by hour from `start`; a missing hour is null
 * @throws CoreError `malformed` for a longer hole, or one at the start or the end, naming its first hour
 */
export function withoutGaps(start: number, raw: (RawHour | null)[], warnings: WeatherWarning[] = []): Weather {
  const hours = raw.map((hour) => ({ ...EMPTY, ...hour })) as RawHour[];
  let filled = 0;
  for (const key of KEYS) {
    for (let i = 0; i < hours.length; i += 1) {
      if (hours[i]![key] !== null) continue;
      let end = i;
      while (end < hours.length && hours[end]![key] === null) end += 1;
      const before = hours[i - 1]?.[key];
      const after = hours[end]?.[key];
      if (end - i > LONGEST_GAP_H || before === undefined || after === undefined) throw gap(key, start, i, end);
      for (let k = i; k < end; k += 1) hours[k]![key] = before! + ((after! - before!) * (k - i + 1)) / (end - i + 1);
      filled += end - i;
      i = end;
    }
  }
  for (let i = 1; i < hours.length; i += 1) hours[i]!.snowCm ??= hours[i - 1]!.snowCm;
  if (filled > 0) {
    const message = `${filled} missing ${filled === 1 ? 'value was' : 'values were'} put between their neighbours (holes of up to ${LONGEST_GAP_H} h).`;
    warnings = [...warnings, { code: 'interpolated', message }];
  }
  return { start, hours: hours as WeatherHour[], warnings };
}

/** An hour of which nothing is known. */
export const EMPTY: RawHour = {
  temperatureC: null,
  cloudPct: null,
  windMs: null,
  rainMm: null,
  humidityPct: null,
  snowCm: null,
  windFromDeg: null,
};

function gap(key: keyof WeatherHour, start: number, from: number, to: number): CoreError {
  const hour = (i: number) => new Date(start + i * HOUR_MS).toISOString().slice(0, 16);
  const length = `${to - from} ${to - from === 1 ? 'hour' : 'hours'}`;
  return new CoreError(
    'malformed',
    `${WORDS[key]} is missing for ${length} from ${hour(from)} UTC; holes of up to ${LONGEST_GAP_H} h inside the file are closed, this one is not.`,
    { argument: key, value: hour(from) },
    'Bring a file without the hole, or cut the file at it.',
  );
}

export const WORDS: Record<keyof WeatherHour, string> = {
  temperatureC: 'The temperature',
  cloudPct: 'The cloud cover',
  windMs: 'The wind',
  rainMm: 'The rain',
  humidityPct: 'The humidity',
  snowCm: 'The snow',
  windFromDeg: 'The direction of the wind',
};

/** A part of a weather series; hours beyond its ends are left out, so the result may be shorter. */
export function cutWeather(weather: Weather, from: number, to: number): Weather {
  const first = Math.max(0, Math.ceil((from - weather.start) / HOUR_MS));
  const last = Math.min(weather.hours.length, Math.ceil((to - weather.start) / HOUR_MS));
  return {
    start: weather.start + first * HOUR_MS,
    hours: weather.hours.slice(first, Math.max(first, last)),
    warnings: weather.warnings,
  };
}

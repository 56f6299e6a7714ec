import { HOUR_MS } from '../../ground/localClock';
import * as z from 'zod';
import { daySchema } from '../../ground/fields';
import { LEAD_DAYS, dayNumber } from './board';
import { momentOf } from '../../ground/localClock';
import { type Weather, type WeatherHour } from './weather';

/** What a person reads off any forecast for one night: three numbers. */
export const nightSchema = z.object({
  /** The evening's day, by the site's calendar. */
  day: daySchema,
  lowC: z.number().min(-60, 'must be at least −60 °C').max(40, 'must not exceed 40 °C'),
  windMs: z.number().min(0, 'must be at least 0').max(60, 'must not exceed 60 m/s'),
  cloudPct: z.number().min(0, 'must be at least 0 %').max(100, 'must not exceed 100 %'),
});
export type Night = z.infer<typeof nightSchema>;

/** What is not among the three numbers is assumed: how much warmer the day is under clear and under covered sky, K. */
const SWING_CLEAR_K = 9;
const SWING_COVERED_K = 4;
/** Too dry for dew, which three numbers do not tell. */
const HUMIDITY_PCT = 65;
/** A night counts from its evening to the next forenoon, by the local clock. */
const FROM_H = 16;
const TO_H = 10;
/** The coldest hour, by the local clock. */
const COLDEST_H = 6;

/** What of typed nights nobody typed, for people. */
export const NIGHTS_ASSUME = `assumed: days ${SWING_COVERED_K} to ${SWING_CLEAR_K} K warmer, no rain, no dew, the days before like the first`;

/**
 * Weather of typed nights, hour by hour: coldest at six, wind and sky as typed, days warmer by what the sky lets through. Days
 * without a night of their own are as the last one before them; the days before the first as the first, so that walls are in balance with it.
 *
 * @param nights - one for each day at most, in any order
 * @returns hours from five days before the first evening to the noon after the last; none without nights
 */
export function weatherOfNights(nights: readonly Night[], timeZone: string): Weather {
  const sorted = nights.toSorted((a, b) => dayNumber(a.day) - dayNumber(b.day));
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last) return { start: 0, hours: [], warnings: [] };
  const start = momentOf(dayNumber(first.day) - LEAD_DAYS, 0, timeZone);
  const end = momentOf(dayNumber(last.day) + 1, 12, timeZone);
  const count = Math.max(0, Math.floor((end - start) / HOUR_MS));
  return {
    start,
    hours: Array.from({ length: count }, (_, i) => hourAt(sorted, start + i * HOUR_MS, timeZone)),
    warnings: [{ code: 'no_rain', message: 'Rain and dew are not judged.' }],
  };
}

/** Whether an hour lies in a night that was typed. */
export function inTypedNight(nights: readonly Night[], time: number, timeZone: string): boolean {
  return nights.some(({ day }) => {
    const evening = dayNumber(day);
    return time >= momentOf(evening, FROM_H, timeZone) && time < momentOf(evening + 1, TO_H, timeZone);
  });
}

function hourAt(sorted: readonly Night[], time: number, timeZone: string): WeatherHour {
  // A night begins at noon: before it the night before still holds.
  const night = sorted.findLast(({ day }) => momentOf(dayNumber(day), 12, timeZone) <= time) ?? sorted[0]!;
  const noon = momentOf(dayNumber(night.day), 12, timeZone);
  const sinceColdest = (time - noon) / HOUR_MS - (24 - 12 + COLDEST_H);
  const swing = SWING_CLEAR_K + ((SWING_COVERED_K - SWING_CLEAR_K) * night.cloudPct) / 100;
  const warmer = (swing * (1 - Math.cos((2 * Math.PI * sinceColdest) / 24))) / 2;
  return {
    temperatureC: night.lowC + warmer,
    cloudPct: night.cloudPct,
    windMs: night.windMs,
    rainMm: 0,
    humidityPct: HUMIDITY_PCT,
    snowCm: null,
    windFromDeg: null,
  };
}

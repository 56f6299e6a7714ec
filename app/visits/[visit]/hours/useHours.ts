'use client';

import { useMemo } from 'react';
import { bestSlots, type Slot } from '@core/method/weather/bestSlots';
import { BOARD_DAYS, boardDays, dayNumber, LEAD_DAYS, localDayNumber, type BoardDay } from '@core/method/weather/board';
import { momentOf } from '@core/ground/localClock';
import type { HoursPlan } from '@core/method/weather/plan';
import { scoreHours, type HoursResult } from '@core/method/weather/scoreHours';
import { onlyRow, visitRow } from '@core/work/visit/theVisit';
import { hoursPlanOf } from '@core/work/visit/hoursPlan';
import { isPractice } from '@core/work/visit/practice';
import { inTypedNight } from '@core/method/weather/typedNights';
import { useNow } from '@ui/time/useNow';
import { useWeather, type FoundWeather, type WeatherState } from '@ui/weather/useWeather';
import { useVisit } from '@ui/visit/VisitProvider';
import { useTypedNights } from './useTypedNights';

const DAY_MS = 24 * 3_600_000;

export interface ScoredWeek {
  plan: HoursPlan;
  result: HoursResult;
  days: BoardDay[];
  slots: Slot[];
  weather: FoundWeather;
  firstDay: number;
}

/** The visit's week: its weather, its scores, its best slots. `inside` tries another indoor temperature. */
export function useHours(inside?: number): {
  plan: HoursPlan | null;
  state: WeatherState;
  week: ScoredWeek | null;
  firstDay: number;
} {
  const { document } = useVisit();
  const now = useNow();
  const stored = hoursPlanOf(document);
  const { weatherId, nights, firstDay: chosen } = onlyRow(document, 'plan').value;
  const zone = stored?.timezone ?? 'UTC';
  // A visit that is over opens on its own week.
  const firstDay = chosen ? dayNumber(chosen) : localDayNumber(Math.min(now, visitRow(document).value.startedAt), zone);
  const practice = isPractice(document);
  const fetched = useWeather(
    stored && now > 0 && (weatherId !== null || practice)
      ? {
          weatherId,
          latitude: stored.latitude,
          longitude: stored.longitude,
          from: momentOf(firstDay - LEAD_DAYS, 0, zone),
          to: momentOf(firstDay + BOARD_DAYS, 0, zone),
        }
      : null,
  );
  const typed = useTypedNights(weatherId === null && !practice ? nights : null, zone);
  const state: WeatherState = typed ? { kind: 'ready', weather: typed.weather } : fetched;
  const weather = state.kind === 'ready' ? state.weather : null;
  const plan = stored && inside !== undefined ? { ...stored, inside_c: inside } : stored;
  const planKey = JSON.stringify(plan);
  const week = useMemo(() => {
    const scoredFor = JSON.parse(planKey) as HoursPlan | null;
    if (!scoredFor || !weather) return null;
    const begin = momentOf(firstDay, 0, scoredFor.timezone);
    const scored: HoursResult =
      weather.hours.length > 0 ? scoreHours(weather, scoredFor) : { season: 'heated', rainKnown: true, hours: [] };
    // Days before the first only prepare the walls.
    const result = {
      ...scored,
      hours: scored.hours.filter(
        ({ time }) =>
          time >= begin &&
          // Of typed nights only these are judged: the days between are assumed.
          (!typed || inTypedNight(typed.nights, time, scoredFor.timezone)),
      ),
    };
    return {
      plan: scoredFor,
      result,
      days: boardDays(result.hours, firstDay, scoredFor.timezone),
      // Of a week that has begun only what is left; a week that is over, or far ahead, whole.
      slots: bestSlots(result, scoredFor, now < begin + BOARD_DAYS * DAY_MS ? now : begin),
      weather,
      firstDay,
    };
  }, [planKey, weather, typed, firstDay, now]);
  return { plan, state, week, firstDay };
}

'use client';

import { useMemo } from 'react';
import { weatherOfNights, type Night } from '@core/method/weather/typedNights';
import type { FoundWeather } from '@ui/weather/useWeather';

export interface TypedNights {
  nights: readonly Night[];
  weather: FoundWeather;
}

/** The weather of typed nights; null without one. */
export function useTypedNights(nights: readonly Night[] | null, timeZone: string): TypedNights | null {
  return useMemo(
    () => (nights && nights.length > 0 ? { nights, weather: { ...weatherOfNights(nights, timeZone), typed: true } } : null),
    [nights, timeZone],
  );
}

'use client';

import { startTransition, useEffect, useState } from 'react';
import * as z from 'zod';
import { weatherSchema } from '@core/method/weather/weather';
import { getJson, wordsOf } from '@ui/server/api';

export interface WeatherWanted {
  /** A file's weather; null asks for the made-up one of practice. */
  weatherId: string | null;
  latitude: number;
  longitude: number;
  from: number;
  to: number;
}

const foundSchema = weatherSchema.extend({
  /** Made up here, not the real sky. */
  simulated: z.boolean().optional(),
  /** Of nights that were typed. */
  typed: z.boolean().optional(),
  /** Of a file. */
  fileName: z.string().optional(),
  covers: z.object({ start: z.number(), count: z.number() }).optional(),
});
export type FoundWeather = z.infer<typeof foundSchema>;

export type WeatherState =
  { kind: 'none' } | { kind: 'loading' } | { kind: 'problem'; words: string } | { kind: 'ready'; weather: FoundWeather };

const HOUR_MS = 3_600_000;

function addressOf({ weatherId, latitude, longitude, from, to }: WeatherWanted): string {
  return weatherId
    ? `/api/weather/${weatherId}?from=${from}&to=${to}`
    : `/api/practice/weather?latitude=${latitude}&longitude=${longitude}&from=${from}&hours=${Math.ceil((to - from) / HOUR_MS)}`;
}

/** Weather of a stretch of hours, from a file or made up for practice; null asks for nothing. */
export function useWeather(wanted: WeatherWanted | null): WeatherState {
  const address = wanted ? addressOf(wanted) : null;
  const [found, setFound] = useState<{ address: string; state: WeatherState } | null>(null);
  useEffect(() => {
    if (!address) return;
    const stop = new AbortController();
    void getJson(address, foundSchema, stop.signal)
      .then(
        (weather): WeatherState => ({ kind: 'ready', weather }),
        (error: unknown): WeatherState => ({ kind: 'problem', words: wordsOf(error) }),
      )
      // A week of hours, charts and reasons is drawn in slices.
      .then((state) => !stop.signal.aborted && startTransition(() => setFound({ address, state })));
    return () => stop.abort();
  }, [address]);
  if (!address) return { kind: 'none' };
  return found?.address === address ? found.state : { kind: 'loading' };
}

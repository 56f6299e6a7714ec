'use client';

import { useEffect, useState } from 'react';
import type { CoreErrorData } from '@core/errors';
import type { Weather } from '@core/weather/weather';

export interface WeatherWanted {
  /** A file's weather; null asks the forecast. */
  weatherId: string | null;
  latitude: number;
  longitude: number;
  from: number;
  to: number;
}

export interface FoundWeather extends Weather {
  /** Made up here, not the real sky. */
  simulated?: boolean;
  /** Of a file. */
  fileName?: string;
  covers?: { start: number; count: number };
}

export type WeatherState = { kind: 'loading' } | { kind: 'problem'; words: string } | { kind: 'ready'; weather: FoundWeather };

const HOUR_MS = 3_600_000;

function addressOf({ weatherId, latitude, longitude, from, to }: WeatherWanted): string {
  return weatherId
    ? `/api/weather/${weatherId}?from=${from}&to=${to}`
    : `/api/forecast?latitude=${latitude}&longitude=${longitude}&from=${from}&hours=${Math.ceil((to - from) / HOUR_MS)}`;
}

/** Weather of a stretch of hours, from a file or the forecast; null asks for nothing. */
export function useWeather(wanted: WeatherWanted | null): WeatherState {
  const address = wanted ? addressOf(wanted) : null;
  const [found, setFound] = useState<{ address: string; state: WeatherState } | null>(null);
  useEffect(() => {
    if (!address) return;
    const stop = new AbortController();
    const ask = async (): Promise<WeatherState> => {
      const response = await fetch(address, { signal: stop.signal });
      const answer = (await response.json()) as FoundWeather & { error?: CoreErrorData };
      return answer.error
        ? { kind: 'problem', words: `${answer.error.message} ${answer.error.hint}` }
        : { kind: 'ready', weather: answer };
    };
    void ask()
      .catch((): WeatherState => ({ kind: 'problem', words: 'The weather could not be fetched. Reload the page to try again.' }))
      .then((state) => !stop.signal.aborted && setFound({ address, state }));
    return () => stop.abort();
  }, [address]);
  return found && found.address === address ? found.state : { kind: 'loading' };
}

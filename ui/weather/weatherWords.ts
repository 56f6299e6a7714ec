import { localDay } from '@core/units/localTime';
import { NIGHTS_ASSUME } from '@core/weather/typedNights';
import { HOUR_MS } from '@core/weather/weather';
import type { FoundWeather } from './useWeather';

/** Which weather something follows from, in words for papers: `the weather file winter.csv, 10 Feb to 17 Feb`. */
export function weatherWords({ fileName, covers, simulated, typed }: FoundWeather, timeZone: string): string {
  const day = (time: number) => localDay(time, timeZone);
  if (fileName && covers)
    return `the weather file ${fileName}, ${day(covers.start)} to ${day(covers.start + (covers.count - 1) * HOUR_MS)}`;
  if (simulated) return 'weather that is made up for practice';
  return typed ? `nights that were typed (${NIGHTS_ASSUME})` : 'weather of an unknown source';
}

import { HOUR_MS } from '@core/ground/localClock';
import { localDay } from '@core/ground/localTime';
import { NIGHTS_ASSUME } from '@core/method/weather/typedNights';
import type { FoundWeather } from './useWeather';

/** Which weather something follows from, in words for papers: `the weather file winter.csv, 10 Feb to 17 Feb`. */
export function weatherWords({ fileName, covers, simulated, typed }: FoundWeather, timeZone: string): string {
  const day = (time: number) => localDay(time, timeZone);
  if (fileName && covers)
    return `the weather file ${fileName}, ${day(covers.start)} to ${day(covers.start + (covers.count - 1) * HOUR_MS)}`;
  if (simulated) return 'weather that is made up for practice';
  return typed ? `nights that were typed (${NIGHTS_ASSUME})` : 'weather of an unknown source';
}

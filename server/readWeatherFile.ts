import type { Weather } from '@core/method/weather/weather';
import { WorkerPool } from './workerPool';

export type ReadWeather = Weather & { format: string };

const shared = globalThis as { denWeather?: WorkerPool<Uint8Array, ReadWeather> };

/** Reads a weather file in a worker thread: a year takes some tens of milliseconds. @throws CoreError with the line */
export function readWeatherFile(bytes: Uint8Array, signal: AbortSignal): Promise<ReadWeather> {
  shared.denWeather ??= new WorkerPool('weather', 1);
  return shared.denWeather.run(bytes, { signal });
}

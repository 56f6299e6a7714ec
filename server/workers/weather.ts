import { readWeather } from '@core/method/weather/readWeather';
import type { ReadWeather } from '../readWeatherFile';
import { decodeWeatherText } from '../weatherText';
import { serveJobs } from './serve';

serveJobs<Uint8Array, ReadWeather>(
  (bytes) => readWeather(decodeWeatherText(bytes)),
  () => [],
);

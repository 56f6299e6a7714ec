import { HOUR_MS } from '../../ground/localClock';
import { requireRange } from '../../ground/errors';
import { dayOfYear } from './irradiance';
import { type Weather, type WeatherHour } from './weather';

/** The same number from 0 to 1 for the same whole numbers, as unlike its neighbours as chance. */
function hash(seed: number, i: number): number {
  let x = Math.imul(seed ^ Math.imul(i, 0x9e3779b1), 0x85ebca6b);
  x = Math.imul(x ^ (x >>> 13), 0xc2b2ae35);
  return ((x ^ (x >>> 16)) >>> 0) / 4_294_967_296;
}

/** Smooth chance over time, 0 … 1, with a new value at every whole x. */
function drift(seed: number, x: number): number {
  const i = Math.floor(x);
  const f = x - i;
  return hash(seed, i) + (hash(seed, i + 1) - hash(seed, i)) * f * f * (3 - 2 * f);
}

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
const rounded = (value: number, steps: number) => Math.round(value * steps) / steps;

/**
 * Made-up weather for a place: seasons by latitude, days by the sun, spells of some days by chance. The same place and
 * hour always get the same weather, so that two stretches agree where they overlap. It stands in for a forecast where
 * there is no network; it says nothing of the real sky.
 *
 * @param from - ms since 1970, UTC; begun hours count from their start
 * @throws CoreError `out_of_range`
 */
export function standInWeather(latitude: number, longitude: number, from: number, hours: number): Weather {
  requireRange('latitude', latitude, -90, 90);
  requireRange('longitude', longitude, -180, 180);
  const start = Math.floor(from / HOUR_MS) * HOUR_MS;
  const seed = Math.round(latitude * 10) * 3607 + Math.round(longitude * 10);
  return {
    start,
    hours: Array.from({ length: hours }, (_, i) => hourAt(seed, latitude, longitude, start + i * HOUR_MS)),
    warnings: [],
  };
}

function hourAt(seed: number, latitude: number, longitude: number, time: number): WeatherHour {
  const days = time / (24 * HOUR_MS);
  const solarHour = (((time / HOUR_MS + longitude / 15) % 24) + 24) % 24;
  const cloud = clamp(1.5 * drift(seed + 1, days / 1.6) - 0.25 + 0.3 * (drift(seed + 2, days * 4) - 0.5), 0, 1);
  const yearly = Math.cos((2 * Math.PI * (dayOfYear(time) - 20)) / 365.25) * Math.sign(latitude || 1);
  const daily = Math.cos((2 * Math.PI * (solarHour - 15)) / 24);
  const spell = 9 * (drift(seed + 3, days / 3.5) - 0.5);
  const temperatureC = 28 - 0.007 * latitude ** 2 - 0.18 * Math.abs(latitude) * yearly + spell + (1 + 4 * (1 - cloud)) * daily;
  const wetness = cloud * drift(seed + 4, days / 0.7) - 0.55;
  return {
    temperatureC: rounded(clamp(temperatureC, -60, 50), 10),
    cloudPct: rounded(100 * cloud, 1),
    windMs: rounded(0.5 + 8 * drift(seed + 5, days / 1.2) ** 2 + 0.8 * Math.max(0, daily), 10),
    rainMm: wetness > 0 ? rounded(8 * wetness, 10) : 0,
    humidityPct: rounded(clamp(62 + 25 * cloud - 14 * daily + 12 * (drift(seed + 6, days * 2) - 0.5), 15, 100), 1),
    snowCm: null,
    windFromDeg: null,
  };
}

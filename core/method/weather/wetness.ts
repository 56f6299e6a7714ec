import type { WeatherHour } from './weather';

/** Rain in an hour below which a wall stays dry under its eaves, mm. */
export const RAIN_FROM_MM = 0.1;
/** Rain that wets a wall through its face; more changes nothing that a camera sees, mm. */
const SOAKING_MM = 1;
/** Hours that a wet wall needs in ordinary drying weather: 75 % humidity, 2 m/s. */
export const DRYING_H = 12;

/** How fast walls dry in an hour's weather, against ordinary: between a quarter and three times. */
export function dryingRate({ humidityPct, windMs }: WeatherHour): number {
  const rate = (Math.max(0, 100 - humidityPct) / 25) * (0.6 + 0.2 * windMs);
  return Math.min(3, Math.max(0.25, rate));
}

/**
 * How wet walls are an hour later, 0 dry … 1 wet through. Common practice (half a day after rain) put into a balance; it
 * ranks hours and measures nothing.
 *
 * @param reaching - how much of the rain reaches the face, 1 for no wind or an unknown side
 */
export function nextWetness(wetness: number, hour: WeatherHour, reaching = 1): number {
  if (hour.rainMm >= RAIN_FROM_MM) return Math.min(1, Math.max(wetness, 0.3 * reaching) + (reaching * hour.rainMm) / SOAKING_MM);
  return Math.max(0, wetness - dryingRate(hour) / DRYING_H);
}

/** Wind that drives rain, m/s. */
const DRIVING_MS = 2;
/** Rain on the side that it is driven on, and in its lee, against straight rain. */
const DRIVEN = 1.5;
const LEE = 0.25;

/**
 * How much of an hour's rain reaches a façade, against rain that falls straight.
 *
 * @param azimuth - where the façade looks, degrees from north
 */
export function rainReaching({ windMs, windFromDeg }: WeatherHour, azimuth: number): number {
  if (windFromDeg === null || windMs < DRIVING_MS) return 1;
  const facing = Math.cos(((windFromDeg - azimuth) * Math.PI) / 180);
  return LEE + (DRIVEN - LEE) * Math.min(1, Math.max(0, 0.5 + facing));
}

import { reflectedOutdoors } from '../radiometry/outdoors';
import { facadeBeam, dayOfYear, irradiance } from '../weather/irradiance';
import { facingTemperature, outerFilm, skyTemperature } from '../weather/sky';
import { sunPosition } from '../weather/sun';
import { ABSORPTANCE, USUAL_TIME_CONSTANTS, type Wall } from '../weather/wallMemory';
import { windPressure } from './airflow';
import type { View } from './surface';

/** What the weather is like round a simulated house, and where and when. */
export interface SimulatedWeather {
  insideC: number;
  outsideC: number;
  /** Of the air inside, %. */
  humidityPct: number;
  windMs: number;
  /** Where the wind comes from, degrees from north; null where nobody said. */
  windFromDeg: number | null;
  /** Cloud, %; null where nobody said. */
  cloudPct: number | null;
  /** Where and when, for the sun; null where the place is not known: then there is none. */
  sun: { latitude: number; longitude: number; at: number } | null;
  /** Hours since the sun shone at all; null leaves it to cloud and the sun's way. */
  sunHours: number | null;
}

/** Air outside while nothing else is known: evenings are damp. */
const OUTER_HUMIDITY_PCT = 80;
const UNKNOWN_CLOUD = 0.5;
const INNER_RESISTANCE = 0.13;
/** A roof sees the whole sky, of which houses and trees hide a little. */
const ROOF_SKY = 0.85;
/** Film for which the memory of walls is stated, W/m²K. */
const ORDINARY_FILM = 18;
const HOUR_MS = 3_600_000;
/** The sun of so many hours is added up. */
const REACH_H = 36;
const STEP_H = 0.5;

/** How the outer side of a surface stands in the weather: films, sky, sun and wind. */
export function outerSide(
  { azimuth, mass, kind }: { azimuth: number | null; mass: Wall; kind: string },
  weather: SimulatedWeather,
): Pick<View, 'outerShare' | 'skyK' | 'sunK' | 'reflectedC' | 'outerHumidityPct'> & { windPa: number } {
  const { outsideC, windMs, windFromDeg, cloudPct } = weather;
  const cloud = cloudPct === null ? UNKNOWN_CLOUD : cloudPct / 100;
  const { convection, radiation } = outerFilm(windMs, outsideC);
  const film = convection + radiation;
  const sky = skyTemperature(outsideC, cloud);
  const roof = kind === 'roof';
  const facing = roof ? sky : facingTemperature(outsideC, sky);
  return {
    outerShare: 1 / film / INNER_RESISTANCE,
    skyK: (radiation / film) * (outsideC - facing),
    sunK: azimuth === null ? 0 : sunLeft(azimuth, film, USUAL_TIME_CONSTANTS[mass], cloud, weather),
    reflectedC: reflectedOutdoors(outsideC, cloudPct, roof ? ROOF_SKY : undefined).value,
    outerHumidityPct: OUTER_HUMIDITY_PCT,
    windPa: windPressure(windMs, windFromDeg, azimuth),
  };
}

/** Inside a loft, whose floor is looked at from above: no sky, no sun, no wind, hardly a film. */
export function loftSide(outsideC: number): ReturnType<typeof outerSide> {
  return {
    outerShare: 0.1 / INNER_RESISTANCE,
    skyK: 0,
    sunK: 0,
    reflectedC: outsideC,
    outerHumidityPct: OUTER_HUMIDITY_PCT,
    windPa: 0,
  };
}

/**
 * What the sun has left on a façade, K: what it took up in each half hour before, over the film, dying away with the wall's
 * memory. A face that the sun does not reach on that day has none.
 */
function sunLeft(azimuth: number, film: number, memoryH: number, cloud: number, { sun, sunHours }: SimulatedWeather): number {
  if (sun === null) return 0;
  const memory = memoryH * (ORDINARY_FILM / film);
  let left = 0;
  for (let ago = Math.max(STEP_H / 2, sunHours ?? 0); ago < REACH_H; ago += STEP_H) {
    const at = sun.at - ago * HOUR_MS;
    const position = sunPosition(at, sun.latitude, sun.longitude);
    if (position.altitudeDeg <= 0) continue;
    const beam = facadeBeam(position, irradiance(position.altitudeDeg, dayOfYear(at), cloud), azimuth);
    left += ((ABSORPTANCE * beam) / film) * (STEP_H / memory) * Math.exp(-ago / memory);
  }
  return left;
}

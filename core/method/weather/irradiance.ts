import { requireRange } from '../../ground/errors';
import type { SunPosition } from './sun';

const DEGREE = Math.PI / 180;
const SOLAR_CONSTANT = 1367;
const GROUND_ALBEDO = 0.2;

export interface Irradiance {
  /** On the horizontal, W/m². */
  global: number;
  diffuse: number;
  /** On a plane that faces the sun, W/m². */
  beam: number;
}

const DARK: Irradiance = { global: 0, diffuse: 0, beam: 0 };

/**
 * What the sun sends under a cloudy sky.
 *
 * @param altitudeDeg - geometric altitude of the sun
 * @param dayOfYear - 1 … 366, UTC
 * @param cloud - cloud cover as a fraction, 0 … 1
 * @throws CoreError `out_of_range`
 *
 * Clear global: Haurwitz 1945. Cloud: Kasten & Czeplak 1980. Diffuse share: Erbs 1982. No terrain, no haze of its own:
 * good to some tens of W/m², which is a fraction of a kelvin on a wall.
 */
export function irradiance(altitudeDeg: number, dayOfYear: number, cloud: number): Irradiance {
  requireRange('cloud', cloud, 0, 1);
  const cosZenith = Math.sin(altitudeDeg * DEGREE);
  if (!(cosZenith > 0)) return DARK;
  const clear = 1098 * cosZenith * Math.exp(-0.059 / cosZenith);
  const global = clear * (1 - 0.75 * cloud ** 3.4);
  const beyondAir = SOLAR_CONSTANT * (1 + 0.033 * Math.cos((2 * Math.PI * dayOfYear) / 365)) * cosZenith;
  const diffuse = diffuseShare(global / beyondAir) * global;
  return { global, diffuse, beam: (global - diffuse) / cosZenith };
}

function diffuseShare(clearness: number): number {
  const k = clearness;
  if (k <= 0.22) return 1 - 0.09 * k;
  if (k <= 0.8) return 0.9511 + k * (-0.1604 + k * (4.388 + k * (-16.638 + k * 12.336)));
  return 0.165;
}

/** Beam that falls on a façade, W/m²: 0 when the sun is behind it or below the horizon. */
export function facadeBeam(sun: SunPosition, { beam }: Irradiance, azimuthDeg: number): number {
  const towards = Math.cos(sun.altitudeDeg * DEGREE) * Math.cos((sun.azimuthDeg - azimuthDeg) * DEGREE);
  return beam * Math.max(0, towards);
}

/** Everything that falls on an upright façade, W/m²: beam, half an even sky, half an even ground. Nothing stands before it. */
export function facadeIrradiance(sun: SunPosition, light: Irradiance, azimuthDeg: number): number {
  return facadeBeam(sun, light, azimuthDeg) + light.diffuse / 2 + (GROUND_ALBEDO * light.global) / 2;
}

/** 1 on the first of January, UTC. */
export function dayOfYear(time: number): number {
  const date = new Date(time);
  return Math.floor((time - Date.UTC(date.getUTCFullYear(), 0, 1)) / 86_400_000) + 1;
}

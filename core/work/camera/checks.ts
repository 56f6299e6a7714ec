import { requireRange } from '../../ground/errors';
import { boilingPointFromPressure } from '../../ground/saturation';
import { radianceFromTemperature, temperatureFromRadiance } from '../../method/radiometry/bandTable';
import type { CameraCheck } from '../../model/cameraRow';
import { type Correction, ROOM_C } from './correction';

/**
 * Pressure of the standard atmosphere at an altitude (ISO 2533, troposphere). Weather moves it by some 3 % either way,
 * which is 1 K of boiling point: type a barometer's value where one is at hand.
 *
 * @param altitude - m above the sea, −400 … 5000
 * @returns Pa
 * @throws CoreError `out_of_range`
 */
export function pressureFromAltitude(altitude: number): number {
  requireRange('altitude', altitude, -400, 5000);
  return 101_325 * (1 - 2.25577e-5 * altitude) ** 5.25588;
}

/** What melting ice and boiling water are at, °C. @param pressure - of the air at the place, Pa, 30 000 … 120 000 */
export function bathTemperature(bath: CameraCheck['bath'], pressure: number): number {
  return bath === 'ice' ? 0 : boilingPointFromPressure(pressure);
}

/** Emissivity of water in this band, 0° … 50° from square on (Downing & Williams 1975, by Fresnel: 0.96 … 0.98). */
export const WATER_EMISSIVITY = 0.96;

/**
 * What a faultless camera reads on water. Water emits 0.96 and mirrors the room, so that a camera that is set to 1 reads some
 * 0.9 K too much in ice: that is no fault of the camera.
 *
 * @param water - its temperature, °C
 * @param emissivity - what the camera is set to, 0.1 … 1
 * @param around - of what the water mirrors, and of what the camera takes for it, °C
 * @returns °C
 * @throws CoreError `out_of_range`
 */
export function readingOnWater(water: number, emissivity: number, around: number): number {
  requireRange('emissivity', emissivity, 0.1, 1);
  requireRange('temperature of the surroundings', around, -50, 60);
  const mirrored = radianceFromTemperature(around);
  const seen = WATER_EMISSIVITY * radianceFromTemperature(water) + (1 - WATER_EMISSIVITY) * mirrored;
  return temperatureFromRadiance((seen - (1 - emissivity) * mirrored) / emissivity);
}

/** Checks that belong together lie within a day. */
const SAME_CHECK_MS = 24 * 3_600_000;

export interface OfferedCorrection extends Correction {
  /** From so many checks, the last of them at this moment. */
  checks: number;
  at: number;
}

/**
 * The correction that a camera's latest checks speak for: offset at room temperature and slope when ice and boiling water were
 * checked within a day, else an offset alone.
 *
 * @returns null without a check
 */
export function offeredCorrection(checks: readonly CameraCheck[]): OfferedCorrection | null {
  if (checks.length === 0) return null;
  const at = Math.max(...checks.map((check) => check.at));
  const latest = checks.filter((check) => at - check.at <= SAME_CHECK_MS);
  const mean = (bath: CameraCheck['bath']) => {
    const of = latest.filter((check) => check.bath === bath);
    const sum = of.reduce((total, { expectedC, readC }) => total + expectedC - readC, 0);
    const level = of.reduce((total, { readC }) => total + readC, 0);
    return of.length === 0 ? null : { error: sum / of.length, level: level / of.length };
  };
  const [ice, boiling] = [mean('ice'), mean('boiling')];
  const common = { checks: latest.length, at };
  if (!ice || !boiling) return { ...common, offsetK: (ice ?? boiling)!.error, slope: 0 };
  const slope = (boiling.error - ice.error) / (boiling.level - ice.level);
  return { ...common, offsetK: ice.error + slope * (ROOM_C - ice.level), slope };
}

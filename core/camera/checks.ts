import { boilingPointFromPressure } from '../humidity/saturation';
import { requireRange } from '../errors';
import type { CameraCheck } from './cameraRow';

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

/** Checks that belong together lie within a day. */
const SAME_CHECK_MS = 24 * 3_600_000;
/** Walls and rooms are read near here, °C. */
const AT_C = 18;

export interface OfferedOffset {
  /** To be added to what the camera reads, K. */
  offset: number;
  /** From so many checks, the last of them at this moment. */
  checks: number;
  at: number;
}

/**
 * The offset that a camera's latest checks speak for, where buildings are read: straight between ice and boiling water when
 * both were checked within a day, else what the one says.
 *
 * @returns null without a check
 */
export function offeredOffset(checks: readonly CameraCheck[]): OfferedOffset | null {
  if (checks.length === 0) return null;
  const at = Math.max(...checks.map((check) => check.at));
  const latest = checks.filter((check) => at - check.at <= SAME_CHECK_MS);
  const mean = (bath: CameraCheck['bath']) => {
    const of = latest.filter((check) => check.bath === bath);
    const sum = of.reduce((total, { expectedC, readC }) => total + expectedC - readC, 0);
    const level = of.reduce((total, { expectedC }) => total + expectedC, 0);
    return of.length === 0 ? null : { error: sum / of.length, level: level / of.length };
  };
  const [ice, boiling] = [mean('ice'), mean('boiling')];
  const offset =
    ice && boiling
      ? ice.error + ((AT_C - ice.level) / (boiling.level - ice.level)) * (boiling.error - ice.error)
      : (ice ?? boiling)!.error;
  return { offset, checks: latest.length, at };
}

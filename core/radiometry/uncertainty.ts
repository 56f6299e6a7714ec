import { radianceFromTemperature, radianceSlope } from './bandTable';
import type { RadiometricSettings } from './radiometricSettings';

/** Standard uncertainties (k = 1) of what goes into a reading; K, and a fraction for emissivity. */
export interface UncertaintySources {
  /** Of the camera's calibration: common to a frame, so it nearly cancels in a difference. */
  calibration: number;
  /** Of one part of the picture against another; does not average out over pixels. */
  uniformity: number;
  emissivity: number;
  /** Of the reflected apparent temperature; common to a frame. */
  reflected: number;
}

export const DEFAULT_UNCERTAINTY: UncertaintySources = {
  calibration: 1,
  uniformity: 0.1,
  emissivity: 0.02,
  reflected: 1,
};

/** A mean over pixels, as far as its uncertainty is concerned. */
export interface MeanReading {
  /** Mean apparent temperature, °C. */
  apparent: number;
  /** Object temperature that belongs to it, °C. */
  object: number;
  settings: RadiometricSettings;
  /** Standard deviation of one pixel's noise, K. */
  noise: number;
  /** Pixels with a reading. */
  count: number;
}

/** How much the object temperature moves for one unit of each input. */
export interface Sensitivities {
  apparent: number;
  /** K for a whole unit of emissivity. */
  emissivity: number;
  reflected: number;
}

/**
 * First-order sensitivities of the object temperature (GUM, JCGM 100, on the measurement equation; air temperature and
 * transmittance taken as exact).
 *
 * @param apparent - °C
 * @param object - °C, belonging to `apparent` under `settings`
 */
export function sensitivities(apparent: number, object: number, settings: RadiometricSettings): Sensitivities {
  const { emissivity, reflected, transmittance } = settings;
  const objectSlope = emissivity * radianceSlope(object);
  return {
    apparent: radianceSlope(apparent) / (transmittance * objectSlope),
    emissivity: (radianceFromTemperature(reflected) - radianceFromTemperature(object)) / objectSlope,
    reflected: (-(1 - emissivity) * radianceSlope(reflected)) / objectSlope,
  };
}

/** Parts of a standard uncertainty, K each (signs dropped); the total is the root of the sum of their squares. */
export interface Uncertainty {
  total: number;
  noise: number;
  uniformity: number;
  emissivity: number;
  reflected: number;
  calibration: number;
}

function combine(parts: Omit<Uncertainty, 'total'>): Uncertainty {
  return {
    ...parts,
    total: Math.hypot(parts.noise, parts.uniformity, parts.emissivity, parts.reflected, parts.calibration),
  };
}

/**
 * Standard uncertainty (k = 1) of one reading.
 *
 * @returns K, with its parts
 */
export function readingUncertainty(reading: MeanReading, sources: UncertaintySources): Uncertainty {
  const s = sensitivities(reading.apparent, reading.object, reading.settings);
  return combine({
    noise: (s.apparent * reading.noise) / Math.sqrt(reading.count),
    uniformity: s.apparent * sources.uniformity,
    emissivity: Math.abs(s.emissivity) * sources.emissivity,
    reflected: Math.abs(s.reflected) * sources.reflected,
    calibration: s.apparent * sources.calibration,
  });
}

/** What two regions of one frame have in common: errors in it move both readings together. */
export interface SharedInputs {
  /** Both take their emissivity from one setting. */
  emissivity: boolean;
  /** Both take their reflected temperature from one setting. */
  reflected: boolean;
}

/**
 * Standard uncertainty (k = 1) of the difference of two readings of one frame.
 *
 * @returns K, with its parts
 *
 * GUM, JCGM 100: what is common enters as the difference of the two sensitivities, what is not as their root sum of
 * squares. Calibration is common to a frame and shrinks to |sA − sB| · u.
 */
export function differenceUncertainty(
  a: MeanReading,
  b: MeanReading,
  sources: UncertaintySources,
  shared: SharedInputs,
): Uncertainty {
  const sa = sensitivities(a.apparent, a.object, a.settings);
  const sb = sensitivities(b.apparent, b.object, b.settings);
  const join = (x: number, y: number, common: boolean) => (common ? Math.abs(x - y) : Math.hypot(x, y));
  return combine({
    noise: Math.hypot((sa.apparent * a.noise) / Math.sqrt(a.count), (sb.apparent * b.noise) / Math.sqrt(b.count)),
    uniformity: Math.hypot(sa.apparent, sb.apparent) * sources.uniformity,
    emissivity: join(sa.emissivity, sb.emissivity, shared.emissivity) * sources.emissivity,
    reflected: join(sa.reflected, sb.reflected, shared.reflected) * sources.reflected,
    calibration: Math.abs(sa.apparent - sb.apparent) * sources.calibration,
  });
}

/** A difference means something when it exceeds twice its standard uncertainty (95 %). */
export function isSignificant(difference: number, uncertainty: number): boolean {
  return Math.abs(difference) > 2 * uncertainty;
}

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
  /** Of what the air lets through, a fraction; nothing where the way is short or the transmittance was given. */
  transmittance?: number;
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
  /** K for a whole unit of transmittance. */
  transmittance: number;
}

/**
 * First-order sensitivities of the object temperature (GUM, JCGM 100, on the measurement equation; air temperature taken
 * as exact).
 *
 * @param apparent - °C
 * @param object - °C, belonging to `apparent` under `settings`
 */
export function sensitivities(apparent: number, object: number, settings: RadiometricSettings): Sensitivities {
  const { emissivity, reflected, air, transmittance } = settings;
  const objectSlope = emissivity * radianceSlope(object);
  return {
    apparent: radianceSlope(apparent) / (transmittance * objectSlope),
    emissivity: (radianceFromTemperature(reflected) - radianceFromTemperature(object)) / objectSlope,
    reflected: (-(1 - emissivity) * radianceSlope(reflected)) / objectSlope,
    transmittance:
      (radianceFromTemperature(air) - radianceFromTemperature(apparent)) / (transmittance * transmittance * objectSlope),
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
  /** Of the air between camera and surface. */
  path: number;
  /** Of the camera from one frame to the next; nothing within a frame. */
  repeatability: number;
}

/** The parts of an uncertainty by name, in the order in which people are told of them. */
export const UNCERTAINTY_PARTS = [
  'noise',
  'uniformity',
  'emissivity',
  'reflected',
  'path',
  'calibration',
  'repeatability',
] as const satisfies readonly Exclude<keyof Uncertainty, 'total'>[];

function combine(parts: Omit<Uncertainty, 'total'>): Uncertainty {
  return { ...parts, total: Math.hypot(...UNCERTAINTY_PARTS.map((name) => parts[name])) };
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
    path: Math.abs(s.transmittance) * (sources.transmittance ?? 0),
    repeatability: 0,
  });
}

/** What two readings have in common: errors in it move both together. */
export interface SharedInputs {
  /** Both take their emissivity from one setting. */
  emissivity: boolean;
  /** Both take their reflected temperature from one setting. */
  reflected: boolean;
  /** Given when the two lie in different frames; left out, they lie in one. */
  otherFrame?: {
    /** Of one camera's error from one frame to the next, K (k = 1). */
    repeatability: number;
    /** Frames of different cameras do not share an error of calibration. */
    sameCamera: boolean;
  };
}

/**
 * Standard uncertainty (k = 1) of the difference of two readings, in one frame or in two.
 *
 * @param sources - of the first reading; of the second as well, unless `otherSources` says so
 * @returns K, with its parts
 *
 * GUM, JCGM 100: what is common enters as the difference of the two sensitivities, what is not as their root sum of
 * squares. Calibration is common to a frame, and to the frames of one camera but for its repeatability, and shrinks to
 * |sA − sB| · u. The model of the air is one and the same, so its error is common too.
 */
export function differenceUncertainty(
  a: MeanReading,
  b: MeanReading,
  sources: UncertaintySources,
  shared: SharedInputs,
  otherSources: UncertaintySources = sources,
): Uncertainty {
  const sa = sensitivities(a.apparent, a.object, a.settings);
  const sb = sensitivities(b.apparent, b.object, b.settings);
  const join = (x: number, y: number, common: boolean) => (common ? Math.abs(x - y) : Math.hypot(x, y));
  const repeatability = shared.otherFrame?.repeatability ?? 0;
  return combine({
    noise: Math.hypot((sa.apparent * a.noise) / Math.sqrt(a.count), (sb.apparent * b.noise) / Math.sqrt(b.count)),
    uniformity: Math.hypot(sa.apparent * sources.uniformity, sb.apparent * otherSources.uniformity),
    emissivity: join(sa.emissivity * sources.emissivity, sb.emissivity * otherSources.emissivity, shared.emissivity),
    reflected: join(sa.reflected * sources.reflected, sb.reflected * otherSources.reflected, shared.reflected),
    calibration: join(
      sa.apparent * sources.calibration,
      sb.apparent * otherSources.calibration,
      shared.otherFrame?.sameCamera ?? true,
    ),
    path: join(sa.transmittance * (sources.transmittance ?? 0), sb.transmittance * (otherSources.transmittance ?? 0), true),
    repeatability: Math.hypot(sa.apparent, sb.apparent) * repeatability,
  });
}

/** A difference means something when it exceeds twice its standard uncertainty (95 %). */
export function isSignificant(difference: number, uncertainty: number): boolean {
  return Math.abs(difference) > 2 * uncertainty;
}

import { INSTRUMENT_U } from '../../ground/instruments';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';
import { computed, linear, type Quantity } from './quantity';
import type { RadiometricSettings } from '../../ground/radiometricSettings';

/** A camera's errors (standard uncertainties, k = 1) and whose they are: what reads T shows T + level + gain · (T − shutter) + place + noise. */
export interface CameraErrors {
  /** Names the camera: its calibration is one error in all that it read. */
  camera: string;
  /** Names the frame: what a camera changes from one to the next is one error within a frame. */
  frame: string;
  /** Of its level, K. */
  calibration: number;
  /** Of that, what changes from one frame to the next, K. */
  repeatability: number;
  /** Of its slope, as a fraction of the distance to the temperature of its shutter. */
  gain: number;
  /** Temperature of the shutter, where the slope errs by nothing, °C. */
  shutterC: number;
  /** Of one place in the picture against another, K; does not average out over pixels. */
  uniformity: number;
  /** Of one pixel, K. */
  noise: number;
  /** Of the optics: standard deviation of a round Gaussian, pixels. */
  blur: number;
}

export const USUAL_CAMERA = {
  calibration: 1,
  repeatability: 0,
  gain: 0.01,
  shutterC: 20,
  uniformity: 0.1,
  blur: 0.7,
} as const satisfies Partial<CameraErrors>;

/** Standard uncertainties that are taken where nobody stated one: a fraction, and K. */
export const USUAL_UNCERTAINTY = {
  emissivity: 0.02,
  reflected: INSTRUMENT_U.unqualifiedK,
  air: INSTRUMENT_U.unqualifiedK,
} as const;

/** A mean over pixels as the camera saw it. */
export interface SeenMean {
  /** Names the region. */
  region: string;
  /** Apparent temperature, °C. */
  apparent: number;
  /** Spread of the pixels, K; null for a single one. */
  std: number | null;
  /** Pixels with a reading. */
  count: number;
  /** What the surroundings took from it by the blur, K (`spillOf`). */
  spill: number;
}

/**
 * Of what blur took, the share that is stated as standard uncertainty. The mean is not corrected, and a region that reaches a
 * third of a pixel beyond its target loses nearly three times what blur alone takes: twice this share covers that.
 */
const SPILL_SHARE = 1.2;

/** The apparent temperature of a region with the errors of its camera, °C. */
export function seenBy(seen: SeenMean, camera: CameraErrors): Quantity {
  const level = Math.sqrt(Math.max(0, camera.calibration ** 2 - camera.repeatability ** 2));
  const own = (kind: string) => `${kind} of ${camera.frame} ${seen.region}`;
  return linear(seen.apparent, [
    { name: `level of ${camera.camera}`, part: 'calibration', u: level, per: 1 },
    { name: `level of ${camera.frame}`, part: 'repeatability', u: camera.repeatability, per: 1 },
    { name: `gain of ${camera.camera}`, part: 'gain', u: camera.gain, per: seen.apparent - camera.shutterC },
    { name: own('place'), part: 'uniformity', u: camera.uniformity, per: 1 },
    { name: own('noise'), part: 'noise', u: camera.noise / Math.sqrt(seen.count), per: 1 },
    { name: own('blur'), part: 'blur', u: SPILL_SHARE * Math.abs(seen.spill), per: 1 },
  ]);
}

/** What turns apparent into object temperatures, with what is not known of it. */
export type UncertainSettings = { [K in keyof RadiometricSettings]: Quantity };

/** The values without their uncertainties. */
export function settingsAt(settings: UncertainSettings): RadiometricSettings {
  const { emissivity, reflected, air, transmittance } = settings;
  return { emissivity: emissivity.at({}), reflected: reflected.at({}), air: air.at({}), transmittance: transmittance.at({}) };
}

/** No surface emits less; a fraction that errs below it means nothing. */
const LEAST_EMISSIVITY = 0.002;
const fraction = (value: number) => Math.min(1, Math.max(LEAST_EMISSIVITY, value));

/**
 * The object temperature behind an apparent one, °C: the measurement equation `L(app) = τ ε L(obj) + τ (1−ε) L(refl) +
 * (1−τ) L(air)` solved for the object (Vollmer & Möllmann, Infrared Thermal Imaging, ch. 2). NaN where it has no solution.
 */
export function objectOf(apparent: Quantity, settings: UncertainSettings): Quantity {
  return computed({ apparent, ...settings }, (x) =>
    temperatureFromRadiance(
      objectRadiance(x.apparent, fraction(x.emissivity), { ...x, transmittance: fraction(x.transmittance) }),
    ),
  );
}

/** Radiance of the object behind an apparent temperature. */
export function objectRadiance(
  apparent: number,
  emissivity: number,
  { reflected, air, transmittance }: Omit<RadiometricSettings, 'emissivity'>,
): number {
  const atSurface = (radianceFromTemperature(apparent) - (1 - transmittance) * radianceFromTemperature(air)) / transmittance;
  return (atSurface - (1 - emissivity) * radianceFromTemperature(reflected)) / emissivity;
}

/** One quantity less another: what they share errs in both. */
export function differenceQuantity(a: Quantity, b: Quantity): Quantity {
  return computed({ a, b }, (x) => x.a - x.b);
}

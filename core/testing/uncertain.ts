import { exact, type Quantity, uncertain } from '../method/radiometry/quantity';
import { AS_SEEN, type RadiometricSettings } from '../ground/radiometricSettings';
import { type CameraErrors, type UncertainSettings, USUAL_CAMERA, USUAL_UNCERTAINTY } from '../method/radiometry/uncertainty';

/** The usual camera, with what a test wants otherwise. */
export function cameraErrors(other: Partial<CameraErrors> = {}): CameraErrors {
  return { ...USUAL_CAMERA, camera: 'camera', frame: 'frame', noise: 0.05, ...other };
}

/** Uncertainties of settings, and whose they are: a test that gives two regions one name has them share the error. */
interface Doubt {
  emissivity?: number;
  reflected?: number;
  transmittance?: number;
  air?: number;
  emissivityOf?: string;
  reflectedOf?: string;
}

/** Settings with their uncertainties. */
export function uncertainSettings(settings: Partial<RadiometricSettings> = {}, doubt: Doubt = {}): UncertainSettings {
  const { emissivity, reflected, air, transmittance } = { ...AS_SEEN, ...settings };
  const { emissivityOf = 'wall', reflectedOf = 'room' } = doubt;
  return {
    emissivity: uncertain(emissivity, {
      name: `emissivity ${emissivityOf}`,
      part: 'emissivity',
      u: doubt.emissivity ?? USUAL_UNCERTAINTY.emissivity,
    }),
    reflected: uncertain(reflected, {
      name: `reflected ${reflectedOf}`,
      part: 'reflected',
      u: doubt.reflected ?? USUAL_UNCERTAINTY.reflected,
    }),
    air: doubt.air === undefined ? exact(air) : uncertain(air, { name: 'air', part: 'air', u: doubt.air }),
    transmittance: uncertain(transmittance, { name: 'path', part: 'path', u: doubt.transmittance ?? 0 }),
  };
}

/** Standard deviation of what `draw` gives, over 20 000 draws. */
export function spreadOf(draw: () => number): number {
  const draws = 20_000;
  let sum = 0;
  let squares = 0;
  for (let i = 0; i < draws; i += 1) {
    const value = draw();
    sum += value;
    squares += value * value;
  }
  return Math.sqrt(squares / draws - (sum / draws) ** 2);
}

/** A quantity at draws of all its inputs: each from a normal distribution with its standard uncertainty. */
export function drawn(quantity: Quantity, normal: () => number): number {
  return quantity.at(Object.fromEntries(quantity.inputs.map(({ name, u }) => [name, u * normal()])));
}

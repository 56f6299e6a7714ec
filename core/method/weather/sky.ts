import { requireRange } from '../../ground/errors';

const KELVIN = 273.15;

/**
 * What the sky looks like to an upright or level surface, as one broadband temperature, °C.
 *
 * @param airC - air at the ground, −80 … 60 °C
 * @param cloud - cloud cover as a fraction, 0 … 1
 * @throws CoreError `out_of_range`
 *
 * Clear: Swinbank 1963. Cloud: Unsworth & Monteith 1975, on the emissivity. A camera for 7.5–14 µm, where the air is
 * clearest, sees a clear zenith much colder still.
 */
export function skyTemperature(airC: number, cloud: number): number {
  requireRange('airC', airC, -80, 60);
  requireRange('cloud', cloud, 0, 1);
  const air = airC + KELVIN;
  const clear = 0.0552 * air ** 1.5;
  const emissivity = (clear / air) ** 4 * (1 - 0.84 * cloud) + 0.84 * cloud;
  return emissivity ** 0.25 * air - KELVIN;
}

/** Long-wave emissivity of ordinary faces. */
const EMISSIVITY = 0.9;
const STEFAN_BOLTZMANN = 5.670374e-8;
/** Wind beside a house over the weather station's: houses, trees and fences shelter it. */
const SHELTER = 0.6;

/**
 * Films of an outer face, W/m²K.
 *
 * @param windMs - of the weather, m/s
 * @param airC - °C
 *
 * Convection 4 + 4 v and radiation linearised at the air (ISO 6946, annex C). On a still evening a wall loses its sun at less
 * than half of the 25 W/m²K that are usual for windy weather.
 */
export function outerFilm(windMs: number, airC: number): { convection: number; radiation: number } {
  return {
    convection: 4 + 4 * SHELTER * windMs,
    radiation: 4 * EMISSIVITY * STEFAN_BOLTZMANN * (airC + KELVIN) ** 3,
  };
}

/** What an upright wall exchanges heat with: half sky, half ground as warm as the air, °C. */
export function facingTemperature(airC: number, skyC: number): number {
  return (0.5 * (airC + KELVIN) ** 4 + 0.5 * (skyC + KELVIN) ** 4) ** 0.25 - KELVIN;
}

import { requireRange } from '../errors';

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

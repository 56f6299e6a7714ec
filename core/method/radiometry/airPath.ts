import { requireRange } from '../../ground/errors';
import { saturationPressure } from '../../ground/saturation';
import { ZERO_CELSIUS_IN_KELVIN } from '../../ground/temperature';

/** Up to here the air between camera and surface takes nothing worth counting, m. */
export const CLEAR_PATH_M = 2;

/** Loss for one millimetre of water that the vapour on the way would make, and for one metre of everything else in the air. */
const PER_MILLIMETRE = 0.045;
const PER_METRE = 1e-4;

/** Of what the air takes, this share is not known better: standard uncertainty. */
const UNSURE = 0.3;

/** Air of which nothing is known lies anywhere between these, as fractions. */
const DRY = 0.2;
const DAMP = 1;

/** Specific gas constant of water vapour, J/(kg K). */
const VAPOUR_GAS_CONSTANT = 461.5;

/**
 * Water vapour in air, g/m³.
 *
 * @param air - °C, −60 … 60
 * @param humidity - fraction, 0 … 1
 * @throws CoreError `out_of_range`
 */
export function vapourDensity(air: number, humidity: number): number {
  requireRange('humidity', humidity, 0, 1);
  return (1000 * humidity * saturationPressure(air)) / (VAPOUR_GAS_CONSTANT * (air + ZERO_CELSIUS_IN_KELVIN));
}

/**
 * What the air between camera and surface lets through, 7.5 … 14 µm.
 *
 * @param air - °C, −60 … 60
 * @param humidity - fraction, 0 … 1; null where nobody measured it
 * @param distance - m, above 0
 * @returns transmittance, 0 … 1, and its standard uncertainty
 * @throws CoreError `out_of_range`
 *
 * One exponential (Beer–Lambert) in the water-vapour column and in distance, exactly 1 up to 2 m. Coefficients are rounded
 * effective values for the whole band, so that 100 m of mild air (20 °C, 50 %) let through about 0.95 and a kilometre about
 * 0.6, as broadband transmission tables of the lower atmosphere give. Meant for 0 … 40 °C and up to 200 m of clear air; fog,
 * rain, smoke and steam are not in it. Three tenths of the loss are stated as uncertainty; where nobody measured the humidity,
 * all from dry to damp is allowed for as well.
 */
export function airTransmittance(air: number, humidity: number | null, distance: number): { value: number; uncertainty: number } {
  requireRange('distance', distance, Number.MIN_VALUE, 10_000);
  const way = Math.max(0, distance - CLEAR_PATH_M);
  const through = (fraction: number) => Math.exp((-PER_MILLIMETRE * vapourDensity(air, fraction) * way) / 1000 - PER_METRE * way);
  const value = through(humidity ?? (DRY + DAMP) / 2);
  const known = UNSURE * (1 - value);
  if (humidity !== null) return { value, uncertainty: known };
  return { value, uncertainty: Math.hypot(known, (through(DRY) - through(DAMP)) / Math.sqrt(12)) };
}

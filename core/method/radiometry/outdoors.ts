import { requireRange } from '../../ground/errors';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';

/** Share of the sky in what an upright wall mirrors; the rest is ground and houses. Street to open field: 0.15 … 0.55. */
const UPRIGHT_SKY = 0.4;
/** Radiance of a clear sky in this band, as a share of a black body's at air temperature: the air is clear between 8 and 13 µm. */
const CLEAR_SKY = 0.58;
/** Share of a covered sky that is cloud, and so nearly as warm as the air. */
const CLOUD_SHARE = 0.85;

/** Standard uncertainties under a clear and under a covered sky, K. */
const UNSURE_CLEAR = 5;
const UNSURE_COVERED = 2;
/** Cloud that is taken where nobody said, per cent. */
const UNKNOWN_CLOUD = 50;

/**
 * What a wall outdoors mirrors, until foil says better.
 *
 * @param air - °C, −80 … 60
 * @param cloud - per cent, 0 … 100; null where nobody said
 * @param skyShare - of the sky in what is mirrored, 0 … 1; a roof has more of it
 * @returns °C, with its standard uncertainty; the same for no two walls, which see different parts of the sky
 * @throws CoreError `out_of_range`
 *
 * The mean of sky and ground in radiance. Measured effective temperatures of clear skies in 8 … 14 µm lie 20 … 60 K under the
 * air (Vollmer & Möllmann, Infrared Thermal Imaging, ch. 4); 0.58 of the air's radiance is some 35 K under it.
 */
export function reflectedOutdoors(
  air: number,
  cloud: number | null,
  skyShare = UPRIGHT_SKY,
): { value: number; uncertainty: number } {
  requireRange('air', air, -80, 60);
  requireRange('cloud', cloud ?? UNKNOWN_CLOUD, 0, 100);
  const covered = CLOUD_SHARE * ((cloud ?? UNKNOWN_CLOUD) / 100);
  const ofAir = radianceFromTemperature(air);
  const sky = ((1 - covered) * CLEAR_SKY + covered) * ofAir;
  const value = temperatureFromRadiance(skyShare * sky + (1 - skyShare) * ofAir);
  const known = cloud === null ? 0 : cloud / 100;
  return { value, uncertainty: UNSURE_CLEAR + known * (UNSURE_COVERED - UNSURE_CLEAR) };
}

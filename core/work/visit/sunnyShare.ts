import { dayOfYear, facadeBeam, irradiance } from '../../method/weather/irradiance';
import type { SunPosition } from '../../method/weather/sun';
import { ABSORPTANCE } from '../../method/weather/wallMemory';
import { FULL_SUN_WH } from '../../method/weather/wallResponse';

const HOUR_MS = 3_600_000;
/** So many hours before the sun was last seen count, and each by its middle. */
const SUNNY_H = 8;

/**
 * How much sun a façade took up until it was last seen, as a share of a sunny day's; where the place is not known, any wall may have
 * had all of it.
 *
 * @param until - when the sun was last seen, ms since 1970
 * @param cloud - 0 … 1
 */
export function sunnyShare(azimuth: number, until: number, cloud: number, sunAt: (at: number) => SunPosition | null): number {
  let taken = 0;
  for (let ago = 0.5; ago < SUNNY_H; ago += 1) {
    const at = until - ago * HOUR_MS;
    const sun = sunAt(at);
    if (!sun) return 1;
    taken += ABSORPTANCE * facadeBeam(sun, irradiance(sun.altitudeDeg, dayOfYear(at), cloud), azimuth);
  }
  return Math.min(1, taken / FULL_SUN_WH);
}

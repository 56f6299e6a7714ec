import { requireRange } from './errors';
import { saturationPressure } from './saturation';

/** Sea level, Pa. */
const STANDARD_PRESSURE = 101_325;
const WATER_TO_AIR = 0.621945;

function humidityRatio(vapour: number): number {
  return (WATER_TO_AIR * vapour) / (STANDARD_PRESSURE - vapour);
}

/** Humidity ratio of air at `air` whose wet bulb reads `bulb`; over an ice bulb below freezing. */
function ratioForBulb(air: number, bulb: number): number {
  const saturated = humidityRatio(saturationPressure(bulb));
  return bulb >= 0
    ? ((2501 - 2.326 * bulb) * saturated - 1.006 * (air - bulb)) / (2501 + 1.86 * air - 4.186 * bulb)
    : ((2830 - 0.24 * bulb) * saturated - 1.006 * (air - bulb)) / (2830 + 1.86 * air - 2.1 * bulb);
}

/**
 * Thermodynamic wet-bulb temperature at sea level: nothing that dries in this air gets colder.
 *
 * @param air - °C, −40 … 60
 * @param humidity - of the air, fraction above 0 and up to 1
 * @returns °C, never above `air`
 * @throws CoreError `out_of_range`
 *
 * ASHRAE Handbook - Fundamentals (2017), ch. 1, eq. 33 and 35, by bisection to 1e-6 K. A place 1000 m up has a wet bulb
 * up to 0.4 K lower.
 */
export function wetBulbFromHumidity(air: number, humidity: number): number {
  requireRange('air temperature', air, -40, 60);
  requireRange('humidity', humidity, Number.MIN_VALUE, 1);
  const wanted = humidityRatio(humidity * saturationPressure(air));
  let low = -100;
  let high = air;
  while (high - low > 1e-7) {
    const middle = (low + high) / 2;
    if (ratioForBulb(air, middle) > wanted) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}

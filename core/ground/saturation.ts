import { requireRange } from './errors';
import { ZERO_CELSIUS_IN_KELVIN } from './temperature';

/** Hyland & Wexler 1983, ASHRAE Handbook - Fundamentals (2017), ch. 1, eq. 5 (over ice); natural log of Pa, T in K. */
const ICE = [-5674.5359, 6.3925247, -9.677843e-3, 6.2215701e-7, 2.0747825e-9, -9.484024e-13, 4.1635019] as const;
/** The same, eq. 6 (over liquid water). */
const WATER = [-5800.2206, 1.3914993, -4.8640239e-2, 4.1764768e-5, -1.4452093e-8, 6.5459673] as const;

function logSaturationPressure(celsius: number): number {
  const t = celsius + ZERO_CELSIUS_IN_KELVIN;
  if (celsius < 0) {
    const [a, b, c, d, e, f, g] = ICE;
    return a / t + b + c * t + d * t ** 2 + e * t ** 3 + f * t ** 4 + g * Math.log(t);
  }
  const [a, b, c, d, e, f] = WATER;
  return a / t + b + c * t + d * t ** 2 + e * t ** 3 + f * Math.log(t);
}

/**
 * Pressure of saturated water vapour, over ice below 0 °C, over water from there.
 *
 * @param celsius - −100 … 200 °C
 * @returns Pa
 * @throws CoreError `out_of_range`
 */
export function saturationPressure(celsius: number): number {
  requireRange('temperature', celsius, -100, 200);
  return Math.exp(logSaturationPressure(celsius));
}

/** Temperature at which vapour of the given pressure is saturated, °C: Newton on the logarithm, to 1e-6 K. */
function saturationTemperature(logPressure: number, start: number): number {
  let celsius = start;
  for (let step = 0; step < 50; step += 1) {
    const slope = (logSaturationPressure(celsius + 0.01) - logSaturationPressure(celsius - 0.01)) / 0.02;
    const change = (logSaturationPressure(celsius) - logPressure) / slope;
    celsius = Math.max(-100, celsius - change);
    if (Math.abs(change) < 1e-6) break;
  }
  return celsius;
}

/**
 * Temperature at which water boils.
 *
 * @param pressure - of the air, Pa, 30 000 … 120 000
 * @returns °C
 * @throws CoreError `out_of_range`
 */
export function boilingPointFromPressure(pressure: number): number {
  requireRange('pressure', pressure, 30_000, 120_000);
  return saturationTemperature(Math.log(pressure), 95);
}

/**
 * Dew point of moist air (frost point below 0 °C).
 *
 * @param air - dry-bulb temperature, °C, −80 … 200
 * @param humidity - relative humidity as a fraction, above 0 and up to 1
 * @returns °C, never above `air`
 * @throws CoreError `out_of_range` with argument, value and range (NaN included)
 */
export function dewPointFromHumidity(air: number, humidity: number): number {
  return surfaceTemperatureAtHumidity(air, humidity, 1);
}

/**
 * Temperature of the surface at which the air right before it reaches a given relative humidity: 1 is the dew point,
 * 0.8 held over days is where mould becomes likely (ISO 13788).
 *
 * @param air - °C, −80 … 200
 * @param humidity - of the air in the room, fraction above 0 and up to 1
 * @param atSurface - fraction above 0 and up to 1
 * @returns °C
 * @throws CoreError `out_of_range`
 */
export function surfaceTemperatureAtHumidity(air: number, humidity: number, atSurface: number): number {
  requireRange('air temperature', air, -80, 200);
  requireRange('humidity', humidity, Number.MIN_VALUE, 1);
  requireRange('humidity at the surface', atSurface, Number.MIN_VALUE, 1);
  const logPressure = Math.log(humidity / atSurface) + Math.log(saturationPressure(air));
  return saturationTemperature(logPressure, Math.min(air, 60) - 5);
}

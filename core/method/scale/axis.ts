import { inverseLine, throughLine, type RadianceLine } from '../radiometry/measurement';

/**
 * An even division of stored values between two object temperatures, so that a loop over pixels can go from a stored
 * value to anything that depends on the object's temperature by one look-up, whatever the settings are.
 */
export interface StoredAxis {
  /** Stored value of the first division's lower edge, °C. */
  from: number;
  /** Divisions per kelvin of stored value. */
  perKelvin: number;
  /** Object temperature in the middle of each division, °C. */
  objects: Float64Array;
}

/** Ends are widened by this much, K, so that a frame's own extremes fall inside in spite of rounding. */
const SLACK = 1e-3;

/**
 * @param low - object temperature at the lower end, °C
 * @param high - at the upper end, above `low`
 * @param divisions - how many, at least 1
 */
export function storedAxis(line: RadianceLine, low: number, high: number, divisions: number): StoredAxis {
  const back = inverseLine(line);
  const stored = (object: number, otherwise: number) => {
    const value = throughLine(object, back);
    return Number.isNaN(value) ? otherwise : value;
  };
  const from = stored(low, -260) - SLACK;
  const to = stored(high, -259) + SLACK;
  const step = (to - from) / divisions;
  const objects = new Float64Array(divisions);
  for (let i = 0; i < divisions; i += 1) objects[i] = throughLine(from + (i + 0.5) * step, line);
  return { from, perKelvin: 1 / step, objects };
}

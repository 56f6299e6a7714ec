import type { RadianceLine } from '../radiometry/measurement';
import { storedAxis } from './axis';

const DIVISIONS = 2048;

/**
 * How many pixels have their object temperature in each of `bins` even steps between `low` and `high` (°C). Pixels
 * beyond the ends, without a reading or left out are not counted. Linear in pixels.
 *
 * @param leftOut - pixels that do not count, 1 each; null for none
 */
export function temperatureHistogram(
  values: Float32Array,
  line: RadianceLine,
  low: number,
  high: number,
  bins: number,
  leftOut: Uint8Array | null = null,
): Uint32Array {
  const axis = storedAxis(line, low, high, DIVISIONS);
  const binOf = Uint16Array.from(axis.objects, (object) =>
    Math.max(0, Math.min(bins - 1, Math.floor(((object - low) / (high - low)) * bins))),
  );
  const counts = new Uint32Array(bins);
  const { from, perKelvin } = axis;
  for (let i = 0; i < values.length; i += 1) {
    const place = (values[i]! - from) * perKelvin;
    if (place >= 0 && place < DIVISIONS && leftOut?.[i] !== 1) counts[binOf[place | 0]!]! += 1;
  }
  return counts;
}

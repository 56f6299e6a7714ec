import { CoreError } from '../../ground/errors';
import { extremesOf } from '../../ground/extremes';
import { hasReading } from '../../ground/hasReading';
import type { Basis } from '../../ground/basis';
import { radianceFromTemperature, temperatureFromRadiance } from './bandTable';
import { radiometricSettingsSchema, type RadiometricSettings } from '../../ground/radiometricSettings';

/** A straight line in band radiance, `L(object) = gain · L(stored value) + offset`. */
export interface RadianceLine {
  gain: number;
  offset: number;
}

export const IDENTITY_LINE: RadianceLine = { gain: 1, offset: 0 };

function requireSettings(settings: RadiometricSettings): void {
  const checked = radiometricSettingsSchema.safeParse(settings);
  if (checked.success) return;
  const argument = String(checked.error.issues[0]?.path[0]) as keyof RadiometricSettings;
  const fraction = argument === 'emissivity' || argument === 'transmittance';
  const range = fraction ? 'above 0 and up to 1' : '-150 … 2000 °C';
  throw new CoreError(
    'out_of_range',
    `${argument} is ${settings[argument]}, but must be ${range}.`,
    { argument, value: String(settings[argument]), range },
    fraction ? `Give ${argument} as a fraction, for example 0.95.` : `Give ${argument} in °C.`,
  );
}

/**
 * The measurement equation as a line in radiance, from what a camera saw to the object:
 * `L(app) = τ ε L(obj) + τ (1−ε) L(refl) + (1−τ) L(air)` (Vollmer & Möllmann, Infrared Thermal Imaging, ch. 2).
 *
 * @throws CoreError `out_of_range` naming the setting
 */
function objectLine(settings: RadiometricSettings): RadianceLine {
  requireSettings(settings);
  const { emissivity, reflected, air, transmittance } = settings;
  const seenOfObject = transmittance * emissivity;
  const surroundings =
    transmittance * (1 - emissivity) * radianceFromTemperature(reflected) + (1 - transmittance) * radianceFromTemperature(air);
  return { gain: 1 / seenOfObject, offset: -surroundings / seenOfObject };
}

/**
 * From stored values to object temperatures: undoes what a camera computed, then applies the settings. Both steps are
 * lines in radiance, so together they are one, and undoing costs nothing per pixel.
 *
 * @throws CoreError `out_of_range` naming the setting
 */
export function radianceLine(basis: Basis, settings: RadiometricSettings): RadianceLine {
  const apply = objectLine(settings);
  const undo = apparentLine(basis);
  return { gain: apply.gain * undo.gain, offset: apply.gain * undo.offset + apply.offset };
}

/** From stored values back to apparent temperatures. */
function apparentLine(basis: Basis): RadianceLine {
  if (basis.kind === 'apparent') return IDENTITY_LINE;
  const computed = objectLine(basis.settings);
  return { gain: 1 / computed.gain, offset: -computed.offset / computed.gain };
}

function isIdentity(line: RadianceLine): boolean {
  return Math.abs(line.gain - 1) < 1e-15 && Math.abs(line.offset) < 1e-15;
}

/**
 * One temperature through a line in radiance.
 *
 * @param value - °C
 * @returns °C; NaN when the result is not physical or `value` is NaN
 */
export function throughLine(value: number, line: RadianceLine): number {
  if (isIdentity(line)) return value;
  return temperatureFromRadiance(line.gain * radianceFromTemperature(value) + line.offset);
}

/** The line that leads back: from object temperatures to stored values. */
export function inverseLine(line: RadianceLine): RadianceLine {
  return { gain: 1 / line.gain, offset: -line.offset / line.gain };
}

/** Below this many values a table costs more than it saves. */
const TABLE_FROM = 4096;
/** Width of a table's step, K, where the frame's range allows it. */
const TABLE_STEP = 0.05;
const MOST_STEPS = 16384;
/** A step in which a straight line strays further than this, K, is left to the exact way. */
const STRAIGHT = 5e-5;

/**
 * Many temperatures through a line in radiance. Linear in pixels, 2 … 4 ms for 640×480.
 *
 * @param values - °C, NaN for no reading
 * @param out - receives °C; same length as `values`, may be `values` itself
 * @returns how many pixels lost their reading because the settings have no physical solution for them
 *
 * Large frames go through one table over their own range, straight between its nodes; where that would stray by more
 * than 0.05 mK (close to what is physically impossible) the pixel is computed by itself.
 */
export function correctValues(values: Float32Array, line: RadianceLine, out: Float32Array): number {
  if (isIdentity(line)) {
    out.set(values);
    return 0;
  }
  const extremes = values.length >= TABLE_FROM ? extremesOf(values) : null;
  if (!extremes) return correctEach(values, line, out);

  const steps = Math.max(1, Math.min(MOST_STEPS, Math.ceil((extremes.max - extremes.min) / TABLE_STEP)));
  const step = (extremes.max - extremes.min) / steps || TABLE_STEP;
  const { start, slope, straight } = straightTable(extremes.min, step, steps, line);
  const perStep = 1 / step;
  const from = extremes.min;
  if (straight && extremes.count === values.length) {
    // Nothing can go astray here, so nothing is checked: this is the loop that most frames take.
    for (let k = 0; k < values.length; k += 1) {
      const value = values[k]!;
      const i = ((value - from) * perStep) | 0;
      out[k] = start[i]! + slope[i]! * value;
    }
    return 0;
  }
  let lost = 0;
  for (let k = 0; k < values.length; k += 1) {
    const value = values[k]!;
    const i = ((value - from) * perStep) | 0;
    let result = start[i]! + slope[i]! * value;
    if (!hasReading(result)) {
      result = throughLine(value, line);
      if (!hasReading(result) && hasReading(value)) lost += 1;
    }
    out[k] = result;
  }
  return lost;
}

function correctEach(values: Float32Array, line: RadianceLine, out: Float32Array): number {
  let lost = 0;
  for (let k = 0; k < values.length; k += 1) {
    const value = values[k]!;
    const result = throughLine(value, line);
    if (hasReading(value) && !hasReading(result)) lost += 1;
    out[k] = result;
  }
  return lost;
}

/**
 * A straight line `start + slope · value` for each step; NaN where that does not do. One step more catches the highest
 * value.
 */
function straightTable(
  from: number,
  step: number,
  steps: number,
  line: RadianceLine,
): { start: Float64Array; slope: Float64Array; straight: boolean } {
  const start = new Float64Array(steps + 1);
  const slope = new Float64Array(steps + 1);
  let straight = true;
  let here = throughLine(from, line);
  for (let i = 0; i <= steps; i += 1) {
    const left = from + i * step;
    const next = throughLine(left + step, line);
    const middle = throughLine(left + step / 2, line);
    const fits = Math.abs(here + next - 2 * middle) < 2 * STRAIGHT;
    straight &&= fits;
    slope[i] = fits ? (next - here) / step : NaN;
    start[i] = here - slope[i]! * left;
    here = next;
  }
  return { start, slope, straight };
}

/**
 * Apparent temperature of a surface: what the camera sees of an object temperature under these settings.
 *
 * @param object - °C
 * @returns °C
 * @throws CoreError `out_of_range` for settings
 */
export function apparentTemperature(object: number, settings: RadiometricSettings): number {
  return throughLine(object, inverseLine(objectLine(settings)));
}

export function impossibleSettings(): CoreError {
  return new CoreError(
    'impossible',
    'No surface can look like this with these settings: the reflection alone would be brighter than what the camera saw.',
    { argument: 'emissivity, reflected' },
    'Check the reflected apparent temperature, or raise the emissivity.',
  );
}

import { CoreError } from '../../ground/errors';
import { type FrameWarning } from '../frame/frame';
import { hasReading } from '../../ground/hasReading';
import { celsiusConversion, type TemperatureUnit } from '../../ground/temperature';

/** Outside of this nothing that is surveyed lies, so such a value means a wrong unit or a damaged file; °C. */
const LOWEST_PLAUSIBLE_C = -150;
const HIGHEST_PLAUSIBLE_C = 2000;

/** Unsigned 16-bit numbers are centikelvin if that gives these temperatures; otherwise nobody knows what they are. */
const CENTIKELVIN_HIGHEST_C = 400;

/**
 * Floating-point values are kelvin when their middle lies within this band: as °C half of the picture would be hotter than an
 * oven. A lamp or a piece of clear sky in view does not move the middle.
 */
const KELVIN_BAND = [200, 400] as const;
/** So many values, spread evenly, tell the middle well enough. */
const MIDDLE_OF = 4096;

/** Finds a unit in free text such as `unit=K`, `Unit: °F`, `Temperature (K)` or `Temperature [°C]`. */
export function unitInText(text: string): TemperatureUnit | null {
  const stated =
    /\bunits?\b["']?\s*[=:,;\t ]\s*["']?\s*(centi-?kelvin|kelvin|celsius|fahrenheit|cK|K|[°º]?\s?[CF])(?![A-Za-z])/i.exec(text) ??
    /[([]\s*(centi-?kelvin|kelvin|celsius|fahrenheit|cK|K|[°º]?\s?[CF])\s*[)\]]/i.exec(text) ??
    /[°º]\s?([CF])(?![A-Za-z])/.exec(text);
  if (!stated) return null;
  const word = stated[1]!.replace(/[°º\s-]/g, '').toLowerCase();
  if (word === 'ck' || word === 'centikelvin') return 'cK';
  if (word.startsWith('k')) return 'K';
  return word.startsWith('f') ? 'F' : 'C';
}

export interface UnitChoice {
  /** Said by the user; wins over everything. */
  forced?: TemperatureUnit | undefined;
  /** Stated in the file. */
  stated?: TemperatureUnit | null;
  /** How the file stores numbers. */
  storage: 'integer16' | 'real';
}

export interface ConvertedValues {
  unit: TemperatureUnit;
  warnings: FrameWarning[];
}

/** Of the values that are not finite, at most this share may be missing, and only when that is allowed. */
const MISSING_SHARE = 0.01;

/**
 * Turns stored numbers into °C in place, or refuses them whole.
 *
 * @param values - numbers as the file stores them, row by row; afterwards °C, NaN where a pixel has no reading
 * @param allowMissing - up to 1 % of the pixels may be not finite; they become pixels without a reading
 * @throws CoreError `not_finite`, `unit_unknown`, `absurd`, each with the first place
 */
export function convertToCelsius(
  values: Float32Array,
  width: number,
  choice: UnitChoice,
  allowMissing: boolean,
): ConvertedValues {
  const warnings: FrameWarning[] = [];
  const { min, max, missing } = finiteRange(values);
  if (missing > 0) {
    const firstMissing = values.findIndex((value) => !Number.isFinite(value));
    values.forEach((value, i) => {
      if (!Number.isFinite(value)) values[i] = NaN;
    });
    const place = { x: firstMissing % width, y: Math.floor(firstMissing / width) };
    const small = missing <= MISSING_SHARE * values.length;
    if (!allowMissing || !small) {
      throw new CoreError(
        'not_finite',
        `${missing} ${missing === 1 ? 'pixel is' : 'pixels are'} not a finite number; the first is at x = ${place.x}, y = ${place.y}.`,
        place,
        small
          ? 'Export the frame again, or allow pixels without a value (on the bench in the summary of the import, at the command line with --allow-missing): they are then left without a reading.'
          : 'Export the frame again: more than 1 % of its pixels hold no temperature.',
      );
    }
    warnings.push({ code: 'missing_pixels', message: `${missing} pixels have no reading.` });
  }

  const unit = chooseUnit(choice, min, max, values, warnings);
  const { scale, offset } = celsiusConversion(unit);
  if (unit !== 'C') for (let i = 0; i < values.length; i += 1) values[i] = values[i]! * scale + offset;

  const lowest = min * scale + offset;
  const highest = max * scale + offset;
  if (lowest < LOWEST_PLAUSIBLE_C || highest > HIGHEST_PLAUSIBLE_C) {
    const bad = values.findIndex((v) => hasReading(v) && (v < LOWEST_PLAUSIBLE_C || v > HIGHEST_PLAUSIBLE_C));
    const x = bad % width;
    const y = Math.floor(bad / width);
    throw new CoreError(
      'absurd',
      `The pixel at x = ${x}, y = ${y} would be ${values[bad]!.toFixed(1)} °C; nothing that is surveyed lies outside ${LOWEST_PLAUSIBLE_C} … ${HIGHEST_PLAUSIBLE_C} °C.`,
      { x, y, value: values[bad]!, range: `${LOWEST_PLAUSIBLE_C} … ${HIGHEST_PLAUSIBLE_C} °C` },
      'Check the unit of the file and write it into its header (unit=C, F or K), or export the frame again.',
    );
  }
  return { unit, warnings };
}

/** Least and greatest of the finite values, and how many are not finite. Most values lie within those before: one test each. */
function finiteRange(values: Float32Array): { min: number; max: number; missing: number } {
  let min = Infinity;
  let max = -Infinity;
  let missing = 0;
  for (let i = 0; i < values.length; i += 1) {
    const value = values[i]!;
    if (value >= min && value <= max) continue;
    if (!Number.isFinite(value)) missing += 1;
    else {
      if (value < min) min = value;
      if (value > max) max = value;
    }
  }
  return { min, max, missing };
}

function chooseUnit(
  choice: UnitChoice,
  min: number,
  max: number,
  values: Float32Array,
  warnings: FrameWarning[],
): TemperatureUnit {
  if (choice.forced) return choice.forced;
  if (choice.stated) return choice.stated;
  if (choice.storage === 'integer16') {
    const { scale, offset } = celsiusConversion('cK');
    if (min * scale + offset >= LOWEST_PLAUSIBLE_C && max * scale + offset <= CENTIKELVIN_HIGHEST_C) return 'cK';
    throw new CoreError(
      'unit_unknown',
      `The file holds whole numbers from ${min} to ${max} and does not say their unit; as hundredths of a kelvin they would be ${(min * scale + offset).toFixed(0)} … ${(max * scale + offset).toFixed(0)} °C.`,
      { value: `${min} … ${max}` },
      'Export the frame with temperatures, or state the unit at the command line with --unit (C, F, K or cK).',
    );
  }
  const middle = middleOf(values);
  if (middle >= KELVIN_BAND[0] && middle <= KELVIN_BAND[1]) {
    warnings.push({
      code: 'unit_assumed_kelvin',
      message: `Values from ${min.toFixed(1)} to ${max.toFixed(1)}, their middle at ${middle.toFixed(1)}, without a unit were taken as kelvin.`,
    });
    return 'K';
  }
  return 'C';
}

/** The median of values that are finite, from an even sample of them. */
function middleOf(values: Float32Array): number {
  const stride = Math.max(1, Math.floor(values.length / MIDDLE_OF));
  const sample: number[] = [];
  for (let i = 0; i < values.length; i += stride) if (Number.isFinite(values[i]!)) sample.push(values[i]!);
  sample.sort((a, b) => a - b);
  return sample[sample.length >> 1] ?? NaN;
}

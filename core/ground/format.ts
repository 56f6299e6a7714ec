import { fahrenheitDifferenceFromKelvin, fahrenheitFromCelsius, type DisplayUnit } from './temperature';

/** Numbers as people read them: a real minus, a fixed number of decimals, the unit always there. */

export function number(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  if (value >= 0) return text;
  // −0.0 is zero.
  return Number(text) === 0 ? text.replace('-', '') : text.replace('-', '−');
}

/** `82 %`, of a share 0 … 1. */
export function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}

/** `18.9 °C` */
export function temperature(celsius: number, unit: DisplayUnit = 'C', decimals = 1): string {
  return `${number(unit === 'C' ? celsius : fahrenheitFromCelsius(celsius), decimals)} °${unit}`;
}

/** `18.9`, for a place where the unit stands beside. */
export function bareTemperature(celsius: number, unit: DisplayUnit = 'C', decimals = 1): string {
  return number(unit === 'C' ? celsius : fahrenheitFromCelsius(celsius), decimals);
}

export function differenceUnit(unit: DisplayUnit): string {
  return unit === 'C' ? 'K' : '°F';
}

function differenceIn(kelvin: number, unit: DisplayUnit): number {
  return unit === 'C' ? kelvin : fahrenheitDifferenceFromKelvin(kelvin);
}

/** `−5.2 K` */
export function difference(kelvin: number, unit: DisplayUnit = 'C', decimals = 1): string {
  return `${number(differenceIn(kelvin, unit), decimals)} ${differenceUnit(unit)}`;
}

/** `+6.0 K`, `−6.0 K` */
export function signedDifference(kelvin: number, unit: DisplayUnit = 'C', decimals = 1): string {
  const text = difference(kelvin, unit, decimals);
  return kelvin > 0 && !/^0(\.0+)? /.test(text) ? `+${text}` : text;
}

/** A limit that lies so much farther than the other makes an interval lopsided. */
const LOPSIDED = 1.25;

/**
 * How sure a value is, for people: `± 0.3` (95 %), `−1.2 / +3.4` where the limits lie unevenly, and that it cannot be read where
 * one of them has no end.
 */
export function spread(
  value: number,
  { total, interval: [low, high] }: { total: number; interval: readonly [number, number] },
  unit: DisplayUnit = 'C',
): string {
  const [down, up] = [value - low, high - value];
  if (!Number.isFinite(down) || !Number.isFinite(up)) return CANNOT_BE_READ;
  if (Math.max(down, up) <= LOPSIDED * Math.min(down, up) || Math.max(down, up) < 0.2) return plusMinus(total, unit);
  return `−${number(differenceIn(down, unit), 1)} / +${number(differenceIn(up, unit), 1)}`;
}

/** Said of a surface that mirrors more than can be taken out. */
export const CANNOT_BE_READ = 'cannot be read';

/** `± 0.3`: twice the standard uncertainty, the half width of a 95 % interval, never rounded down to nothing. */
export function plusMinus(standardUncertainty: number, unit: DisplayUnit = 'C'): string {
  const half = differenceIn(2 * standardUncertainty, unit);
  return `± ${half > 0 && half < 0.05 ? '< 0.1' : number(half, 1)}`;
}

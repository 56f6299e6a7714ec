import { hasReading } from '../../ground/hasReading';
import type { ProfilePoint } from './profile';

export interface Spacing {
  /** From line to line. */
  pixels: number;
  /** How many lines the profile holds. */
  lines: number;
}

/** Nearer lines than this are one: the optics join them, pixels. */
const LEAST_PIXELS = 5;
/** So many lines have to fit into a profile. */
const LEAST_LINES = 3;
/** In standard deviations of what chance gives: the first repetition, looked for at many distances, and the second, at one. */
const SURE = 5;
const SURE_AGAIN = 3;
/** Slow changes up to this power of the way are no pattern. */
const TREND = 3;

/**
 * The even distance between lines of a profile, such as studs behind a wall, cold or warm.
 *
 * @returns null where nothing repeats more clearly than noise would by chance: a plain wall, a single line, lines that are
 *   not even, or fewer than three of them
 *
 * By autocorrelation after slow changes are taken out: of n pixels of noise it is normal with 1/√n (Box & Jenkins, Time Series
 * Analysis, ch. 2), so that depth counts against the profile's own noise and not in kelvin.
 */
export function spacingOf(points: readonly ProfilePoint[]): Spacing | null {
  const n = points.length;
  const longest = Math.floor(n / LEAST_LINES);
  if (longest <= LEAST_PIXELS) return null;
  const values = withoutTrend(points.map(({ celsius }) => celsius));
  const power = values.reduce((sum, value) => sum + value * value, 0) / n;
  if (power === 0) return null;
  const correlation = (lag: number) => {
    let sum = 0;
    for (let i = 0; i + lag < n; i += 1) sum += values[i]! * values[i + lag]!;
    return sum / (n - lag) / power;
  };
  const at = Array.from({ length: Math.min(n - 1, 2 * longest + 2) }, (_, lag) => correlation(lag));
  const clear = (lag: number) => at[lag]! * Math.sqrt(n - lag);
  // Between one line and the next the profile is unlike itself.
  const from = at.findIndex((value) => value < 0);
  if (from < 0) return null;
  for (let lag = Math.max(LEAST_PIXELS, from); lag <= longest; lag += 1) {
    if (clear(lag) < SURE || at[lag]! < at[lag - 1]! || at[lag]! < at[lag + 1]!) continue;
    const again = highest(at, 2 * lag - Math.ceil(lag / 8), 2 * lag + Math.ceil(lag / 8));
    if (clear(again) < SURE_AGAIN) continue;
    // The second repetition says the distance twice as finely.
    const pixels = peakAt(at, again) / 2;
    const way = (points.at(-1)!.along - points[0]!.along) / (n - 1);
    return { pixels: pixels * way, lines: Math.round(n / pixels) };
  }
  return null;
}

function highest(at: readonly number[], from: number, to: number): number {
  let best = from;
  for (let lag = from; lag <= Math.min(to, at.length - 2); lag += 1) if (at[lag]! > at[best]!) best = lag;
  return best;
}

/** Top of the parabola through a peak and its neighbours. */
function peakAt(at: readonly number[], lag: number): number {
  const [left, middle, right] = [at[lag - 1]!, at[lag]!, at[lag + 1]!];
  const bend = left - 2 * middle + right;
  return bend < 0 ? lag + Math.max(-0.5, Math.min(0.5, (left - right) / (2 * bend))) : lag;
}

/** Values less the cubic that fits them best; what has no reading is 0. */
function withoutTrend(values: readonly number[]): Float64Array {
  const left = Float64Array.from(values);
  const known = values.map(hasReading);
  const basis: Float64Array[] = [];
  for (let power = 0; power <= TREND; power += 1) {
    const next = Float64Array.from(values, (_, i) => (known[i] ? ((2 * i) / (values.length - 1) - 1) ** power : 0));
    for (const other of basis) subtract(next, other);
    const length = Math.sqrt(next.reduce((sum, value) => sum + value * value, 0));
    if (length > 1e-9) basis.push(next.map((value) => value / length));
  }
  for (let i = 0; i < left.length; i += 1) if (!known[i]) left[i] = 0;
  for (const one of basis) subtract(left, one);
  for (let i = 0; i < left.length; i += 1) if (!known[i]) left[i] = 0;
  return left;
}

/** Takes out what lies along a unit vector. */
function subtract(values: Float64Array, unit: Float64Array): void {
  let along = 0;
  for (let i = 0; i < values.length; i += 1) along += values[i]! * unit[i]!;
  for (let i = 0; i < values.length; i += 1) values[i]! -= along * unit[i]!;
}

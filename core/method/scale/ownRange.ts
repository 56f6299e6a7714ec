import { extremesOf } from '../../ground/extremes';
import { throughLine, type RadianceLine } from '../radiometry/measurement';
import { temperatureHistogram } from './histogram';

/** The ends between which a frame is worth colouring, and what lies beyond them by itself, °C of the object. */
export interface OwnRange {
  low: number;
  high: number;
  /** Things colder than this were left out, with their share of the picture; null when nothing was. */
  colderThan: { celsius: number; share: number } | null;
  warmerThan: { celsius: number; share: number } | null;
}

/** Colours leave out this share of the pixels at each end. */
const TRIM = 0.004;
const BINS = 800;
/** Beyond so many widths of the middle half from its ends something is not part of what is looked at … */
const WIDTHS_AWAY = 3;
/** … and at least so far, K. */
const LEAST_AWAY_K = 6;
/** Less than this share is not worth a word. */
const WORTH_SAYING = 0.002;
/** Outdoors what is this far below the air is sky, K. */
const SKY_BELOW_AIR_K = 12;

/**
 * The range of a frame by itself: without what was left out by hand, without hot objects and sky, and trimmed of single
 * pixels.
 *
 * @param line - from stored values to object temperatures
 * @param leftOut - pixels that do not count, 1 each
 * @param outdoorAir - °C, given for a frame that was taken outside: what is 12 K colder is sky
 *
 * Hot and cold objects are what lies farther than three widths of the middle half (and 6 K) beyond it, so up to a quarter of
 * the picture at each end can be left out. Linear in pixels.
 */
export function ownRange(
  values: Float32Array,
  line: RadianceLine,
  leftOut: Uint8Array | null = null,
  outdoorAir: number | null = null,
): OwnRange {
  const whole = (low: number, high: number): OwnRange => ({ low, high, colderThan: null, warmerThan: null });
  const extremes = extremesOf(values);
  if (!extremes) return whole(0, 1);
  const min = throughLine(extremes.min, line);
  const max = throughLine(extremes.max, line);
  if (!(max > min)) return whole(extremes.min - 0.5, extremes.max + 0.5);
  const counts = temperatureHistogram(values, line, min, max, BINS, leftOut);
  const step = (max - min) / BINS;
  const total = counts.reduce((sum, count) => sum + count, 0);
  if (total === 0) return whole(min, max);
  const skyBelow = outdoorAir === null ? -Infinity : outdoorAir - SKY_BELOW_AIR_K;
  const ground = counts.map((count, i) => (min + (i + 1) * step < skyBelow ? 0 : count));
  const groundTotal = ground.reduce((sum, count) => sum + count, 0);
  const body = groundTotal > 0.05 * total ? ground : counts;
  const bodyTotal = body === ground ? groundTotal : total;
  const quarter = min + binAt(body, 0.25 * bodyTotal) * step;
  const threeQuarters = min + binAt(body, 0.75 * bodyTotal) * step;
  const away = Math.max(LEAST_AWAY_K, WIDTHS_AWAY * (threeQuarters - quarter));
  const coldest = Math.max(quarter - away, body === ground ? skyBelow : -Infinity);
  const warmest = threeQuarters + away;

  const kept = counts.map((count, i) => {
    const middle = min + (i + 0.5) * step;
    return middle < coldest || middle > warmest ? 0 : count;
  });
  const keptTotal = kept.reduce((sum, count) => sum + count, 0);
  const share = (of: (middle: number) => boolean) =>
    counts.reduce((sum, count, i) => sum + (of(min + (i + 0.5) * step) ? count : 0), 0) / total;
  const low = min + Math.floor(binAt(kept, TRIM * keptTotal)) * step;
  const high = min + Math.ceil(binAt(kept, (1 - TRIM) * keptTotal)) * step;
  const said = (celsius: number, part: number) => (part >= WORTH_SAYING ? { celsius, share: part } : null);
  return {
    low,
    high: Math.max(high, low + step),
    colderThan: said(
      Math.max(coldest, min),
      share((middle) => middle < coldest),
    ),
    warmerThan: said(
      Math.min(warmest, max),
      share((middle) => middle > warmest),
    ),
  };
}

/** Where, in bins, so many pixels have been counted. */
function binAt(counts: Uint32Array, wanted: number): number {
  let seen = 0;
  for (let i = 0; i < counts.length; i += 1) {
    if (seen + counts[i]! >= wanted && counts[i]! > 0) return i + Math.max(0, wanted - seen) / counts[i]!;
    seen += counts[i]!;
  }
  return counts.length;
}

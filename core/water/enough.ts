import type { Source } from './source';
import { largestRise } from './spots';
import { rise } from './spread';

/** A rise counts from so many noises of one frame on. */
const NOISES = 4;
/** What one kelvin between water and floor brings in, in units of a source: a usual leak. */
const USUAL_HEAT = 0.2;
const STEP_S = 15;
const LONGEST_S = 6 * 3600;

/** Whether a series was long enough for a leak to show, and how much longer it takes if not. */
export function enoughOf({
  source,
  end,
  pixelNoise,
  on,
  D,
  drive,
}: {
  source: Source | null;
  end: number;
  pixelNoise: number;
  /** When the water was turned on, s. */
  on: number;
  D: number;
  /** Between water and floor, K. */
  drive: number;
}): { enough: boolean; moreMinutes: number | null } {
  const needed = NOISES * pixelNoise;
  const at = source
    ? (t: number) => Math.abs(source.amount) * largestRise(t, source.floor, source.spots)
    : (t: number) => USUAL_HEAT * drive * rise(0, (t - on) / D);
  if (at(end) >= needed) return { enough: true, moreMinutes: null };
  for (let t = end; t <= end + LONGEST_S; t += STEP_S) if (at(t) >= needed) return { enough: false, moreMinutes: (t - end) / 60 };
  return { enough: false, moreMinutes: null };
}

import type { Source } from './source';
import { largestRise } from './spots';
import { rise } from './spread';
import { USUAL_HEAT } from './willShow';

/** A rise counts from so many noises of one frame on. */
const NOISES = 4;
const STEP_S = 15;
const LONGEST_S = 6 * 3600;

/** Whether a series was long enough for a leak to show, and how much longer it takes if not. */
export function enoughOf({
  source,
  sure,
  end,
  pixelNoise,
  on,
  D,
  drive,
}: {
  source: Source | null;
  /** Whether the source stands out beyond doubt. */
  sure: boolean;
  end: number;
  pixelNoise: number;
  /** When the water was turned on, s. */
  on: number;
  D: number;
  /** Between water and floor, K. */
  drive: number;
}): { enough: boolean; moreMinutes: number | null } {
  const needed = NOISES * pixelNoise;
  const usual = (t: number) => USUAL_HEAT * drive * rise(0, (t - on) / D);
  const seen = source && ((t: number) => Math.abs(source.amount) * largestRise(t, source.floor, source.spots));
  if ((seen ?? usual)(end) >= needed) return { enough: true, moreMinutes: null };
  const wait = (at: (t: number) => number) => {
    for (let t = end; t <= end + LONGEST_S; t += STEP_S) if (at(t) >= needed) return Math.max(STEP_S, t - end) / 60;
    return null;
  };
  const [bySeen, byUsual] = [seen && wait(seen), wait(usual)];
  // What is seen weakly and what is usual say about as much: the middle of both.
  const both = bySeen !== null && byUsual !== null && !sure;
  return { enough: false, moreMinutes: both ? Math.sqrt(bySeen * byUsual) : (bySeen ?? byUsual) };
}

import { smoothed } from '../../ground/blur';
import type { Grid } from '../../ground/grid';
import { medianOf, robustSpread } from '../../ground/median';
import { hasReading } from '../../ground/hasReading';

/** A round place that was warm (or cold) before anything was turned on; in pixels of the grid. */
export interface Standing {
  x: number;
  y: number;
  /** About twice the standard deviation of its bell. */
  radius: number;
  /** How far its middle stands out of what surrounds it, K. */
  contrast: number;
}

/** The first frames: nothing that begins with the tap shows in them yet. */
const FIRST_FRAMES = 3;
const BLUR = 1.5;
/** Stands out at least so far, K, and so many spreads of the view. */
const LEAST_K = 1.5;
const LEAST_SPREADS = 5;
const MOST = 6;
/** A bell is at half its height at 1.18 standard deviations. Half heights are looked for in so many directions, this far. */
const HALF_SIGMAS = 1.1774;
const DIRECTIONS = 16;
const FARTHEST_SHARE = 0.35;
/** Half heights of a round place differ by this factor at most, and are found in most directions: others leave the view. */
const ROUND = 2;
const LEAST_FOUND = 0.6;
const LEAST_SIGMA = 2.5;
/** Around it, in standard deviations: what it stands out of. */
const RING = [2.6, 3.4] as const;

/**
 * Round warm places of a view as it was found: what a leak does that runs since yesterday, and what a pipe or the sun may do. They
 * are no evidence against a leak; what tells is to shut the water and to watch one cool.
 *
 * @param frames - of one view, in order; the first few are taken together
 * @param sign - 1 for warm places, −1 for cold ones
 */
export function standingPlaces(frames: readonly Grid[], sign: 1 | -1): Standing[] {
  const view = smoothed(togetherOf(frames.slice(0, FIRST_FRAMES), sign), BLUR);
  const level = medianOf(view.values.slice());
  const spread = robustSpread(view.values.slice());
  const least = Math.max(LEAST_K, LEAST_SPREADS * spread);
  const found: Standing[] = [];
  for (const { x, y } of topsOf(view, level + least)) {
    if (found.length >= MOST) break;
    if (found.some((one) => Math.hypot(one.x - x, one.y - y) < 1.5 * one.radius)) continue;
    const place = placeAt(view, x, y, level);
    if (place && place.contrast >= least) found.push({ ...place, contrast: sign * place.contrast });
  }
  return found;
}

/** The middle of the first frames, so that nobody's arm is a warm place; no reading is the level of the view. */
function togetherOf(frames: readonly Grid[], sign: 1 | -1): Grid {
  const [first] = frames as [Grid];
  const values = first.values.map((_, p) => {
    const some = frames.map((frame) => sign * frame.values[p]!).filter(hasReading);
    return some.length === 0 ? NaN : some.sort((a, b) => a - b)[(some.length - 1) >> 1]!;
  });
  const level = medianOf(values.filter(hasReading));
  return { width: first.width, height: first.height, values: values.map((value) => (hasReading(value) ? value : level)) };
}

function topsOf({ width, height, values }: Grid, level: number): { x: number; y: number }[] {
  const tops: { x: number; y: number; value: number }[] = [];
  for (let y = 1; y < height - 1; y += 1)
    for (let x = 1; x < width - 1; x += 1) {
      const value = values[y * width + x]!;
      if (value < level) continue;
      let top = true;
      for (let v = y - 1; v <= y + 1 && top; v += 1)
        for (let u = x - 1; u <= x + 1 && top; u += 1) top = values[v * width + u]! <= value;
      if (top) tops.push({ x, y, value });
    }
  return tops.sort((a, b) => b.value - a.value);
}

/** A round place around a top; null where it is long, sharp or as wide as the view. */
function placeAt(view: Grid, x: number, y: number, level: number): Standing | null {
  const { width, height, values } = view;
  const top = values[y * width + x]!;
  const farthest = FARTHEST_SHARE * Math.max(width, height);
  let around = level;
  let place: Standing | null = null;
  // What surrounds it is known once its size is; its size once that is known.
  for (let round = 0; round < 3; round += 1) {
    const half = around + (top - around) / 2;
    const reaches: number[] = [];
    let inView = 0;
    for (let k = 0; k < DIRECTIONS; k += 1) {
      const [dx, dy] = [Math.cos((2 * Math.PI * k) / DIRECTIONS), Math.sin((2 * Math.PI * k) / DIRECTIONS)];
      for (let r = 1; ; r += 0.5) {
        const [u, v] = [Math.round(x + r * dx), Math.round(y + r * dy)];
        if (u < 0 || v < 0 || u >= width || v >= height) break;
        if (values[v * width + u]! <= half) {
          reaches.push(r);
          inView += 1;
          break;
        }
        if (r > farthest) {
          inView += 1;
          break;
        }
      }
    }
    if (reaches.length < LEAST_FOUND * DIRECTIONS || reaches.length < 0.9 * inView) return null;
    reaches.sort((a, b) => a - b);
    const [near, middle, far] = [0.1, 0.5, 0.9].map((share) => reaches[Math.round(share * (reaches.length - 1))]!) as [
      number,
      number,
      number,
    ];
    const sigma = middle / HALF_SIGMAS;
    if (far > ROUND * near || sigma < LEAST_SIGMA) return null;
    around = ringOf(view, x, y, RING[0] * sigma, RING[1] * sigma) ?? around;
    place = { x, y, radius: 2 * sigma, contrast: top - around };
  }
  return place;
}

/** Median of a ring, as far as it lies in the view. */
function ringOf({ width, height, values }: Grid, x: number, y: number, from: number, to: number): number | null {
  const ring: number[] = [];
  for (let v = Math.max(0, Math.ceil(y - to)); v <= Math.min(height - 1, y + to); v += 1)
    for (let u = Math.max(0, Math.ceil(x - to)); u <= Math.min(width - 1, x + to); u += 1) {
      const r = Math.hypot(u - x, v - y);
      if (r >= from && r <= to) ring.push(values[v * width + u]!);
    }
  return ring.length < 20 ? null : medianOf(Float32Array.from(ring));
}

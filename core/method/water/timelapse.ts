import { medianOf } from '../../ground/median';
import type { Grid } from '../../ground/grid';
import { CoreError } from '../../ground/errors';
import { estimateNoise } from '../../ground/noise';
import { projected } from '../../ground/homography';
import { USUAL } from '../../ground/usual';
import { chooseSource, type Found, type Other } from './choose';
import { enoughOf } from './enough';
import { oneView } from './oneView';
import { orderInTime } from './order';
import { growthOf, type Patch } from './patches';
import type { Known } from './source';
import { largestRise } from './spots';
import { stackOf, type Stack } from './stack';
import { standingPlaces, type Standing } from './standing';
import { confidenceOf, stated, steepest, type LeakSource } from './stated';
import { STEADY_WIDTH } from './steady';

export interface TimelapseFrame {
  name: string;
  /** Seconds of the camera's clock; null where the file does not say. */
  clockS: number | null;
  frame: Grid;
}

/** What somebody knows of the floor and the water. */
export interface Told {
  intervalS: number;
  sign: 'warmer' | 'colder';
  coverMm: number | null;
  waterC: number | null;
  /** Minutes from the first frame until the water was turned on. */
  onMin: number | null;
}

export interface Timelapse {
  /** Null when nothing behaves like a leak, or not long enough. */
  source: LeakSource | null;
  /** When the water was turned on, as far as the floor tells, s from the first frame that was kept. */
  onset: number | null;
  /** The fastest rise of the surface, K a minute. */
  slopeMax: number | null;
  /** That it is a leak, 0 … 1. */
  confidence: number;
  /** Whether the series was long enough to show a leak under such a floor; how much longer it takes if not. */
  enough: boolean;
  moreMinutes: number | null;
  /**
   * How far the leak stands out, K, over which share of the view, how far the camera had moved since the first frame, pixels, and
   * how much of it was somebody passing by, which was taken out.
   */
  frames: { name: string; t: number; contrast: number; area: number; moved: number; disturbed: number }[];
  dropped: { name: string; reason: 'foreign' }[];
  inOrder: boolean;
  /** Round places that were warm (or cold) before anything was turned on, in pixels of the first frame that was kept. */
  standing: Standing[];
  /** What else grew, and why that is not the leak; places in pixels of the map. */
  others: Other[];
  /** How much each place grew as a leak grows, K at the end, and what that scatters by. */
  growth: { map: Grid; spread: number };
  /** Rises of the frames that were kept, for curves at any spot. */
  stack: Stack;
  /** Pixels of a frame to one of the map and the stack. */
  scale: number;
}

/** What a search found, without the pictures that it was found in. */
export type LeakFound = Omit<Timelapse, 'growth' | 'stack'>;

/** Diffusivity of screed, mm²/s, and what a pixel of `STEADY_WIDTH` across a view shows from a tripod, mm. */
const DIFFUSIVITY = 0.62;
const PIXEL_MM = 8.5;
/** How well a moment is known that is told, s; and, as shares of the series, what is usual for one that is not. */
const TOLD_U = 15;
const UNTOLD = { on: 1 / 4, u: 1 / 4 };
/** Moments at which the water may have been turned on, as shares of the series. */
const MOMENTS = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6];
const LEAST_FRAMES = 3;
/** A patch that is no leak yet. */
const NOT_YET = 0.3;
/** A patch that stands out less, in spreads of the map, may be chance. */
const SURE_Z = 6;
const NEAR = 30;
const STANDS_OUT = 3;
const LEAST_NOISE = 0.005;
const NOISE_FRAMES = 12;

/**
 * Finds where water comes out under a floor, in frames of one view that were taken one after the other.
 *
 * @param progress - called with the share that is done, 0 … 1; may throw to stop
 * @throws bad_input for fewer than three frames of one view
 */
export function timelapse(given: readonly TimelapseFrame[], told: Told, progress: (share: number) => void = () => {}): Timelapse {
  if (given.length < LEAST_FRAMES)
    throw tooFew(`A series needs three frames or more; there ${given.length === 1 ? 'is 1' : `are ${given.length}`}.`);
  const order = orderInTime(given, told.intervalS);
  if (!(order.times.at(-1)! > 0)) throw tooFew('No time passes from the first frame to the last.');
  const sorted = order.places.map((place, i) => ({ ...given[place]!, t: order.times[i]! }));
  const { kept, foreign } = oneView(sorted, (share) => progress(0.6 * share));
  if (kept.length < LEAST_FRAMES) throw tooFew('Fewer than three of the frames show one view.');
  const start = kept[0]!.t;
  const times = kept.map(({ t }) => t - start);
  const smalls = kept.map(({ small }) => small);
  const noise = noiseOf(smalls);
  const pixelNoise = noiseOf(kept.map(({ frame }) => frame));
  const maps = kept.map(({ at }) => at.h);
  const { stack, disturbed } = stackOf(smalls, maps, times, noise);
  progress(0.75);
  const end = times.at(-1)!;
  const cover = told.coverMm ?? USUAL.coverMm;
  const D = cover ** 2 / (4 * DIFFUSIVITY);
  const on = told.onMin === null ? null : 60 * told.onMin - start;
  const sign = told.sign === 'warmer' ? 1 : -1;
  const growth = growthOf(stack, noise, on === null ? MOMENTS.map((share) => share * end) : [on], D, sign);
  progress(0.85);
  const standing = standingPlaces(smalls, sign);
  const knownOf = (patch: Patch): Known => ({
    lambda: (cover / (Math.SQRT2 * PIXEL_MM)) * (stack.width / STEADY_WIDTH),
    D,
    on: on ?? UNTOLD.on * end,
    onU: on === null ? UNTOLD.u * end : TOLD_U,
    begin: patch.on,
    sign,
    coverKnown: told.coverMm !== null,
  });
  const { leak: found, others } = chooseSource(stack, noise, growth.patches, knownOf, standing);
  const drive = Math.abs(
    (told.waterC ?? (told.sign === 'warmer' ? USUAL.hotWaterC : USUAL.mainsC)) - medianOf(smalls[0]!.values.slice()),
  );
  const sure = found !== null && found.z >= SURE_Z;
  const enough = enoughOf({ source: found, sure, end, pixelNoise, on: on ?? 0, D, drive });
  const shown = enough.enough && sure ? found : null;
  const scale = kept[0]!.frame.width / stack.width;
  progress(1);
  return {
    source: shown && stated(shown, stack, scale),
    onset: shown && Math.max(0, shown.on),
    slopeMax: shown && steepest(shown, end),
    confidence: shown ? confidenceOf(shown) : found ? NOT_YET : 0,
    ...enough,
    frames: kept.map(({ name, at: { h } }, i) => ({
      name,
      t: times[i]!,
      ...inFrame(stack, found, i, noise, sign),
      disturbed: disturbed[i]!,
      moved: scale * distance(projected(h, [stack.width / 2, stack.height / 2]), [stack.width / 2, stack.height / 2]),
    })),
    dropped: foreign.map((name) => ({ name, reason: 'foreign' })),
    inOrder: order.asGiven,
    standing: standing.map(({ x, y, radius, contrast }) => ({
      x: scale * x + (scale - 1) / 2,
      y: scale * y + (scale - 1) / 2,
      radius: scale * radius,
      contrast,
    })),
    others,
    growth,
    stack,
    scale,
  };
}

/** Noise of one pixel, K: the middle one of some frames. */
function noiseOf(frames: readonly Grid[]): number {
  const every = Math.ceil(frames.length / NOISE_FRAMES);
  const some = frames.filter((_, i) => i % every === 0);
  return Math.max(LEAST_NOISE, medianOf(Float32Array.from(some, estimateNoise)));
}

function distance([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): number {
  return Math.hypot(ax - bx, ay - by);
}

function tooFew(message: string): CoreError {
  return new CoreError('bad_input', message, {}, 'Take frames of one view from a tripod, one every minute or two.');
}

function inFrame(
  { width, height, rises, times }: Stack,
  found: Found | null,
  i: number,
  noise: number,
  sign: 1 | -1,
): { contrast: number; area: number } {
  if (!found) return { contrast: 0, area: 0 };
  const [now, first] = [rises[i]!, rises[0]!];
  const top = Math.max(0, Math.ceil(found.y - NEAR));
  const bottom = Math.min(height - 1, found.y + NEAR);
  let n = 0;
  for (let y = top; y <= bottom; y += 1)
    for (let x = 0; x < width; x += 1) {
      const p = y * width + x;
      if (sign * (now[p]! - first[p]!) > STANDS_OUT * noise && Math.hypot(x - found.x, y - found.y) < NEAR) n += 1;
    }
  return { contrast: found.amount * largestRise(times[i]!, found.floor, found.spots), area: n / (width * height) };
}

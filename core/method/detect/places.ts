import { backgroundOf, type Background } from './background';
import { smoothed } from '../../ground/blur';
import { cleaned } from '../../ground/clean';
import { extentOf, fullContrast, type Extent } from './extent';
import { boundsOf, partsOf, type Part } from './flood';
import { gridLike, shrunk, type Grid } from '../../ground/grid';
import type { Side } from '../../ground/side';
import { asideOf, findHot, findSky, maskOf, type Aside } from './setAside';
import { onPlate } from './plate';
import { lengthOverWidth, standouts, type Standout } from './standouts';

/** A place that stands out, with its pixels in the frame. */
export interface Place extends Standout {
  extent: Extent;
  /** It lies on something with an outline of its own. */
  plate: boolean;
}

/** A frame with its background taken off. */
export interface LookedThrough {
  /** Pixels of the frame to one of the working grid. */
  factor: number;
  /** Working grid: the picture, its background, and what is left. */
  picture: Grid;
  background: Background;
  contrast: Grid;
  /** 1 where the surface itself is seen. */
  counts: Uint8Array;
  /** What is left, in the frame's own pixels. */
  fine: Grid;
  asides: Aside[];
  places: Place[];
  /** Standard deviation of one pixel, and of the smoothed contrast, K. */
  noise: number;
  contrastNoise: number;
  /** Contrast from which a place was looked for: the wish, or what the noise allows, K. */
  least: number;
  /** Share of pixels that had to be mended, 0 … 1. */
  mended: number;
}

export interface LookOptions {
  side: Side;
  /** Inside less outside, K; null when it is not known. */
  drive: number | null;
  /** Peak contrast from which a place deserves a look, K. */
  least: number;
  /** Pixels of the frame that are left out: 1. */
  ignored: Uint8Array | null;
}

/** Width of the working grid, pixels: finer ones show nothing more. */
const WORKING_WIDTH = 320;
const SIGMA = 0.8;
/** A bell of that width leaves this share of independent noise: 1 / (2 σ √π). */
const NOISE_LEFT = 1 / (2 * SIGMA * Math.sqrt(Math.PI));
/** So many deviations of the noise are none of it. */
const NOISES = 5;
/** Optics mix what is set aside with what lies beside it over so many pixels. */
const RIM = 4;

/** The working grid has this many pixels of the frame to one of its own. */
const factorFor = (width: number) => Math.max(1, Math.round(width / WORKING_WIDTH));

/** Standard deviation of the smoothed contrast, K. @param noise - of one pixel of the frame, K */
const contrastNoiseOf = (noise: number, width: number) => (noise / factorFor(width)) * NOISE_LEFT;

/** Contrast from which a place is looked for: the wish, or what the noise allows, K. */
export function leastFor(wish: number, noise: number, width: number): number {
  return Math.max(wish, NOISES * contrastNoiseOf(noise, width));
}

/**
 * Looks a frame through for what stands out from its surface.
 *
 * @param frame - temperatures, °C; NaN for no reading
 * @returns null when no pixel has a reading
 *
 * Linear in pixels; 640×480 in about 100 ms.
 */
export function placesIn(frame: Grid, options: LookOptions): LookedThrough | null {
  const clean = cleaned(frame);
  if (!clean) return null;
  const factor = factorFor(frame.width);
  const picture = shrunk(clean.grid, factor);
  const sky = findSky(picture, options.side);
  const hot = findHot(picture, options.side);
  const skyMask = maskOf(picture, sky, RIM);
  const counts = maskOf(picture, hot, RIM);
  for (let i = 0; i < counts.length; i += 1) counts[i] = counts[i] || skyMask[i] ? 0 : 1;
  if (options.ignored) leaveOut(counts, picture, options.ignored, frame.width, factor);
  const background = backgroundOf(picture, counts, options.drive);
  const rest = gridLike(picture);
  for (let i = 0; i < counts.length; i += 1) rest.values[i] = counts[i] ? picture.values[i]! - background.grid.values[i]! : 0;
  const contrast = smoothed(rest, SIGMA);
  const asides = [...sky.map((part) => asideOf('sky', part)), ...hot.map((part) => asideOf('hot-object', part))];
  const contrastNoise = contrastNoiseOf(clean.noise, frame.width);
  for (const object of hot) {
    const air = airAbove(contrast, counts, object, Math.max(0.12, 3 * contrastNoise));
    if (air.pixels.length === 0) continue;
    asides.push(asideOf('warm-air', air));
    for (const i of air.pixels) counts[i] = 0;
  }
  const air = asides.filter(({ kind }) => kind === 'warm-air');
  const least = leastFor(options.least, clean.noise, frame.width);
  const fine = fullContrast(clean.grid, background.grid, factor);
  const places: Place[] = [];
  for (const standout of standouts(contrast, counts, contrastNoise, least)) {
    if (sky.length > 0 && alongSky(standout, sky, picture)) {
      asides.push(asideOf('roof-edge', { pixels: standout.pixels, ...boundsOf(standout.pixels, picture.width) }));
      continue;
    }
    if (isNextSurface(standout, picture)) {
      asides.push(asideOf('next-surface', { pixels: standout.pixels, ...boundsOf(standout.pixels, picture.width) }));
      continue;
    }
    const heater = hot.find((object) => risesFrom(standout, object, picture.width));
    if (heater && air.length > 0) {
      asides.push(asideOf('warm-air', { pixels: standout.pixels, ...boundsOf(standout.pixels, picture.width) }));
      continue;
    }
    const extent = extentOf(fine, picture, standout, factor);
    if (extent)
      places.push({
        ...standout,
        extent,
        plate: !standout.box && lengthOverWidth(standout.pixels, picture.width) < 3 && onPlate(contrast, standout),
      });
  }
  return {
    factor,
    picture,
    background,
    contrast,
    counts,
    fine,
    asides,
    places: withoutSatellites(places, picture.width, factor),
    noise: clean.noise,
    contrastNoise,
    least,
    mended: clean.mended,
  };
}

/** A drop beside a wet patch is part of it: much smaller and weaker than what it lies next to. */
function withoutSatellites(places: readonly Place[], width: number, factor: number): Place[] {
  const blotch = ({ box, extent, pixels }: Place) =>
    extent.flat < 0.8 && (!box || extent.flat < 0.62) && lengthOverWidth(pixels, width) < 3;
  return places.filter((place) => {
    if (!blotch(place)) return true;
    const mine = boundsOf(place.pixels, width);
    return !places.some((other) => {
      if (other === place || other.sign !== place.sign || !blotch(other)) return false;
      if (place.extent.area > 0.35 * other.extent.area || place.extent.peak > 0.6 * other.extent.peak) return false;
      const theirs = boundsOf(other.pixels, width);
      const gap = Math.max(3, (0.25 * Math.sqrt(other.extent.area)) / factor);
      return (
        mine.left - theirs.right <= gap &&
        theirs.left - mine.right <= gap &&
        mine.top - theirs.bottom <= gap &&
        theirs.top - mine.bottom <= gap
      );
    });
  });
}

function leaveOut(counts: Uint8Array, { width, height }: Grid, ignored: Uint8Array, fullWidth: number, factor: number): void {
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      for (let dy = 0; dy < factor; dy += 1)
        for (let dx = 0; dx < factor; dx += 1)
          if (ignored[(y * factor + dy) * fullWidth + x * factor + dx]) counts[y * width + x] = 0;
    }
  }
}

/** Air that rises from a hot thing spreads by this share of its width. */
const SPREADS = 0.3;
/** Air has no lines: what stands out from its own surroundings over so many pixels lies behind the lining. */
const NARROW = 6;

/** Warmth above a hot thing that hangs together with it. */
function airAbove(contrast: Grid, counts: Uint8Array, object: Part, least: number): Part {
  const { width, values } = contrast;
  const around = smoothed(contrast, NARROW).values;
  const wide = object.right - object.left + 1;
  const [left, right] = [object.left - SPREADS * wide, object.right + SPREADS * wide];
  const above = (i: number) => {
    const x = i % width;
    return (
      x >= left &&
      x <= right &&
      (i - x) / width <= object.top &&
      counts[i] === 1 &&
      values[i]! >= least &&
      values[i]! - around[i]! < Math.max(0.25, 0.35 * around[i]!)
    );
  };
  const pixels = partsOf(contrast, above)
    .filter((part) => part.bottom >= object.top - RIM - 3)
    .flatMap((part) => [...part.pixels]);
  const all = Int32Array.from(pixels);
  return { pixels: all, ...boundsOf(all, width) };
}

/** Whether a warm place is what is densest of the air above a hot thing: over it, near its top or as wide as half of it. */
function risesFrom({ sign, pixels, box }: Standout, object: Part, width: number): boolean {
  if (sign < 0 || (box && box.sharpSides === 4)) return false;
  const { left, right, bottom } = boundsOf(pixels, width);
  const wide = object.right - object.left + 1;
  if (left < object.left - 0.12 * wide || right > object.right + 0.12 * wide || bottom > object.top + 2) return false;
  return bottom >= object.top - RIM - 6 || right - left > 0.12 * wide;
}

/** A strip along a whole rim of the picture, thinner than this share of it, belongs to what lies beyond. */
const STRIP = 0.05;

function isNextSurface({ pixels }: Standout, { width, height }: Grid): boolean {
  const { left, right, top, bottom } = boundsOf(pixels, width);
  const wide = (right - left + 1) / width;
  const high = (bottom - top + 1) / height;
  if (wide > 0.8 && high < STRIP) return top <= 1 || bottom >= height - 2;
  return high > 0.8 && wide < STRIP && (left <= 1 || right >= width - 2);
}

/** What lies next to the sky over most of its length is the edge of the roof. */
function alongSky({ pixels }: Standout, sky: readonly Part[], { width, height }: Grid): boolean {
  const near = Math.max(3, 0.07 * height) + RIM;
  const lowest = new Int32Array(width).fill(-1000);
  for (const part of sky) for (const i of part.pixels) lowest[i % width] = Math.max(lowest[i % width]!, Math.floor(i / width));
  let along = 0;
  for (const i of pixels) if (Math.floor(i / width) - lowest[i % width]! <= near) along += 1;
  return along > 0.5 * pixels.length;
}

import { partsOf, boundsOf } from './flood';
import type { Grid } from '../../ground/grid';
import { quantileOf } from '../../ground/median';
import { inBox, rectangleIn, withFrame, type PixelBox, type Rectangle } from './rectangle';

/** Something that stands out, on the working grid. */
export interface Standout {
  sign: -1 | 1;
  pixels: Int32Array;
  /** Smoothed contrast at its strongest, K, positive. */
  peak: number;
  /** The rectangle that it fills, if it does. */
  box: Rectangle | null;
  /** The box with the frame around it that stands out the other way: a pane. */
  framed: PixelBox | null;
  /** A rectangle that it was cut from: it begins at the rim of something. */
  cutFrom: PixelBox | null;
}

/** Down to this share of the least difference a place is followed from its peak (hysteresis). */
const LOW = 0.4;
/** And never into the noise: this many standard deviations of the smoothed contrast. */
const LOW_NOISES = 3;
/** Fewer pixels are no place. */
const LEAST_PIXELS = 6;
/** What grows from a rectangle reaches at least this share of its shorter side beyond it, and so many pixels. */
const GROWS = 0.2;
const GROWS_PIXELS = 4;

/**
 * Places whose contrast reaches `least`, each followed down to where it no longer stands out and cut into what belongs together.
 *
 * @param contrast - smoothed, K
 * @param noise - of the smoothed contrast, K
 * @param least - K
 */
export function standouts(contrast: Grid, counts: Uint8Array, noise: number, least: number): Standout[] {
  const low = Math.max(LOW * least, LOW_NOISES * noise);
  const { width, values } = contrast;
  const of = (sign: -1 | 1, free: (i: number) => boolean) =>
    partsOf(contrast, (i) => counts[i] === 1 && sign * values[i]! >= low && free(i))
      .filter(({ pixels }) => pixels.length >= LEAST_PIXELS && peakOf(contrast, pixels, sign) >= least)
      .flatMap((part) => parted(contrast, part.pixels, sign, least, low));
  const first = { colder: of(-1, () => true), warmer: of(1, () => true) };
  // A pane has a frame that stands out the other way: both are one thing, and what grows from the frame is another.
  const framed: PixelBox[] = [];
  for (const standout of [...first.colder, ...first.warmer]) {
    if (!standout.box) continue;
    const outer = withFrame(contrast, standout.box, standout.sign, low);
    if (outer === standout.box) continue;
    // A frame around the frame of a pane is the surface.
    if (framed.some((other) => overlaps(other, outer))) continue;
    standout.framed = outer;
    framed.push(outer);
  }
  if (framed.length === 0) return [...first.colder, ...first.warmer];
  const free = (i: number) => {
    const x = i % width;
    const y = (i - x) / width;
    return !framed.some((box) => inBox(box, x, y, 1));
  };
  const again = (list: Standout[], sign: -1 | 1) =>
    list.flatMap((standout): Standout[] => {
      if (standout.framed) return [standout];
      if (standout.pixels.every(free)) return [standout];
      return partsOf(contrast, (i) => sign * values[i]! >= low && counts[i] === 1 && free(i), standout.pixels.filter(free))
        .filter(({ pixels }) => pixels.length >= LEAST_PIXELS && peakOf(contrast, pixels, sign) >= least)
        .map(({ pixels }) => ({
          sign,
          pixels,
          peak: peakOf(contrast, pixels, sign),
          box: rectangleIn(contrast, pixels, sign),
          framed: null,
          cutFrom: framed.find((box) => touches(box, pixels, width)) ?? null,
        }));
    });
  return [...again(first.colder, -1), ...again(first.warmer, 1)];
}

function overlaps(a: PixelBox, b: PixelBox): boolean {
  return a.left <= b.right && b.left <= a.right && a.top <= b.bottom && b.top <= a.bottom;
}

function touches(box: PixelBox, pixels: Int32Array, width: number): boolean {
  for (const i of pixels) {
    const x = i % width;
    if (inBox(box, x, (i - x) / width, 4)) return true;
  }
  return false;
}

/** The strongest contrast of a place, not of its noisiest pixel. */
function peakOf(contrast: Grid, pixels: Int32Array, sign: -1 | 1): number {
  const strong = new Float32Array(pixels.length);
  for (let k = 0; k < pixels.length; k += 1) strong[k] = sign * contrast.values[pixels[k]!]!;
  return quantileOf(strong, pixels.length > 200 ? 0.985 : pixels.length > 40 ? 0.96 : 0.9);
}

/** Cuts a rectangle off what grows from its rim, and lobes that are only bridged. */
function parted(contrast: Grid, part: Int32Array, sign: -1 | 1, least: number, low: number): Standout[] {
  return lobesOf(contrast, part, sign, low).flatMap((pixels) => {
    if (pixels.length < LEAST_PIXELS) return [];
    const peak = peakOf(contrast, pixels, sign);
    if (peak < least) return [];
    const box = rectangleIn(contrast, pixels, sign);
    const whole: Standout = { sign, pixels, peak, box, framed: null, cutFrom: null };
    if (!box || box.sharpSides < 4) return [whole];
    const grown = grownFrom(contrast, pixels, box, sign, least);
    if (grown.length === 0) return [whole];
    const { width } = contrast;
    const kept = pixels.filter((i) => inBox(box, i % width, Math.floor(i / width), 2));
    return [{ ...whole, pixels: kept, peak: peakOf(contrast, kept, sign) }, ...grown];
  });
}

function grownFrom(contrast: Grid, pixels: Int32Array, box: Rectangle, sign: -1 | 1, least: number): Standout[] {
  const { width } = contrast;
  const outside = pixels.filter((i) => !inBox(box, i % width, Math.floor(i / width), 2));
  const rest = marked(contrast, outside);
  const reach = Math.max(GROWS_PIXELS, GROWS * Math.min(box.right - box.left, box.bottom - box.top));
  return partsOf(contrast, (i) => rest[i] === 1, outside).flatMap(({ pixels: grown, left, right, top, bottom }): Standout[] => {
    const away = Math.max(box.left - left, right - box.right, box.top - top, bottom - box.bottom);
    if (grown.length < LEAST_PIXELS || away < reach) return [];
    const peak = peakOf(contrast, grown, sign);
    return peak < least ? [] : [{ sign, pixels: grown, peak, box: null, framed: null, cutFrom: box }];
  });
}

/** Lobes are apart when the way between them falls below this share of the lower one; those of a blotch hang together longer. */
const BRIDGE = 0.5;
const BLOTCH_BRIDGE = 0.2;
/** What is so much longer than wide is a line. */
const LINE = 4;
const LEVELS = [0.08, 0.12, 0.18, 0.25, 0.35, 0.45, 0.55, 0.65];

/** The lobes of a part that hang together only by a bridge of less contrast. */
function lobesOf(contrast: Grid, part: Int32Array, sign: -1 | 1, low: number): Int32Array[] {
  const { values } = contrast;
  const peak = peakOf(contrast, part, sign);
  const mine = marked(contrast, part);
  for (const level of LEVELS) {
    const cut = level * peak;
    if (cut <= low) continue;
    const cores = partsOf(contrast, (i) => sign * values[i]! >= cut && mine[i] === 1, part)
      .filter(({ pixels }) => pixels.length >= Math.max(LEAST_PIXELS, 0.03 * part.length))
      .map(({ pixels }) => ({ pixels, peak: peakOf(contrast, pixels, sign) }))
      .filter((core) => cut <= BRIDGE * core.peak);
    if (cores.length < 2) continue;
    if (
      cores.some((core) => cut > BLOTCH_BRIDGE * core.peak) &&
      !cores.some(({ pixels }) => rectangleIn(contrast, pixels, sign) || lengthOverWidth(pixels, contrast.width) > LINE)
    )
      continue;
    return nearestCore(
      contrast,
      part,
      cores.map(({ pixels }) => pixels),
    ).flatMap((pixels) => lobesOf(contrast, pixels, sign, low));
  }
  return [part];
}

/** How much longer than wide pixels lie, by their second moments. */
export function lengthOverWidth(pixels: Int32Array, width: number): number {
  let [sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0];
  for (const i of pixels) {
    const x = i % width;
    const y = (i - x) / width;
    sx += x;
    sy += y;
    sxx += x * x;
    syy += y * y;
    sxy += x * y;
  }
  const n = pixels.length;
  const [vx, vy, vxy] = [sxx / n - (sx / n) ** 2 + 1 / 12, syy / n - (sy / n) ** 2 + 1 / 12, sxy / n - (sx * sy) / (n * n)];
  const [middle, half] = [(vx + vy) / 2, Math.hypot((vx - vy) / 2, vxy)];
  return Math.sqrt((middle + half) / Math.max(1e-6, middle - half));
}

function marked({ values }: Grid, pixels: Int32Array): Uint8Array {
  const mask = new Uint8Array(values.length);
  for (const i of pixels) mask[i] = 1;
  return mask;
}

/** Deals the pixels of a part out to the cores in it, ring by ring. */
function nearestCore({ width }: Grid, part: Int32Array, cores: readonly Int32Array[]): Int32Array[] {
  const { left, right, top, bottom } = boundsOf(part, width);
  const wide = right - left + 1;
  const owner = new Int16Array(wide * (bottom - top + 1)).fill(-2);
  const local = (i: number) => (Math.floor(i / width) - top) * wide + (i % width) - left;
  for (const i of part) owner[local(i)] = -1;
  const queues = cores.map((pixels, k) => Array.from(pixels, local).map((j) => ((owner[j] = k), j)));
  for (let busy = true; busy;) {
    busy = false;
    queues.forEach((queue, k) => {
      const next: number[] = [];
      for (const i of queue) {
        const x = i % wide;
        for (const j of [x > 0 ? i - 1 : i, x < wide - 1 ? i + 1 : i, i - wide, i + wide]) {
          if (owner[j] !== -1) continue;
          owner[j] = k;
          next.push(j);
        }
      }
      queues[k] = next;
      busy ||= next.length > 0;
    });
  }
  return cores.map((_, k) => part.filter((i) => owner[local(i)] === k));
}

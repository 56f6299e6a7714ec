import { extremesOf } from '../../ground/extremes';
import { hasReading } from '../../ground/hasReading';
import { boundsOf, widenedMask } from './flood';
import { spansOf, type DrawnShape, type Span } from '../frame/region';
import type { Grid } from '../../ground/grid';
import { placesIn, type LookedThrough, type LookOptions, type Place } from './places';
import { shapeOf, type Shape } from './shape';
import { surroundingsOf, type Surroundings } from './surroundings';
import { isPane } from './pane';
import { outlineOfRows, type Corner } from './outline';
import type { Aside } from './setAside';
import { soundPatchFor, sumsOf, type BoxPx } from './soundPatch';

/** A place in a frame that deserves a look, as measured; what it may be is for causes to say. */
export interface Candidate {
  sign: -1 | 1;
  rows: Span[];
  /** Pixels. */
  area: number;
  /** Of all pixels that show the surface, 0 … 1. */
  share: number;
  /** Mean of the place less mean of the ring around it, K. */
  contrast: number;
  /** Mean within the outline less mean of the sound surface, K, as a finding of it states it; the contrast where there is none. */
  stated: number;
  /** Contrast where it is strongest, against the background, K, signed. */
  peak: number;
  /** Temperature where it is strongest, and of the surface beside it, °C. */
  extremeC: number;
  besideC: number;
  shape: Shape;
  surroundings: Surroundings;
  /** It fills an upright rectangle, with so many straight sharp sides; 0 for no rectangle. */
  sharpSides: number;
  /** The rectangle has a frame or parts of its own, as a pane has. */
  paned: boolean;
  /** Its outline, pixels of the frame. */
  outline: Corner[];
  /** Sound surface to compare it with; null where none is in view. */
  sound: BoxPx | null;
}

/** What a frame holds: candidates, what was set aside, and how small a thing would have shown. */
export interface Look {
  candidates: Candidate[];
  asides: { kind: Aside['kind']; rows: Span[] }[];
  framing: { run: 'down' | 'across'; spacing: number; lines: number; height: number } | null;
  /** K */
  noise: number;
  /** Contrast from which a place was looked for, K. */
  least: number;
  /** Share of pixels that had to be mended, 0 … 1. */
  mended: number;
  /** Share of the picture that shows the surface, 0 … 1. */
  surface: number;
  /** Mean temperature of the surface without its candidates, °C; null where no surface is seen. */
  levelC: number | null;
}

/**
 * Looks a frame through for places that deserve a look.
 *
 * @param frame - temperatures of the surface, °C; NaN for no reading
 * @returns candidates in no order, and what the picture shows besides; all empty when no pixel has a reading
 */
export function lookThrough(frame: Grid, options: LookOptions): Look {
  const found = placesIn(frame, options);
  if (!found) {
    return { candidates: [], asides: [], framing: null, noise: 0, least: options.least, mended: 1, surface: 0, levelC: null };
  }
  const seen = found.counts.reduce((sum, count) => sum + count, 0);
  const taken = new Uint8Array(found.counts.length);
  for (const { pixels } of found.places) for (const i of pixels) taken[i] = 1;
  const sums = sumsOf(found, taken);
  // What differs from the background but not from what lies around it is a rim of something larger.
  const candidates = found.places
    .map((place) => candidateOf(place, found, frame, taken, sums, seen))
    .filter(({ sign, contrast, peak }) => {
      const against = (sign * contrast) / found.least;
      return against >= AROUND || (against >= AROUND_PEAKED && Math.abs(peak) >= PEAKED * found.least);
    });
  const { framing } = found.background;
  return {
    candidates,
    asides: found.asides.map(({ kind, pixels }) => ({ kind, rows: fullRows(pixels, found) })),
    framing: framing && {
      run: framing.run,
      spacing: framing.spacing * found.factor,
      lines: framing.lines.length,
      height: framing.height,
    },
    noise: found.noise,
    least: found.least,
    mended: found.mended,
    surface: seen / found.counts.length,
    levelC: levelOf(found),
  };
}

/** How far an outline may stray, as a share of the picture's width: less is not seen. */
const STRAYS = 0.004;
/** Against its ring a place differs by at least this share of what it was looked for with; where it rises to a peak, by less. */
const AROUND = 0.85;
const AROUND_PEAKED = 0.4;
const PEAKED = 2;

function candidateOf(
  place: Place,
  found: LookedThrough,
  frame: Grid,
  taken: Uint8Array,
  sums: ReturnType<typeof sumsOf>,
  seen: number,
): Candidate {
  const { extent, sign } = place;
  const shape = shapeOf(found.fine, extent, sign);
  const beside = ringMean(place, taken, found);
  const mean = meanOf(frame, extent.rows);
  const { x, y } = shape.extremeAt;
  const outline = outlineOfRows(extent.rows, Math.max(0.8, STRAYS * frame.width)).map(([px, py]): Corner => [
    Math.max(0, Math.min(frame.width - 1, px)),
    Math.max(0, Math.min(frame.height - 1, py)),
  ]);
  const sound = soundPatchFor(found, sums, shape.bbox, beside);
  const of = (drawn: DrawnShape) => meanOf(frame, spansOf(drawn, frame.width, frame.height));
  return {
    sign,
    rows: extent.rows,
    area: extent.area,
    share: extent.area / Math.max(1, seen * found.factor ** 2),
    contrast: mean - beside,
    stated: sound ? of({ kind: 'poly', points: outline }) - of({ kind: 'box', ...sound }) : mean - beside,
    peak: sign * extent.peak,
    extremeC: steadyAt(frame, x, y),
    besideC: beside,
    shape,
    surroundings: surroundingsOf(place, shape, found),
    sharpSides: place.box?.sharpSides ?? 0,
    paned: isPane(place),
    outline,
    sound,
  };
}

function meanOf({ width, values }: Grid, rows: readonly Span[]): number {
  let sum = 0;
  let count = 0;
  for (const { y, from, to } of rows) {
    for (let x = from; x <= to; x += 1) {
      const value = values[y * width + x]!;
      if (!hasReading(value)) continue;
      sum += value;
      count += 1;
    }
  }
  return count === 0 ? NaN : sum / count;
}

/** Median of five pixels, so that a dead one does not speak. */
function steadyAt({ width, height, values }: Grid, x: number, y: number): number {
  const near: number[] = [];
  for (const [dx, dy] of [
    [0, 0],
    [-1, 0],
    [1, 0],
    [0, -1],
    [0, 1],
  ] as const) {
    if (x + dx < 0 || y + dy < 0 || x + dx >= width || y + dy >= height) continue;
    const value = values[(y + dy) * width + x + dx]!;
    if (hasReading(value)) near.push(value);
  }
  near.sort((a, b) => a - b);
  return near[near.length >> 1] ?? NaN;
}

/** Mean of the surface around a place: a ring as wide as a third of it, without other places and what is set aside. */
function ringMean({ pixels }: Place, taken: Uint8Array, { counts, picture }: LookedThrough): number {
  const { width, height, values } = picture;
  const { left, right, top, bottom } = boundsOf(pixels, width);
  const reach = Math.max(3, Math.min(12, Math.round(0.3 * Math.sqrt(pixels.length))));
  const [x0, y0] = [Math.max(0, left - reach), Math.max(0, top - reach)];
  const size = { width: Math.min(width - 1, right + reach) - x0 + 1, height: Math.min(height - 1, bottom + reach) - y0 + 1 };
  const mine = new Uint8Array(size.width * size.height);
  for (const i of pixels) mine[(Math.floor(i / width) - y0) * size.width + (i % width) - x0] = 1;
  const inner = widenedMask(mine, size, 1);
  const outer = widenedMask(mine, size, reach);
  let sum = 0;
  let count = 0;
  for (let y = 0; y < size.height; y += 1) {
    for (let x = 0; x < size.width; x += 1) {
      const k = y * size.width + x;
      const i = (y + y0) * width + x + x0;
      if (!outer[k] || inner[k] || taken[i] || !counts[i]) continue;
      sum += values[i]!;
      count += 1;
    }
  }
  return count > 0 ? sum / count : extremesOf(values)!.mean;
}

/** Pixels of the working grid as rows of the frame. */
function fullRows(pixels: Int32Array, { picture, factor }: LookedThrough): Span[] {
  const rows: Span[] = [];
  const sorted = pixels.slice().sort();
  let k = 0;
  while (k < sorted.length) {
    const y = Math.floor(sorted[k]! / picture.width);
    const from = sorted[k]! % picture.width;
    let to = from;
    k += 1;
    while (k < sorted.length && sorted[k]! === y * picture.width + to + 1) {
      to += 1;
      k += 1;
    }
    for (let d = 0; d < factor; d += 1) rows.push({ y: y * factor + d, from: from * factor, to: (to + 1) * factor - 1 });
  }
  return rows;
}

function levelOf({ picture, contrast, counts, least }: LookedThrough): number | null {
  let sum = 0;
  let count = 0;
  for (let i = 0; i < counts.length; i += 1) {
    if (!counts[i] || Math.abs(contrast.values[i]!) > 0.5 * least) continue;
    sum += picture.values[i]!;
    count += 1;
  }
  return count === 0 ? null : sum / count;
}

import { extremesOf } from '../pixels/extremes';
import { hasReading } from '../pixels/hasReading';
import { widenedMask } from './flood';
import type { Span } from '../frame/region';
import type { Grid } from './grid';
import { placesIn, type LookedThrough, type LookOptions, type Place } from './places';
import { shapeOf, type Shape } from './shape';
import { surroundingsOf, type Surroundings } from './surroundings';
import { isPane } from './pane';
import { outlineOfRows, type Corner } from './outline';
import type { Aside } from './setAside';
import { soundPatchFor, type BoxPx } from './soundPatch';

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
  const taken = new Uint8Array(frame.values.length);
  for (const { extent } of found.places) paint(taken, extent.rows, frame.width);
  const takenWork = new Uint8Array(found.counts.length);
  for (const { pixels } of found.places) for (const i of pixels) takenWork[i] = 1;
  const candidates = found.places.map((place) => candidateOf(place, found, frame, taken, takenWork, seen));
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

function candidateOf(
  place: Place,
  found: LookedThrough,
  frame: Grid,
  taken: Uint8Array,
  takenWork: Uint8Array,
  seen: number,
): Candidate {
  const { extent, sign } = place;
  const shape = shapeOf(found.fine, extent, sign);
  const beside = ringMean(frame, extent.rows, taken, found);
  const mean = meanOf(frame, extent.rows);
  const { x, y } = shape.extremeAt;
  return {
    sign,
    rows: extent.rows,
    area: extent.area,
    share: extent.area / Math.max(1, seen * found.factor ** 2),
    contrast: mean - beside,
    peak: sign * extent.peak,
    extremeC: steadyAt(frame, x, y),
    besideC: beside,
    shape,
    surroundings: surroundingsOf(place, shape, found),
    sharpSides: place.box?.sharpSides ?? 0,
    paned: isPane(place),
    outline: outlineOfRows(extent.rows),
    sound: soundPatchFor(found, takenWork, shape.bbox),
  };
}

function paint(mask: Uint8Array, rows: readonly Span[], width: number): void {
  for (const { y, from, to } of rows) mask.fill(1, y * width + from, y * width + to + 1);
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
function ringMean(frame: Grid, rows: readonly Span[], taken: Uint8Array, { counts, picture, factor }: LookedThrough): number {
  const { width, height, values } = frame;
  let [left, right] = [Infinity, -Infinity];
  let area = 0;
  for (const { from, to } of rows) {
    left = Math.min(left, from);
    right = Math.max(right, to);
    area += to - from + 1;
  }
  const reach = Math.max(4, Math.min(24, Math.round(0.3 * Math.sqrt(area))));
  const [x0, x1] = [Math.max(0, left - reach), Math.min(width - 1, right + reach)];
  const [y0, y1] = [Math.max(0, rows[0]!.y - reach), Math.min(height - 1, rows.at(-1)!.y + reach)];
  const size = { width: x1 - x0 + 1, height: y1 - y0 + 1 };
  const mine = new Uint8Array(size.width * size.height);
  for (const { y, from, to } of rows) mine.fill(1, (y - y0) * size.width + from - x0, (y - y0) * size.width + to - x0 + 1);
  const inner = widenedMask(mine, size, 2);
  const outer = widenedMask(mine, size, reach);
  let sum = 0;
  let count = 0;
  for (let y = y0; y <= y1; y += 1) {
    for (let x = x0; x <= x1; x += 1) {
      const k = (y - y0) * size.width + x - x0;
      if (!outer[k] || inner[k] || taken[y * width + x]) continue;
      const i =
        Math.min(picture.height - 1, Math.floor(y / factor)) * picture.width +
        Math.min(picture.width - 1, Math.floor(x / factor));
      const value = values[y * width + x]!;
      if (!counts[i] || !hasReading(value)) continue;
      sum += value;
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

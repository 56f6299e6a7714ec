import { CoreError } from '../../ground/errors';
import type { Grid } from '../../ground/grid';
import { hasReading } from '../../ground/hasReading';
import type { FaceBox } from './faceBox';
import { footOf, type Foot } from './faceProfile';

export const PATTERNS = [
  'even',
  'low-flow',
  'cold-top',
  'cold-bottom',
  'cold-whole',
  'still-warming',
  'hidden',
  'unclear',
] as const;
export type Pattern = (typeof PATTERNS)[number];

/** What the face of an emitter shows. */
export interface FacePattern {
  pattern: Pattern;
  /** Share of the face below half of the flow's excess over the room, 0 … 1. */
  coldShare: number;
  /** Mean temperature in zones, rows from the top, °C; NaN where no pixel of one has a reading. */
  zones: number[][];
  meanC: number;
}

export interface FaceOptions {
  airC: number;
  /** Of the water at its inlet, °C. */
  flowC: number;
  /** Of the water at its outlet, °C; null where nobody read it. */
  returnC: number | null;
  /** Since the heat came on; null where nobody noted it. */
  minutesOn: number | null;
}

/** A face is cold below this share of the flow's excess over the room. */
const COLD = 0.5;
export const ZONE_ROWS = 6;
export const ZONE_COLUMNS = 8;
/** Optics mix the rim of a face with the wall: a ring of this share of its shorter side is not judged. */
const RIM = 0.035;
/** Less excess than this tells no pattern, K. */
const LEAST_EXCESS_K = 8;
const LEAST_PIXELS = 6;
/** An even face has less cold than this, one that is cold as a whole more than that. */
const EVEN = 0.05;
/** Less cold than an uneven face has, and still enough for mud where the foot is colder than its water. */
const LITTLE_MUD = 0.02;
const WHOLE = 0.93;
/** So soon after the heat came on, cold is no fault yet, min. */
const EARLY_MIN = 8;
/** Width of the strips at the four sides that say where the cold lies, as a share. */
const STRIP = 0.2;

/**
 * Judges the face of an emitter in its box.
 *
 * @param frame - temperatures of the surface, °C; NaN for no reading
 * @throws CoreError `bad_region` for a box beyond the frame or too small, `out_of_range` for a flow below the room
 */
export function facePattern(frame: Grid, box: FaceBox, { airC, flowC, returnC, minutesOn }: FaceOptions): FacePattern {
  requireBox(frame, box);
  if (!(flowC > airC))
    throw new CoreError('out_of_range', 'The flow is not warmer than the room.', { argument: 'flow' }, 'Is the heat on?');
  const excess = flowC - airC;
  const zones = zonesOf(frame, box);
  const rim = Math.max(1, Math.round(RIM * Math.min(box.width, box.height)));
  const inner = {
    x: box.x + rim,
    y: box.y + rim,
    width: Math.max(1, box.width - 2 * rim),
    height: Math.max(1, box.height - 2 * rim),
  };
  const { cold, read, sum } = coldPixels(frame, inner, airC + COLD * excess);
  if (read === 0) throw new CoreError('bad_region', 'No pixel of the box has a reading.', {}, 'Choose another box.');
  const coldShare = cold.count / read;
  const pattern =
    excess < LEAST_EXCESS_K
      ? 'unclear'
      : patternOf(cold, inner, coldShare, minutesOn, () => footOf(frame, box, airC, flowC, returnC));
  return { pattern, coldShare, zones, meanC: sum / read };
}

function requireBox({ width, height }: Grid, box: FaceBox): void {
  const inside = box.x >= 0 && box.y >= 0 && box.x + box.width <= width && box.y + box.height <= height;
  if (!inside)
    throw new CoreError('bad_region', `The box reaches beyond the frame of ${width} × ${height} pixels.`, {}, 'Draw it inside.');
  if (Math.min(box.width, box.height) < LEAST_PIXELS)
    throw new CoreError(
      'bad_region',
      `The box has fewer than ${LEAST_PIXELS} pixels a side.`,
      {},
      'Go nearer, or draw it larger.',
    );
}

function zonesOf({ width, values }: Grid, box: FaceBox): number[][] {
  const edge = (from: number, size: number, k: number, of: number) => from + Math.round((size * k) / of);
  return Array.from({ length: ZONE_ROWS }, (_, r) =>
    Array.from({ length: ZONE_COLUMNS }, (_unused, c) => {
      let [sum, count] = [0, 0];
      for (let y = edge(box.y, box.height, r, ZONE_ROWS); y < edge(box.y, box.height, r + 1, ZONE_ROWS); y += 1) {
        for (let x = edge(box.x, box.width, c, ZONE_COLUMNS); x < edge(box.x, box.width, c + 1, ZONE_COLUMNS); x += 1) {
          const value = values[y * width + x]!;
          if (!hasReading(value)) continue;
          sum += value;
          count += 1;
        }
      }
      return count === 0 ? NaN : sum / count;
    }),
  );
}

/** Which pixels of a face are cold. */
interface Cold {
  mask: Uint8Array;
  count: number;
}

function coldPixels({ width, values }: Grid, box: FaceBox, limitC: number): { cold: Cold; read: number; sum: number } {
  const mask = new Uint8Array(box.width * box.height);
  let [count, read, sum] = [0, 0, 0];
  for (let y = 0; y < box.height; y += 1) {
    for (let x = 0; x < box.width; x += 1) {
      const value = values[(y + box.y) * width + x + box.x]!;
      if (!hasReading(value)) continue;
      read += 1;
      sum += value;
      if (value >= limitC) continue;
      mask[y * box.width + x] = 1;
      count += 1;
    }
  }
  return { cold: { mask, count }, read, sum };
}

function patternOf(cold: Cold, { width, height }: FaceBox, share: number, minutesOn: number | null, foot: () => Foot): Pattern {
  const early = minutesOn !== null && minutesOn < EARLY_MIN;
  if (share < EVEN) return share > LITTLE_MUD && foot() === 'colder-than-its-water' ? 'cold-bottom' : 'even';
  if (share > WHOLE) return early ? 'still-warming' : 'cold-whole';
  const strip = (x0: number, x1: number, y0: number, y1: number) => {
    let [sum, count] = [0, 0];
    for (let y = Math.floor(y0 * height); y < Math.ceil(y1 * height); y += 1)
      for (let x = Math.floor(x0 * width); x < Math.ceil(x1 * width); x += 1) {
        sum += cold.mask[y * width + x]!;
        count += 1;
      }
    return sum / Math.max(1, count);
  };
  const [left, right] = [strip(0, STRIP, 0, 1), strip(1 - STRIP, 1, 0, 1)];
  const [top, bottom] = [strip(0, 1, 0, STRIP), strip(0, 1, 1 - STRIP, 1)];
  // The water has come so far: one end warm from top to bottom, the other cold from top to bottom.
  if (Math.max(left, right) > 0.7 && Math.min(left, right) < 0.2) return 'still-warming';
  if (covered(cold, width, height)) return 'hidden';
  // Little water may leave the foot cold too: air is cold above a warm middle.
  if (top > 0.55 && (bottom < 0.2 || strip(0, 1, 0.4, 0.7) < 0.2)) return 'cold-top';
  if (bottom > 0.25 && top < 0.15) return foot() === 'as-its-water' ? 'low-flow' : 'cold-bottom';
  return early ? 'still-warming' : 'unclear';
}

/** A thing before the face is cold in columns with upright sides between warm ones, from the top or all the way down. */
function covered({ mask }: Cold, width: number, height: number): boolean {
  const deep = Array.from({ length: width }, (_, x) => {
    let count = 0;
    for (let y = 0; y < height; y += 1) count += mask[y * width + x]!;
    return count / height;
  });
  const hung = deep.map((share, x) => share > 0.3 && mask[Math.floor(0.06 * height) * width + x] === 1);
  const columns = hung.filter(Boolean).length;
  if (columns < 0.08 * width || columns > 0.85 * width) return false;
  // Its sides: columns that are warm from top to bottom begin within a few pixels of it.
  const reach = Math.max(3, Math.round(0.05 * width));
  let sides = 0;
  for (let x = 1; x < width; x += 1) {
    if (hung[x] === hung[x - 1]) continue;
    const beyond = hung[x] ? x - reach : x + reach;
    if (beyond >= 0 && beyond < width && deep[beyond]! < 0.1) sides += 1;
  }
  return sides >= 1 && (sides >= 2 || hung[0]! || hung[width - 1]!);
}

/** Its warm part fills at least this share of the box around it. */
const FILLS = 0.8;
/** An emitter covers at least this share of a frame that shows it. */
const LEAST_SHARE = 0.02;

/**
 * Finds an emitter in a frame by itself: the one large warm rectangle. A part that air or time keeps as cold as the wall is none of
 * it; where the proportions of its face are known, the box is made whole: upwards where it is too low, because air lies along the
 * top, and away from its hotter end where it is too narrow, because the warmth is still on its way.
 *
 * @param aspect - width over height of its face; null where nobody measured it
 * @returns null where there is none, or where more than one thing is as warm
 */
export function findFace(frame: Grid, airC: number, aspect: number | null = null): FaceBox | null {
  const box = warmBox(frame, airC);
  return box && aspect !== null ? whole(frame, box, aspect) : box;
}

/** A box that is smaller than its proportions say by this share is made whole. */
const SHORT = 0.9;

function whole({ width, height, values }: Grid, box: FaceBox, aspect: number): FaceBox {
  const tall = Math.round(box.width / aspect);
  if (box.height < SHORT * tall) {
    const y = Math.max(0, box.y + box.height - tall);
    return { ...box, y, height: box.y + box.height - y };
  }
  const wide = Math.round(box.height * aspect);
  if (box.width >= SHORT * wide) return box;
  const half = (from: number, to: number) => {
    let [sum, n] = [0, 0];
    for (let y = box.y; y < box.y + box.height; y += 1)
      for (let x = from; x < to; x += 1)
        if (hasReading(values[y * width + x]!)) {
          sum += values[y * width + x]!;
          n += 1;
        }
    return sum / n;
  };
  const middle = box.x + Math.floor(box.width / 2);
  if (half(box.x, middle) >= half(middle, box.x + box.width))
    return { ...box, width: Math.min(wide, width - box.x), height: Math.min(box.height, height - box.y) };
  const x = Math.max(0, box.x + box.width - wide);
  return { ...box, x, width: box.x + box.width - x };
}

function warmBox({ width, height, values }: Grid, airC: number): FaceBox | null {
  let hottest = -Infinity;
  for (const value of values) if (hasReading(value) && value > hottest) hottest = value;
  if (hottest < airC + LEAST_EXCESS_K) return null;
  const limit = airC + 0.3 * (hottest - airC);
  let [left, right, top, bottom, count] = [width, -1, height, -1, 0];
  const columns = new Int32Array(width);
  const rows = new Int32Array(height);
  values.forEach((value, i) => {
    if (!(value >= limit)) return;
    columns[i % width]! += 1;
    rows[Math.floor(i / width)]! += 1;
  });
  // Stray warm pixels do not stretch the box: a side has a fifth of what the fullest column or row has.
  const [tall, wide] = [Math.max(...columns), Math.max(...rows)];
  columns.forEach((n, x) => {
    if (n < 0.2 * tall) return;
    left = Math.min(left, x);
    right = Math.max(right, x);
  });
  rows.forEach((n, y) => {
    if (n < 0.2 * wide) return;
    top = Math.min(top, y);
    bottom = Math.max(bottom, y);
    count += n;
  });
  const box = { x: left, y: top, width: right - left + 1, height: bottom - top + 1 };
  const area = box.width * box.height;
  return area >= LEAST_SHARE * width * height && count >= FILLS * area ? box : null;
}

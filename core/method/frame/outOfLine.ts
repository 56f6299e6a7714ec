import { hasReading } from '../../ground/hasReading';
import { moved } from '../../ground/affine';
import type { Alignment } from './alignment';

interface Grey {
  width: number;
  height: number;
  values: Float32Array;
}

/** How far a photo seems to lie beside its frame. */
export interface LineCheck {
  /** Shift that would make the edges meet, shares of the frame's width. */
  x: number;
  y: number;
  /** How well the edges agree as they lie and after the shift, −1 … 1. */
  now: number;
  best: number;
}

/** Width to which both are brought. */
const COLUMNS = 120;
/** Largest shift that is tried, share of the width. */
const REACH = 0.1;
/** Edges that agree less than this say nothing. */
const LEAST_AGREEMENT = 0.2;
/** A shift has to be this much better than none. */
const BETTER_BY = 0.08;
/** From this shift on a pair is called out of line, share of the width. */
const OUT_FROM = 0.025;

/**
 * Compares the edges of a frame with those of its photo as they are laid on each other, and shifted a little every way.
 *
 * @param frame - °C, NaN for no reading
 * @param photo - brightness
 * @returns null when the edges have too little in common to tell; heat has no edge where light has one, so that is common
 *
 * Normalised correlation of the sizes of gradients on a picture of 120 columns, all shifts up to a tenth of the width.
 */
export function checkLine(frame: Grey, photo: Grey, alignment: Alignment): LineCheck | null {
  const rows = Math.max(8, Math.round((COLUMNS * frame.height) / frame.width));
  const heat = edges(
    sampled(frame, COLUMNS, rows, ([x, y]) => [x, y]),
    COLUMNS,
    rows,
  );
  const reach = Math.round(REACH * COLUMNS);
  const wide = COLUMNS + 2 * reach;
  const tall = rows + 2 * reach;
  const light = edges(
    sampled(photo, wide, tall, ([x, y]) => moved(alignment, [(x * wide - reach) / COLUMNS, (y * wide - reach) / COLUMNS])),
    wide,
    tall,
  );
  let now = 0;
  let best = { value: -Infinity, dx: 0, dy: 0 };
  for (let dy = -reach; dy <= reach; dy += 1) {
    for (let dx = -reach; dx <= reach; dx += 1) {
      const value = correlation(heat, light, COLUMNS, rows, wide, reach + dx, reach + dy);
      if (dx === 0 && dy === 0) now = value;
      if (value > best.value) best = { value, dx, dy };
    }
  }
  if (!(best.value >= LEAST_AGREEMENT)) return null;
  return { x: best.dx / COLUMNS, y: best.dy / COLUMNS, now, best: best.value };
}

/** Whether that is far enough, and clear enough, to tell a person. */
export function isOutOfLine(check: LineCheck): boolean {
  return Math.hypot(check.x, check.y) >= OUT_FROM && check.best - check.now >= BETTER_BY;
}

/** A picture brought to a size; `from` gives the place in it, as shares of its width. Nearest pixel; NaN outside. */
function sampled(
  grey: Grey,
  columns: number,
  rows: number,
  from: (at: [number, number]) => readonly [number, number],
): Float32Array {
  const out = new Float32Array(columns * rows);
  for (let y = 0, i = 0; y < rows; y += 1) {
    for (let x = 0; x < columns; x += 1, i += 1) {
      const [u, v] = from([(x + 0.5) / columns, (y + 0.5) / columns]);
      const [px, py] = [Math.floor(u * grey.width), Math.floor(v * grey.width)];
      out[i] = px >= 0 && py >= 0 && px < grey.width && py < grey.height ? grey.values[py * grey.width + px]! : NaN;
    }
  }
  return out;
}

/** Sizes of gradients, evened by a root so that one strong edge does not rule; 0 at the rim. */
function edges(values: Float32Array, columns: number, rows: number): Float32Array {
  const out = new Float32Array(values.length);
  for (let y = 1; y < rows - 1; y += 1) {
    for (let x = 1; x < columns - 1; x += 1) {
      const i = y * columns + x;
      const size = Math.hypot(values[i + 1]! - values[i - 1]!, values[i + columns]! - values[i - columns]!);
      out[i] = hasReading(size) ? Math.sqrt(size) : 0;
    }
  }
  return out;
}

function correlation(
  small: Float32Array,
  large: Float32Array,
  columns: number,
  rows: number,
  wide: number,
  left: number,
  top: number,
): number {
  let [sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0];
  for (let y = 0; y < rows; y += 1) {
    for (let x = 0; x < columns; x += 1) {
      const a = small[y * columns + x]!;
      const b = large[(y + top) * wide + x + left]!;
      sa += a;
      sb += b;
      saa += a * a;
      sbb += b * b;
      sab += a * b;
    }
  }
  const n = columns * rows;
  const spread = Math.sqrt((saa - (sa * sa) / n) * (sbb - (sb * sb) / n));
  return spread > 0 ? (sab - (sa * sb) / n) / spread : 0;
}

import type { LookedThrough } from './places';

/** A box in pixels of the frame. */
export interface BoxPx {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Size of a sound patch in working pixels. */
const LEAST = 4;
const MOST = 24;
/** What a kelvin against the surroundings of the place costs, beside a whole height of the picture. */
const OFF = 4;
/** Between a place and what it is compared with, working pixels. */
const APART = 4;

/** Sums over all pixels above and to the left, so that a box is judged by its four corners. */
interface Sums {
  /** Pixels that are no sound surface. */
  blocked: Float64Array;
  /** Against the background, and their squares. */
  values: Float64Array;
  squares: Float64Array;
  /** As they are. */
  levels: Float64Array;
}

type Looked = Pick<LookedThrough, 'picture' | 'contrast' | 'counts' | 'factor'>;

/** @param taken - pixels of the working grid that belong to places: 1 */
export function sumsOf({ picture, contrast, counts }: Looked, taken: Uint8Array): Sums {
  const { width, height } = picture;
  const size = (width + 1) * (height + 1);
  const sums: Sums = {
    blocked: new Float64Array(size),
    values: new Float64Array(size),
    squares: new Float64Array(size),
    levels: new Float64Array(size),
  };
  for (let y = 0; y < height; y += 1) {
    let [blocked, values, squares, levels] = [0, 0, 0, 0];
    for (let x = 0; x < width; x += 1) {
      const i = y * width + x;
      const value = contrast.values[i]!;
      blocked += !counts[i] || taken[i] ? 1 : 0;
      values += value;
      squares += value * value;
      levels += counts[i] ? picture.values[i]! : 0;
      const k = (y + 1) * (width + 1) + x + 1;
      sums.blocked[k] = sums.blocked[k - width - 1]! + blocked;
      sums.values[k] = sums.values[k - width - 1]! + values;
      sums.squares[k] = sums.squares[k - width - 1]! + squares;
      sums.levels[k] = sums.levels[k - width - 1]! + levels;
    }
  }
  return sums;
}

/**
 * A patch of sound surface to compare a place with: as high in the picture as the place and as warm as what lies around it, where
 * nothing stands out; only where none lies beside it, above or below. A wall is colder at its foot: a patch of another height would
 * add what the wall itself differs by.
 *
 * @param bbox - of the place, pixels of the frame
 * @param besideC - of what lies around it, °C
 * @returns null where no sound surface is in view
 */
export function soundPatchFor({ picture, factor }: Looked, sums: Sums, bbox: BoxPx, besideC: number): BoxPx | null {
  const { width, height } = picture;
  const wide = Math.max(LEAST, Math.min(MOST, Math.round(bbox.width / factor)));
  const high = Math.max(LEAST, Math.min(MOST, Math.round(bbox.height / factor)));
  const box = { left: bbox.x / factor, right: (bbox.x + bbox.width) / factor };
  const middle = (bbox.y + bbox.height / 2) / factor;
  const n = wide * high;
  let best: { x: number; y: number; cost: number } | null = null;
  for (let y = 0; y + high <= height; y += 2) {
    // Another height is another layer of air: it costs more than the same way sideways.
    const layer = Math.abs(y + high / 2 - middle) / height;
    const [above, below] = [y * (width + 1), (y + high) * (width + 1)];
    for (let x = 0; x + wide <= width; x += 2) {
      if (x < box.right + APART && x + wide > box.left - APART && layer * height < high + APART) continue;
      const inBox = (of: Float64Array) => of[below + x + wide]! - of[below + x]! - of[above + x + wide]! + of[above + x]!;
      if (inBox(sums.blocked) > 0) continue;
      const mean = inBox(sums.values) / n;
      const unrest = Math.abs(mean) + Math.sqrt(Math.max(0, inBox(sums.squares) / n - mean * mean));
      const aside = Math.abs(x + wide / 2 - (box.left + box.right) / 2) / width;
      const off = Math.abs(inBox(sums.levels) / n - besideC);
      const cost = layer + 0.3 * aside + unrest + OFF * off;
      if (!best || cost < best.cost) best = { x, y, cost };
    }
  }
  return best && { x: best.x * factor, y: best.y * factor, width: wide * factor, height: high * factor };
}

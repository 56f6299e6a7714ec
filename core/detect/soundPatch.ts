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
/** Between a place and what it is compared with, working pixels. */
const APART = 4;

/**
 * A patch of sound surface to compare a place with: as high in the picture as the place, where nothing stands out; only where none
 * lies beside it, above or below.
 *
 * @param taken - pixels of the working grid that belong to places or to what was set aside: 1
 * @param bbox - of the place, pixels of the frame
 * @returns null where no sound surface is in view
 */
export function soundPatchFor(
  { picture, contrast, counts, factor }: Pick<LookedThrough, 'picture' | 'contrast' | 'counts' | 'factor'>,
  taken: Uint8Array,
  bbox: BoxPx,
): BoxPx | null {
  const { width, height } = picture;
  const wide = Math.max(LEAST, Math.min(MOST, Math.round(bbox.width / factor)));
  const high = Math.max(LEAST, Math.min(MOST, Math.round(bbox.height / factor)));
  const box = { left: bbox.x / factor, right: (bbox.x + bbox.width) / factor };
  const middle = (bbox.y + bbox.height / 2) / factor;
  const unrest = (x0: number, y0: number): number | null => {
    let [sum, squares] = [0, 0];
    for (let y = y0; y < y0 + high; y += 1) {
      for (let x = x0; x < x0 + wide; x += 1) {
        const i = y * width + x;
        if (!counts[i] || taken[i]) return null;
        const value = contrast.values[i]!;
        sum += value;
        squares += value * value;
      }
    }
    const n = wide * high;
    return Math.abs(sum / n) + Math.sqrt(Math.max(0, squares / n - (sum / n) ** 2));
  };
  let best: { x: number; y: number; cost: number } | null = null;
  for (let y = 0; y + high <= height; y += 2) {
    // Another height is another layer of air: it costs more than the same way sideways.
    const layer = Math.abs(y + high / 2 - middle) / height;
    for (let x = 0; x + wide <= width; x += 2) {
      if (x < box.right + APART && x + wide > box.left - APART && layer * height < high + APART) continue;
      const aside = Math.abs(x + wide / 2 - (box.left + box.right) / 2) / width;
      if (best && layer + 0.3 * aside >= best.cost) continue;
      const calm = unrest(x, y);
      if (calm === null) continue;
      const cost = layer + 0.3 * aside + calm;
      if (!best || cost < best.cost) best = { x, y, cost };
    }
  }
  return best && { x: best.x * factor, y: best.y * factor, width: wide * factor, height: high * factor };
}

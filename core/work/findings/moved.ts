import type { FrameLook, Seen } from './seen';

/** Two candidates may be one thing when their areas and contrasts differ by no more than this factor. */
const ALIKE = 2.2;
/** The thing itself may change more: a mirror image grows, shrinks and is cut. */
const LOOSELY = 4;
/** Of the picture's width: what fits, what has moved. */
const FITS = 0.03;
const MOVED = 0.06;
/** The camera stood elsewhere when the surface moved by so much. */
const ASIDE = 0.04;

interface Place {
  x: number;
  y: number;
}

const placeOf = ({ shape }: Seen, width: number): Place => ({ x: shape.centroid.x / width, y: shape.centroid.y / width });

function within(a: number, b: number, factor: number): boolean {
  return a > 0 && b > 0 && a <= factor * b && b <= factor * a;
}

function alike(a: Seen, b: Seen, factor: number): boolean {
  return a.sign === b.sign && within(a.area, b.area, factor) && within(Math.abs(a.peak), Math.abs(b.peak), factor);
}

/**
 * Whether a candidate moved over the surface between two frames of one place, taken from two stand-points: what moves is a
 * reflection, what stays is on or behind the surface. The surface is followed by the other candidates, which must fit together
 * after one shift.
 *
 * @param one - what was seen in the first frame, with the candidate's place in it
 * @param other - what was seen in the second; both frames have the same size
 * @param width - of the frames, pixels
 * @returns null where nothing else shows how the surface itself moved, or where the candidate's place is not in view any more
 */
export function movedBetween(one: FrameLook, index: number, other: FrameLook, width: number): 'moved' | 'stayed' | null {
  const candidate = one.candidates[index]!;
  const anchors = one.candidates.filter((_, i) => i !== index);
  let best: { shift: Place; fits: number; off: number } | null = null;
  for (const a of anchors) {
    for (const b of other.candidates) {
      if (!alike(a, b, ALIKE)) continue;
      const [from, to] = [placeOf(a, width), placeOf(b, width)];
      const shift = { x: to.x - from.x, y: to.y - from.y };
      let [fits, off] = [0, 0];
      for (const anchor of anchors) {
        const at = placeOf(anchor, width);
        const away = Math.min(
          ...other.candidates
            .filter((seen) => alike(anchor, seen, ALIKE))
            .map((seen) => Math.hypot(placeOf(seen, width).x - at.x - shift.x, placeOf(seen, width).y - at.y - shift.y)),
        );
        if (away > FITS) continue;
        fits += 1;
        off += away;
      }
      if (!best || fits > best.fits || (fits === best.fits && off < best.off)) best = { shift, fits, off };
    }
  }
  if (!best) return null;
  const at = placeOf(candidate, width);
  const expected = { x: at.x + best.shift.x, y: at.y + best.shift.y };
  const found = other.candidates
    .filter((seen) => alike(candidate, seen, LOOSELY))
    .map((seen) => Math.hypot(placeOf(seen, width).x - expected.x, placeOf(seen, width).y - expected.y))
    .sort((a, b) => a - b)[0];
  if (expected.x < 0 || expected.x > 1) return null;
  if (found === undefined) return best.fits >= 2 ? 'moved' : null;
  // Where the camera hardly moved, a mirror image stays too.
  if (found <= FITS) return Math.hypot(best.shift.x, best.shift.y) >= ASIDE ? 'stayed' : null;
  return found >= MOVED ? 'moved' : null;
}

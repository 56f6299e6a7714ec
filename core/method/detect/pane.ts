import type { Place } from './places';

/** A sharp rectangle whose middle pixel is so much weaker than its strongest has parts of its own. */
const PANED = 0.82;
/** Below this it is no rectangle but a blotch that fills one. */
const BOXED = 0.62;

/** A sharp rectangle with a frame around it, or with parts of its own. */
export function isPane({ framed, box, extent }: Pick<Place, 'framed' | 'box' | 'extent'>): boolean {
  return framed !== null || (box !== null && box.sharpSides === 4 && extent.flat < PANED && extent.flat >= BOXED);
}

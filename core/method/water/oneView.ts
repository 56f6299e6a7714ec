import { believable } from '../../ground/clean';
import type { Grid } from '../../ground/grid';
import { steadySize, View, type Steadied } from './steady';

/** A frame of a series with its moment, s from the first one. */
export interface Timed {
  name: string;
  frame: Grid;
  t: number;
}

/** A frame of the view: small and clean, with its place on the first one. */
export interface Kept extends Timed {
  small: Grid;
  at: Steadied;
}

/** The first frames may show something else: so many are tried as the first of the view. */
const TRIED = 3;

/**
 * Sorts out what shows another view, or has another size. Where the first frame does, the view begins with the next.
 *
 * @param progress - called with the share that is done, 0 … 1; may throw to stop
 */
export function oneView(sorted: readonly Timed[], progress: (share: number) => void): { kept: Kept[]; foreign: string[] } {
  const smalls = sorted.map(({ frame }) => {
    const grid = believable(frame)?.grid;
    return grid ? steadySize(grid) : null;
  });
  let best: { kept: Kept[]; foreign: string[] } = { kept: [], foreign: sorted.map(({ name }) => name) };
  for (let first = 0; first < Math.min(TRIED, sorted.length); first += 1) {
    const reference = smalls[first];
    if (!reference) continue;
    const { width, height } = sorted[first]!.frame;
    const view = new View(reference);
    const kept: Kept[] = [];
    const foreign = sorted.slice(0, first).map(({ name }) => name);
    sorted.slice(first).forEach((one, i) => {
      progress((i + 1) / sorted.length);
      const small = smalls[first + i];
      const at = small && one.frame.width === width && one.frame.height === height ? view.place(small) : null;
      if (at) kept.push({ ...one, small: small!, at });
      else foreign.push(one.name);
    });
    if (kept.length > best.kept.length) best = { kept, foreign };
    if (2 * kept.length > sorted.length) break;
  }
  return best;
}

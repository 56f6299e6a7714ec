import { projected, type Homography } from '../../ground/homography';

/** From this share of the earlier view on a later frame can be compared with it. */
export const GOOD_OVERLAP = 0.85;
/** Steps that are not worth asking for: share of the width, and of the size. */
const LEAST_SHIFT = 0.04;
const LEAST_SIZE = 0.06;

/** How a camera is moved to see what it saw before. */
export interface Aim {
  good: boolean;
  /** Share of the earlier view that is seen, 0 … 1. */
  overlap: number;
  across: 'left' | 'right' | null;
  upright: 'up' | 'down' | null;
  along: 'nearer' | 'farther' | null;
}

/**
 * How to aim so that a camera sees again what an earlier frame shows.
 *
 * @param h - takes pixels of the earlier frame to those of what is seen now
 * @param earlier, now - sizes, pixels
 */
export function aimFor(
  h: Homography,
  overlap: number,
  earlier: { width: number; height: number },
  now: { width: number; height: number },
): Aim {
  const at = (u: number, v: number) => projected(h, [u * earlier.width, v * earlier.height]);
  const [[x, y], left, right] = [at(0.5, 0.5), at(0.25, 0.5), at(0.75, 0.5)] as const;
  const [across, upright] = [(x - now.width / 2) / now.width, (y - now.height / 2) / now.height];
  // The same wall as large as before has this size 1.
  const size = Math.hypot(right[0] - left[0], right[1] - left[1]) / (0.5 * now.width);
  return {
    good: overlap >= GOOD_OVERLAP,
    overlap,
    across: Math.abs(across) < LEAST_SHIFT ? null : across > 0 ? 'right' : 'left',
    upright: Math.abs(upright) < LEAST_SHIFT ? null : upright > 0 ? 'down' : 'up',
    along: Math.abs(size - 1) < LEAST_SIZE ? null : size > 1 ? 'farther' : 'nearer',
  };
}

/** What to do, in a few words; empty when nothing is left to do. */
export function aimWords({ across, upright, along }: Aim): string {
  const turn = [upright, across].filter((one) => one !== null).join(' and ');
  return [turn && `aim ${turn}`, along && `step ${along === 'nearer' ? 'nearer' : 'back'}`].filter(Boolean).join(', ');
}

import type { Grid } from '../../ground/grid';
import type { Homography } from '../../ground/homography';
import { product } from './maps';
import { sampled } from './resized';

/** Side of a block, pixels: each has one voice, whether a window fills it or bare plaster. */
const BLOCK = 12;
/** A block of which less is shared has none. */
const LEAST_SHARED = 0.6;
const LEAST_BLOCKS = 8;

/** A block shows something when its values vary so many times as much as in a bare one, which most quiet blocks are. */
const SHOWS = 2.5;
const BARE = 0.3;

/**
 * How far two pictures show the same thing, block by block: the mean of the blocks' correlations, −1 … 1. Of pictures of
 * different things it is 0 within some hundredths, however strongly a few blocks agree by chance.
 *
 * @param a, b - what is singular in two pictures, some 80 or 160 pixels wide
 */
export function sameness(a: Grid, b: Grid, h: Homography): number {
  const blocks = blocksOf(a, b, h);
  return blocks.length < LEAST_BLOCKS ? 0 : mean(blocks.map(({ likeness }) => likeness));
}

/**
 * The same over those blocks only that show something in one of both pictures: on a bare wall all others vote by noise.
 *
 * @returns how many they are, and the mean of their correlations; 0 for none
 */
export function samenessShown(a: Grid, b: Grid, h: Homography): { blocks: number; same: number } {
  const blocks = blocksOf(a, b, h);
  const bare = (which: 'one' | 'other') =>
    blocks.map((block) => block[which]).sort((p, q) => p - q)[Math.floor(BARE * blocks.length)] ?? 0;
  const [bareOne, bareOther] = [bare('one'), bare('other')];
  const shown = blocks.filter(({ one, other }) => one > SHOWS * bareOne || other > SHOWS * bareOther);
  return { blocks: shown.length, same: shown.length === 0 ? 0 : mean(shown.map(({ likeness }) => likeness)) };
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

interface Block {
  likeness: number;
  /** Variance in one and in the other picture. */
  one: number;
  other: number;
}

function blocksOf(a: Grid, b: Grid, h: Homography): Block[] {
  const blocks: Block[] = [];
  for (let top = 0; top + BLOCK <= a.height; top += BLOCK)
    for (let left = 0; left + BLOCK <= a.width; left += BLOCK) {
      const block = blockAt(a, b, h, left, top);
      if (block) blocks.push(block);
    }
  return blocks;
}

function blockAt(a: Grid, b: Grid, h: Homography, left: number, top: number): Block | null {
  let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
  for (let y = top; y < top + BLOCK; y += 1)
    for (let x = left; x < left + BLOCK; x += 1) {
      const w = h[6]! * x + h[7]! * y + h[8]!;
      const u = (h[0]! * x + h[1]! * y + h[2]!) / w;
      const v = (h[3]! * x + h[4]! * y + h[5]!) / w;
      if (!(u >= 0 && v >= 0 && u < b.width - 1 && v < b.height - 1)) continue;
      const one = a.values[y * a.width + x]!;
      const other = sampled(b, u, v);
      n += 1;
      sa += one;
      sb += other;
      saa += one * one;
      sbb += other * other;
      sab += one * other;
    }
  if (n < LEAST_SHARED * BLOCK * BLOCK) return null;
  const [varies, otherVaries] = [saa - (sa * sa) / n, sbb - (sb * sb) / n];
  return {
    likeness: (sab - (sa * sb) / n) / Math.sqrt(varies * otherVaries + 1e-9),
    one: varies / n,
    other: otherVaries / n,
  };
}

/** Shifts at which nothing should fit, pixels. */
const BESIDE = [-24, -12, 0, 12, 24].flatMap((dx) => [-16, -8, 0, 8, 16].map((dy) => [dx, dy] as const));

/**
 * How far a map stands out from the same map shifted aside, in standard deviations of those: of one wall 7 and more, of
 * different ones 4 at most. A wall that shows hardly anything stands out no more than noise does, and is refused.
 *
 * @param same - how far the pictures show the same through the map itself; of either sign
 */
export function standsOut(a: Grid, b: Grid, h: Homography, same: number): number {
  const others = BESIDE.filter(([dx, dy]) => dx !== 0 || dy !== 0).map(([dx, dy]) =>
    sameness(a, b, product([1, 0, dx, 0, 1, dy, 0, 0, 1], h)),
  );
  const mean = others.reduce((sum, value) => sum + value, 0) / others.length;
  const spread = Math.sqrt(others.reduce((sum, value) => sum + (value - mean) ** 2, 0) / others.length);
  return Math.abs(same - mean) / (spread + 1e-9);
}

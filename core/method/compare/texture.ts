import { smoothed } from '../../ground/blur';
import type { Grid } from '../../ground/grid';
import { medianOf, robustSpread } from '../../ground/median';
import { resized } from './resized';
import { sampleOf } from './shared';

/** Broad parts are looked for in a picture of this width. */
const BROAD_WIDTH = 80;
const ROUNDS = 4;
/** A radiator or a pane pulls what is broad around it no further than this, in spreads of the detail. */
const HELD = 3;
/** Contrast is evened out over a neighbourhood of this share of the width. */
const AROUND = 1 / 20;
/** Noise of single pixels is smoothed, pixels. */
const BLUR = 0.7;

export interface Evening {
  bound: number;
  floor: number;
}

/** A frame as it was read, and what is broader than a share of its width in it: layers of the air, shading, halos. */
export interface Texture {
  frame: Grid;
  broad: Grid;
}

/**
 * Finds what is broad in a frame, without letting hot or cold things pull it: smoothed, with everything held to what was
 * smooth so far, a few times over.
 *
 * @param share - what is broader than this share of the width is broad
 * @param like - of a frame of the same view, as large: what is broad in it is where to begin, and once over does
 */
export function textureOf(frame: Grid, share: number, like?: Texture): Texture {
  const width = Math.min(frame.width, BROAD_WIDTH);
  const small = resized(frame, width, Math.max(2, Math.round((width * frame.height) / frame.width)));
  let broad: Grid = like?.broad ?? { ...small, values: new Float32Array(small.values.length) };
  const detail = new Float32Array(small.values.length);
  for (let round = 0; round < (like ? 1 : ROUNDS); round += 1) {
    for (let i = 0; i < detail.length; i += 1) detail[i] = small.values[i]! - broad.values[i]!;
    // The level of a camera jumps; after the first round what is smooth has it.
    const level = round === 0 ? medianOf(sampleOf(detail)) : 0;
    const limit = HELD * robustSpread(sampleOf(detail));
    const held = detail.map((value, i) => broad.values[i]! + level + Math.max(-limit, Math.min(limit, value - level)));
    broad = smoothed({ ...small, values: held }, share * width);
  }
  return { frame, broad };
}

/**
 * What of a frame can be recognised again, at some width: its detail in units of its own spread, cut off where it stands out,
 * somewhat evened out.
 *
 * @param evening - what stands out is cut off at `bound`; where contrast is below `floor` it stays low; both in spreads
 */
export function featuresOf({ frame, broad }: Texture, width: number, { bound, floor }: Evening): Grid {
  const height = Math.round((width * frame.height) / frame.width);
  const picture = smoothed(resized(frame, width, height), BLUR);
  const level = resized(broad, width, height);
  const detail = new Float32Array(picture.values.length);
  for (let i = 0; i < detail.length; i += 1) detail[i] = picture.values[i]! - level.values[i]!;
  const spread = robustSpread(sampleOf(detail)) || 1e-6;
  const square = new Float32Array(detail.length);
  for (let i = 0; i < detail.length; i += 1) {
    const held = Math.max(-bound, Math.min(bound, detail[i]! / spread));
    detail[i] = held;
    square[i] = held * held;
  }
  const power = aroundOf({ width, height, values: square });
  for (let i = 0; i < detail.length; i += 1) detail[i]! /= Math.sqrt(power[i]! + floor * floor);
  return { width, height, values: detail };
}

/** How far most of the detail of a frame scatters at some width, K: single pixels are taken together, nothing is smoothed. */
export function detailSpread({ frame, broad }: Texture, width: number): number {
  const height = Math.round((width * frame.height) / frame.width);
  const [picture, level] = [resized(frame, width, height), resized(broad, width, height)];
  return robustSpread(picture.values.map((value, i) => value - level.values[i]!));
}

/** Mean of a neighbourhood, which is broad: reckoned in a smaller picture. */
function aroundOf(grid: Grid): Float32Array {
  const width = Math.min(grid.width, BROAD_WIDTH);
  const small = resized(grid, width, Math.max(2, Math.round((width * grid.height) / grid.width)));
  return resized(smoothed(small, AROUND * width), grid.width, grid.height).values;
}

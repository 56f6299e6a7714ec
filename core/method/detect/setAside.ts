import type { Side } from '../../ground/side';
import { partsOf, widenedMask, type Part } from './flood';
import type { Grid } from '../../ground/grid';
import { medianOf, quantileOf } from '../../ground/median';

/** What is in view and is no part of the surface that is judged. */
export type AsideKind = 'sky' | 'roof-edge' | 'hot-object' | 'warm-air' | 'next-surface';

export interface Aside {
  kind: AsideKind;
  pixels: Int32Array;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The sky is so much colder than what stands below it, K. */
const SKY_K = 6;
/** Least share of the picture that is taken as sky or as a large hot object. */
const LEAST_SHARE = 0.008;
/** Hotter than the surface by so much is a thing of its own, K. */
const HOT_K = 8;

export function asideOf(kind: AsideKind, { pixels, left, right, top, bottom }: Part): Aside {
  return { kind, pixels, left, right, top, bottom };
}

/** The level that most of a picture has, without its sky. */
function levelOf({ values }: Grid, side: Side): number {
  const every = Math.max(1, Math.floor(values.length / 8000));
  const some = Float32Array.from({ length: Math.floor(values.length / every) }, (_, i) => values[i * every]!);
  if (side !== 'outside') return medianOf(some);
  // Outdoors up to half of the picture may be sky: what is left lies above.
  return quantileOf(some, 0.7);
}

/** Sky is so much colder than the air on either side: no room holds that, K. */
const FAR_BELOW_K = 12;
/** Share of the pixels that has to be so cold. */
const SKY_SHARE = 0.01;

/** Whether part of a frame is far colder than the air on both sides, as only clear sky is: then it looks outdoors. */
export function showsSky(values: Float32Array, airs: readonly number[]): boolean {
  const limit = Math.min(...airs) - FAR_BELOW_K;
  let cold = 0;
  for (let i = 0; i < values.length; i += 1) if (values[i]! < limit) cold += 1;
  return airs.length > 0 && cold >= SKY_SHARE * values.length;
}

/** Clear or cloudy sky that reaches into the picture from its rim. */
export function findSky(grid: Grid, side: Side): Part[] {
  if (side !== 'outside') return [];
  const limit = levelOf(grid, side) - SKY_K;
  return partsOf(grid, (i) => grid.values[i]! < limit).filter(
    (part) =>
      part.pixels.length >= LEAST_SHARE * grid.values.length &&
      (part.top === 0 || ((part.left === 0 || part.right === grid.width - 1) && part.bottom < 0.6 * grid.height)),
  );
}

/** Large things that are far hotter than the surface: radiators, stoves, people before it. */
export function findHot(grid: Grid, side: Side): Part[] {
  const limit = levelOf(grid, side) + HOT_K;
  return partsOf(grid, (i) => grid.values[i]! > limit).filter((part) => part.pixels.length >= LEAST_SHARE * grid.values.length);
}

/** Marks the pixels of parts and a rim of `reach` around them, where optics mix both. */
export function maskOf(grid: Pick<Grid, 'width' | 'height'>, parts: readonly Pick<Part, 'pixels'>[], reach: number): Uint8Array {
  const mask = new Uint8Array(grid.width * grid.height);
  if (parts.length === 0) return mask;
  for (const { pixels } of parts) for (let k = 0; k < pixels.length; k += 1) mask[pixels[k]!] = 1;
  return widenedMask(mask, grid, reach);
}

import { smoothed } from '../../ground/blur';
import { robustSpread } from '../../ground/median';
import type { Grid } from '../../ground/grid';
import { amountOf, unsteady } from './growth';
import { rise } from './spread';
import type { Stack } from './stack';

/** Smoothing of the map of growth, pixels, and how far a patch stands out of what it does elsewhere. */
const BLUR = 2.5;
const LEAST_Z = 4.5;
/** Courses that are looked for: of the middle of a patch, and of its rim or of a leak beside the view, where heat comes late. */
const DISTANCES = [0, 2.2];
const MOST = 6;
/** Growth is told from about so many moments. */
const MOST_GROUPS = 20;
/** Outline of a patch: this share of its height, or so many spreads. */
const OUTLINE = 0.25;
const OUTLINE_Z = 3;

export interface Patch {
  x: number;
  y: number;
  /** How far it stands out, in spreads of the map. */
  z: number;
  /** Moment at which the water would have been turned on, s. */
  on: number;
  /** Places that belong to it. */
  members: number[];
  /** How much each of them grew, K. */
  heights: Float32Array;
}

export interface Growth {
  /** How much each place grew as a leak grows, K at the end. */
  map: Grid;
  spread: number;
  patches: Patch[];
}

/**
 * Where the view grew as over a leak: later than the water was turned on, faster and faster, not at the steady rate of
 * everything that warms by itself.
 *
 * @param ons - moments at which the water may have been turned on, s
 * @param D - how long heat takes to the surface, s
 */
export function growthOf(all: Stack, pixelNoise: number, ons: readonly number[], D: number, sign: 1 | -1): Growth {
  const stack = grouped(all);
  const noise = pixelNoise * Math.sqrt(stack.times.length / all.times.length);
  const matrix = unsteady(stack.times, noise);
  const end = stack.times.at(-1)!;
  let best: Growth | null = null;
  for (const on of ons)
    for (const distance of DISTANCES) {
      const last = rise(distance, (end - on) / D);
      if (last <= 1e-9) continue;
      const course = stack.times.map((t) => rise(distance, (t - on) / D) / last);
      const { amount } = amountOf(stack.rises, matrix, course, noise);
      const map = smoothed(
        { width: stack.width, height: stack.height, values: amount.map((value) => (value === value ? sign * value : 0)) },
        BLUR,
      );
      const spread = robustSpread(map.values.slice()) || 1e-9;
      const patches = patchesOf(map, spread, on);
      if (!best || (patches[0]?.z ?? 0) > (best.patches[0]?.z ?? 0)) best = { map, spread, patches };
    }
  return (
    best ?? {
      map: { width: stack.width, height: stack.height, values: new Float32Array(stack.width * stack.height) },
      spread: 1,
      patches: [],
    }
  );
}

/** Frames taken together by their means where there are many: a leak is slower than they are. */
function grouped(stack: Stack): Stack {
  const size = Math.floor(stack.times.length / MOST_GROUPS);
  if (size < 2) return stack;
  const groups = Array.from({ length: Math.ceil(stack.times.length / size) }, (_, g) => g * size);
  return {
    ...stack,
    times: groups.map((from) => mean(stack.times.slice(from, from + size))),
    rises: groups.map((from) => {
      const some = stack.rises.slice(from, from + size);
      const sum = new Float32Array(some[0]!.length);
      for (const values of some) for (let p = 0; p < sum.length; p += 1) sum[p]! += values[p]!;
      for (let p = 0; p < sum.length; p += 1) sum[p]! /= some.length;
      return sum;
    }),
  };
}

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

function patchesOf(map: Grid, spread: number, on: number): Patch[] {
  const { width, height, values } = map;
  const tops: { at: number; value: number }[] = [];
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = y * width + x;
      const value = values[at]!;
      if (value >= LEAST_Z * spread && isTop(map, x, y)) tops.push({ at, value });
    }
  tops.sort((p, q) => q.value - p.value);
  const taken = new Uint8Array(values.length);
  const patches: Patch[] = [];
  for (const { at, value } of tops) {
    if (taken[at] || patches.length >= MOST) continue;
    const members = flooded(map, at, Math.max(OUTLINE * value, OUTLINE_Z * spread), taken);
    patches.push({
      x: at % width,
      y: Math.floor(at / width),
      z: value / spread,
      on,
      members,
      heights: Float32Array.from(members, (p) => values[p]!),
    });
  }
  return patches;
}

function isTop({ width, height, values }: Grid, x: number, y: number): boolean {
  const value = values[y * width + x]!;
  for (let v = Math.max(0, y - 2); v <= Math.min(height - 1, y + 2); v += 1)
    for (let u = Math.max(0, x - 2); u <= Math.min(width - 1, x + 2); u += 1) if (values[v * width + u]! > value) return false;
  return true;
}

function flooded({ width, height, values }: Grid, start: number, level: number, taken: Uint8Array): number[] {
  const members = [start];
  taken[start] = 1;
  for (let k = 0; k < members.length; k += 1) {
    const at = members[k]!;
    const [x, y] = [at % width, Math.floor(at / width)];
    for (const [u, v] of [
      [x - 1, y],
      [x + 1, y],
      [x, y - 1],
      [x, y + 1],
    ] as const) {
      if (u < 0 || v < 0 || u >= width || v >= height) continue;
      const next = v * width + u;
      if (taken[next] || values[next]! < level) continue;
      taken[next] = 1;
      members.push(next);
    }
  }
  return members;
}

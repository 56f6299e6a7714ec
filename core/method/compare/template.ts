import { weightedMean } from '../../ground/blur';
import type { Grid } from '../../ground/grid';
import { medianOf, quantileOf } from '../../ground/median';
import { cholesky, solveWith, type Triangle } from '../../ground/cholesky';
import type { Homography } from '../../ground/homography';
import { inverse, product } from './maps';
import {
  bounded,
  fitted,
  fittedAgain,
  leftOver,
  likeness,
  look,
  sampleOf,
  sharedOf,
  trusted,
  type Line,
  type Shared,
} from './shared';
import { similarStep } from './similarStep';

/** Numbers of a projective map. */
const ALL = 8;
const LEAST_PIXELS = 60;
/** A step that moves no corner farther than this, pixels, is the last one. */
const STILL = 0.03;
/** The matrix of a step is made anew every so many rounds: what is seen and trusted changes little from one to the next. */
const ANEW = 2;
/** … and from about so many pixels: it says how far to go, not where to. */
const MATRIX_PIXELS = 500;
/** Places where more than usual is left over a neighbourhood count less; its cells have this share of the width. */
const CELL = 1 / 80;
/** Of pictures with so many pixels only this share of them is looked at. */
const MANY_PIXELS = 4_000;
const TELLING = 0.5;
/** Side of a block for which what is left is stated, pixels. */
const BLOCK = 24;

export interface Fit {
  h: Homography;
  /** Correlation over all that both share, −1 … 1; negative where warm and cold are exchanged. */
  like: number;
  /** Share of the first picture that the second shows. */
  overlap: number;
}

export interface Way {
  rounds: number;
  /** affine: 6 numbers; similar: 4 (shift, turn, size). */
  kind: 'projective' | 'affine' | 'similar';
  /** Things that were fixed, moved, are new or do not lie on the wall lose their say; else all that is seen has the same. */
  robust: boolean;
}

/**
 * A picture with its gradients made ready once, so that others can be brought onto it: least squares with gain and level of
 * their own (Gauss and Newton's rule in inverse composition: Baker and Matthews 2004; weights of Tukey).
 */
export class Template {
  private readonly rows: Float32Array;
  private readonly size: number;
  private readonly shared: Shared;
  readonly places: Int32Array;
  /** Neighbourhoods: how many there are, in rows of how many, and in which each pixel lies. */
  private readonly cells: number;
  private readonly columns: number;
  private readonly cellOf: Int32Array;

  constructor(readonly a: Grid) {
    const { width, height, values } = a;
    this.size = Math.max(width, height) / 2;
    this.rows = new Float32Array(width * height * ALL);
    this.shared = sharedOf(width * height);
    for (let y = 1; y < height - 1; y += 1)
      for (let x = 1; x < width - 1; x += 1) {
        const o = y * width + x;
        const gx = ((values[o + 1]! - values[o - 1]!) / 2) * this.size;
        const gy = ((values[o + width]! - values[o - width]!) / 2) * this.size;
        const [u, v] = [(x - width / 2) / this.size, (y - height / 2) / this.size];
        const tilt = -(gx * u + gy * v);
        const { rows } = this;
        const r = o * ALL;
        rows[r] = gx * u;
        rows[r + 1] = gx * v;
        rows[r + 2] = gx;
        rows[r + 3] = gy * u;
        rows[r + 4] = gy * v;
        rows[r + 5] = gy;
        rows[r + 6] = tilt * u;
        rows[r + 7] = tilt * v;
      }
    this.places = this.telling();
    const cell = Math.max(2, Math.round(CELL * width));
    this.columns = Math.ceil(width / cell);
    this.cells = this.columns * Math.ceil(height / cell);
    this.cellOf = new Int32Array(width * height);
    for (let y = 0, at = 0; y < height; y += 1)
      for (let x = 0; x < width; x += 1, at += 1) this.cellOf[at] = Math.floor(y / cell) * this.columns + Math.floor(x / cell);
  }

  /** Places that are looked at: of many, those that show most; plain wall only costs time. */
  private telling(): Int32Array {
    const { a, rows } = this;
    const all = new Int32Array(a.width * a.height);
    const slopes = new Float32Array(all.length);
    for (let at = 0; at < all.length; at += 1) {
      all[at] = at;
      slopes[at] = Math.abs(rows[at * ALL + 2]!) + Math.abs(rows[at * ALL + 5]!);
    }
    if (all.length < MANY_PIXELS) return all;
    const least = quantileOf(sampleOf(slopes), 1 - TELLING);
    let n = 0;
    for (let at = 0; at < all.length; at += 1) if (slopes[at]! >= least) all[n++] = at;
    return all.slice(0, n);
  }

  /** Moves a map from this picture to another until both are as like as they can be near there. */
  fitted(b: Grid, from: Homography, { rounds, kind, robust }: Way): Fit {
    const { a, places, shared } = this;
    let h = [...from];
    let weights: Float32Array | null = null;
    let matrix: Float64Array = new Float64Array(ALL * ALL);
    for (let round = 0; ; round += 1) {
      look(a, b, h, places, shared);
      const overlap = shared.n / places.length;
      if (shared.n < LEAST_PIXELS) return { h, like: 0, overlap };
      if (round >= rounds) return { h, like: likeness(shared), overlap };
      const line: Line = robust ? (weights ? fittedAgain(shared, weights) : fitted(shared)) : fittedAgain(shared, null);
      const left = leftOver(shared, line);
      const anew = round % ANEW === 0;
      if (robust && anew) weights = this.trust(left, weights);
      if (round === 0 || (robust && anew)) matrix = this.matrix(weights);
      const d = solved(matrix, this.side(left, weights), kind);
      const step = d && inverse(this.map(d));
      if (!step) return { h, like: likeness(shared), overlap };
      h = product(h, step);
      if (d.reduce((sum, value) => sum + Math.abs(value), 0) * this.size < STILL) return { h, like: likeness(shared), overlap };
    }
  }

  /**
   * How far the places of both pictures still lie apart under a map, pixels of the other one: the middle one of all blocks,
   * each weighed by how much texture tells it. What was changed or does not lie on the wall is in it too.
   */
  residual(b: Grid, h: Homography): number {
    const { a, rows, places, shared, size } = this;
    look(a, b, h, places, shared);
    if (shared.n < LEAST_PIXELS) return NaN;
    const left = leftOver(shared, fitted(shared));
    const columns = Math.ceil(a.width / BLOCK);
    const blocks = new Float64Array(5 * columns * Math.ceil(a.height / BLOCK));
    for (let i = 0; i < shared.n; i += 1) {
      const place = shared.at[i]!;
      const gx = rows[place * ALL + 2]! / size;
      const gy = rows[place * ALL + 5]! / size;
      const block = Math.floor(Math.floor(place / a.width) / BLOCK) * columns + Math.floor((place % a.width) / BLOCK);
      const o = 5 * block;
      blocks[o]! += gx * gx;
      blocks[o + 1]! += gx * gy;
      blocks[o + 2]! += gy * gy;
      blocks[o + 3]! += gx * left[i]!;
      blocks[o + 4]! += gy * left[i]!;
    }
    const apart: { distance: number; weight: number }[] = [];
    for (let o = 0; o < blocks.length; o += 5) {
      const [xx, xy, yy, x, y] = blocks.subarray(o, o + 5) as unknown as [number, number, number, number, number];
      const det = xx * yy - xy * xy;
      const weight = det / (xx + yy + 1e-9);
      if (weight <= 0) continue;
      apart.push({ distance: Math.hypot(yy * x - xy * y, xx * y - xy * x) / det, weight });
    }
    apart.sort((p, q) => p.distance - q.distance);
    const half = apart.reduce((sum, { weight }) => sum + weight, 0) / 2;
    let sum = 0;
    for (const { distance, weight } of apart) {
      sum += weight;
      if (sum >= half) return distance;
    }
    return NaN;
  }

  private trust(left: Float32Array, into: Float32Array | null): Float32Array {
    const { cells, columns, cellOf } = this;
    const { at, n } = this.shared;
    const limit = bounded(left);
    const square = new Float32Array(cells);
    const count = new Float32Array(cells);
    for (let i = 0; i < n; i += 1) {
      const c = cellOf[at[i]!]!;
      const held = Math.min(limit, Math.abs(left[i]!));
      square[c]! += held * held;
      count[c]! += 1;
    }
    for (let c = 0; c < square.length; c += 1) {
      if (count[c]! === 0) continue;
      square[c]! /= count[c]!;
      count[c] = 1;
    }
    const near = weightedMean({ width: columns, height: cells / columns, values: square }, count, 1.3).values;
    const usual = medianOf(sampleOf(near.filter((_, c) => count[c] === 1)));
    const say = near.map((value) => 1 / (1 + (value / usual) ** 2));
    const weights = into ?? new Float32Array(cellOf.length);
    weights.fill(0);
    for (let i = 0; i < n; i += 1) weights[at[i]!] = trusted(left[i]! / limit) * say[cellOf[at[i]!]!]!;
    return weights;
  }

  private side(left: Float32Array, weights: Float32Array | null): Float64Array {
    const { rows, shared } = this;
    const { at, n } = shared;
    let [s0, s1, s2, s3, s4, s5, s6, s7] = [0, 0, 0, 0, 0, 0, 0, 0];
    for (let i = 0; i < n; i += 1) {
      const place = at[i]!;
      const value = weights ? left[i]! * weights[place]! : left[i]!;
      if (value === 0) continue;
      const o = place * ALL;
      s0 -= rows[o]! * value;
      s1 -= rows[o + 1]! * value;
      s2 -= rows[o + 2]! * value;
      s3 -= rows[o + 3]! * value;
      s4 -= rows[o + 4]! * value;
      s5 -= rows[o + 5]! * value;
      s6 -= rows[o + 6]! * value;
      s7 -= rows[o + 7]! * value;
    }
    return Float64Array.of(s0, s1, s2, s3, s4, s5, s6, s7);
  }

  private matrix(weights: Float32Array | null): Float64Array {
    const { rows, shared } = this;
    const { at, n } = shared;
    const matrix = new Float64Array(ALL * ALL);
    const stride = Math.max(1, Math.floor(n / MATRIX_PIXELS));
    for (let i = 0; i < n; i += stride) {
      const place = at[i]!;
      const weight = weights ? stride * weights[place]! : stride;
      if (weight < 1e-3) continue;
      const o = place * ALL;
      for (let r = 0; r < ALL; r += 1) {
        const value = weight * rows[o + r]!;
        const row = r * ALL;
        for (let c = 0; c <= r; c += 1) matrix[row + c]! += value * rows[o + c]!;
      }
    }
    for (let r = 0; r < ALL; r += 1) matrix[r * ALL + r] = matrix[r * ALL + r]! * 1.0005 + 1e-6;
    return matrix;
  }

  /** The map of a step, whose numbers count from the middle in halves of the longer side. */
  private map(d: Float64Array): number[] {
    const s = this.size;
    const [cx, cy] = [this.a.width / 2, this.a.height / 2];
    const local = [1 + d[0]!, d[1]!, d[2]!, d[3]!, 1 + d[4]!, d[5]!, d[6]!, d[7]!, 1];
    return product([s, 0, cx, 0, s, cy, 0, 0, 1], product(local, [1 / s, 0, -cx / s, 0, 1 / s, -cy / s, 0, 0, 1]));
  }
}

function solved(matrix: Float64Array, side: Float64Array, kind: Way['kind']): Float64Array | null {
  if (kind === 'similar') return similarStep(matrix, side);
  const n = kind === 'affine' ? 6 : ALL;
  const triangle: Triangle | null = cholesky(n === ALL ? matrix : cut(matrix, n), n);
  if (!triangle) return null;
  const step = new Float64Array(ALL);
  step.set(solveWith(triangle, side.subarray(0, n)));
  return step;
}

function cut(matrix: Float64Array, n: number): Float64Array {
  const small = new Float64Array(n * n);
  for (let r = 0; r < n; r += 1) small.set(matrix.subarray(r * ALL, r * ALL + n), r * n);
  return small;
}

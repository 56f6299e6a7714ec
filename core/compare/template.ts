import { weightedMean } from '../detect/blur';
import type { Grid } from '../detect/grid';
import { medianOf } from '../detect/median';
import { cholesky, solveWith, type Triangle } from '../geometry/cholesky';
import type { Homography } from '../geometry/homography';
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
/** Steps smaller than this, pixels, change nothing any more. */
const STILL = 0.004;
/** The matrix of a step is made anew every so many rounds: what is seen and trusted changes little from one to the next. */
const ANEW = 3;
/** … and from about so many pixels: it says how far to go, not where to. */
const MATRIX_PIXELS = 2500;
/** Places where more than usual is left over a neighbourhood count less; its cells have this share of the width. */
const CELL = 1 / 80;
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
        this.rows.set([gx * u, gx * v, gx, gy * u, gy * v, gy, tilt * u, tilt * v], o * ALL);
      }
  }

  /** Moves a map from this picture to another until both are as like as they can be near there. */
  fitted(b: Grid, from: Homography, { rounds, kind, robust }: Way): Fit {
    const { a, shared } = this;
    const raster = a.width * a.height;
    let h = [...from];
    let weights: Float32Array | null = null;
    let matrix: Float64Array = new Float64Array(ALL * ALL);
    for (let round = 0; ; round += 1) {
      look(a, b, h, shared);
      const overlap = shared.n / raster;
      if (shared.n < LEAST_PIXELS) return { h, like: 0, overlap };
      if (round >= rounds) return { h, like: likeness(shared), overlap };
      const line: Line = robust ? (weights ? fittedAgain(shared, weights) : fitted(shared)) : fittedAgain(shared, null);
      const left = leftOver(shared, line);
      if (robust) weights = this.trust(left, weights);
      if (round % ANEW === 0) matrix = this.matrix(weights);
      const d = solved(matrix, this.side(left, weights), kind);
      const step = d && inverse(this.map(d));
      if (!step) return { h, like: likeness(shared), overlap };
      h = product(h, step);
      if (Math.hypot(d[2]!, d[5]!) * this.size < STILL) round = Math.max(round, rounds - 2);
    }
  }

  /**
   * How far the places of both pictures still lie apart under a map, pixels of the other one: the middle one of all blocks,
   * each weighed by how much texture tells it. What was changed or does not lie on the wall is in it too.
   */
  residual(b: Grid, h: Homography): number {
    const { a, rows, shared, size } = this;
    look(a, b, h, shared);
    if (shared.n < LEAST_PIXELS) return NaN;
    const left = leftOver(shared, fitted(shared));
    const columns = Math.ceil(a.width / BLOCK);
    const blocks = new Float64Array(5 * columns * Math.ceil(a.height / BLOCK));
    for (let i = 0; i < shared.n; i += 1) {
      const place = shared.at[i]!;
      const [gx, gy] = [rows[place * ALL + 2]! / size, rows[place * ALL + 5]! / size];
      const block = Math.floor(Math.floor(place / a.width) / BLOCK) * columns + Math.floor((place % a.width) / BLOCK);
      const add = [gx * gx, gx * gy, gy * gy, gx * left[i]!, gy * left[i]!];
      add.forEach((value, k) => (blocks[5 * block + k]! += value));
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
    const { at, n } = this.shared;
    const { width, height } = this.a;
    const cell = Math.max(2, Math.round(CELL * width));
    const columns = Math.ceil(width / cell);
    const limit = bounded(left);
    const square = new Float32Array(columns * Math.ceil(height / cell));
    const count = new Float32Array(square.length);
    const cellOf = (place: number) => Math.floor(Math.floor(place / width) / cell) * columns + Math.floor((place % width) / cell);
    for (let i = 0; i < n; i += 1) {
      const c = cellOf(at[i]!);
      square[c]! += Math.min(limit, Math.abs(left[i]!)) ** 2;
      count[c]! += 1;
    }
    for (let c = 0; c < square.length; c += 1) {
      if (count[c]! === 0) continue;
      square[c]! /= count[c]!;
      count[c] = 1;
    }
    const near = weightedMean({ width: columns, height: square.length / columns, values: square }, count, 1.3).values;
    const usual = medianOf(sampleOf(near.filter((_, c) => count[c] === 1)));
    const say = near.map((value) => 1 / (1 + (value / usual) ** 2));
    const weights = into ?? new Float32Array(width * height);
    weights.fill(0);
    for (let i = 0; i < n; i += 1) weights[at[i]!] = trusted(left[i]! / limit) * say[cellOf(at[i]!)]!;
    return weights;
  }

  private side(left: Float32Array, weights: Float32Array | null): Float64Array {
    const { rows, shared } = this;
    const side = new Float64Array(ALL);
    for (let i = 0; i < shared.n; i += 1) {
      const place = shared.at[i]!;
      const value = -left[i]! * (weights ? weights[place]! : 1);
      if (value === 0) continue;
      const o = place * ALL;
      for (let k = 0; k < ALL; k += 1) side[k]! += rows[o + k]! * value;
    }
    return side;
  }

  private matrix(weights: Float32Array | null): Float64Array {
    const { rows, shared } = this;
    const matrix = new Float64Array(ALL * ALL);
    const stride = Math.max(1, Math.floor(shared.n / MATRIX_PIXELS));
    for (let i = 0; i < shared.n; i += stride) {
      const place = shared.at[i]!;
      const weight = stride * (weights ? weights[place]! : 1);
      if (weight < 1e-3) continue;
      const o = place * ALL;
      for (let r = 0; r < ALL; r += 1) {
        const value = weight * rows[o + r]!;
        for (let c = 0; c <= r; c += 1) matrix[r * ALL + c]! += value * rows[o + c]!;
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

import type { Grid } from '../../ground/grid';
import { robustSpread } from '../../ground/median';
import type { Homography } from '../../ground/homography';
import { sampled } from './resized';

/** Beyond so many spreads of what is left a pixel tells another story: it was moved, fixed or is new (Tukey). */
const TUKEY = 3;
const LEAST_SPREAD = 0.02;
/** A spread is taken from about so many pixels. */
const SAMPLE = 1500;

/** Pixels of one picture that a map takes into another, with what both show there. */
export interface Shared {
  n: number;
  at: Int32Array;
  one: Float32Array;
  other: Float32Array;
}

/** How one picture follows from the other: one = gain · other + level. */
export interface Line {
  gain: number;
  level: number;
}

/** Room for so many pixels. */
export function sharedOf(pixels: number): Shared {
  return { n: 0, at: new Int32Array(pixels), one: new Float32Array(pixels), other: new Float32Array(pixels) };
}

/** Looks up what two pictures share through a map. @param places - of the first picture that are looked at, in order */
export function look(a: Grid, b: Grid, h: Homography, places: Int32Array, into: Shared): void {
  const [h0, h1, h2, h3, h4, h5, h6, h7, h8] = h as [number, number, number, number, number, number, number, number, number];
  const [right, lower] = [b.width - 1, b.height - 1];
  const { width, values } = a;
  const { at, one, other } = into;
  let n = 0;
  for (let k = 0; k < places.length; k += 1) {
    const o = places[k]!;
    const y = (o / width) | 0;
    const x = o - y * width;
    const w = h6 * x + h7 * y + h8;
    const u = (h0 * x + h1 * y + h2) / w;
    const v = (h3 * x + h4 * y + h5) / w;
    if (!(u >= 0 && v >= 0 && u < right && v < lower)) continue;
    at[n] = o;
    one[n] = values[o]!;
    other[n] = sampled(b, u, v);
    n += 1;
  }
  into.n = n;
}

/** Correlation of all that is shared, −1 … 1. */
export function likeness({ n, one, other }: Shared): number {
  let [sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    const [p, q] = [one[i]!, other[i]!];
    sa += p;
    sb += q;
    saa += p * p;
    sbb += q * q;
    sab += p * q;
  }
  return (sab - (sa * sb) / n) / Math.sqrt((saa - (sa * sa) / n) * (sbb - (sb * sb) / n) + 1e-9);
}

/** Gain and level of most of what is shared: three rounds of Tukey's weights. */
export function fitted(shared: Shared): Line {
  const each = new Float32Array(shared.n).fill(1);
  let line = regression(shared, each);
  for (let round = 0; round < 3; round += 1) {
    const left = leftOver(shared, line);
    const limit = bounded(left);
    for (let i = 0; i < each.length; i += 1) each[i] = trusted(left[i]! / limit);
    line = regression(shared, each);
  }
  return line;
}

/** Gain and level with weights that are known for each pixel of the first picture; null: all weigh the same. */
export function fittedAgain(shared: Shared, weights: Float32Array | null): Line {
  const each = new Float32Array(shared.n).fill(1);
  if (weights) for (let i = 0; i < each.length; i += 1) each[i] = weights[shared.at[i]!]!;
  return regression(shared, each);
}

/** @param each - a weight for each of the shared pixels */
function regression({ n, one, other }: Shared, each: Float32Array): Line {
  let [w, wa, wb, wbb, wab] = [0, 0, 0, 0, 0];
  for (let i = 0; i < n; i += 1) {
    const q = each[i]!;
    const t = other[i]!;
    const qt = q * t;
    w += q;
    wa += q * one[i]!;
    wb += qt;
    wbb += qt * t;
    wab += qt * one[i]!;
  }
  const gain = (wab - (wa * wb) / w) / (wbb - (wb * wb) / w + 1e-9);
  return { gain, level: (wa - gain * wb) / w };
}

export function leftOver({ n, one, other }: Shared, { gain, level }: Line): Float32Array {
  const left = new Float32Array(n);
  for (let i = 0; i < n; i += 1) left[i] = one[i]! - gain * other[i]! - level;
  return left;
}

/** From here on what is left tells another story. */
export function bounded(left: Float32Array): number {
  return TUKEY * Math.max(LEAST_SPREAD, robustSpread(sampleOf(left)));
}

/** A copy of about so many of the values as tell their spread. */
export function sampleOf(values: Float32Array): Float32Array {
  const step = Math.max(1, Math.floor(values.length / SAMPLE));
  const sample = new Float32Array(Math.ceil(values.length / step));
  for (let i = 0, k = 0; i < values.length; i += step, k += 1) sample[k] = values[i]!;
  return sample;
}

/** Tukey's weight of what is left, in limits: 1 for nothing, 0 from the limit on. */
export function trusted(t: number): number {
  return Math.abs(t) < 1 ? (1 - t * t) ** 2 : 0;
}

/** What is left over of one place, in spreads squared, bounded (the loss that belongs to Tukey's weight). @param t - in limits */
export function loss(t: number): number {
  const bound = TUKEY ** 2 / 3;
  return Math.abs(t) >= 1 ? bound : bound * (1 - (1 - t * t) ** 3);
}

import { solve } from './solve';
import { medianOf, robustSpread } from './median';
import { gridLike, type Grid } from './grid';

/** The grid is fitted through medians of so many blocks across. */
const BLOCKS = 40;
const ROUNDS = 14;
/** Fewer rounds where the surface moves no more, K. */
const SETTLED_K = 0.002;
/** Residuals beyond so many spreads count nothing (Tukey's biweight at 95 % efficiency). */
const TUKEY = 4.685;
/** A wall is never evener than this, K. */
const LEAST_SPREAD = 0.06;

/** Powers of x and y: layers of air bend a wall's height more than its width. */
const POWERS = [
  [0, 0],
  [1, 0],
  [0, 1],
  [2, 0],
  [1, 1],
  [0, 2],
  [0, 3],
] as const;

/**
 * The slow change over a surface: a low polynomial through what most of it does, whatever lies on it.
 *
 * @param counts - 1 for pixels that may be asked, 0 for those set aside
 * @returns the fitted surface, °C or K as the values; the median where too little is left to fit
 *
 * Least squares on medians of blocks, weighted anew by Tukey's biweight (Holland & Welsch 1977): a fault of three tenths of the
 * surface is not followed, one of nearly half of it may be.
 */
export function slowSurface(grid: Grid, counts: Uint8Array): Grid {
  const { width, height, values } = grid;
  const size = Math.max(1, Math.round(width / BLOCKS));
  const blocks: { terms: number[]; value: number }[] = [];
  const inside = new Float32Array(size * size);
  for (let top = 0; top + size <= height; top += size) {
    for (let left = 0; left + size <= width; left += size) {
      let n = 0;
      for (let y = top; y < top + size; y += 1) {
        for (let x = left; x < left + size; x += 1) {
          const i = y * width + x;
          if (counts[i]) inside[n++] = values[i]!;
        }
      }
      if (2 * n < size * size) continue;
      const [u, v] = [(2 * (left + size / 2)) / width - 1, (2 * (top + size / 2)) / height - 1];
      blocks.push({ terms: POWERS.map(([a, b]) => u ** a * v ** b), value: medianOf(inside.subarray(0, n)) });
    }
  }
  const out = gridLike(grid);
  const level = medianOf(Float32Array.from(blocks, ({ value }) => value));
  if (blocks.length < 3 * POWERS.length) {
    out.values.fill(Number.isNaN(level) ? 0 : level);
    return out;
  }
  let coefficients: number[] = POWERS.map((_, k) => (k === 0 ? level : 0));
  for (let round = 0; round < ROUNDS; round += 1) {
    const off = blocks.map(({ terms, value }) => value - dot(terms, coefficients));
    const spread = Math.max(LEAST_SPREAD, robustSpread(Float32Array.from(off)));
    const rows = POWERS.map(() => new Array<number>(POWERS.length + 1).fill(0));
    blocks.forEach(({ terms, value }, b) => {
      const t = off[b]! / (TUKEY * spread);
      if (Math.abs(t) >= 1) return;
      const weight = (1 - t * t) ** 2;
      for (let r = 0; r < terms.length; r += 1) {
        const row = rows[r]!;
        const share = weight * terms[r]!;
        for (let c = 0; c < terms.length; c += 1) row[c]! += share * terms[c]!;
        row[terms.length]! += share * value;
      }
    });
    const solved = solve(rows);
    if (!solved) break;
    const moved = Math.max(...solved.map((one, k) => Math.abs(one - coefficients[k]!)));
    coefficients = solved;
    if (moved < SETTLED_K) break;
  }
  for (let y = 0; y < height; y += 1) {
    const v = (2 * (y + 0.5)) / height - 1;
    const [c0, c1, c2, c3, c4, c5, c6] = coefficients as [number, number, number, number, number, number, number];
    const [still, slope] = [c0 + c2 * v + c5 * v * v + c6 * v * v * v, c1 + c4 * v];
    for (let x = 0; x < width; x += 1) {
      const u = (2 * (x + 0.5)) / width - 1;
      out.values[y * width + x] = still + slope * u + c3 * u * u;
    }
  }
  return out;
}

function dot(a: readonly number[], b: readonly number[]): number {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += a[i]! * b[i]!;
  return sum;
}

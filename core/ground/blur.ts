import type { Grid } from './grid';

/**
 * Smooths a grid with a bell of standard deviation `sigma` pixels; the rim repeats.
 *
 * Below 2 pixels with the bell itself, above by three running means (Wells 1986), whose cost does not grow with sigma.
 */
export function smoothed(grid: Grid, sigma: number): Grid {
  if (sigma <= 0) return grid;
  return sigma < 2 ? bell(grid, sigma) : boxes(grid, sigma);
}

/**
 * Mean of the neighbourhood weighted by a bell and by each pixel's own weight: fills what has the weight 0 from around it.
 *
 * @param weights - 0 … 1 for each pixel
 * @returns 0 where nothing near has a weight
 */
export function weightedMean(grid: Grid, weights: Float32Array, sigma: number): Grid {
  const product = new Float32Array(weights.length);
  for (let i = 0; i < weights.length; i += 1) product[i] = weights[i]! * grid.values[i]!;
  const above = smoothed({ ...grid, values: product }, sigma).values;
  const below = smoothed({ ...grid, values: weights }, sigma).values;
  const values = new Float32Array(weights.length);
  for (let i = 0; i < values.length; i += 1) values[i] = below[i]! > 1e-3 ? above[i]! / below[i]! : 0;
  return { ...grid, values };
}

/** Beyond so many standard deviations a bell is cut off. */
const CUT = 2.5;

function bell({ width, height, values }: Grid, sigma: number): Grid {
  const reach = Math.max(1, Math.floor(CUT * sigma));
  const weights = Float64Array.from({ length: reach + 1 }, (_, i) => Math.exp(-(i * i) / (2 * sigma * sigma)));
  const total = weights.reduce((sum, weight, i) => sum + (i === 0 ? weight : 2 * weight), 0);
  for (let k = 0; k <= reach; k += 1) weights[k]! /= total;
  const across = new Float32Array(values.length);
  const line = new Float32Array(width + 2 * reach);
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    line.fill(values[row]!, 0, reach);
    line.set(values.subarray(row, row + width), reach);
    line.fill(values[row + width - 1]!, reach + width);
    if (reach === 2) {
      const [w0, w1, w2] = weights as unknown as [number, number, number];
      for (let x = 0; x < width; x += 1)
        across[row + x] = w0 * line[x + 2]! + w1 * (line[x + 1]! + line[x + 3]!) + w2 * (line[x]! + line[x + 4]!);
      continue;
    }
    for (let x = 0; x < width; x += 1) {
      let sum = weights[0]! * line[x + reach]!;
      for (let k = 1; k <= reach; k += 1) sum += weights[k]! * (line[x + reach - k]! + line[x + reach + k]!);
      across[row + x] = sum;
    }
  }
  const out = new Float32Array(values.length);
  const rowAt = (y: number) => Math.max(0, Math.min(height - 1, y)) * width;
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    if (reach === 2) {
      const [w0, w1, w2] = weights as unknown as [number, number, number];
      const [a, b, c, d] = [rowAt(y - 2), rowAt(y - 1), rowAt(y + 1), rowAt(y + 2)];
      for (let x = 0; x < width; x += 1)
        out[row + x] = w0 * across[row + x]! + w1 * (across[b + x]! + across[c + x]!) + w2 * (across[a + x]! + across[d + x]!);
      continue;
    }
    for (let x = 0; x < width; x += 1) out[row + x] = weights[0]! * across[row + x]!;
    for (let k = 1; k <= reach; k += 1) {
      const weight = weights[k]!;
      const [above, below] = [rowAt(y - k), rowAt(y + k)];
      for (let x = 0; x < width; x += 1) out[row + x]! += weight * (across[above + x]! + across[below + x]!);
    }
  }
  return { width, height, values: out };
}

function boxes(grid: Grid, sigma: number): Grid {
  const { width, height } = grid;
  // Three running means of 2r + 1 pixels have the variance ((2r + 1)² − 1) / 4.
  const r = Math.max(1, Math.round((Math.sqrt(4 * sigma * sigma + 1) - 1) / 2));
  let from = grid.values;
  for (let pass = 0; pass < 3; pass += 1) {
    const across = new Float32Array(from.length);
    rowMeans(from, across, width, height, r);
    const down = new Float32Array(from.length);
    columnMeans(across, down, width, height, r);
    from = down;
  }
  return { width, height, values: from };
}

function rowMeans(from: Float32Array, to: Float32Array, width: number, height: number, r: number): void {
  const line = new Float32Array(width + 2 * r + 1);
  const share = 1 / (2 * r + 1);
  for (let y = 0; y < height; y += 1) {
    const row = y * width;
    line.fill(from[row]!, 0, r);
    line.set(from.subarray(row, row + width), r);
    line.fill(from[row + width - 1]!, r + width);
    let sum = 0;
    for (let i = 0; i <= 2 * r; i += 1) sum += line[i]!;
    for (let x = 0; x < width; x += 1) {
      to[row + x] = sum * share;
      sum += line[x + 2 * r + 1]! - line[x]!;
    }
  }
}

/** The running mean of all columns at once, row by row, so that memory is read in its order. */
function columnMeans(from: Float32Array, to: Float32Array, width: number, height: number, r: number): void {
  const row = (y: number) => (y < 0 ? 0 : y >= height ? height - 1 : y) * width;
  const sums = new Float64Array(width);
  for (let k = -r; k <= r; k += 1) for (let x = 0, i = row(k); x < width; x += 1, i += 1) sums[x]! += from[i]!;
  const share = 1 / (2 * r + 1);
  for (let y = 0; y < height; y += 1) {
    const [enters, leaves] = [row(y + r + 1), row(y - r)];
    for (let x = 0; x < width; x += 1) {
      to[y * width + x] = sums[x]! * share;
      sums[x]! += from[enters + x]! - from[leaves + x]!;
    }
  }
}

import type { Grid } from '../../ground/grid';

/** A box says something when so much of it counts. */
const LEAST_SHARE = 0.7;

/**
 * Means over boxes of one size all over a grid, half a box from each other.
 *
 * @param counts - 1 for pixels that count, 0 for others
 * @returns of the boxes of which most counts
 *
 * Sums over all that lies above and to the left (Crow 1984).
 */
export function boxMeans(
  { width, height, values }: Grid,
  counts: Uint8Array,
  { columns, rows }: { columns: number; rows: number },
): Float32Array {
  const sums = new Float64Array((width + 1) * (height + 1));
  const seen = new Int32Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const [o, up] = [(y + 1) * (width + 1) + x + 1, y * (width + 1) + x + 1];
      const i = y * width + x;
      sums[o] = sums[up]! + sums[o - 1]! - sums[up - 1]! + (counts[i] ? values[i]! : 0);
      seen[o] = seen[up]! + seen[o - 1]! - seen[up - 1]! + counts[i]!;
    }
  const within = (table: Float64Array | Int32Array, x: number, y: number) =>
    table[(y + rows) * (width + 1) + x + columns]! -
    table[y * (width + 1) + x + columns]! -
    table[(y + rows) * (width + 1) + x]! +
    table[y * (width + 1) + x]!;
  const means: number[] = [];
  const [stepX, stepY] = [Math.max(2, columns >> 1), Math.max(2, rows >> 1)];
  for (let y = 0; y + rows <= height; y += stepY)
    for (let x = 0; x + columns <= width; x += stepX) {
      const n = within(seen, x, y);
      if (n >= LEAST_SHARE * rows * columns) means.push(within(sums, x, y) / n);
    }
  return Float32Array.from(means);
}

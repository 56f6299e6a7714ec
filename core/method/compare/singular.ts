import type { Grid } from '../../ground/grid';

/**
 * What of a picture is there only once: without what goes on along a row or a column of pixels. Studs, joists and courses
 * repeat, and a match that is off by one of them looks as good as the right one; what is left tells them apart.
 *
 * @param reach - what goes on for so many pixels to both sides is left out
 */
export function singular(grid: Grid, reach: number): Grid {
  const { width, height, values } = grid;
  const across = along(values, width, height, 1, width, reach);
  const down = along(values, height, width, width, 1, reach);
  const both = along(across, height, width, width, 1, reach);
  return { width, height, values: values.map((value, i) => value - across[i]! - down[i]! + both[i]!) };
}

/** Running means along lines of `n` values that lie `stride` apart; `lines` of them begin `next` apart. The ends have less. */
function along(values: Float32Array, n: number, lines: number, stride: number, next: number, reach: number): Float32Array {
  const out = new Float32Array(values.length);
  for (let line = 0; line < lines; line += 1) {
    const start = line * next;
    let sum = 0;
    let count = 0;
    for (let i = 0; i < Math.min(reach, n); i += 1) {
      sum += values[start + i * stride]!;
      count += 1;
    }
    for (let i = 0; i < n; i += 1) {
      if (i + reach < n) {
        sum += values[start + (i + reach) * stride]!;
        count += 1;
      }
      if (i > reach) {
        sum -= values[start + (i - reach - 1) * stride]!;
        count -= 1;
      }
      out[start + i * stride] = sum / count;
    }
  }
  return out;
}

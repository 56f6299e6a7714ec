/** Values on a grid of pixels, row by row from the top left. */
export interface Grid {
  readonly width: number;
  readonly height: number;
  readonly values: Float32Array;
}

export function gridLike({ width, height }: Pick<Grid, 'width' | 'height'>): Grid {
  return { width, height, values: new Float32Array(width * height) };
}

/** Mean of each block of `factor` × `factor` pixels; what does not fill a block at the right and lower rim is left out. */
export function shrunk(grid: Grid, factor: number): Grid {
  if (factor === 1) return grid;
  const width = Math.floor(grid.width / factor);
  const height = Math.floor(grid.height / factor);
  const values = new Float32Array(width * height);
  const share = 1 / (factor * factor);
  for (let y = 0; y < height; y += 1) {
    for (let dy = 0; dy < factor; dy += 1) {
      const row = (y * factor + dy) * grid.width;
      for (let x = 0; x < width; x += 1) {
        let sum = 0;
        for (let dx = 0; dx < factor; dx += 1) sum += grid.values[row + x * factor + dx]!;
        values[y * width + x]! += sum * share;
      }
    }
  }
  return { width, height, values };
}

/** A value between pixel centres, by the four around it; beyond the rim the rim's. */
export function between({ width, height, values }: Grid, x: number, y: number): number {
  const cx = Math.max(0, Math.min(width - 1, x));
  const cy = Math.max(0, Math.min(height - 1, y));
  const x0 = Math.min(width - 1, Math.floor(cx));
  const y0 = Math.min(height - 1, Math.floor(cy));
  const x1 = Math.min(width - 1, x0 + 1);
  const y1 = Math.min(height - 1, y0 + 1);
  const [u, v] = [cx - x0, cy - y0];
  const upper = values[y0 * width + x0]! * (1 - u) + values[y0 * width + x1]! * u;
  const lower = values[y1 * width + x0]! * (1 - u) + values[y1 * width + x1]! * u;
  return upper * (1 - v) + lower * v;
}

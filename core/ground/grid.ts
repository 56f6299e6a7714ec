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

/** A coarse grid brought to another size, each of its pixels covering `factor` × `factor` of it; between its pixels by the four around. */
export function enlarged(coarse: Grid, factor: number, { width, height }: Pick<Grid, 'width' | 'height'>): Grid {
  const left = new Int32Array(width);
  const share = new Float32Array(width);
  for (let x = 0; x < width; x += 1) {
    const u = Math.max(0, Math.min(coarse.width - 1, (x + 0.5) / factor - 0.5));
    left[x] = Math.min(Math.max(0, coarse.width - 2), Math.floor(u));
    share[x] = coarse.width > 1 ? u - left[x]! : 0;
  }
  const values = new Float32Array(width * height);
  const right = coarse.width > 1 ? 1 : 0;
  for (let y = 0; y < height; y += 1) {
    const v = Math.max(0, Math.min(coarse.height - 1, (y + 0.5) / factor - 0.5));
    const top = Math.min(Math.max(0, coarse.height - 2), Math.floor(v));
    const down = coarse.height > 1 ? v - top : 0;
    const above = top * coarse.width;
    const below = coarse.height > 1 ? above + coarse.width : above;
    for (let x = 0; x < width; x += 1) {
      const i = left[x]!;
      const s = share[x]!;
      const upper = coarse.values[above + i]! * (1 - s) + coarse.values[above + i + right]! * s;
      const lower = coarse.values[below + i]! * (1 - s) + coarse.values[below + i + right]! * s;
      values[y * width + x] = upper * (1 - down) + lower * down;
    }
  }
  return { width, height, values };
}

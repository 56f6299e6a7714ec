import { shrunk, type Grid } from '../../ground/grid';

/** Value between the four pixels around a place that lies inside by a pixel. */
export function sampled({ width, values }: Grid, x: number, y: number): number {
  const i = x | 0;
  const j = y | 0;
  const a = x - i;
  const b = y - j;
  const o = j * width + i;
  const upper = values[o]! * (1 - a) + values[o + 1]! * a;
  return upper * (1 - b) + (values[o + width]! * (1 - a) + values[o + width + 1]! * a) * b;
}

/** The same picture with another number of pixels, by the mean of what falls into one, or between the four around. */
export function resized(grid: Grid, width: number, height: number): Grid {
  if (width === grid.width && height === grid.height) return grid;
  const source = shrunk(grid, Math.max(1, Math.floor(Math.min(grid.width / width, grid.height / height))));
  const [fx, fy] = [source.width / width, source.height / height];
  const values = new Float32Array(width * height);
  const within = (at: number, size: number) => Math.max(0, Math.min(size - 1.001, at));
  for (let y = 0; y < height; y += 1) {
    const v = within((y + 0.5) * fy - 0.5, source.height);
    for (let x = 0; x < width; x += 1) values[y * width + x] = sampled(source, within((x + 0.5) * fx - 0.5, source.width), v);
  }
  return { width, height, values };
}

import { normalFrom, seededRandom } from '../ground/random';
import type { Grid } from '../ground/grid';

/** A wall of 20 °C with layers of air and noise, for tests; `add` puts things on it, K. */
export function testWall(
  width: number,
  height: number,
  add: (x: number, y: number) => number = () => 0,
  { noise = 0.05, seed = 1 } = {},
): Grid {
  const normal = normalFrom(seededRandom(seed));
  const values = new Float32Array(width * height);
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1)
      values[y * width + x] = 20 + 0.8 * (0.5 - y / height) + 0.1 * Math.sin(x / 90) + add(x, y) + noise * normal();
  }
  return { width, height, values };
}

/** Between 0 and 1 over `soft` pixels around the sides of a box: 1 inside. */
export function boxAt(left: number, top: number, wide: number, high: number, soft = 1.5) {
  return (x: number, y: number) => {
    const depth = Math.min(x - left, left + wide - x, y - top, top + high - y);
    return 1 / (1 + Math.exp((-4 * depth) / soft));
  };
}

/** Lines at an even distance, 1 on each. */
export function linesAt(first: number, spacing: number, wide = 1.6) {
  return (x: number) => {
    const off = ((((x - first) % spacing) + spacing + spacing / 2) % spacing) - spacing / 2;
    return Math.exp(-((off / wide) ** 2));
  };
}

export const INSIDE = { side: 'inside', drive: 18, least: 0.5, ignored: null } as const;

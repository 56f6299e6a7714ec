import { normalFrom, seededRandom } from './random';
import type { SceneCamera, View } from './surface';

/**
 * Blur of the optics at a distance, standard deviation in pixels: their own from the shortest distance on, growing as
 * the camera comes nearer, as a lens does that cannot be focused.
 */
export function blurAt({ blur, minDistance }: Pick<SceneCamera, 'blur' | 'minDistance'>, distance: number): number {
  return distance >= minDistance ? blur : Math.min(12, blur + 6 * (minDistance / Math.max(distance, 0.01) - 1));
}

/** Gaussian blur in two passes; edges repeat the last pixel. */
export function blurred(values: Float32Array, width: number, height: number, sigma: number): Float32Array {
  if (sigma <= 0) return values.slice();
  const reach = Math.max(1, Math.round(3 * sigma));
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const total = weights.reduce((a, b) => a + b, 0);
  const across = new Float32Array(values.length);
  const line = new Float64Array(width + 2 * reach);
  for (let y = 0; y < height; y += 1) {
    // A line with its ends repeated, so that the inner loop asks nothing.
    for (let x = -reach; x < width + reach; x += 1)
      line[x + reach] = values[y * width + (x < 0 ? 0 : x >= width ? width - 1 : x)]!;
    for (let x = 0; x < width; x += 1) {
      let sum = 0;
      for (let k = 0; k < weights.length; k += 1) sum += weights[k]! * line[x + k]!;
      across[y * width + x] = sum / total;
    }
  }
  const out = new Float32Array(values.length);
  // Downwards row by row, so that memory is read in its order.
  for (let y = 0; y < height; y += 1) {
    for (let k = -reach; k <= reach; k += 1) {
      const weight = weights[k + reach]! / total;
      const from = (y + k < 0 ? 0 : y + k >= height ? height - 1 : y + k) * width;
      for (let x = 0; x < width; x += 1) out[y * width + x] = out[y * width + x]! + weight * across[from + x]!;
    }
  }
  return out;
}

/** Adds noise, unevenness and drift of the camera, in place. */
export function addCameraErrors(values: Float32Array, { seed, camera }: Pick<View, 'seed' | 'camera'>, offset: number): void {
  const { width, height, noise, uniformity } = camera;
  const random = seededRandom(seed);
  const phase = random() * 2 * Math.PI;
  const along = Float64Array.from({ length: width }, (_, x) => x / width - 0.5);
  const [sines, cosines] = [along.map((u) => Math.sin(3 * u)), along.map((u) => Math.cos(3 * u))];
  for (let y = 0, i = 0; y < height; y += 1) {
    const v = y / height - 0.5;
    const [sin, cos] = [Math.sin(2 * v + phase), Math.cos(2 * v + phase)];
    const start = Math.floor(random() * NORMALS.length);
    for (let x = 0; x < width; x += 1, i += 1) {
      const u = along[x]!;
      // Cameras read a little off towards their corners, and never quite evenly.
      const slow = uniformity * (1.2 * (u * u + v * v) + 0.5 * (sines[x]! * cos + cosines[x]! * sin) - 0.2);
      values[i] = values[i]! + slow + offset + noise * NORMALS[(start + x) % NORMALS.length]!;
    }
  }
}

/** Normal numbers to draw from, each row from another place: much faster than making some ten thousand a picture. */
const NORMALS = Float64Array.from({ length: 65_536 }, normalFrom(seededRandom(20_260_211)));

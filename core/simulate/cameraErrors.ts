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
  const reach = Math.ceil(3 * sigma);
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-((i - reach) ** 2) / (2 * sigma * sigma)));
  const total = weights.reduce((a, b) => a + b, 0);
  const pass = (from: Float32Array, along: number, across: number, stepAlong: number, stepAcross: number) => {
    const out = new Float32Array(from.length);
    for (let b = 0; b < across; b += 1) {
      for (let a = 0; a < along; a += 1) {
        let sum = 0;
        for (let k = -reach; k <= reach; k += 1) {
          const place = a + k < 0 ? 0 : a + k >= along ? along - 1 : a + k;
          sum += weights[k + reach]! * from[place * stepAlong + b * stepAcross]!;
        }
        out[a * stepAlong + b * stepAcross] = sum / total;
      }
    }
    return out;
  };
  return pass(pass(values, width, height, 1, width), height, width, width, 1);
}

/** Adds noise, unevenness and drift of the camera, in place. */
export function addCameraErrors(values: Float32Array, { seed, camera }: Pick<View, 'seed' | 'camera'>, offset: number): void {
  const { width, height, noise, uniformity } = camera;
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const phase = random() * 2 * Math.PI;
  for (let i = 0; i < values.length; i += 1) {
    const x = (i % width) / width - 0.5;
    const y = Math.floor(i / width) / height - 0.5;
    // Cameras read a little off towards their corners, and never quite evenly.
    const slow = uniformity * (1.2 * (x * x + y * y) + 0.5 * Math.sin(3 * x + 2 * y + phase) - 0.2);
    values[i] = values[i]! + slow + offset + noise * normal();
  }
}

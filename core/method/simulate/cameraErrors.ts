import { radianceFromTemperature } from '../radiometry/bandTable';
import { normalFrom, seededRandom } from '../../ground/random';
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

/** Temperature of the shutter, at which the slope turns, °C. */
const SHUTTER_C = 25;
/** Dead pixels are off by so much, K. */
const DEAD_K = 6;
/** The black body of data sheets, °C. */
const NOISE_AT_C = 30;

/** Adds noise, unevenness, offset, slope, dead pixels and drift of the camera, in place. */
export function addCameraErrors(values: Float32Array, { seed, camera }: Pick<View, 'seed' | 'camera'>, drift: number): void {
  const { width, height, noise, uniformity, own } = camera;
  const random = seededRandom(seed);
  const pattern = unevenness(width, height, own);
  for (let y = 0, i = 0; y < height; y += 1) {
    const start = Math.floor(random() * NORMALS.length);
    for (let x = 0; x < width; x += 1, i += 1) {
      const value = values[i]!;
      const error = own.offset + drift + own.gain * (value - SHUTTER_C) + uniformity * pattern.even[i]!;
      values[i] = value + error + noise * noiseGrowth(value) * NORMALS[(start + x) % NORMALS.length]!;
    }
  }
  for (const { at, off } of pattern.dead) values[at] = values[at]! + off;
}

/** Normal numbers to draw from, each row from another place: much faster than making some ten thousand a picture. */
const NORMALS = Float64Array.from({ length: 65_536 }, normalFrom(seededRandom(20_260_211)));

const GROWTH_FROM = -80;
const GROWTH_TO = 200;
/** How noise in kelvin grows in the cold, where a kelvin is less radiance; by whole degrees. */
const GROWTH = Float64Array.from({ length: GROWTH_TO - GROWTH_FROM + 1 }, (_, i) => slope(NOISE_AT_C) / slope(GROWTH_FROM + i));

function slope(celsius: number): number {
  return radianceFromTemperature(celsius + 0.5) - radianceFromTemperature(celsius - 0.5);
}

/** Noise at an apparent temperature over that on a black body of 30 °C. @param celsius - °C; its own ends beyond −80 … 200 */
function noiseGrowth(celsius: number): number {
  return GROWTH[Math.max(0, Math.min(GROWTH.length - 1, Math.round(celsius) - GROWTH_FROM))]!;
}

interface Unevenness {
  /** Of mean 0 and rms 1. */
  even: Float64Array;
  dead: { at: number; off: number }[];
}

const patterns = new Map<string, Unevenness>();
const KEPT_PATTERNS = 8;

/** What is uneven in a camera for good; kept, because every picture needs it. */
function unevenness(width: number, height: number, { seed, dead }: SceneCamera['own']): Unevenness {
  const key = `${width} ${height} ${seed} ${dead}`;
  const known = patterns.get(key);
  if (known) return known;
  if (patterns.size >= KEPT_PATTERNS) patterns.clear();
  const made = drawUnevenness(width, height, seed, dead);
  patterns.set(key, made);
  return made;
}

function drawUnevenness(width: number, height: number, seed: number, share: number): Unevenness {
  const random = seededRandom(seed);
  const [phase, lean, bowl] = [random() * 2 * Math.PI, random() - 0.5, 0.8 + 0.8 * random()];
  const even = Float64Array.from({ length: width * height }, (_, i) => {
    // Cameras read a little off towards their corners, and never quite evenly.
    const [u, v] = [(i % width) / width - 0.5, Math.floor(i / width) / height - 0.5];
    return bowl * (u * u + v * v) + 0.4 * Math.sin(3 * u + 2 * v + phase) + 0.6 * lean * u;
  });
  const mean = even.reduce((sum, value) => sum + value, 0) / even.length;
  const rms = Math.sqrt(even.reduce((sum, value) => sum + (value - mean) ** 2, 0) / even.length);
  const dead = Array.from({ length: Math.round(share * even.length) }, () => ({
    at: Math.floor(random() * even.length),
    off: (random() < 0.5 ? -1 : 1) * DEAD_K * (0.5 + random()),
  }));
  return { even: even.map((value) => (value - mean) / rms), dead };
}

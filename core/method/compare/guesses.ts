import type { Homography } from '../../ground/homography';
import type { Grid } from '../../ground/grid';
import { Spectrum } from './spectrum';

/** Turns and scales that are tried, degrees and powers. */
const TURN_DEG = 7.5;
const TURN_STEP_DEG = 2.5;
const SCALE_STEP = 1.05;
const SCALES = 3;
/** Shifts that are tried, as shares of the sides. */
const SHIFT = 0.45;
/** A match shares at least this much of the view. */
const LEAST_SHARE = 0.5;
/** Likeness is of all that is shared; a little less where little is, because chance is greater there. */
const SHARE_POWER = 0.6;
const LEAST_LIKE = 0.08;

export interface Guess {
  h: Homography;
  /** Likeness, −1 … 1; negative where warm and cold are exchanged. */
  like: number;
}

interface Pose {
  c: number;
  s: number;
}

/**
 * Ways in which one small picture may lie on another: turned and scaled in steps, with every shift at which their correlation
 * (by the convolution theorem) has a top, of either sign.
 *
 * @param a, b - features, some 48 pixels wide
 * @returns the likeliest first
 */
export function guesses(a: Grid, b: Grid): Guess[] {
  const spectrum = new Spectrum(2 ** Math.ceil(Math.log2(1.3 * Math.max(a.width, a.height, b.width, b.height))));
  const { size } = spectrum;
  const other = spectrum.plane();
  for (let y = 0; y < b.height; y += 1)
    for (let x = 0; x < b.width; x += 1) other[2 * (y * size + x)] = b.values[y * b.width + x]!;
  spectrum.transform(other);
  const unit = strength(a) * strength(b) * b.width * b.height;
  const poses = posesFrom(b.width / a.width);
  const found: Guess[] = [];
  // Two poses at once: one in the real, one in the imaginary numbers of a plane.
  for (let k = 0; k < poses.length; k += 2) {
    const plane = spectrum.plane();
    const two = poses.slice(k, k + 2);
    two.forEach((pose, i) => draw(a, b, pose, plane, size, i));
    spectrum.transform(plane);
    for (let i = 0; i < plane.length; i += 2) {
      const [re, im] = [plane[i]!, -plane[i + 1]!];
      plane[i] = re * other[i]! - im * other[i + 1]!;
      plane[i + 1] = re * other[i + 1]! + im * other[i]!;
    }
    spectrum.inverse(plane);
    two.forEach((pose, i) => {
      found.push(...tops(a, b, pose, (dx, dy) => plane[2 * (((dy + size) % size) * size + ((dx + size) % size)) + i]! / unit));
    });
  }
  return found.sort((p, q) => Math.abs(q.like) - Math.abs(p.like));
}

function posesFrom(ratio: number): Pose[] {
  const poses: Pose[] = [];
  for (let turn = -TURN_DEG; turn <= TURN_DEG; turn += TURN_STEP_DEG)
    for (let power = -SCALES; power <= SCALES; power += 1) {
      const scale = ratio * SCALE_STEP ** power;
      poses.push({ c: scale * Math.cos((turn * Math.PI) / 180), s: scale * Math.sin((turn * Math.PI) / 180) });
    }
  return poses;
}

function strength({ values }: Grid): number {
  return Math.sqrt(values.reduce((sum, value) => sum + value * value, 0) / values.length) || 1;
}

/** Draws a picture in a pose around the middle of another, into the real (0) or negated into the imaginary (1) numbers. */
function draw(a: Grid, b: Grid, { c, s }: Pose, plane: Float64Array, size: number, into: number): void {
  const square = c * c + s * s;
  const sign = into === 0 ? 1 : -1;
  for (let y = 0; y < b.height; y += 1)
    for (let x = 0; x < b.width; x += 1) {
      const [dx, dy] = [x - (b.width - 1) / 2, y - (b.height - 1) / 2];
      const u = (a.width - 1) / 2 + (c * dx + s * dy) / square + 0.5;
      const v = (a.height - 1) / 2 + (c * dy - s * dx) / square + 0.5;
      if (u >= 0 && v >= 0 && u < a.width && v < a.height)
        plane[2 * (y * size + x) + into] = sign * a.values[(v | 0) * a.width + (u | 0)]!;
    }
}

function tops(a: Grid, b: Grid, { c, s }: Pose, correlation: (dx: number, dy: number) => number): Guess[] {
  const [reachX, reachY] = [Math.round(SHIFT * b.width), Math.round(SHIFT * b.height)];
  const columns = 2 * reachX + 1;
  const map = new Float32Array(columns * (2 * reachY + 1));
  for (let dy = -reachY; dy <= reachY; dy += 1)
    for (let dx = -reachX; dx <= reachX; dx += 1) {
      const share = (1 - Math.abs(dx) / b.width) * (1 - Math.abs(dy) / b.height);
      if (share >= LEAST_SHARE) map[(dy + reachY) * columns + dx + reachX] = correlation(dx, dy) / share ** SHARE_POWER;
    }
  const found: Guess[] = [];
  const [cx, cy] = [(a.width - 1) / 2, (a.height - 1) / 2];
  const [bx, by] = [(b.width - 1) / 2, (b.height - 1) / 2];
  for (let j = 1; j < 2 * reachY; j += 1)
    for (let i = 1; i < columns - 1; i += 1) {
      const o = j * columns + i;
      const like = map[o]!;
      if (Math.abs(like) < LEAST_LIKE || !isTop(map, o, columns)) continue;
      found.push({
        h: [c, -s, bx - c * cx + s * cy + i - reachX, s, c, by - s * cx - c * cy + j - reachY, 0, 0, 1],
        like,
      });
    }
  return found;
}

function isTop(map: Float32Array, o: number, columns: number): boolean {
  const sign = Math.sign(map[o]!);
  for (let v = -columns; v <= columns; v += columns)
    for (let u = -1; u <= 1; u += 1) if (sign * map[o + v + u]! > sign * map[o]!) return false;
  return true;
}

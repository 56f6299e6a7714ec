import type { CoreError } from '../../ground/errors';
import { projected, type Homography } from '../../ground/homography';
import { normalFrom, seededRandom } from '../../ground/random';
import { rendered, wallPair, type WallPairOptions } from '../simulate/series/wallPair';
import { errorOf } from '../../testing/material';
import { register } from './register';

/** Mean distance of the corners, in pixels of the later frame at 320 across. */
function cornerError(found: Homography, truth: Homography, before: number, after: number): number {
  const corners = [
    [0, 0],
    [before - 1, 0],
    [0, 0.75 * before - 1],
    [before - 1, 0.75 * before - 1],
  ] as const;
  const apart = corners.map((at) => {
    const [p, q] = [projected(found, at), projected(truth, at)];
    return Math.hypot(p[0] - q[0], p[1] - q[1]);
  });
  return ((apart.reduce((sum, value) => sum + value, 0) / 4) * 320) / after;
}

function errorsOf(seeds: readonly number[], options: WallPairOptions & { columns: readonly [number, number] }): number[] {
  return seeds.map((seed) => {
    const pair = wallPair(seed, options);
    const [before, after] = rendered(pair);
    return cornerError(register(before, after).transform, pair.transform, ...options.columns);
  });
}

const refusal = (run: () => unknown) => (errorOf(run) as CoreError).code;

describe('two looks at one wall, from nearly the same place', () => {
  test('lie on each other to a pixel, seen from aside, with a bay filled in between', () => {
    for (const error of errorsOf([3, 6, 9], { columns: [320, 320] })) expect(error).toBeLessThan(1);
  });

  test('also where one camera has half the pixels', () => {
    for (const error of errorsOf([2, 5], { columns: [320, 160] })) expect(error).toBeLessThan(1);
    for (const error of errorsOf([2, 4], { columns: [160, 320] })) expect(error).toBeLessThan(1.5);
  });

  test('and where warm and cold are exchanged: winter and summer', () => {
    for (const error of errorsOf([3, 6], { columns: [320, 320], outsideC: [2, 34] })) expect(error).toBeLessThan(1);
  });

  test('a look from the same place is the same picture within a fifth of a pixel', () => {
    for (const error of errorsOf([1, 2], { columns: [160, 160], away: 0 })) expect(error).toBeLessThan(0.2);
  });

  test('what they share and how well they lie is stated', () => {
    const pair = wallPair(6);
    const [before, after] = rendered(pair);
    const found = register(before, after);
    expect(found.overlap).toBeGreaterThan(0.7);
    expect(found.overlap).toBeLessThan(1);
    expect(found.residualPx).toBeGreaterThan(0);
    expect(found.residualPx).toBeLessThan(1);
    expect(found.sameness).toBeGreaterThan(0.3);
  });
});

describe('is refused', () => {
  const [one] = rendered(wallPair(3));
  const [other] = rendered(wallPair(4));

  test('another wall', () => {
    expect(refusal(() => register(one, other))).toBe('cannot-register');
  });

  test('a wall that shows nothing but studs, which repeat', () => {
    const bare = wallPair(5, { bare: true });
    const [before, after] = rendered(bare);
    expect(refusal(() => register(before, after))).toBe('cannot-register');
  });

  test('another wall on whose half something fits by chance', () => {
    for (const seed of [2005, 2047, 2060]) {
      const [before] = rendered(wallPair(seed));
      const [, after] = rendered(wallPair(seed + 1));
      expect(refusal(() => register(before, after))).toBe('cannot-register');
    }
  });

  test('noise', () => {
    const frame = (seed: number) => {
      const normal = normalFrom(seededRandom(seed));
      return { width: 160, height: 120, values: Float32Array.from({ length: 160 * 120 }, () => 18 + 0.05 * normal()) };
    };
    expect(refusal(() => register(frame(1), frame(2)))).toBe('cannot-register');
  });

  test('one colour, no reading, and hardly a pixel', () => {
    const flat = (width: number, value: number) => ({
      width,
      height: width,
      values: new Float32Array(width * width).fill(value),
    });
    expect(refusal(() => register(flat(64, 18), flat(64, 18)))).toBe('cannot-register');
    expect(refusal(() => register(flat(64, NaN), flat(64, 18)))).toBe('cannot-register');
    expect(refusal(() => register(flat(8, 18), flat(8, 18)))).toBe('cannot-register');
  });

  test('with words that say what to do', () => {
    const error = errorOf(() => register(one, other)) as CoreError;
    expect(error.hint).toContain('mark the same points in both by hand');
  });
});

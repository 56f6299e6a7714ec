import type { Grid } from '../../ground/grid';
import { projected, type Homography } from '../../ground/homography';
import { normalFrom, seededRandom } from '../../ground/random';
import { contrastKept } from './contrastKept';
import { guesses } from './guesses';
import { resized, sampled } from './resized';
import { sameness } from './sameness';
import { Template, type Way } from './template';
import { featuresOf, textureOf } from './texture';
import { warped } from './change';

const WIDTH = 96;
const HEIGHT = 72;

/** A picture with blobs, the same for the same seed, seen through a map. */
function blobs(seed: number, h: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1], noise = 0): Grid {
  const random = seededRandom(seed);
  const normal = normalFrom(seededRandom(seed + 1));
  const spots = Array.from({ length: 40 }, () => ({
    x: 160 * random() - 32,
    y: 130 * random() - 29,
    size: 3 + 5 * random(),
    height: 2 * random() - 1,
  }));
  const values = Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [u, v] = projected(h, [i % WIDTH, Math.floor(i / WIDTH)]);
    return (
      spots.reduce(
        (sum, { x, y, size, height }) => sum + height * Math.exp(-((u - x) ** 2 + (v - y) ** 2) / (2 * size * size)),
        0,
      ) +
      noise * normal()
    );
  });
  return { width: WIDTH, height: HEIGHT, values };
}

/** How far a map takes the corners from where another takes them. */
function apart(p: Homography, q: Homography): number {
  const corners = [
    [0, 0],
    [WIDTH - 1, 0],
    [0, HEIGHT - 1],
    [WIDTH - 1, HEIGHT - 1],
  ] as const;
  return Math.max(
    ...corners.map((at) => {
      const [one, other] = [projected(p, at), projected(q, at)];
      return Math.hypot(one[0] - other[0], one[1] - other[1]);
    }),
  );
}

const START: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1];
const way = (kind: Way['kind'], robust = false): Way => ({ kind, robust, rounds: 20 });

describe('a template', () => {
  /** The second picture shows at h(x) what the first shows at x. */
  const seenThrough = (h: Homography) => {
    const a = blobs(3);
    const back = blobs(3, [1 / h[0]!, 0, -h[2]! / h[0]!, 0, 1 / h[4]!, -h[5]! / h[4]!, 0, 0, 1]);
    return [a, back] as const;
  };

  test('finds a shift and a size to a hundredth of a pixel', () => {
    const truth: Homography = [1.03, 0, 1.7, 0, 1.03, -2.2, 0, 0, 1];
    const [a, b] = seenThrough(truth);
    for (const kind of ['similar', 'affine', 'projective'] as const)
      expect(apart(new Template(a).fitted(b, START, way(kind)).h, truth)).toBeLessThan(0.15);
  });

  test('is not led astray by a part that moved', () => {
    const [a, b] = seenThrough([1, 0, 1.2, 0, 1, 0.8, 0, 0, 1]);
    for (let y = 10; y < 30; y += 1)
      for (let x = 60; x < 84; x += 1) b.values[y * WIDTH + x] = 3 * Math.sin(x / 2) * Math.cos(y / 3);
    const truth: Homography = [1, 0, 1.2, 0, 1, 0.8, 0, 0, 1];
    const robust = apart(new Template(a).fitted(b, START, way('similar', true)).h, truth);
    expect(robust).toBeLessThan(0.3);
    expect(robust).toBeLessThan(apart(new Template(a).fitted(b, START, way('similar')).h, truth));
  });

  test('takes warm for cold when they are exchanged, and says so by the sign', () => {
    const [a, b] = seenThrough([1, 0, -1.4, 0, 1, 0.6, 0, 0, 1]);
    const { h, like, overlap } = new Template(a).fitted({ ...b, values: b.values.map((value) => -value) }, START, way('similar'));
    expect(apart(h, [1, 0, -1.4, 0, 1, 0.6, 0, 0, 1])).toBeLessThan(0.1);
    expect(like).toBeLessThan(-0.95);
    expect(overlap).toBeGreaterThan(0.9);
  });

  test('states what still lies apart', () => {
    const [a, b] = seenThrough([1, 0, 1.5, 0, 1, 0, 0, 0, 1]);
    const template = new Template(a);
    expect(template.residual(b, [1, 0, 1.5, 0, 1, 0, 0, 0, 1])).toBeLessThan(0.1);
    expect(template.residual(b, [1, 0, 0.9, 0, 1, 0, 0, 0, 1])).toBeGreaterThan(0.3);
  });

  test('has nothing to say of pictures that share nothing', () => {
    const fit = new Template(blobs(3)).fitted(blobs(3), [1, 0, 500, 0, 1, 0, 0, 0, 1], way('affine'));
    expect(fit).toMatchObject({ like: 0, overlap: 0 });
  });
});

describe('guesses', () => {
  test('have the right turn, size and shift among the first', () => {
    const turn = (4 * Math.PI) / 180;
    const [c, s] = [1.05 * Math.cos(turn), 1.05 * Math.sin(turn)];
    const truth: Homography = [c, -s, 6, s, c, -5, 0, 0, 1];
    const square = c * c + s * s;
    // Where a place of the second picture lies in the first.
    const back: Homography = [
      c / square,
      s / square,
      (-6 * c + 5 * s) / square,
      -s / square,
      c / square,
      (6 * s + 5 * c) / square,
      0,
      0,
      1,
    ];
    const found = guesses(blobs(5), blobs(5, back)).slice(0, 5);
    expect(Math.min(...found.map(({ h }) => apart(h, truth)))).toBeLessThan(4);
    expect(found[0]!.like).toBeGreaterThan(0.5);
  });

  test('are weak where there is nothing alike', () => {
    expect(Math.abs(guesses(blobs(5), blobs(50))[0]!.like)).toBeLessThan(0.6);
  });
});

test('blocks agree on the same thing and do not on another', () => {
  expect(sameness(blobs(7, START, 0.02), blobs(7, START, 0.02), START)).toBeGreaterThan(0.8);
  expect(Math.abs(sameness(blobs(7), blobs(70), START))).toBeLessThan(0.25);
  expect(sameness(blobs(7), blobs(7), [1, 0, 400, 0, 1, 0, 0, 0, 1])).toBe(0);
});

describe('texture', () => {
  test('is the same whatever the level, the layers of the air and the contrast', () => {
    const plain = blobs(9, START, 0.01);
    const layered = { ...plain, values: plain.values.map((value, i) => 18 + 0.4 * value + 0.003 * Math.floor(i / WIDTH)) };
    const of = (grid: Grid) => featuresOf(textureOf(grid, 1 / 16), WIDTH, { bound: 5, floor: 2 }).values;
    const [a, b] = [of(plain), of(layered)];
    const difference = a.reduce((sum, value, i) => sum + Math.abs(value - b[i]!), 0) / a.length;
    const size = a.reduce((sum, value) => sum + Math.abs(value), 0) / a.length;
    expect(difference).toBeLessThan(0.2 * size);
  });

  test('is bounded where something hot stands in view', () => {
    const hot = blobs(9);
    for (let y = 20; y < 40; y += 1) for (let x = 30; x < 50; x += 1) hot.values[y * WIDTH + x] = 60;
    const { values } = featuresOf(textureOf(hot, 1 / 16), WIDTH, { bound: 5, floor: 2 });
    expect(Math.max(...values.map(Math.abs))).toBeLessThanOrEqual(2.5);
  });
});

test('another number of pixels shows the same, by means or by the four around', () => {
  const ramp: Grid = { width: 8, height: 4, values: Float32Array.from({ length: 32 }, (_, i) => i % 8) };
  expect([...resized(ramp, 4, 2).values.subarray(0, 4)]).toEqual([0.5, 2.5, 4.5, 6.5].map((value) => expect.closeTo(value, 2)));
  const larger = resized(ramp, 16, 8);
  expect(larger.values[3]).toBeCloseTo(1.25, 5);
  expect(resized(ramp, 8, 4)).toBe(ramp);
  expect(sampled(ramp, 2.25, 1.5)).toBeCloseTo(2.25, 6);
});

test('what a later frame does not show has no value', () => {
  const laid = warped(blobs(4), { width: WIDTH, height: HEIGHT }, [1, 0, -10, 0, 1, 0, 0, 0, 1]);
  expect(laid.slice(0, 10).every(Number.isNaN)).toBe(true);
  expect(laid[10]).toBeCloseTo(blobs(4).values[0]!, 6);
});

test('contrast that was kept is one, that was halved a half, and without texture one', () => {
  const before = blobs(11, START, 0.002);
  const counts = new Uint8Array(WIDTH * HEIGHT).fill(1);
  const shrunk = { ...before, values: before.values.map((value) => value / 2) };
  expect(contrastKept(before, before, counts)).toBeCloseTo(1, 1);
  expect(contrastKept(before, shrunk, counts)).toBeCloseTo(0.5, 1);
  const flat = { ...before, values: new Float32Array(WIDTH * HEIGHT) };
  expect(contrastKept(flat, flat, counts)).toBe(1);
});

import type { Grid } from '../../ground/grid';
import type { Homography } from '../../ground/homography';
import { normalFrom, seededRandom } from '../../ground/random';
import { sameness, samenessShown, standsOut } from './sameness';

const [width, height] = [80, 60];
const IDENTITY: Homography = [1, 0, 0, 0, 1, 0, 0, 0, 1];

/** Blotches that are there once, or nothing but noise. */
function picture(seed: number, blotches: number, noise: number): Grid {
  const random = seededRandom(seed);
  const normal = normalFrom(random);
  const spots = Array.from({ length: blotches }, () => ({
    x: width * random(),
    y: height * random(),
    r: 2 + 3 * random(),
    k: normal(),
  }));
  const values = Float32Array.from({ length: width * height }, (_, p) => {
    const [x, y] = [p % width, Math.floor(p / width)];
    const sum = spots.reduce((all, spot) => all + spot.k * Math.exp(-((x - spot.x) ** 2 + (y - spot.y) ** 2) / spot.r ** 2), 0);
    return sum + noise * normal();
  });
  return { width, height, values };
}

const withNoise = (grid: Grid, noise: number, seed: number, sign = 1): Grid => {
  const normal = normalFrom(seededRandom(seed));
  return { ...grid, values: grid.values.map((value) => sign * value + noise * normal()) };
};

describe('blocks that vote', () => {
  const one = picture(1, 60, 0);

  test('agree on a picture and itself, and on its negative the other way', () => {
    expect(sameness(one, one, IDENTITY)).toBeCloseTo(1, 3);
    expect(sameness(one, withNoise(one, 0, 2, -1), IDENTITY)).toBeCloseTo(-1, 3);
  });

  test('agree less the more noise there is, and not at all on another picture', () => {
    const at = [0.1, 0.4, 1.6].map((noise) => sameness(one, withNoise(one, noise, 3), IDENTITY));
    expect([...at].sort((a, b) => b - a)).toEqual(at);
    expect(Math.abs(sameness(one, picture(5, 60, 0), IDENTITY))).toBeLessThan(0.3);
  });

  test('say nothing where hardly anything is shared', () => {
    expect(sameness(one, one, [1, 0, 75, 0, 1, 0, 0, 0, 1])).toBe(0);
  });

  test('a picture of one colour agrees with nothing', () => {
    const flat = { width, height, values: new Float32Array(width * height) };
    expect(sameness(flat, one, IDENTITY)).toBeCloseTo(0, 6);
  });
});

describe('a map that stands out', () => {
  const judged = (a: Grid, b: Grid) => standsOut(a, b, IDENTITY, sameness(a, b, IDENTITY));

  test('does so of one wall, also of its negative and under noise', () => {
    const one = picture(7, 60, 0);
    expect(judged(one, withNoise(one, 0.3, 8))).toBeGreaterThan(5.2);
    expect(judged(one, withNoise(one, 0.3, 8, -1))).toBeGreaterThan(5.2);
  });

  test('does not of different walls, nor of noise', () => {
    for (const seed of [11, 13, 17, 19, 23]) expect(judged(picture(seed, 60, 0.1), picture(seed + 1, 60, 0.1))).toBeLessThan(5.2);
    expect(judged(picture(31, 0, 1), picture(32, 0, 1))).toBeLessThan(5.2);
  });

  test('does so where most of the wall is bare', () => {
    const bare = picture(41, 20, 0);
    expect(judged(withNoise(bare, 0.05, 42), withNoise(bare, 0.05, 43))).toBeGreaterThan(5.2);
  });
});

describe('blocks that show something', () => {
  const few = picture(51, 5, 0);
  test('agree on a bare wall where all blocks together hardly do', () => {
    const [one, other] = [withNoise(few, 0.15, 52), withNoise(few, 0.15, 53)];
    const shown = samenessShown(one, other, IDENTITY);
    expect(shown.blocks).toBeGreaterThanOrEqual(2);
    expect(shown.blocks).toBeLessThan(20);
    expect(shown.same).toBeGreaterThan(0.6);
    expect(sameness(one, other, IDENTITY)).toBeLessThan(shown.same);
  });

  test('disagree on another bare wall', () => {
    for (const seed of [61, 63, 65, 67])
      expect(Math.abs(samenessShown(withNoise(few, 0.15, seed), withNoise(picture(seed, 5, 0), 0.15, seed + 1), IDENTITY).same)).toBeLessThan(0.5); // prettier-ignore
  });
});

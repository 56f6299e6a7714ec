import { normalFrom, seededRandom } from '../../ground/random';
import { smoothed } from '../../ground/blur';
import { lookThrough } from './candidate';
import type { Grid } from '../../ground/grid';
import { wouldHaveShown } from './wouldShow';

const WIDTH = 320;
const HEIGHT = 240;
const OPTIONS = { side: 'inside', drive: 18, least: 0.5, ignored: null } as const;

/** A plain wall: slow unevenness, a layer of warm air, noise; with a fault of this shape and contrast. */
function wall(seed: number, contrast: number, shape: (x: number, y: number) => number): Grid {
  const normal = normalFrom(seededRandom(seed));
  const rough = (sigma: number, k: number) =>
    smoothed({ width: WIDTH, height: HEIGHT, values: Float32Array.from({ length: WIDTH * HEIGHT }, normal) }, sigma).values.map(
      (value) => k * 3.5 * sigma * value,
    );
  const [slow, fine] = [rough(30, 0.06), rough(6, 0.03)];
  const values = Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    return 19 + 0.4 * (1 - y / HEIGHT) + slow[i]! + fine[i]! - contrast * shape(x, y);
  });
  const seen = smoothed({ width: WIDTH, height: HEIGHT, values }, 0.7);
  return { ...seen, values: seen.values.map((value) => value + 0.05 * normal()) };
}

const box = (x0: number, y0: number, w: number, h: number) => (x: number, y: number) =>
  x >= x0 && x < x0 + w && y >= y0 && y < y0 + h ? 1 : 0;
const bell = (x0: number, y0: number, sigma: number) => (x: number, y: number) =>
  Math.exp(-((x - x0) ** 2 + (y - y0) ** 2) / (2 * sigma ** 2));

const finds = (seed: number, contrast: number, shape: (x: number, y: number) => number) =>
  lookThrough(wall(seed, contrast, shape), OPTIONS).candidates.some(({ sign, rows }) => {
    const half = rows.reduce((sum, { y, from, to }) => {
      for (let x = from; x <= to; x += 1) if (shape(x, y) > 0.5) sum += 1;
      return sum;
    }, 0);
    return sign === -1 && half > 20;
  });

describe('what would have shown', () => {
  const said = wouldHaveShown(0.5);
  const SEEDS = [1, 2, 3, 4, 5];

  test('a soft patch has to be stronger than a sharp one; what is as wide as the view is not seen at all', () => {
    expect(said.sharp).toBeGreaterThanOrEqual(0.5);
    expect(said.soft).toBeGreaterThan(1.5 * said.sharp);
    expect(said.wide).toBeNull();
    expect(wouldHaveShown(1).sharp).toBeCloseTo(2 * said.sharp, 9);
  });

  test('faults of one and a half times that are found, of half of it mostly not', () => {
    const of = (kind: 'sharp' | 'soft', times: number) =>
      SEEDS.filter((seed) => {
        const place = seededRandom(100 + seed);
        const [x, y] = [60 + 180 * place(), 50 + 120 * place()];
        const shape = kind === 'sharp' ? box(x, y, 6 + 24 * place(), 6 + 24 * place()) : bell(x, y, 8 + 12 * place());
        return finds(seed, times * said[kind], shape);
      }).length;
    for (const kind of ['sharp', 'soft'] as const) {
      expect(of(kind, 1.5)).toBe(5);
      expect(of(kind, 0.5)).toBeLessThanOrEqual(3);
    }
  });

  test('wider than a third of the view and blurred even twice as strong a fault may be missed: nothing is stated', () => {
    const edge = (x: number) => 1 / (1 + Math.exp((x - 140) / 18));
    const missed = SEEDS.filter((seed) => !finds(seed, 1, edge)).length;
    expect(missed).toBeGreaterThan(0);
  });
});

import type { Grid } from '../../ground/grid';
import { normalFrom, seededRandom } from '../../ground/random';
import { standingPlaces } from './standing';

const WIDTH = 160;
const HEIGHT = 120;

interface Bell {
  x: number;
  y: number;
  sigma: number;
  k: number;
  /** Longer than wide. */
  stretch?: number;
}

/** A floor of 20 °C with joints, a slope, noise, and warm bells. */
function floor(bells: readonly Bell[], seed = 1): Grid {
  const normal = normalFrom(seededRandom(seed));
  return {
    width: WIDTH,
    height: HEIGHT,
    values: Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
      const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
      const joint = x % 36 === 5 || y % 36 === 9 ? -0.2 : 0;
      const warm = bells.reduce(
        (sum, bell) =>
          sum + bell.k * Math.exp(-(((x - bell.x) / (bell.stretch ?? 1)) ** 2 + (y - bell.y) ** 2) / (2 * bell.sigma ** 2)),
        0,
      );
      return 20 + (0.4 * x) / WIDTH + joint + warm + 0.06 * normal();
    }),
  };
}
const frames = (bells: readonly Bell[]) => [1, 2, 3].map((seed) => floor(bells, seed));

describe('places that were warm before', () => {
  test.each([[{ x: 60, y: 50, sigma: 8, k: 3 }], [{ x: 90, y: 70, sigma: 16, k: 8 }], [{ x: 32, y: 30, sigma: 12, k: 5 }]])(
    'are found with place, size and contrast: %p',
    (bell) => {
      const [place, ...more] = standingPlaces(frames([bell]), 1);
      expect(more).toEqual([]);
      expect(Math.hypot(place!.x - bell.x, place!.y - bell.y)).toBeLessThan(3);
      expect(place!.radius / (2 * bell.sigma)).toBeGreaterThan(0.75);
      expect(place!.radius / (2 * bell.sigma)).toBeLessThan(1.25);
      expect(Math.abs(place!.contrast - bell.k)).toBeLessThan(0.25 * bell.k);
    },
  );

  test('two are told apart, and cold ones are looked for with the other sign', () => {
    const bells = [
      { x: 40, y: 40, sigma: 9, k: 4 },
      { x: 115, y: 80, sigma: 9, k: 5 },
    ];
    expect(standingPlaces(frames(bells), 1)).toHaveLength(2);
    expect(standingPlaces(frames(bells), -1)).toEqual([]);
    const cold = standingPlaces(frames([{ x: 70, y: 60, sigma: 10, k: -4 }]), -1);
    expect(cold).toHaveLength(1);
    expect(cold[0]!.contrast).toBeLessThan(-3);
  });

  test('an even floor, a faint place and a long one are none', () => {
    expect(standingPlaces(frames([]), 1)).toEqual([]);
    expect(standingPlaces(frames([{ x: 70, y: 60, sigma: 10, k: 0.8 }]), 1)).toEqual([]);
    expect(standingPlaces(frames([{ x: 80, y: 60, sigma: 6, k: 5, stretch: 5 }]), 1)).toEqual([]);
  });

  test('an arm in one of the first frames is none, and pixels without a reading do no harm', () => {
    const [a, b, c] = frames([]) as [Grid, Grid, Grid];
    const arm = floor([{ x: 70, y: 60, sigma: 10, k: 10 }], 4);
    expect(standingPlaces([a, arm, c], 1)).toEqual([]);
    b.values.fill(NaN, 0, 400);
    expect(standingPlaces([a, b, c], 1)).toEqual([]);
  });
});

import { normalFrom, seededRandom } from '../../ground/random';
import type { ProfilePoint } from './profile';
import { spacingOf } from './spacing';

const pointsOf = (values: number[]): ProfilePoint[] => values.map((celsius, i) => ({ along: i, x: i, y: 0, celsius }));

/** A wall of 18 °C that gets colder to one end, with lines so deep at every spacing, and noise of 0.05 K. */
function wall(
  seed: number,
  { spacing, depth, length = 240, noise = 0.05 }: { spacing: number; depth: number; length?: number; noise?: number },
) {
  const normal = normalFrom(seededRandom(seed));
  const values = Array.from({ length }, (_, i) => {
    const off = (i - 7) / spacing;
    const line = Math.exp(-((((off - Math.round(off)) * spacing) / 2.5) ** 2));
    return 18 - 1.5 * (i / length) ** 2 - depth * line + noise * normal();
  });
  return pointsOf(values);
}

const SEEDS = Array.from({ length: 200 }, (_, i) => i + 1);

test('spacing of studs is found within half a percent, cold or warm', () => {
  for (const depth of [0.5, -0.5]) {
    const found = spacingOf(wall(1, { spacing: 40, depth }))!;
    expect(Math.abs(found.pixels / 40 - 1)).toBeLessThan(0.005);
    expect(found.lines).toBe(6);
  }
});

test('also where a line is only three times the noise, and not in kelvin', () => {
  const hits = SEEDS.filter((seed) => {
    const found = spacingOf(wall(seed, { spacing: 34.5, depth: 0.17 }));
    return found !== null && Math.abs(found.pixels / 34.5 - 1) < 0.03;
  });
  expect(hits.length).toBeGreaterThanOrEqual(190);
  expect(spacingOf(wall(1, { spacing: 34.5, depth: 0.17, noise: 1 }))).toBeNull();
});

test('never on a plain wall, a gradient, a single line or an edge', () => {
  const plain = SEEDS.filter((seed) => spacingOf(wall(seed, { spacing: 1e9, depth: 0 })) !== null);
  expect(plain).toEqual([]);
  const one = SEEDS.filter((seed) => spacingOf(wall(seed, { spacing: 230, depth: 2 })) !== null);
  expect(one).toEqual([]);
  const edge = SEEDS.filter((seed) => {
    const points = wall(seed, { spacing: 1e9, depth: 0 });
    return spacingOf(points.map((point, i) => ({ ...point, celsius: point.celsius - (i > 90 ? 3 : 0) }))) !== null;
  });
  expect(edge).toEqual([]);
});

test('two lines, or lines that are not even, are no spacing', () => {
  const lines = (places: number[]) => {
    const normal = normalFrom(seededRandom(5));
    return pointsOf(
      Array.from(
        { length: 240 },
        (_, i) => 18 - places.reduce((sum, at) => sum + 0.6 * Math.exp(-(((i - at) / 2.5) ** 2)), 0) + 0.05 * normal(),
      ),
    );
  };
  expect(spacingOf(lines([60, 150]))).toBeNull();
  expect(spacingOf(lines([20, 47, 119, 140, 205]))).toBeNull();
  expect(spacingOf(lines([20, 75, 130, 185]))!.pixels).toBeCloseTo(55, 0);
});

test('gaps without a reading do not hide it; a short or empty profile has none', () => {
  const gappy = wall(3, { spacing: 30, depth: 0.6 }).map((point, i) => (i % 17 === 3 ? { ...point, celsius: NaN } : point));
  expect(spacingOf(gappy)!.pixels).toBeCloseTo(30, 0);
  expect(spacingOf(pointsOf([1, 2, 1]))).toBeNull();
  expect(spacingOf(pointsOf(Array<number>(100).fill(NaN)))).toBeNull();
  expect(spacingOf(pointsOf(Array<number>(100).fill(18)))).toBeNull();
});

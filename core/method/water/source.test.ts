import { normalFrom, seededRandom } from '../../ground/random';
import { unsteady } from './growth';
import type { Series } from './series';
import { dotSource, leftOfBins, lineSource, poolSource, type Known } from './source';
import { addRises, FARTHEST_RISE, momentOf, profileOf, rise } from './spread';
import { dot, largestRise, line, pool, riseAt, shownBy, type Floor, type Spot } from './spots';

const FLOOR: Floor = { lambda: 4, D: 700, flat: 0.93 };
const KNOWN: Known = { lambda: 4, D: 700, on: 100, onU: 15, begin: 100, sign: 1, coverKnown: true };
const TIMES = Array.from({ length: 12 }, (_, i) => 60 + 120 * i);

/** Bins of a view with what spots around a place show on them, and noise. */
function seriesOf(at: readonly [number, number], spots: readonly Spot[], amount: number, noise: number, seed = 1): Series {
  const normal = normalFrom(seededRandom(seed));
  const xs: number[] = [];
  const ys: number[] = [];
  for (let y = 2; y < 90; y += 4)
    for (let x = 2; x < 120; x += 4) {
      xs.push(x);
      ys.push(y);
    }
  const matrix = unsteady(TIMES, noise);
  const empty = new Float64Array(xs.length * TIMES.length);
  const series: Series = {
    xs: Float32Array.from(xs),
    ys: Float32Array.from(ys),
    times: TIMES,
    courses: empty,
    matrix,
    spreads: empty.map(() => noise),
    sharp: empty.map(() => noise),
  };
  const shown = shownBy(series, at, FLOOR, spots);
  return { ...series, courses: shown.map((value) => amount * value + noise * normal()) };
}

const off = ({ x, y }: { x: number; y: number }, [u, v]: readonly [number, number]) => Math.hypot(x - u, y - v);

describe('the table of rises', () => {
  test('adds up with weights, over the moments of a course', () => {
    const profile = profileOf([100, 400, 1600].map((t) => momentOf(t / FLOOR.D)));
    const course = new Float64Array(3);
    addRises(0.7, profile, 2, course, 0, 3);
    addRises(1.9, profile, 3, course, 0, 3);
    [100, 400, 1600].forEach((t, i) => {
      expect(course[i]).toBeCloseTo(2 * rise(0.7, t / FLOOR.D) + 3 * rise(1.9, t / FLOOR.D), 12);
    });
  });

  test('has nothing before heat arrives, before the water, and far away', () => {
    const course = new Float64Array(2);
    addRises(0, profileOf([momentOf(-3), momentOf(0.04)]), 1, course, 0, 2);
    expect([...course]).toEqual([0, 0]);
    expect(rise(FARTHEST_RISE, 10)).toBe(0);
    expect(momentOf(NaN).column).toBe(-1);
  });

  test('goes on smoothly between its columns and beyond its last', () => {
    const at = Array.from({ length: 200 }, (_, i) => rise(1.03, 0.1 + 0.01 * i));
    const steps = at.slice(1).map((value, i) => value - at[i]!);
    expect(Math.min(...steps)).toBeGreaterThanOrEqual(0);
    expect(Math.max(...steps)).toBeLessThan(0.006);
    expect(rise(0, 50)).toBeCloseTo(rise(0, 40), 2);
  });
});

describe('what a series shows of spots', () => {
  test('is the rise at each bin, without levels and rates', () => {
    const series = seriesOf([60, 45], [], 0, 0.05);
    const spots = pool(100, 6, [0.3, 0], 600, 4);
    const shown = shownBy(series, [60, 45], FLOOR, spots);
    const p = [...series.xs.keys()].find((k) => series.xs[k] === 58 && series.ys[k] === 46)!;
    const course = TIMES.map((t) => riseAt([-2, 1], t, FLOOR, spots));
    for (let i = 0; i < TIMES.length; i += 1) {
      const wanted = course.reduce((sum, value, k) => sum + series.matrix[i * TIMES.length + k]! * value, 0);
      expect(shown[p * TIMES.length + i]).toBeCloseTo(wanted, 9);
    }
  });

  test('is nothing far from them', () => {
    const series = seriesOf([60, 45], [], 0, 0.05);
    const shown = shownBy(series, [-60, -45], FLOOR, dot(100));
    expect(Math.max(...shown.map(Math.abs))).toBe(0);
  });

  test('rises most over one of them', () => {
    const spots = line(0, 0.4, 30, 4, 0.1, 4);
    const most = largestRise(1500, FLOOR, spots);
    for (const { dx, dy } of spots) expect(riseAt([dx, dy], 1500, FLOOR, spots)).toBeLessThanOrEqual(most);
  });
});

describe('where heat comes from', () => {
  test('a dot is found to a part of a pixel, with its heat and its direction', () => {
    const found = dotSource(seriesOf([61.3, 44.2], dot(100), 60, 0.02), [58, 48], KNOWN);
    expect(off(found, [61.3, 44.2])).toBeLessThan(0.15);
    expect(found.amount / 60).toBeCloseTo(1, 1);
    expect(found.each).toBeLessThan(1.3);
    expect(found.unusual).toBeLessThan(1);
  });

  test('twice the noise leaves its place half as sure', () => {
    const u = (noise: number) => dotSource(seriesOf([61, 44], dot(100), 60, noise), [60, 45], KNOWN).u;
    expect(u(0.04) / u(0.02)).toBeGreaterThan(1.7);
    expect(u(0.04) / u(0.02)).toBeLessThan(2.3);
  });

  test('cold from cold water, and none of it when warmth is looked for', () => {
    const series = seriesOf([61, 44], dot(100), -60, 0.02);
    expect(off(dotSource(series, [60, 45], { ...KNOWN, sign: -1 }), [61, 44])).toBeLessThan(0.2);
    expect(dotSource(series, [60, 45], KNOWN).amount).toBeLessThanOrEqual(0);
  });

  test('a pool that leans is led back to where it comes from', () => {
    const lean = [0.35, 0.1] as const;
    const series = seriesOf([60, 45], pool(100, 10, lean, 700, 4), 0.5, 0.002);
    const first = dotSource(series, [63, 46], KNOWN);
    const found = poolSource(series, first, KNOWN);
    expect(off(found, [60, 45])).toBeLessThan(off(first, [60, 45]));
    expect(off(found, [60, 45])).toBeLessThan(1.2);
    expect(found.cost).toBeLessThan(first.cost);
  });

  test('a line has its direction and begins at the leak', () => {
    const series = seriesOf([30, 40], line(100, 0.2, 45, 4, 0.17, 4), 0.3, 0.01);
    const found = lineSource(series, { at: [33, 42], direction: 0.1, length: 36 }, KNOWN);
    expect(found.direction).toBeCloseTo(0.2, 1);
    expect(off(found, [30, 40])).toBeLessThan(2.5);
    expect(found.length).toBeGreaterThan(30);
    expect(found.length).toBeLessThan(60);
  });

  test('what is left over lies where something else happens', () => {
    const series = seriesOf([60, 45], dot(100), 60, 0.02);
    const courses = series.courses.slice();
    const beside = [...series.xs.keys()].find((k) => series.xs[k] === 102 && series.ys[k] === 10)!;
    for (let i = 0; i < TIMES.length; i += 1) courses[beside * TIMES.length + i]! += 0.3 * Math.sin(i);
    const disturbed = { ...series, courses };
    const left = leftOfBins(disturbed, dotSource(disturbed, [60, 45], KNOWN));
    expect([...left].indexOf(Math.max(...left))).toBe(beside);
    expect([...left].sort((a, b) => a - b)[left.length >> 1]!).toBeLessThan(1.5);
  });
});

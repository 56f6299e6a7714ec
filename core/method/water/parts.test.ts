import { amountOf, times, unsteady } from './growth';
import { enoughOf } from './enough';
import { leastSquares } from './fit';
import { rise } from './spread';
import { dot, line, pool, riseAt } from './spots';

describe('the surface over a point that warms', () => {
  test('does nothing at first, then rises faster and slower', () => {
    expect(rise(0, 0.03)).toBe(0);
    const rises = [0.2, 0.5, 1, 2, 4].map((time) => rise(0, time));
    expect([...rises].sort((a, b) => a - b)).toEqual(rises);
    expect(rises[0]!).toBeLessThan(0.05 * rises[2]!);
  });

  test('rises less and later farther away', () => {
    const at = [0, 1, 2, 4, 7].map((distance) => rise(distance, 2));
    expect([...at].sort((a, b) => b - a)).toEqual(at);
    expect(rise(9, 30)).toBe(0);
    expect(rise(2, 4) / rise(0, 4)).toBeGreaterThan(rise(2, 1) / rise(0, 1));
  });

  test('takes in all heat in the end: over a layer without losses it grows with the time', () => {
    const sum = (time: number) => {
      let total = 0;
      for (let r = 0.05; r < 8; r += 0.1) total += 2 * Math.PI * r * 0.1 * rise(r, time);
      return total;
    };
    // Images at odd distances: their sum over √v becomes √π / 4 of a layer that is warm throughout.
    expect((sum(8) - sum(4)) / 4).toBeCloseTo(Math.sqrt(Math.PI) / 4, 2);
  });
});

describe('spots', () => {
  const floor = { lambda: 4, D: 600, flat: 1 };

  test('a pool of no size is a dot, as far as its heat goes', () => {
    const small = pool(0, 0.01, [0, 0], 1, 4);
    const weight = small.reduce((sum, spot) => sum + spot.weight, 0);
    expect(riseAt([0, 0], 1200, floor, small) / weight).toBeCloseTo(riseAt([0, 0], 1200, floor, dot(0)), 3);
  });

  test('a pool that leans is warmer on that side', () => {
    const leaning = pool(0, 8, [0.5, 0], 300, 4);
    expect(riseAt([6, 0], 1500, floor, leaning)).toBeGreaterThan(1.2 * riseAt([-6, 0], 1500, floor, leaning));
  });

  test('a line begins where the water comes out', () => {
    const running = line(0, 0, 40, 0, 0.1, 4);
    const near = (time: number) => riseAt([3, 0], time, floor, running) / riseAt([36, 0], time, floor, running);
    expect(near(500)).toBeGreaterThan(3);
    expect(running[0]!.from).toBeLessThan(running.at(-1)!.from);
  });
});

describe('what is looked for in time', () => {
  const moments = Array.from({ length: 12 }, (_, i) => 60 * i);
  const matrix = unsteady(moments, 0.05);

  test('is neither a level nor, nearly, a steady rate', () => {
    for (const value of times(
      matrix,
      moments.map(() => 7),
    ))
      expect(value).toBeCloseTo(0, 9);
    const steady = times(
      matrix,
      moments.map((t) => t / 3600),
    );
    expect(Math.max(...steady.map(Math.abs))).toBeLessThan(0.03);
  });

  test('its amount comes out, whatever level and rate it stands on', () => {
    const course = moments.map((t) => (t / 660) ** 3);
    const frames = moments.map((t, i) => Float32Array.of(0.8 * course[i]! + 3 + t / 7200, 5));
    const { amount, u } = amountOf(frames, matrix, course, 0.05);
    expect(amount[0]).toBeCloseTo(0.8, 1);
    expect(amount[1]).toBeCloseTo(0, 6);
    expect(u).toBeGreaterThan(0.02);
    expect(u).toBeLessThan(0.5);
  });
});

test('least squares find the bottom, with what is usual where data say nothing', () => {
  const xs = [0, 1, 2, 3, 4, 5];
  const ys = xs.map((x) => 3 * Math.exp(-0.7 * x));
  const unknown = (start: number, usual = 0, spread = Infinity) => ({ start, usual, spread, step: 1e-4 });
  const { values, covariance, squares } = leastSquares([unknown(1), unknown(0.1), unknown(5, 2, 0.5)], ([a, b]) =>
    Float64Array.from(xs, (x, i) => (ys[i]! - a! * Math.exp(-b! * x)) / 0.01),
  );
  expect([...values]).toEqual([expect.closeTo(3, 4), expect.closeTo(0.7, 4), expect.closeTo(2, 4)]);
  expect(squares).toBeCloseTo(0, 4);
  expect(Math.sqrt(covariance[8]!)).toBeCloseTo(0.5, 4);
});

test('how much longer: until four noises of one frame', () => {
  const asked = { source: null, sure: false, end: 300, pixelNoise: 0.05, on: 0, D: 900, drive: 25 };
  const { enough, moreMinutes } = enoughOf(asked);
  expect(enough).toBe(false);
  expect(0.2 * 25 * rise(0, (300 + 60 * moreMinutes!) / 900)).toBeCloseTo(0.2, 1);
  expect(enoughOf({ ...asked, end: 300 + 60 * moreMinutes! })).toEqual({ enough: true, moreMinutes: null });
  expect(enoughOf({ ...asked, drive: 0 })).toEqual({ enough: false, moreMinutes: null });
});

import { normalFrom, seededRandom } from '../../ground/random';
import fc from 'fast-check';
import { extremesOf } from '../../ground/extremes';
import { spansOf } from './region';
import { regionStatistics } from './statistics';
import { thumbnailOf } from './thumbnail';

const all = (width: number, height: number) => spansOf({ kind: 'box', x: 0, y: 0, width, height }, width, height);

describe('statistics of a region', () => {
  test('of known numbers', () => {
    const values = Float32Array.from([4, 1, 3, 2, 9, 9]);
    expect(regionStatistics(values, 3, all(3, 2))).toEqual({
      count: 6,
      missing: 0,
      percentiles: null,
      min: 1,
      max: 9,
      minAt: { x: 1, y: 0 },
      maxAt: { x: 1, y: 1 },
      mean: 28 / 6,
      median: 3.5,
      std: expect.closeTo(3.5024, 4) as number,
    });
  });

  test('one pixel has no spread, no pixel no statistics', () => {
    expect(regionStatistics(Float32Array.from([5, 6]), 2, [{ y: 0, from: 1, to: 1 }])).toMatchObject({
      count: 1,
      median: 6,
      std: null,
    });
    expect(regionStatistics(Float32Array.from([NaN, NaN]), 2, [{ y: 0, from: 0, to: 1 }])).toBeNull();
  });

  test.each([
    ['first corner', 0],
    ['end of the first row', 3],
    ['start of the last row', 8],
    ['last corner', 11],
  ])('a missing pixel in the %s is left out, whatever the sign of the rest', (_name, at) => {
    for (const level of [-7, 0, 7]) {
      const values = new Float32Array(12).fill(level);
      values[at] = NaN;
      expect(regionStatistics(values, 4, all(4, 3))).toMatchObject({
        count: 11,
        missing: 1,
        min: level,
        max: level,
        mean: level,
        median: level,
        std: 0,
      });
    }
  });

  test('the transform sees the gathered pixels and not the frame', () => {
    const values = Float32Array.from([1, 2, 3, 4]);
    const result = regionStatistics(values, 2, [{ y: 1, from: 0, to: 1 }], (gathered) =>
      gathered.forEach((v, i) => (gathered[i] = v * 10)),
    );
    expect(result).toMatchObject({ min: 30, max: 40, maxAt: { x: 1, y: 1 } });
    expect(Array.from(values)).toEqual([1, 2, 3, 4]);
  });

  test('agrees with sorting, for any numbers', () => {
    fc.assert(
      fc.property(fc.array(fc.float({ min: -100, max: 100, noNaN: true }), { minLength: 1, maxLength: 1500 }), (list) => {
        const values = Float32Array.from(list);
        const sorted = Array.from(values).sort((a, b) => a - b);
        const middle = (sorted[(sorted.length - 1) >> 1]! + sorted[sorted.length >> 1]!) / 2;
        const result = regionStatistics(values, values.length, [{ y: 0, from: 0, to: values.length - 1 }])!;
        // Compared by ===, to which zero has one sign.
        expect(result.median === middle).toBe(true);
        expect(result.min === sorted[0] && result.max === sorted.at(-1)).toBe(true);
        expect(values[result.minAt.x]).toBe(result.min);
      }),
      { numRuns: 300, seed: 3 },
    );
  });

  test('a shift moves mean, median and extremes, and leaves the spread', () => {
    const values = Float32Array.from({ length: 900 }, (_, i) => ((i * 7919) % 601) / 16);
    const before = regionStatistics(values, 30, all(30, 30))!;
    const after = regionStatistics(
      values.map((v) => v + 8),
      30,
      all(30, 30),
    )!;
    expect(after.mean - before.mean).toBeCloseTo(8, 6);
    expect(after.median - before.median).toBe(8);
    expect(after.std).toBeCloseTo(before.std!, 6);
  });
});

describe('extremes of a frame', () => {
  test('leave missing pixels out; zero is a temperature', () => {
    expect(extremesOf(Float32Array.from([NaN, -1, 0, 4]))).toEqual({ min: -1, max: 4, mean: 1, count: 3 });
    expect(extremesOf(Float32Array.from([NaN]))).toBeNull();
    expect(extremesOf(new Float32Array(0))).toBeNull();
  });
});

describe('thumbnails', () => {
  test('keep the shape and the mean', () => {
    const frame = { width: 320, height: 240, values: Float32Array.from({ length: 320 * 240 }, (_, i) => i % 320) };
    const thumb = thumbnailOf(frame, 96);
    expect([thumb.width, thumb.height]).toEqual([96, 72]);
    const mean = thumb.values.reduce((a, b) => a + b, 0) / thumb.values.length;
    expect(mean).toBeCloseTo(159.5, 0);
  });

  test('a small frame stays as it is, missing cells stay missing', () => {
    const frame = { width: 4, height: 2, values: Float32Array.from([1, 2, 3, 4, 5, 6, 7, NaN]) };
    expect(thumbnailOf(frame, 96)).toEqual({ width: 4, height: 2, values: frame.values });
  });
});

test('percentiles of many pixels are those of all, sorted, and a dead pixel moves them little', () => {
  const normal = normalFrom(seededRandom(3));
  const values = Float32Array.from({ length: 5000 }, () => 18 + 0.05 * normal());
  const { percentiles, min, max } = regionStatistics(values, 100, all(100, 50))!;
  const sorted = values.toSorted();
  expect(percentiles!.low).toBeCloseTo((sorted[99]! + sorted[100]!) / 2, 6);
  expect(percentiles!.high).toBeCloseTo((sorted[4899]! + sorted[4900]!) / 2, 6);
  // Noise alone pulls extremes by four standard deviations, percentiles by two.
  expect((max - min) / 0.05).toBeGreaterThan(6.5);
  expect((percentiles!.high - percentiles!.low) / 0.05).toBeCloseTo(4.1, 0);
  values[777] = 60;
  expect(regionStatistics(values, 100, all(100, 50))!.percentiles!.high).toBeCloseTo(percentiles!.high, 3);
  expect(regionStatistics(values, 100, [{ y: 0, from: 0, to: 98 }])!.percentiles).toBeNull();
});

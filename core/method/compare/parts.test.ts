import fc from 'fast-check';
import { projected, type Homography } from '../../ground/homography';
import { mapThrough } from './byHand';
import { inverse, product, rescaled } from './maps';
import { singular } from './singular';
import { Spectrum } from './spectrum';

const near = (h: Homography, k: number) => h.map((value) => expect.closeTo(value, k));

describe('maps', () => {
  const h: Homography = [1.02, -0.05, 12, 0.04, 0.98, -7, 1e-4, -5e-5, 1];

  test('there and back is nothing', () => {
    expect(product(h, inverse(h)!)).toEqual(near([1, 0, 0, 0, 1, 0, 0, 0, 1], 9));
    expect(inverse([1, 2, 0, 2, 4, 0, 0, 0, 1])).toBeNull();
  });

  test('between other widths it takes the same places to the same places', () => {
    const half = rescaled(h, [320, 160], [320, 160]);
    const at = (x: number): number => 2 * x + 0.5;
    const [u, v] = projected(half, [40, 30]);
    const [x, y] = projected(h, [at(40), at(30)]);
    expect([at(u), at(v)]).toEqual([expect.closeTo(x, 9), expect.closeTo(y, 9)]);
  });
});

describe('places marked by hand', () => {
  const truth: Homography = [0.97, 0.03, 5, -0.02, 1.01, -3, 1e-4, 2e-5, 1];
  const corners = [
    [10, 12],
    [300, 20],
    [20, 220],
    [310, 210],
    [150, 100],
    [90, 190],
  ] as const;
  const marked = (n: number) => corners.slice(0, n).map((before) => ({ before, after: projected(truth, before) }));

  test('four or more give perspective, exactly', () => {
    for (const n of [4, 5, 6]) {
      const { h, residualPx } = mapThrough(marked(n))!;
      expect(projected(h, [200, 60])).toEqual(projected(truth, [200, 60]).map((value) => expect.closeTo(value, 4)));
      expect(residualPx).toBeLessThan(1e-3);
    }
  });

  test('two and three go through the places that they have', () => {
    for (const n of [2, 3]) expect(mapThrough(marked(n))!.residualPx).toBeLessThan(1e-6);
  });

  test('one is not enough, nor two in the same place or four on a line', () => {
    expect(mapThrough(marked(1))).toBeNull();
    const same = { before: [5, 5], after: [6, 6] } as const;
    expect(mapThrough([same, same])).toBeNull();
    expect(mapThrough([0, 1, 2, 3].map((k) => ({ before: [k, 2 * k], after: [k, k] })))).toBeNull();
  });
});

test('what goes on along a row or a column is left out; what is there once stays', () => {
  const [width, height] = [60, 48];
  const values = Float32Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    return (x % 12 < 2 ? 5 : 0) + (y === 20 ? 3 : 0) + (x === 31 && y === 33 ? 4 : 0);
  });
  const left = singular({ width, height, values }, 6).values;
  expect(left[33 * width + 31]).toBeGreaterThan(3);
  expect(Math.abs(left[10 * width + 13]!)).toBeLessThan(0.2);
  expect(Math.abs(left[20 * width + 40]!)).toBeLessThan(0.2);
});

test('a spectrum there and back is the plane that it was', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 128, maxLength: 128 }), (numbers) => {
      const spectrum = new Spectrum(8);
      const plane = spectrum.plane();
      plane.set(numbers);
      spectrum.transform(plane);
      spectrum.inverse(plane);
      expect([...plane]).toEqual(numbers.map((value) => expect.closeTo(value, 9)));
    }),
    { numRuns: 20 },
  );
});

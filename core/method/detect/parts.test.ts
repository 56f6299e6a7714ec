import { showsSky } from './setAside';
import fc from 'fast-check';
import { smoothed, weightedMean } from '../../ground/blur';
import { cleaned } from '../../ground/clean';
import { partsOf, widenedMask } from './flood';
import { framingOf } from './framing';
import { enlarged, shrunk } from '../../ground/grid';
import { medianOf, quantileOf, robustSpread } from '../../ground/median';
import { outlineOfRows } from './outline';
import { leanOf, linesOf, narrowPart } from './profiles';
import { rectangleIn } from './rectangle';
import { linesAt, testWall } from '../../testing/testWall';

const floats = fc.array(fc.double({ min: 0.5, max: 1e3, noNaN: true }), { minLength: 1, maxLength: 60 });

describe('medians', () => {
  test('the median of an odd count is its middle, of none NaN', () => {
    expect(medianOf(Float32Array.of(3, 1, 2))).toBe(2);
    expect(medianOf(new Float32Array(0))).toBeNaN();
    expect(quantileOf(new Float32Array(0), 0.5)).toBeNaN();
  });
  test('a quantile is the sorted value at its place', () => {
    fc.assert(
      fc.property(floats, fc.double({ min: 0, max: 1, noNaN: true }), (values, share) => {
        const sorted = Float32Array.from(values).sort();
        expect(quantileOf(Float32Array.from(values), share)).toBe(sorted[Math.round(share * (sorted.length - 1))]);
      }),
    );
  });
  test('the spread of the bulk does not mind a few that lie far off', () => {
    const values = Float32Array.from({ length: 101 }, (_, i) => (i < 5 ? 1000 : (i - 53) / 10));
    expect(robustSpread(values)).toBeLessThan(5);
  });
});

describe('smoothing', () => {
  test.each([0.8, 1.5, 3, 12])('leaves an even grid as it is (sigma %d)', (sigma) => {
    const even = { width: 30, height: 20, values: new Float32Array(600).fill(7) };
    for (const value of smoothed(even, sigma).values) expect(value).toBeCloseTo(7, 4);
  });
  test.each([0.8, 4])('keeps the sum of what lies in the middle (sigma %d)', (sigma) => {
    const values = new Float32Array(101 * 101);
    values[50 * 101 + 50] = 100;
    const out = smoothed({ width: 101, height: 101, values }, sigma).values;
    expect(out.reduce((sum, value) => sum + value, 0)).toBeCloseTo(100, 2);
    expect(out[50 * 101 + 50]).toBeLessThan(100);
  });
  test('a weighted mean fills what has no weight from around it', () => {
    const grid = { width: 21, height: 21, values: Float32Array.from({ length: 441 }, (_, i) => (i === 220 ? 99 : 5)) };
    const weights = new Float32Array(441).fill(1);
    weights[220] = 0;
    expect(weightedMean(grid, weights, 3).values[220]).toBeCloseTo(5, 3);
  });
});

test('blocks and back again keep a plane', () => {
  const plane = {
    width: 40,
    height: 30,
    values: Float32Array.from({ length: 1200 }, (_, i) => (i % 40) + 2 * Math.floor(i / 40)),
  };
  const back = enlarged(shrunk(plane, 2), 2, plane);
  for (let y = 2; y < 28; y += 1)
    for (let x = 2; x < 38; x += 1) expect(back.values[y * 40 + x]).toBeCloseTo(plane.values[y * 40 + x]!, 3);
  expect(shrunk(plane, 1)).toBe(plane);
});

describe('connected parts', () => {
  test('corners connect, and each part comes once', () => {
    const mask = [1, 0, 0, 0, 1, 0, 0, 0, 0, 1, 1, 0];
    const parts = partsOf({ width: 4, height: 3 }, (i) => mask[i] === 1);
    expect(parts.map(({ pixels }) => [...pixels].sort((a, b) => a - b))).toEqual([[0, 4, 9, 10]]);
    expect(parts[0]).toMatchObject({ left: 0, right: 2, top: 0, bottom: 2 });
  });
  test('widening goes by columns and rows', () => {
    const mask = new Uint8Array(49);
    mask[24] = 1;
    const wide = widenedMask(mask, { width: 7, height: 7 }, 2);
    expect(wide.reduce((sum, one) => sum + one, 0)).toBe(25);
  });
});

describe('outlines', () => {
  test('of a box are its four corners', () => {
    const rows = Array.from({ length: 6 }, (_, k) => ({ y: 10 + k, from: 4, to: 11 }));
    expect(outlineOfRows(rows)).toEqual([
      [3.5, 9.5],
      [11.5, 9.5],
      [11.5, 15.5],
      [3.5, 15.5],
    ]);
  });
  test('never have more than sixty corners, and stay near their pixels', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(40), fc.nat(60)), { minLength: 1, maxLength: 60 }), (spans) => {
        const rows = spans.map(([from, length], y) => ({ y, from: Math.min(from, 20), to: 20 + length }));
        const outline = outlineOfRows(rows);
        expect(outline.length).toBeGreaterThanOrEqual(4);
        expect(outline.length).toBeLessThanOrEqual(60);
        for (const [x, y] of outline) {
          expect(x).toBeGreaterThanOrEqual(-0.5);
          expect(y).toBeLessThanOrEqual(rows.length - 0.5);
        }
      }),
    );
    expect(outlineOfRows([])).toEqual([]);
  });
});

describe('pixels that answer wrongly', () => {
  test('are mended, what is real stays', () => {
    const wall = testWall(60, 40, (x, y) => -3 * Math.exp(-(((x - 40) / 3) ** 2) - ((y - 20) / 3) ** 2));
    const before = wall.values[20 * 60 + 40]!;
    wall.values[10 * 60 + 10] = 40;
    wall.values[0] = NaN;
    const { grid, mended } = cleaned(wall)!;
    expect(grid.values[10 * 60 + 10]).toBeCloseTo(20.3, 0);
    expect(grid.values[0]).toBeCloseTo(20.4, 0);
    expect(grid.values[20 * 60 + 40]).toBe(before);
    expect(mended).toBeCloseTo(2 / 2400, 6);
  });
  test('nothing to go by gives nothing', () => {
    expect(cleaned({ width: 4, height: 4, values: new Float32Array(16).fill(NaN) })).toBeNull();
  });
});

describe('lines of a profile', () => {
  const profile = (of: (x: number) => number) => narrowPart(Float32Array.from({ length: 300 }, (_, x) => of(x)));
  test('even ones are framing, one that is stronger is none', () => {
    const lines = linesOf(profile((x) => -0.3 * linesAt(25, 50)(x) - 1.5 * Math.exp(-(((x - 205) / 4) ** 2))));
    const framing = framingOf(lines, 300)!;
    expect(framing.lines.map(({ at }) => at)).toEqual([25, 75, 125, 175, 225, 275]);
    expect(framing.spacing).toBe(50);
    expect(framing.height).toBeLessThan(0);
  });
  test('two lines, or lines at uneven distances, are none', () => {
    const at = (places: number[]) =>
      linesOf(profile((x) => places.reduce((sum, p) => sum - 0.4 * Math.exp(-(((x - p) / 2) ** 2)), 0)));
    expect(framingOf(at([50, 150]), 300)).toBeNull();
    expect(framingOf(at([31, 60, 170, 251]), 300)).toBeNull();
  });
  test('how far they lean is told from the picture’s two ends', () => {
    const lines = linesAt(30, 60);
    const counts = new Uint8Array(320 * 240).fill(1);
    expect(
      leanOf(
        testWall(320, 240, (x) => lines(x)),
        counts,
        'columns',
      ).lean,
    ).toBe(0);
    expect(
      leanOf(
        testWall(320, 240, (x, y) => lines(x - 0.06 * y)),
        counts,
        'columns',
      ).lean,
    ).toBeCloseTo(0.06, 2);
  });
});

test('a blotch fills no rectangle, a bay does', () => {
  const contrast = (of: (x: number, y: number) => number) => ({
    width: 80,
    height: 60,
    values: Float32Array.from({ length: 4800 }, (_, i) => of(i % 80, Math.floor(i / 80))),
  });
  const pixels = (grid: ReturnType<typeof contrast>) =>
    Int32Array.from([...grid.values.keys()].filter((i) => grid.values[i]! <= -0.4));
  const bay = contrast((x, y) => (x >= 20 && x < 50 && y >= 10 && y < 45 ? -2 : 0));
  expect(rectangleIn(bay, pixels(bay), -1)).toEqual({ left: 20, right: 49, top: 10, bottom: 44, sharpSides: 4 });
  const blotch = contrast((x, y) => -2.5 * Math.exp(-(((x - 40) / 12) ** 2) - ((y - 30) / 9) ** 2));
  expect(rectangleIn(blotch, pixels(blotch), -1)).toBeNull();
});

describe('sky in a frame', () => {
  const frame = (cold: number, share: number) => Float32Array.from({ length: 1000 }, (_, i) => (i < 1000 * share ? cold : 15));
  test('is what is far colder than the air on both sides, over a hundredth of the picture and more', () => {
    expect(showsSky(frame(-45, 0.2), [20, 2])).toBe(true);
    expect(showsSky(frame(-45, 0.005), [20, 2])).toBe(false);
    expect(showsSky(frame(-6, 0.2), [20, 2])).toBe(false);
    expect(showsSky(frame(-45, 0.2), [])).toBe(false);
    expect(showsSky(frame(NaN, 0.5), [20, 2])).toBe(false);
  });
});

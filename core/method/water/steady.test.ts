import type { Grid } from '../../ground/grid';
import { projected } from '../../ground/homography';
import { normalFrom, seededRandom } from '../../ground/random';
import { floorSeries } from '../simulate/series/floorSeries';
import { growthOf } from './patches';
import { seriesOf, without } from './series';
import { isDisturbed, stackOf, type Stack } from './stack';
import { STEADY_WIDTH, steadySize, View } from './steady';

const { frames } = floorSeries(3, { columns: 120, frames: 5, source: null });
const first = frames[0]!.frame;

/** The floor as a camera sees it that was pushed by so many pixels. */
function pushed(by: readonly [number, number], seed = 5): Grid {
  const normal = normalFrom(seededRandom(seed));
  const { width, height, values } = first;
  return {
    width,
    height,
    values: Float32Array.from(values, (_, i) => {
      const [x, y] = [(i % width) - by[0], Math.floor(i / width) - by[1]];
      const [u, v] = [Math.max(0, Math.min(width - 1, Math.round(x))), Math.max(0, Math.min(height - 1, Math.round(y)))];
      return values[v * width + u]! + 0.02 * normal();
    }),
  };
}

describe('a view', () => {
  test('follows a tripod that creeps and one that is bumped', () => {
    const view = new View(first);
    for (const by of [
      [0, 0],
      [1, 0],
      [1, 1],
      [-7, 5],
    ] as const) {
      const place = view.place(pushed(by))!;
      const [x, y] = projected(place.h, [60, 45]);
      expect(Math.hypot(x - 60 - by[0], y - 45 - by[1])).toBeLessThan(0.6);
    }
  });

  test('knows what is none of it', () => {
    const view = new View(first);
    for (let i = 0; i < 3; i += 1) expect(view.place(pushed([0, 0], i))).not.toBeNull();
    const normal = normalFrom(seededRandom(9));
    const noise = { ...first, values: Float32Array.from(first.values, () => 18 + normal()) };
    expect(view.place(noise)).toBeNull();
    expect(view.place(pushed([0, 0], 7))).not.toBeNull();
  });
});

describe('a view with nothing in it', () => {
  const bare = (seed: number, spot = 0): Grid => {
    const normal = normalFrom(seededRandom(seed));
    const [width, height] = [160, 120];
    return {
      width,
      height,
      values: Float32Array.from({ length: width * height }, (_, i) => {
        const [x, y] = [i % width, Math.floor(i / width)];
        return 18 + 0.002 * x + 0.07 * normal() + (Math.hypot(x - 60, y - 60) < 12 ? spot : 0);
      }),
    };
  };

  test('goes on being one: what nothing can be recognised by is no other view', () => {
    const view = new View(bare(1));
    for (const seed of [2, 3, 4]) {
      const place = view.place(bare(seed))!;
      const [x, y] = projected(place.h, [80, 60]);
      expect(Math.hypot(x - 80, y - 60)).toBeLessThan(0.6);
    }
  });

  test('is none that shows something', () => expect(new View(bare(1)).place(pushed([0, 0]))).toBeNull());

  test('and so does one with a single thing in it', () => {
    const view = new View(bare(1, 3));
    const place = view.place(bare(2, 3))!;
    const [x, y] = projected(place.h, [80, 60]);
    expect(Math.hypot(x - 80, y - 60)).toBeLessThan(0.6);
  });
});

test('large frames are looked at small, small ones as they are', () => {
  expect(steadySize(first)).toBe(first);
  const large = { width: 320, height: 240, values: new Float32Array(320 * 240).fill(7) };
  const small = steadySize(large);
  expect([small.width, small.height]).toEqual([STEADY_WIDTH, 120]);
  expect(small.values.every((value) => value === 7)).toBe(true);
});

describe('a stack', () => {
  const still = (level: number, n = 20 * 16): Grid => ({ width: 20, height: 16, values: new Float32Array(n).fill(level) });
  const identity = [1, 0, 0, 0, 1, 0, 0, 0, 1];

  test('has no shutter jumps, and keeps what one place does', () => {
    const grids = [18, 18.4, 17.7, 18.1, 18.3, 18].map((level, i) => {
      const grid = still(level);
      grid.values[165] = level + 0.1 * i;
      return grid;
    });
    const { stack, disturbed } = stackOf(
      grids,
      grids.map(() => identity),
      [0, 1, 2, 3, 4, 5],
      0.1,
    );
    const { rises } = stack;
    expect(disturbed).toEqual([0, 0, 0, 0, 0, 0]);
    for (const values of rises) expect(values[40]).toBeCloseTo(18, 4);
    expect(rises.map((values) => values[165]! - 18)).toEqual(
      [0, 0.1, 0.2, 0.3, 0.4, 0.5].map((value) => expect.closeTo(value, 4)),
    );
  });

  test('forgets who walked by for one frame', () => {
    const grids = Array.from({ length: 6 }, () => still(18));
    for (let p = 60; p < 66; p += 1) grids[3]!.values[p] = 31;
    const { stack, disturbed } = stackOf(
      grids,
      grids.map(() => identity),
      [0, 1, 2, 3, 4, 5],
      0.05,
    );
    expect(stack.rises[3]![62]).toBeCloseTo(18, 4);
    expect(disturbed.map((share) => isDisturbed({ disturbed: share }))).toEqual([false, false, false, true, false, false]);
  });

  test('keeps the last frames of what grows faster and faster, and forgets who walks into the last of them', () => {
    const heights = [0, 0.02, 0.1, 0.25, 0.5, 0.8, 1.2, 1.7];
    const grids = heights.map((height) => {
      const grid = still(18);
      for (let p = 100; p < 106; p += 1) grid.values[p] = 18 + height;
      return grid;
    });
    grids[7]!.values[40] = 29;
    const { stack } = stackOf(
      grids,
      grids.map(() => identity),
      heights.map((_, i) => i),
      0.02,
    );
    expect(stack.rises.map((values) => values[102]! - 18)).toEqual(heights.map((height) => expect.closeTo(height, 4)));
    expect(stack.rises[7]![40]).toBeCloseTo(18, 4);
  });
});

describe('what grew', () => {
  const times = Array.from({ length: 12 }, (_, i) => 90 * i);
  /** A floor on which one patch grows as over a leak, and a strip warms at a steady rate. */
  function grown(): Stack {
    const normal = normalFrom(seededRandom(2));
    const [width, height] = [60, 48];
    const rises = times.map((t) =>
      Float32Array.from({ length: width * height }, (_, p) => {
        const [x, y] = [p % width, Math.floor(p / width)];
        const leak = t > 180 ? 0.9 * ((t - 180) / 810) ** 2.5 * Math.exp(-((x - 22) ** 2 + (y - 30) ** 2) / 32) : 0;
        const strip = x > 45 && x < 50 ? t / 1800 : 0;
        return 18 + leak + strip + 0.04 * normal();
      }),
    );
    return { width, height, times, rises };
  }
  const stack = grown();

  test('is the patch, and not the strip', () => {
    const { patches } = growthOf(stack, 0.04, [180], 700, 1);
    expect(Math.hypot(patches[0]!.x - 22, patches[0]!.y - 30)).toBeLessThan(2.5);
    expect(patches[0]!.z).toBeGreaterThan(10);
    for (const { x, z } of patches.slice(1)) expect(x > 43 && x < 52 ? z : 0).toBeLessThan(0.5 * patches[0]!.z);
  });

  test('in the other direction there is none of it', () => {
    for (const { x, y } of growthOf(stack, 0.04, [180], 700, -1).patches) expect(Math.hypot(x - 22, y - 30)).toBeGreaterThan(6);
  });

  test('a part of the view as series, and without some of it', () => {
    const series = seriesOf(stack, 0.04, (x, y) => x < 40 && y < 40);
    expect(series.times).toHaveLength(12);
    expect(series.courses).toHaveLength(series.xs.length * 12);
    expect(Math.max(...series.xs)).toBeLessThan(40);
    expect(without(series, () => false)).toBe(series);
    const left = without(series, (_, x) => x < 20);
    expect(Math.min(...left.xs)).toBeGreaterThanOrEqual(20);
    expect(left.spreads).toHaveLength(left.xs.length * 12);
    const kept = series.xs.findIndex((x) => x >= 20);
    expect(left.courses[0]).toBe(series.courses[kept * 12]);
  });
});

import type { Grid } from '../../ground/grid';
import { normalFrom, seededRandom } from '../../ground/random';
import { drainProfile } from './drainWidth';

const [width, height] = [160, 120];

/** A warm pipe across the floor, a bell of some width, broader where water leaves it. */
function floor({
  noise = 0.05,
  sigma = 3,
  leak = true,
  slope = 0.2,
}: { noise?: number; sigma?: number; leak?: boolean; slope?: number } = {}): Grid {
  const normal = normalFrom(seededRandom(3));
  const values = Float32Array.from({ length: width * height }, (_, p) => {
    const [x, y] = [p % width, Math.floor(p / width)];
    const off = (y - 60 - slope * (x - 80)) / Math.hypot(1, slope);
    const wide = leak && x > 90 && x < 112 ? 2.2 * sigma : sigma;
    return 18 + 1.5 * Math.exp((-off * off) / (2 * wide * wide)) + noise * normal();
  });
  return { width, height, values };
}

const ends = (slope = 0.2) =>
  [
    { x: 15, y: 60 + slope * (15 - 80) },
    { x: 145, y: 60 + slope * (145 - 80) },
  ] as const;

describe('a drain with warm water in it', () => {
  test('has the width of its bell at half its height', () => {
    const profile = drainProfile(floor({ leak: false }), ...ends())!;
    expect(profile.usual / (2.355 * 3)).toBeGreaterThan(0.9);
    expect(profile.usual / (2.355 * 3)).toBeLessThan(1.12);
    expect(profile.wide).toEqual([]);
    expect(profile.along).toHaveLength(Math.floor(Math.hypot(130, 26)) + 1);
  });

  test('is wider where water leaves it', () => {
    const { wide } = drainProfile(floor(), ...ends())!;
    expect(wide).toHaveLength(1);
    // From x = 90 to 112 of a line that begins at 15, on a slope.
    const along = (x: number) => (x - 15) * Math.hypot(1, 0.2);
    expect(Math.abs(wide[0]!.from - along(90))).toBeLessThan(6);
    expect(Math.abs(wide[0]!.to - along(112))).toBeLessThan(6);
  });

  test('is the same from its other end', () => {
    const [a, b] = ends();
    const [there, back] = [drainProfile(floor(), a, b)!, drainProfile(floor(), b, a)!];
    expect(back.usual).toBeCloseTo(there.usual, 0);
    const length = there.along.length - 1;
    expect(Math.abs(length - back.wide[0]!.to - there.wide[0]!.from)).toBeLessThan(3);
  });

  test('needs no line that is drawn exactly', () => {
    const [a, b] = ends();
    const profile = drainProfile(floor({ leak: false }), { x: a.x, y: a.y + 3 }, { x: b.x, y: b.y - 2 })!;
    expect(profile.usual / (2.355 * 3)).toBeGreaterThan(0.88);
    expect(profile.wide).toEqual([]);
  });

  test('a bare floor has none, nor a line of a few pixels', () => {
    const bare = { ...floor(), values: floor().values.map((_, p) => 18 + 0.001 * (p % 7)) };
    expect(drainProfile(bare, ...ends())).toBeNull();
    expect(drainProfile(floor(), { x: 20, y: 50 }, { x: 26, y: 51 })).toBeNull();
  });

  test('parts without a reading have no width', () => {
    const grid = floor();
    for (let y = 0; y < height; y += 1) for (let x = 40; x < 60; x += 1) grid.values[y * width + x] = NaN;
    const profile = drainProfile(grid, ...ends())!;
    expect(profile.widths.slice(31, 39).every((one) => one === null)).toBe(true);
    expect(profile.wide).toHaveLength(1);
  });
});

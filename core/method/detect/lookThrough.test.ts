import { seededRandom } from '../../ground/random';
import { lookThrough } from './candidate';
import { boxAt, INSIDE, linesAt, testWall } from '../../testing/testWall';

const IN = { width: 320, height: 240 };

/** Share of what a candidate and a box cover that they cover together. */
function overlap(
  rows: readonly { y: number; from: number; to: number }[],
  left: number,
  top: number,
  wide: number,
  high: number,
) {
  let both = 0;
  let area = 0;
  for (const { y, from, to } of rows) {
    area += to - from + 1;
    if (y < top || y >= top + high) continue;
    both += Math.max(0, Math.min(to, left + wide - 1) - Math.max(from, left) + 1);
  }
  return both / (area + wide * high - both);
}

describe('what stands out', () => {
  test('a cold box is found whole, with its contrast, its sides and sound wall as high beside it', () => {
    const box = boxAt(120, 80, 50, 90);
    const { candidates, asides, levelC } = lookThrough(
      testWall(320, 240, (x, y) => -2 * box(x, y)),
      INSIDE,
    );
    expect(candidates).toHaveLength(1);
    const [one] = candidates;
    expect(overlap(one!.rows, 120, 80, 50, 90)).toBeGreaterThan(0.93);
    expect(one!.contrast).toBeCloseTo(-2, 0.7);
    expect(one!.sharpSides).toBe(4);
    expect(one!.sign).toBe(-1);
    expect(one!.shape.flat).toBeGreaterThan(0.9);
    expect(one!.sound).not.toBeNull();
    const { y, height, x, width } = one!.sound!;
    expect(Math.abs(y + height / 2 - 125)).toBeLessThan(12);
    expect(x + width <= 120 || x >= 170).toBe(true);
    expect(asides).toEqual([]);
    expect(levelC).toBeCloseTo(20, 0.5);
  });

  test.each([1, 2, 3, 4, 5, 6, 7, 8])('a clean wall gives nothing (seed %i)', (seed) => {
    const noise = [0.03, 0.06, 0.1, 0.15][seed % 4]!;
    expect(lookThrough(testWall(320, 240, undefined, { seed, noise }), INSIDE).candidates).toEqual([]);
  });

  test('even framing is recognised and not reported, upright, level or leaning', () => {
    const lines = linesAt(30, 60);
    const upright = lookThrough(
      testWall(320, 240, (x) => -0.9 * lines(x)),
      INSIDE,
    );
    expect(upright.candidates).toEqual([]);
    expect(upright.framing).toMatchObject({ run: 'down', lines: 5 });
    expect(upright.framing!.spacing).toBeCloseTo(60, 0);
    const level = lookThrough(
      testWall(320, 240, (_, y) => -0.9 * linesAt(20, 50)(y)),
      INSIDE,
    );
    expect(level.candidates).toEqual([]);
    expect(level.framing!.run).toBe('across');
    const leaning = lookThrough(
      testWall(320, 240, (x, y) => -0.9 * lines(x - 0.05 * y)),
      INSIDE,
    );
    expect(leaning.candidates).toEqual([]);
  });

  test('a single line that is stronger than the framing beside it is reported', () => {
    const lines = linesAt(30, 60);
    const { candidates } = lookThrough(
      testWall(320, 240, (x) => -0.4 * lines(x) - 2 * Math.exp(-(((x - 185) / 4) ** 2))),
      INSIDE,
    );
    expect(candidates).toHaveLength(1);
    expect(candidates[0]!.shape).toMatchObject({ through: true });
    expect(candidates[0]!.shape.slender).toBeGreaterThan(15);
    expect(candidates[0]!.shape.slope).toBeGreaterThan(88);
  });

  test('a window and the air that comes in below it are two places', () => {
    const [frame, panes] = [boxAt(100, 40, 90, 80), boxAt(107, 47, 76, 66)];
    const leak = (x: number, y: number) =>
      y < 121 ? 0 : Math.exp(-(((x - 140) / (6 + 0.3 * (y - 120))) ** 2)) * Math.exp(-(y - 120) / 16);
    const { candidates } = lookThrough(
      testWall(320, 240, (x, y) => -1.6 * frame(x, y) - 1.5 * panes(x, y) - 2.4 * leak(x, y)),
      INSIDE,
    );
    expect(candidates).toHaveLength(2);
    const [window, air] = [...candidates].sort((a, b) => b.area - a.area);
    expect(window!.sharpSides).toBe(4);
    // The frame is half as cold as the panes: some of it lies beyond half of the peak.
    expect(overlap(window!.rows, 100, 40, 90, 80)).toBeGreaterThan(0.85);
    expect(air!.surroundings.begins).toBe('opening');
    expect(air!.shape.bbox.y).toBeGreaterThanOrEqual(118);
  });

  test('two bays of different depth between the same studs are two', () => {
    const [one, other] = [boxAt(60, 60, 56, 100), boxAt(122, 60, 56, 100)];
    const { candidates } = lookThrough(
      testWall(320, 240, (x, y) => -2 * one(x, y) - 1.3 * other(x, y)),
      INSIDE,
    );
    expect(candidates.map(({ contrast }) => Math.round(10 * contrast) / 10).sort()).toEqual([-1.3, -2]);
  });

  test('the least difference is the user’s', () => {
    const box = boxAt(120, 80, 50, 60);
    const wall = testWall(320, 240, (x, y) => -0.8 * box(x, y));
    expect(lookThrough(wall, INSIDE).candidates).toHaveLength(1);
    expect(lookThrough(wall, { ...INSIDE, least: 1 }).candidates).toHaveLength(0);
  });

  test('what was left out is not asked', () => {
    const box = boxAt(120, 80, 50, 60);
    const ignored = new Uint8Array(IN.width * IN.height);
    for (let y = 70; y < 150; y += 1) ignored.fill(1, y * 320 + 110, y * 320 + 180);
    expect(
      lookThrough(
        testWall(320, 240, (x, y) => -2 * box(x, y)),
        { ...INSIDE, ignored },
      ).candidates,
    ).toEqual([]);
  });

  test('the same wall a few kelvin warmer gives the same places', () => {
    const add = (x: number, y: number) => -1.5 * boxAt(200, 50, 60, 40)(x, y) + 1.2 * boxAt(60, 150, 30, 30)(x, y);
    const wall = testWall(320, 240, add);
    const warmer = { ...wall, values: wall.values.map((value) => value + 7) };
    const places = (grid: typeof wall) => lookThrough(grid, INSIDE).candidates.map(({ sign, area }) => [sign, area]);
    expect(places(wall)).toHaveLength(2);
    expect(places(warmer).map(([sign]) => sign)).toEqual(places(wall).map(([sign]) => sign));
  });
});

describe('what is set aside', () => {
  test('a radiator and the air above it', () => {
    const heater = boxAt(90, 170, 90, 50);
    const air = (x: number, y: number) => (y < 170 ? 1.6 * Math.exp(-((170 - y) / 60)) * boxAt(85, -50, 100, 230, 12)(x, y) : 0);
    const look = lookThrough(
      testWall(320, 240, (x, y) => 22 * heater(x, y) + air(x, y)),
      INSIDE,
    );
    expect(look.asides.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['hot-object', 'warm-air']));
    expect(look.candidates).toEqual([]);
  });

  test('the sky, outdoors only', () => {
    const sky = (_: number, y: number) => (y < 50 ? -45 : 0);
    const options = { ...INSIDE, side: 'outside' as const };
    const look = lookThrough(testWall(320, 240, sky), options);
    expect(look.asides[0]!.kind).toBe('sky');
    expect(look.candidates).toEqual([]);
    expect(look.surface).toBeCloseTo(1 - 54 / 240, 1);
  });
});

describe('bad input', () => {
  test('a frame of one colour, all sky, or no building gives nothing and says how much it saw', () => {
    expect(lookThrough({ width: 64, height: 48, values: new Float32Array(64 * 48).fill(20) }, INSIDE)).toMatchObject({
      candidates: [],
      noise: 0,
      surface: 1,
    });
    const sky = testWall(160, 120, () => -60);
    expect(lookThrough(sky, { ...INSIDE, side: 'outside' }).candidates).toEqual([]);
  });

  test('eight by eight pixels', () => {
    expect(lookThrough(testWall(8, 8), INSIDE).candidates).toEqual([]);
    expect(() => lookThrough(testWall(2, 2), INSIDE)).not.toThrow();
  });

  test('no reading anywhere, and readings in one half only', () => {
    const none = { width: 40, height: 30, values: new Float32Array(1200).fill(NaN) };
    expect(lookThrough(none, INSIDE)).toMatchObject({ candidates: [], surface: 0, levelC: null, mended: 1 });
    const half = testWall(160, 120, (x) => (x < 80 ? NaN : 0));
    const look = lookThrough(half, INSIDE);
    expect(look.mended).toBeCloseTo(0.5, 2);
    expect(look.candidates).toEqual([]);
  });

  test.each([0.01, 0.3])('%d of the pixels dead', (share) => {
    const random = seededRandom(5);
    const box = boxAt(120, 80, 60, 80);
    const wall = testWall(320, 240, (x, y) => -2 * box(x, y));
    for (let i = 0; i < wall.values.length; i += 1) if (random() < share) wall.values[i] = random() < 0.5 ? -20 : 60;
    const look = lookThrough(wall, INSIDE);
    expect(look.mended).toBeGreaterThan(0.6 * share);
    if (share < 0.1) {
      expect(look.candidates).toHaveLength(1);
      expect(overlap(look.candidates[0]!.rows, 120, 80, 60, 80)).toBeGreaterThan(0.9);
    }
  });
});

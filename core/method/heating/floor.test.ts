import fc from 'fast-check';
import { normalFrom, seededRandom } from '../../ground/random';
import { floorLoops } from './floor';

const WIDTH = 160;
const HEIGHT = 120;
const whole = { x: 4, y: 4, width: 152, height: 112 };

interface Wanted {
  angle?: number;
  spacing?: number;
  contrast?: number;
  noise?: number;
  /** Runs whose place across, in spacings from the middle, is here give nothing. */
  cold?: (k: number) => boolean;
  /** A box without loops. */
  bare?: { x: number; y: number; width: number; height: number } | null;
  seed?: number;
}

/** A floor with warm lines in a direction, on a slope of its own. */
function floor({ angle = 0, spacing = 16, contrast = 2, noise = 0.08, cold = () => false, bare = null, seed = 1 }: Wanted = {}) {
  const normal = normalFrom(seededRandom(seed));
  const [ux, uy] = [-Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
  const values = Float32Array.from({ length: WIDTH * HEIGHT }, (_, i) => {
    const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
    const off = (x - WIDTH / 2) * ux + (y - HEIGHT / 2) * uy;
    const k = Math.round(off / spacing);
    const inBare = bare && x >= bare.x && x < bare.x + bare.width && y >= bare.y && y < bare.y + bare.height;
    const line = inBare || cold(k) ? 0 : contrast * Math.exp(-(((off - k * spacing) / (0.22 * spacing)) ** 2));
    const level = inBare ? -0.6 * contrast : 0;
    return 23 + 0.01 * x - 0.006 * y + line + level + noise * normal();
  });
  return { width: WIDTH, height: HEIGHT, values };
}

test('evenly spaced runs are found in any direction, with their spacing', () => {
  for (const angle of [0, 30, 90, -45]) {
    const found = floorLoops(floor({ angle }), whole)!;
    expect(found.spacingPx).toBeGreaterThanOrEqual(15);
    expect(found.spacingPx).toBeLessThanOrEqual(17);
    const off = Math.abs(((found.angleDeg - angle + 270) % 180) - 90);
    expect(off).toBeLessThanOrEqual(2);
    expect(found.runs.every((run) => !run.cold)).toBe(true);
    expect(found.gaps).toEqual([]);
    expect(found.warmShare).toBeGreaterThan(0.95);
  }
});

test('a run that stays cold all along is named, its neighbours are not', () => {
  const found = floorLoops(floor({ cold: (k) => k === 1 }), whole)!;
  const cold = found.runs.filter((run) => run.cold);
  expect(cold).toHaveLength(1);
  expect(Math.abs(cold[0]!.offset - 16)).toBeLessThanOrEqual(4);
});

test('a part without loops is outlined, and is cold', () => {
  const bare = { x: 84, y: 40, width: 66, height: 68 };
  const found = floorLoops(floor({ bare }), whole)!;
  expect(found.gaps.length).toBeGreaterThanOrEqual(1);
  const [gap] = found.gaps;
  expect(gap!.looks).toBe('cold');
  const middle = { x: gap!.box.x + gap!.box.width / 2, y: gap!.box.y + gap!.box.height / 2 };
  expect(Math.abs(middle.x - (bare.x + bare.width / 2))).toBeLessThan(16);
  expect(Math.abs(middle.y - (bare.y + bare.height / 2))).toBeLessThan(16);
  expect(gap!.share).toBeGreaterThan(0.15);
  expect(gap!.share).toBeLessThan(0.4);
});

test('an even floor, noise, and one single edge show no runs', () => {
  expect(floorLoops(floor({ contrast: 0, noise: 0.3 }), whole)).toBeNull();
  const edge = floor({ contrast: 0 });
  edge.values.forEach((value, i) => (edge.values[i] = i % WIDTH < 60 ? value + 3 : value));
  expect(floorLoops(edge, whole)).toBeNull();
});

test('boxes beyond the frame, too small or without readings are refused', () => {
  const bad = expect.objectContaining({ code: 'bad_region' });
  expect(() => floorLoops(floor(), { ...whole, width: 160 })).toThrow(bad);
  expect(() => floorLoops(floor(), { x: 0, y: 0, width: 20, height: 60 })).toThrow(bad);
  const gone = { width: WIDTH, height: HEIGHT, values: new Float32Array(WIDTH * HEIGHT).fill(NaN) };
  expect(() => floorLoops(gone, whole)).toThrow(bad);
});

test('whatever the direction and spacing, runs lie the spacing apart', () => {
  fc.assert(
    fc.property(fc.integer({ min: -89, max: 89 }), fc.integer({ min: 10, max: 24 }), (angle, spacing) => {
      const found = floorLoops(floor({ angle, spacing }), whole);
      expect(found).not.toBeNull();
      expect(Math.abs(found!.spacingPx - spacing)).toBeLessThanOrEqual(1.5);
    }),
    { numRuns: 25, seed: 3 },
  );
});

import fc from 'fast-check';
import { lookThrough, type Candidate } from './candidate';
import { boundsOf, partsOf } from './flood';
import { sumsOf, soundPatchFor } from './soundPatch';
import { slowSurface } from '../../ground/surfaceFit';
import { boxAt, INSIDE, linesAt, testWall } from '../../testing/testWall';

const WIDTH = 200;
const HEIGHT = 150;
const only = (add: (x: number, y: number) => number, seed = 1): Candidate => {
  const { candidates } = lookThrough(testWall(WIDTH, HEIGHT, add, { seed }), INSIDE);
  expect(candidates).toHaveLength(1);
  return candidates[0]!;
};
const bay = boxAt(70, 50, 40, 60, 1);
const disc = (cx: number, cy: number, radius: number, soft: number) => (x: number, y: number) =>
  1 / (1 + Math.exp((4 * (Math.hypot(x - cx, y - cy) - radius)) / soft));
const stripe = (at: number, wide: number) => (x: number) => 1 / (1 + Math.exp((4 * (Math.abs(x - at) - wide / 2)) / 1.2));

describe('the form of a place, as it was put in', () => {
  test('a box: where it lies, how large, sharp, flat, whole, and touching no rim', () => {
    const { shape, area, contrast, sign, sharpSides, share } = only((x, y) => -2 * bay(x, y));
    expect(sign).toBe(-1);
    expect(shape.bbox.x).toBeCloseTo(70, -1);
    expect(Math.abs(shape.bbox.width - 40)).toBeLessThanOrEqual(2);
    expect(Math.abs(shape.bbox.height - 60)).toBeLessThanOrEqual(2);
    expect(area / 2400).toBeCloseTo(1, 1);
    expect(share).toBeCloseTo(2400 / (WIDTH * HEIGHT), 2);
    expect(contrast).toBeCloseTo(-1.9, 0);
    expect(Math.abs(shape.centroid.x - 89.5)).toBeLessThan(1);
    expect(Math.abs(shape.centroid.y - 79.5)).toBeLessThan(1);
    // A ragged outline begins below 0.925.
    expect(shape.solid).toBeGreaterThan(0.93);
    expect(shape.flat).toBeGreaterThan(0.85);
    expect(shape.softPx).toBeLessThan(3.5);
    expect(sharpSides).toBe(4);
    expect(shape.rims).toEqual({ left: false, right: false, top: false, bottom: false });
    expect(shape.through).toBe(false);
  });

  test('a stripe from rim to rim: slender, straight, upright, as wide everywhere', () => {
    const { shape } = only((x) => -1.5 * stripe(90, 8)(x));
    expect(shape.through).toBe(true);
    expect(shape.rims).toMatchObject({ top: true, bottom: true, left: false, right: false });
    expect(shape.slender).toBeGreaterThan(10);
    expect(shape.slope).toBeGreaterThan(85);
    expect(shape.bent).toBeLessThan(0.05);
    expect(shape.unevenWidth).toBeLessThan(0.2);
    expect(Math.abs(shape.width - 8)).toBeLessThan(2.5);
  });

  test('a level stripe has the slope of a floor', () => {
    const level = stripe(70, 8);
    expect(only((x, y) => -1.5 * level(y) * stripe(100, 120)(x)).shape.slope).toBeLessThan(3);
  });

  test('a soft spot is softer than a sharp one, and strongest in its middle', () => {
    const sharp = only((x, y) => 2.5 * disc(100, 75, 16, 1)(x, y)).shape;
    const soft = only((x, y) => 2.5 * disc(100, 75, 16, 14)(x, y)).shape;
    expect(soft.soft).toBeGreaterThan(2 * sharp.soft);
    expect(soft.flat).toBeLessThan(sharp.flat);
    expect(Math.hypot(soft.extremeAt.x - 100, soft.extremeAt.y - 75)).toBeLessThan(8);
  });

  test('what runs out is strongest at its end', () => {
    const plume = (x: number, y: number) =>
      y < 40 ? 0 : 3 * Math.exp(-(y - 40) / 30) * Math.exp(-(((x - 100) / (10 + 0.3 * (y - 40))) ** 2));
    const { shape } = only((x, y) => -plume(x, y));
    expect(shape.extremeAt.y).toBeLessThan(50);
    expect(shape.runsOut).toBeGreaterThan(0.5);
    expect(shape.flat).toBeLessThan(0.6);
  });

  test('unrest inside is told from an even field', () => {
    const blotches = (x: number, y: number) => 1 + 0.45 * Math.sin(x / 2.6) * Math.sin(y / 3.1);
    const even = only((x, y) => -2 * disc(100, 75, 30, 3)(x, y)).shape.blotchy;
    const blotchy = only((x, y) => -2 * disc(100, 75, 30, 3)(x, y) * blotches(x, y)).shape.blotchy;
    expect(blotchy).toBeGreaterThan(2 * even);
  });

  test('turned upside down it has the same numbers', () => {
    const one = only((x, y) => -2 * boxAt(50, 30, 40, 50, 1)(x, y)).shape;
    const turned = only((x, y) => -2 * boxAt(50, HEIGHT - 80, 40, 50, 1)(x, y)).shape;
    expect(turned.bbox.height).toBeCloseTo(one.bbox.height, -0.5);
    expect(turned.solid).toBeCloseTo(one.solid, 1);
    expect(turned.slender).toBeCloseTo(one.slender, 0);
  });
});

describe('how a place lies', () => {
  test('its strongest end at the rim of the picture begins there', () => {
    const { surroundings } = only((x, y) => -2.5 * Math.exp(-x / 22) * Math.exp(-(((y - 90) / 12) ** 2)));
    expect(surroundings.begins).toBe('rim');
  });

  test('in the open it touches nothing', () => {
    const { surroundings } = only((x, y) => -2 * disc(100, 80, 14, 3)(x, y));
    expect(surroundings).toMatchObject({ begins: 'free', within: null, alike: 0, onFraming: null });
  });

  test('between two lines of the framing both its sides lie on them', () => {
    const studs = linesAt(10, 30);
    const { candidates } = lookThrough(
      testWall(WIDTH, HEIGHT, (x, y) => -0.5 * studs(x) - 2 * boxAt(70, 40, 30, 70, 1)(x, y)),
      INSIDE,
    );
    const found = candidates.find(({ area }) => area > 1000)!;
    expect(found.surroundings.onFraming).toBe(2);
  });

  test('several like it are counted', () => {
    const spots = [50, 90, 130].map((x) => disc(x, 80, 9, 2));
    const { candidates } = lookThrough(
      testWall(WIDTH, HEIGHT, (x, y) => 2 * spots.reduce((sum, spot) => sum + spot(x, y), 0)),
      INSIDE,
    );
    expect(candidates).toHaveLength(3);
    candidates.forEach(({ surroundings }) => expect(surroundings.alike).toBeGreaterThanOrEqual(1));
  });

  test('sound surface to compare it with is as high, beside it, and of its size at most', () => {
    const { sound, shape } = only((x, y) => -2 * bay(x, y));
    expect(sound).not.toBeNull();
    const apart = sound!.x + sound!.width <= shape.bbox.x || sound!.x >= shape.bbox.x + shape.bbox.width;
    expect(apart).toBe(true);
    expect(Math.abs(sound!.y + sound!.height / 2 - (shape.bbox.y + shape.bbox.height / 2))).toBeLessThan(20);
  });
});

test('where everything is taken there is no sound surface', () => {
  const picture = testWall(60, 40);
  const looked = { picture, contrast: picture, counts: new Uint8Array(2400).fill(1), factor: 1 };
  const box = { x: 10, y: 10, width: 10, height: 10 };
  expect(soundPatchFor(looked, sumsOf(looked, new Uint8Array(2400).fill(1)), box, 20)).toBeNull();
  expect(soundPatchFor(looked, sumsOf(looked, new Uint8Array(2400)), box, 20)).not.toBeNull();
});

describe('parts', () => {
  test('every pixel that belongs is in exactly one, and no two of them touch', () => {
    fc.assert(
      fc.property(fc.uint8Array({ minLength: 96, maxLength: 96 }), (bytes) => {
        const mask = bytes.map((byte) => (byte < 100 ? 1 : 0));
        const size = { width: 12, height: 8 };
        const parts = partsOf(size, (i) => mask[i] === 1);
        const owner = new Int16Array(96).fill(-1);
        parts.forEach(({ pixels, ...bounds }, k) => {
          expect(boundsOf(pixels, 12)).toEqual(bounds);
          for (const i of pixels) {
            expect(owner[i]).toBe(-1);
            owner[i] = k;
          }
        });
        for (let i = 0; i < 96; i += 1) {
          expect(owner[i]! >= 0).toBe(mask[i] === 1);
          const x = i % 12;
          for (const [dx, dy] of [
            [1, 0],
            [0, 1],
            [1, 1],
            [-1, 1],
          ] as const) {
            const j = i + dy * 12 + dx;
            if (x + dx < 0 || x + dx >= 12 || j >= 96 || !mask[i] || !mask[j]) continue;
            expect(owner[j]).toBe(owner[i]);
          }
        }
      }),
    );
  });

  test('looked for among some pixels only, the others are no part', () => {
    const [part, ...more] = partsOf({ width: 4, height: 1 }, () => true, Int32Array.of(0));
    expect(more).toEqual([]);
    expect([...part!.pixels]).toEqual([0, 1, 2, 3]);
    expect(partsOf({ width: 4, height: 1 }, (i) => i !== 1, Int32Array.of(0)).map(({ pixels }) => [...pixels])).toEqual([[0]]);
  });
});

describe('the slow surface', () => {
  const counts = new Uint8Array(WIDTH * HEIGHT).fill(1);

  test('follows what its powers can follow, exactly', () => {
    const wall = testWall(WIDTH, HEIGHT, (x, y) => 0.004 * x + 2e-5 * y * y, { noise: 0 });
    const { values } = slowSurface(wall, counts);
    const worst = values.reduce((most, value, i) => Math.max(most, Math.abs(value - wall.values[i]!)), 0);
    expect(worst).toBeLessThan(0.12);
  });

  test.each([
    ['at one end', 0, 60],
    ['in its middle', 65, 70],
  ])('does not follow a fault of three tenths of the wall %s', (_, left, wide) => {
    const fault = boxAt(left, -5, wide, HEIGHT + 10, 1);
    const { values } = slowSurface(
      testWall(WIDTH, HEIGHT, (x, y) => -3 * fault(x, y)),
      counts,
    );
    const free = slowSurface(testWall(WIDTH, HEIGHT), counts).values;
    const worst = values.reduce((most, value, i) => Math.max(most, Math.abs(value - free[i]!)), 0);
    expect(worst).toBeLessThan(0.15);
  });

  test('where hardly anything may be asked it is level', () => {
    const few = new Uint8Array(WIDTH * HEIGHT);
    few.fill(1, 0, 300);
    const { values } = slowSurface(testWall(WIDTH, HEIGHT), few);
    expect(new Set(values).size).toBe(1);
  });
});

import fc from 'fast-check';
import { shapeAfterTurn, type Turn, turnedPoint } from './reshape';
import type { CoreError } from '../../ground/errors';
import { errorOf } from '../../testing/material';
import { boundsOf, requirePixels, shapeSchema, spansOf, type DrawnShape } from './region';

const pixels = (shape: DrawnShape, width = 10, height = 8) =>
  spansOf(shape, width, height).flatMap(({ y, from, to }) => Array.from({ length: to - from + 1 }, (_, i) => [from + i, y]));

describe('pixels of a shape', () => {
  test('a spot is 3 × 3, clipped at the edge', () => {
    expect(pixels({ kind: 'spot', x: 4, y: 4 })).toHaveLength(9);
    expect(pixels({ kind: 'spot', x: 0, y: 0 })).toEqual([
      [0, 0],
      [1, 0],
      [0, 1],
      [1, 1],
    ]);
    expect(pixels({ kind: 'spot', x: 9, y: 4 })).toHaveLength(6);
  });

  test('a box covers x … x + width − 1, and what lies outside is left out', () => {
    expect(pixels({ kind: 'box', x: 2, y: 3, width: 3, height: 2 })).toEqual([
      [2, 3],
      [3, 3],
      [4, 3],
      [2, 4],
      [3, 4],
      [4, 4],
    ]);
    expect(pixels({ kind: 'box', x: -5, y: -5, width: 100, height: 100 })).toHaveLength(80);
    expect(pixels({ kind: 'box', x: 10, y: 0, width: 2, height: 2 })).toHaveLength(0);
  });

  test('a line is the Bresenham line, either way round', () => {
    const line = pixels({ kind: 'line', x1: 0, y1: 0, x2: 4, y2: 2 });
    expect(line).toEqual([
      [0, 0],
      [1, 1],
      [2, 1],
      [3, 2],
      [4, 2],
    ]);
    expect(pixels({ kind: 'line', x1: 3, y1: 6, x2: 3, y2: 1 })).toHaveLength(6);
    expect(pixels({ kind: 'line', x1: 5, y1: 5, x2: 5, y2: 5 })).toEqual([[5, 5]]);
    expect(pixels({ kind: 'line', x1: -3, y1: 0, x2: 2, y2: 0 })).toHaveLength(3);
  });

  test('a polygon has the pixel centres inside and on its outline; neighbours share those of their common edge', () => {
    const left: DrawnShape = { kind: 'poly', points: [[0, 0], [5, 0], [5, 6], [0, 6]] }; // prettier-ignore
    const right: DrawnShape = { kind: 'poly', points: [[5, 0], [9, 0], [9, 6], [5, 6]] }; // prettier-ignore
    const both: DrawnShape = { kind: 'poly', points: [[0, 0], [9, 0], [9, 6], [0, 6]] }; // prettier-ignore
    expect(pixels(left)).toHaveLength(42);
    expect(pixels(left).length + pixels(right).length).toBe(pixels(both).length + 7);
    const triangle: DrawnShape = { kind: 'poly', points: [[1, 1], [7, 1], [1, 7]] }; // prettier-ignore
    for (const [x, y] of pixels(triangle)) expect(x! + y!).toBeLessThanOrEqual(8);
    expect(pixels(triangle)).toContainEqual([4, 4]);
  });

  test('a polygon has the same pixels after any turn, with corners on pixel centres, half way and anywhere', () => {
    const [width, height] = [23, 17];
    const whole = fc.tuple(fc.integer({ min: -2, max: 24 }), fc.integer({ min: -2, max: 18 }));
    const half = whole.map(([x, y]): [number, number] => [x / 2 + 3, y / 2 + 2]);
    const any = fc.tuple(fc.double({ min: -2, max: 24, noNaN: true }), fc.double({ min: -2, max: 18, noNaN: true }));
    fc.assert(
      fc.property(
        fc.oneof(...[whole, half, any].map((point) => fc.array(point, { minLength: 3, maxLength: 7 }))),
        fc.constantFrom<Turn>('left', 'right', 'half', 'mirror'),
        (points, turn) => {
          const shape: DrawnShape = { kind: 'poly', points };
          const held = (one: DrawnShape, w: number, h: number) =>
            new Set(
              spansOf(one, w, h).flatMap(({ y, from, to }) =>
                Array.from({ length: to - from + 1 }, (_, i) => `${from + i} ${y}`),
              ),
            );
          const before = [...held(shape, width, height)].map((place) => {
            const [x, y] = place.split(' ').map(Number) as [number, number];
            return turnedPoint(x, y, width, height, turn).join(' ');
          });
          const [w, h] = turn === 'left' || turn === 'right' ? [height, width] : [width, height];
          expect(held(shapeAfterTurn(shape, width, height, turn) as DrawnShape, w, h)).toEqual(new Set(before));
        },
      ),
      { numRuns: 300 },
    );
  });

  test('a shape without a pixel is refused by name', () => {
    const error = errorOf(() => requirePixels('sill', { kind: 'box', x: 50, y: 0, width: 2, height: 2 }, [], 10, 8)) as CoreError;
    expect(error.code).toBe('bad_region');
    expect(error.message).toContain('sill');
  });
});

describe('bounds and moving', () => {
  test('bounds enclose every pixel', () => {
    const shapes: DrawnShape[] = [
      { kind: 'spot', x: 4, y: 4 },
      { kind: 'box', x: 1, y: 2, width: 4, height: 3 },
      { kind: 'line', x1: 7, y1: 1, x2: 2, y2: 5 },
      { kind: 'poly', points: [[1, 1], [6.5, 2], [3, 6]] }, // prettier-ignore
    ];
    for (const shape of shapes) {
      const { x, y, width, height } = boundsOf(shape);
      for (const [px, py] of pixels(shape)) {
        expect(px).toBeGreaterThanOrEqual(x);
        expect(py).toBeGreaterThanOrEqual(y);
        expect(px).toBeLessThan(x + width);
        expect(py).toBeLessThan(y + height);
      }
    }
  });
});

test('impossible shapes are no shapes', () => {
  for (const shape of [
    { kind: 'box', x: 0, y: 0, width: 0, height: 3 },
    { kind: 'spot', x: 0.5, y: 0 },
    { kind: 'poly', points: [[0, 0], [1, 1]] }, // prettier-ignore
    { kind: 'star', x: 1, y: 1 },
  ]) {
    expect(shapeSchema.safeParse(shape).success).toBe(false);
  }
});

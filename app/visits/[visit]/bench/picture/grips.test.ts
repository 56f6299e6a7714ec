import type { DrawnShape } from '@core/method/frame/region';
import { drawn, handleAt, handlesOf, onScreen, regionUnder, shapeFrom, type Grip } from './grips';
import { areaWords, lengthWords } from '../lengthWords';

const SIZE = { width: 80, height: 60 };
const at = { x: 10, y: 20, zoom: 4 };
const screen = (x: number, y: number) => onScreen([x, y], at);

describe('drawing', () => {
  test('each tool makes its shape of two pixels', () => {
    const [from, to] = [
      { x: 30, y: 25 },
      { x: 10, y: 15 },
    ];
    expect(drawn('spot', from, to)).toEqual({ kind: 'spot', x: 10, y: 15 });
    expect(drawn('box', from, to)).toEqual({ kind: 'box', x: 10, y: 15, width: 21, height: 11 });
    expect(drawn('leaveOut', from, to)).toEqual(drawn('box', from, to));
    expect(drawn('ellipse', from, to)).toEqual({ kind: 'ellipse', x: 20, y: 20, rx: 10.5, ry: 5.5, angle: 0 });
    expect(drawn('line', from, to)).toEqual({ kind: 'line', x1: 30, y1: 25, x2: 10, y2: 15 });
    expect(drawn('length', from, to)).toEqual(drawn('line', from, to));
    expect(drawn('poly', from, to)).toBeNull();
    expect(drawn('select', from, to)).toBeNull();
  });

  test('a click is no box, no ellipse and no line', () => {
    for (const tool of ['box', 'ellipse', 'line'] as const) expect(drawn(tool, { x: 5, y: 5 }, { x: 6, y: 5 })).toBeNull();
  });
});

describe('handles', () => {
  const box: DrawnShape = { kind: 'box', x: 10, y: 10, width: 20, height: 10 };
  const pull = (shape: DrawnShape, handle: number, x: number, y: number) =>
    shapeFrom({ kind: 'handle', regionId: 'a', shape, handle }, screen(x, y), 'select', SIZE, at);

  test('are corners, ends and axes; a spot has none', () => {
    expect(handlesOf(box)).toHaveLength(4);
    expect(handlesOf({ kind: 'spot', x: 1, y: 1 })).toEqual([]);
    expect(handlesOf({ kind: 'line', x1: 1, y1: 2, x2: 3, y2: 4 })).toEqual([
      [1, 2],
      [3, 4],
    ]);
    const [along, across] = handlesOf({ kind: 'ellipse', x: 20, y: 20, rx: 8, ry: 3, angle: 90 });
    expect(along![1]).toBeCloseTo(28);
    expect(across![0]).toBeCloseTo(17);
  });

  test('are found under a finger', () => {
    expect(handleAt(screen(9, 9), box, at)).toBe(0);
    expect(handleAt(screen(30, 21), box, at)).toBe(2);
    expect(handleAt(screen(20, 15), box, at)).toBeNull();
  });

  test('pull a box against its opposite corner', () => {
    expect(pull(box, 0, 5, 6)).toEqual({ kind: 'box', x: 5, y: 6, width: 25, height: 14 });
    expect(pull(box, 2, 40, 30)).toEqual({ kind: 'box', x: 10, y: 10, width: 31, height: 21 });
  });

  test('pull ends of lines, corners of polygons and axes of ellipses', () => {
    expect(pull({ kind: 'line', x1: 1, y1: 1, x2: 9, y2: 9 }, 1, 20, 5)).toMatchObject({ x1: 1, x2: 20, y2: 5 });
    const poly: DrawnShape = {
      kind: 'poly',
      points: [
        [1, 1],
        [9, 1],
        [5, 9],
      ],
    };
    expect(pull(poly, 2, 30, 30)).toMatchObject({
      points: [
        [1, 1],
        [9, 1],
        [30, 30],
      ],
    });
    const ellipse: DrawnShape = { kind: 'ellipse', x: 20, y: 20, rx: 8, ry: 3, angle: 0 };
    expect(pull(ellipse, 0, 20, 32)).toMatchObject({ rx: 12, ry: 3, angle: 90 });
    expect(pull(ellipse, 1, 20, 26)).toMatchObject({ rx: 8, ry: 6, angle: 0 });
  });

  test('a move takes the shape along, a pan none', () => {
    const grip: Grip = { kind: 'move', regionId: 'a', shape: box, from: { x: 12, y: 12 } };
    expect(shapeFrom(grip, screen(15, 14), 'select', SIZE, at)).toMatchObject({ x: 13, y: 12 });
    expect(shapeFrom({ kind: 'pan', placement: at }, screen(1, 1), 'select', SIZE, at)).toBeNull();
  });
});

describe('what lies under the pointer', () => {
  const regions = [
    { id: 'large', shape: { kind: 'box' as const, x: 0, y: 0, width: 60, height: 50 } },
    { id: 'small', shape: { kind: 'box' as const, x: 10, y: 10, width: 10, height: 10 } },
    { id: 'line', shape: { kind: 'line' as const, x1: 30, y1: 30, x2: 58, y2: 48 } },
    { id: 'all', shape: { kind: 'beyond' as const, side: 'colder' as const, markC: 3 } },
  ];

  test('is the smallest', () => {
    expect(regionUnder(screen(15, 15), regions, at)?.id).toBe('small');
    expect(regionUnder(screen(5, 40), regions, at)?.id).toBe('large');
    expect(regionUnder(screen(70, 55), regions, at)).toBeNull();
  });

  test('a line only near itself', () => {
    expect(regionUnder(screen(44, 39), regions, at)?.id).toBe('line');
    expect(regionUnder(screen(56, 32), regions, at)?.id).toBe('large');
  });
});

test('lengths as people say them', () => {
  expect([0.014, 0.43, 2.345].map(lengthWords)).toEqual(['14 mm', '43 cm', '2.35 m']);
  expect([0.02, 1.234].map(areaWords)).toEqual(['200 cm²', '1.23 m²']);
});

import fc from 'fast-check';
import { boundsOf, maskOf, shapeSchema, spansBeyond, spansOf, type DrawnShape } from './region';
import { grownShape, movedShape, outlineOf, shapeAfterTurn, turnedPixels, turnedShape, type Turn } from './reshape';

const FRAME = { width: 40, height: 30 };
const SHAPES: DrawnShape[] = [
  { kind: 'spot', x: 10, y: 12 },
  { kind: 'box', x: 8, y: 6, width: 9, height: 5 },
  { kind: 'line', x1: 5, y1: 6, x2: 20, y2: 17 },
  { kind: 'ellipse', x: 18.5, y: 12, rx: 8, ry: 4, angle: 30 },
  {
    kind: 'poly',
    points: [
      [6, 6],
      [20, 8],
      [14, 20],
    ],
  },
];
const pixelsOf = (shape: DrawnShape) =>
  spansOf(shape, FRAME.width, FRAME.height).reduce((sum, { from, to }) => sum + to - from + 1, 0);

describe('ellipses', () => {
  test('hold the pixel centres inside, turned or not', () => {
    const shape = fc.record({
      kind: fc.constant('ellipse' as const),
      x: fc.double({ min: -5, max: 45, noNaN: true }),
      y: fc.double({ min: -5, max: 35, noNaN: true }),
      rx: fc.double({ min: 0.5, max: 20, noNaN: true }),
      ry: fc.double({ min: 0.5, max: 20, noNaN: true }),
      angle: fc.double({ min: 0, max: 180, noNaN: true }),
    });
    fc.assert(
      fc.property(shape, (ellipse) => {
        const mask = maskOf([ellipse], FRAME.width, FRAME.height)!;
        const [cos, sin] = [Math.cos((ellipse.angle * Math.PI) / 180), Math.sin((ellipse.angle * Math.PI) / 180)];
        let wrong = 0;
        for (let i = 0; i < mask.length; i += 1) {
          const [dx, dy] = [(i % FRAME.width) - ellipse.x, Math.floor(i / FRAME.width) - ellipse.y];
          const r = ((dx * cos + dy * sin) / ellipse.rx) ** 2 + ((dy * cos - dx * sin) / ellipse.ry) ** 2;
          if (Math.abs(r - 1) > 1e-9 && (mask[i] === 1) !== r < 1) wrong += 1;
        }
        expect(wrong).toBe(0);
      }),
      { numRuns: 200 },
    );
  });

  test('their bounds hold them closely', () => {
    const ellipse: DrawnShape = { kind: 'ellipse', x: 20, y: 15, rx: 10, ry: 3, angle: 90 };
    expect(boundsOf(ellipse)).toEqual({ x: 17, y: 5, width: 7, height: 21 });
  });

  test('one without an extent is refused', () => {
    expect(shapeSchema.safeParse({ kind: 'ellipse', x: 1, y: 1, rx: 0, ry: 3, angle: 0 }).success).toBe(false);
  });
});

describe('everything beyond a mark', () => {
  const values = Float32Array.of(1, 5, 1, NaN, 1, 1, 9, 1);

  test('colder and warmer, without pixels that have no reading', () => {
    expect(spansBeyond(values, 4, 'colder', 2, null)).toEqual([
      { y: 0, from: 0, to: 0 },
      { y: 0, from: 2, to: 2 },
      { y: 1, from: 0, to: 1 },
      { y: 1, from: 3, to: 3 },
    ]);
    expect(spansBeyond(values, 4, 'warmer', 2, null)).toEqual([
      { y: 0, from: 1, to: 1 },
      { y: 1, from: 2, to: 2 },
    ]);
  });

  test('what was left out does not count', () => {
    const leftOut = maskOf([{ kind: 'box', x: 1, y: 0, width: 1, height: 1 }], 4, 2);
    expect(spansBeyond(values, 4, 'warmer', 2, leftOut)).toEqual([{ y: 1, from: 2, to: 2 }]);
    expect(maskOf([], 4, 2)).toBeNull();
  });
});

describe('what a hand does', () => {
  test.each(SHAPES)('$kind moves and comes back', (shape) => {
    expect(movedShape(movedShape(shape, 3, 2, FRAME), -3, -2, FRAME)).toEqual(shape);
  });

  test.each(SHAPES)('$kind stays inside however far it is pushed', (shape) => {
    for (const [dx, dy] of [
      [-500, -500],
      [500, 500],
    ] as const) {
      const { x, y, width, height } = boundsOf(movedShape(shape, dx, dy, FRAME));
      const reach = shape.kind === 'spot' ? 1 : 0;
      expect(x).toBeGreaterThanOrEqual(-reach);
      expect(y).toBeGreaterThanOrEqual(-reach);
      expect(x + width).toBeLessThanOrEqual(FRAME.width + reach);
      expect(y + height).toBeLessThanOrEqual(FRAME.height + reach);
    }
  });

  test('growing keeps a least size, and a spot as it is', () => {
    expect(grownShape(SHAPES[0]!, 5, 5)).toBe(SHAPES[0]);
    expect(grownShape(SHAPES[1]!, -50, 2)).toMatchObject({ width: 2, height: 7 });
    expect(grownShape(SHAPES[2]!, 4, -1)).toMatchObject({ x1: 5, x2: 24, y2: 16 });
    expect(grownShape(SHAPES[3]!, 4, -50)).toMatchObject({ rx: 10, ry: 1 });
    const poly = grownShape(SHAPES[4]!, 15, 0);
    expect(boundsOf(poly).width).toBe(30);
  });

  test('turning keeps the number of pixels about the same, and a full turn everything', () => {
    for (const shape of SHAPES.slice(1)) {
      const turned = turnedShape(shape, 37);
      if (shape.kind !== 'line') expect(Math.abs(pixelsOf(turned) / pixelsOf(shape) - 1)).toBeLessThan(0.15);
    }
    expect(turnedShape({ kind: 'line', x1: 5, y1: 10, x2: 15, y2: 10 }, 90)).toEqual({
      kind: 'line',
      x1: 10,
      y1: 5,
      x2: 10,
      y2: 15,
    });
    expect(turnedShape(SHAPES[1]!, 20).kind).toBe('poly');
    expect(turnedShape(SHAPES[3]!, 160)).toMatchObject({ angle: 10 });
    expect(turnedShape(SHAPES[0]!, 90)).toBe(SHAPES[0]);
  });

  test('the outline of a box runs along its outer edges', () => {
    expect(outlineOf(SHAPES[1]!)).toEqual([
      [7.5, 5.5],
      [16.5, 5.5],
      [16.5, 10.5],
      [7.5, 10.5],
    ]);
    expect(outlineOf(SHAPES[3]!)).toHaveLength(48);
  });
});

describe('turning a frame', () => {
  const values = Float32Array.from({ length: FRAME.width * FRAME.height }, (_, i) => i);
  const TURNS: Turn[] = ['left', 'right', 'half', 'mirror'];

  test('left and right undo each other, mirror and half themselves', () => {
    const twice = (a: Turn, b: Turn) => {
      const once = turnedPixels(values, FRAME.width, FRAME.height, a);
      return turnedPixels(once.values, once.width, once.height, b);
    };
    for (const [a, b] of [
      ['left', 'right'],
      ['right', 'left'],
      ['half', 'half'],
      ['mirror', 'mirror'],
    ] as const) {
      const back = twice(a, b);
      expect([back.width, back.height]).toEqual([FRAME.width, FRAME.height]);
      expect(Buffer.compare(Buffer.from(back.values.buffer), Buffer.from(values.buffer))).toBe(0);
    }
  });

  test.each(TURNS)('after a turn to %s every shape lies over the same pixels', (turn) => {
    const turned = turnedPixels(values, FRAME.width, FRAME.height, turn);
    const held = (shape: DrawnShape, pixels: Float32Array, width: number, height: number) =>
      spansOf(shape, width, height)
        .flatMap(({ y, from, to }) => [...pixels.subarray(y * width + from, y * width + to + 1)])
        .sort((a, b) => a - b);
    for (const shape of SHAPES.filter(({ kind }) => kind !== 'poly' && kind !== 'line')) {
      const after = shapeAfterTurn(shape, FRAME.width, FRAME.height, turn) as DrawnShape;
      expect(held(after, turned.values, turned.width, turned.height)).toEqual(held(shape, values, FRAME.width, FRAME.height));
    }
    // Lines and polygons may differ by a pixel on their edges; their corners do not.
    const line = shapeAfterTurn(SHAPES[2]!, FRAME.width, FRAME.height, turn) as Extract<DrawnShape, { kind: 'line' }>;
    expect(turned.values[line.y1 * turned.width + line.x1]).toBe(values[6 * FRAME.width + 5]);
    expect(turned.values[line.y2 * turned.width + line.x2]).toBe(values[17 * FRAME.width + 20]);
    const poly = shapeAfterTurn(SHAPES[4]!, FRAME.width, FRAME.height, turn) as Extract<DrawnShape, { kind: 'poly' }>;
    expect(poly.points.map(([x, y]) => turned.values[y * turned.width + x])).toEqual([6 * 40 + 6, 8 * 40 + 20, 20 * 40 + 14]);
    const beyond = { kind: 'beyond', side: 'colder', markC: 3 } as const;
    expect(shapeAfterTurn(beyond, FRAME.width, FRAME.height, turn)).toBe(beyond);
  });
});

import fc from 'fast-check';
import { errorOf } from '../../testing/material';
import { shapeAfterTurn, type Turn } from './reshape';
import { distanceBetween, measureSchema, type Metric, metricOf, type Measure, sizeOf } from './metric';
import type { DrawnShape } from './region';

const FRAME = { width: 320, height: 240 };
const CAMERA = { columns: 320, rows: 240, fieldDeg: 53.13 };

const sizes = (metric: Metric, shape: DrawnShape) => {
  const size = sizeOf(metric, shape);
  if ('problem' in size) throw new Error(size.problem);
  return size;
};
const areaOf = (metric: Metric, shape: DrawnShape) => sizes(metric, shape).squareMetres;
const lengthOf = (metric: Metric, shape: DrawnShape) => sizes(metric, shape).metres;

/** Where a point of a wall lies on the picture of a camera that stands aside by so many degrees. */
function seen(x: number, y: number, degrees: number, distance = 4): [number, number] {
  const a = (degrees * Math.PI) / 180;
  const focal = 160 / Math.tan((CAMERA.fieldDeg * Math.PI) / 360);
  const depth = distance + x * Math.sin(a);
  return [159.5 + (focal * x * Math.cos(a)) / depth, 119.5 + (focal * y) / depth];
}

const plane = (degrees: number): Measure => ({
  kind: 'plane',
  corners: [seen(-1, -0.5, degrees), seen(1, -0.5, degrees), seen(1, 0.5, degrees), seen(-1, 0.5, degrees)],
  widthM: 2,
  heightM: 1,
});

test('from distance and field of view', () => {
  const metric = metricOf(null, CAMERA, 4, FRAME)!;
  expect(metric).toMatchObject({ kind: 'distance' });
  // At four metres half of the field is two metres wide.
  expect(distanceBetween(metric, [0, 0], [320, 0])).toBeCloseTo(4, 3);
  expect(metricOf(null, null, 4, FRAME)).toBeNull();
  expect(metricOf(null, CAMERA, null, FRAME)).toBeNull();
});

test('from a thing of known length, which wins over the distance', () => {
  const metric = metricOf({ kind: 'length', from: [10, 10], to: [110, 10], metres: 0.86 }, CAMERA, 4, FRAME)!;
  expect(distanceBetween(metric, [0, 0], [0, 50])).toBeCloseTo(0.43, 9);
  expect(areaOf(metric, { kind: 'box', x: 0, y: 0, width: 100, height: 50 })).toBeCloseTo(0.86 * 0.43, 9);
  expect(lengthOf(metric, { kind: 'box', x: 0, y: 0, width: 100, height: 50 })).toBeCloseTo(2 * (0.86 + 0.43), 9);
  expect(lengthOf(metric, { kind: 'line', x1: 0, y1: 0, x2: 30, y2: 40 })).toBeCloseTo(0.43, 9);
  expect(areaOf(metric, { kind: 'line', x1: 0, y1: 0, x2: 30, y2: 40 })).toBe(0);
});

test('on a plane seen from aside, lengths are those of the wall', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: -65, max: 65 }),
      fc.double({ min: -1.4, max: 1.4, noNaN: true }),
      fc.double({ min: -1, max: 1, noNaN: true }),
      (degrees, x, y) => {
        const metric = metricOf(plane(degrees), CAMERA, null, FRAME)!;
        expect(distanceBetween(metric, seen(0, 0, degrees), seen(x, y, degrees))).toBeCloseTo(Math.hypot(x, y), 6);
      },
    ),
    { numRuns: 100 },
  );
});

test('the angle from square-on is that of the camera', () => {
  for (const degrees of [0, 20, 45, 65]) {
    const metric = metricOf(plane(degrees), CAMERA, null, FRAME)!;
    if (metric.kind !== 'plane') throw new Error('no plane');
    expect(metric.angle([159.5, 119.5])).toBeCloseTo(degrees, 4);
  }
});

test('corners on a line and lengths of nothing are refused', () => {
  const flat: Measure = {
    kind: 'plane',
    corners: [
      [0, 0],
      [10, 0],
      [20, 0],
      [0, 10],
    ],
    widthM: 1,
    heightM: 1,
  };
  expect(errorOf(() => metricOf(flat, CAMERA, 4, FRAME))).toMatchObject({ code: 'bad_region' });
  const nothing: Measure = { kind: 'length', from: [5, 5], to: [5, 5], metres: 1 };
  expect(errorOf(() => metricOf(nothing, CAMERA, 4, FRAME))).toMatchObject({ code: 'bad_region' });
  expect(measureSchema.safeParse({ ...nothing, metres: 0 }).success).toBe(false);
});

test('a frame that was turned has the sizes that it had; one that was cut has none by distance', () => {
  const upright = metricOf(null, CAMERA, 4, { width: 240, height: 320 })!;
  const lying = metricOf(null, CAMERA, 4, FRAME)!;
  expect(distanceBetween(upright, [0, 0], [0, 100])).toBeCloseTo(distanceBetween(lying, [0, 0], [100, 0])!, 9);
  for (const size of [
    { width: 180, height: 240 },
    { width: 320, height: 200 },
    { width: 640, height: 480 },
  ])
    expect(metricOf(null, CAMERA, 4, size)).toBeNull();
  // What somebody measured holds in any cut.
  expect(
    metricOf({ kind: 'length', from: [0, 0], to: [10, 0], metres: 1 }, CAMERA, 4, { width: 100, height: 70 }),
  ).not.toBeNull();
});

test('the angle to a plane is the same after a quarter turn', () => {
  const to = ([x, y]: readonly [number, number]): [number, number] => [y, FRAME.width - 1 - x];
  for (const degrees of [0, 30, 60]) {
    const flat = plane(degrees);
    if (flat.kind !== 'plane') throw new Error('no plane');
    const [a, b, c, d] = flat.corners.map(to) as [[number, number], [number, number], [number, number], [number, number]];
    const turned = metricOf({ ...flat, corners: [b, c, d, a], widthM: 1, heightM: 2 }, CAMERA, null, {
      width: 240,
      height: 320,
    })!;
    if (turned.kind !== 'plane') throw new Error('no plane');
    expect(turned.angle(to([159.5, 119.5]))).toBeCloseTo(degrees, 4);
  }
});

test('beyond the vanishing line there are no metres', () => {
  const metric = metricOf(plane(60), CAMERA, null, FRAME)!;
  // From 60° aside the plane vanishes 30° to the right of the axis.
  const vanishing = 159.5 + (160 / Math.tan((CAMERA.fieldDeg * Math.PI) / 360)) * Math.tan(Math.PI / 6);
  expect(vanishing).toBeGreaterThan(320);
  expect(distanceBetween(metric, [150, 100], [vanishing + 20, 100])).toBeNull();
  expect(sizeOf(metric, { kind: 'line', x1: 150, y1: 100, x2: Math.ceil(vanishing) + 20, y2: 100 })).toEqual({
    problem: 'beyond-horizon',
  });
  expect(distanceBetween(metric, [150, 100], [160, 100])).toBeGreaterThan(0);
});

test('an outline that crosses itself has no size, and marks no plane', () => {
  const metric = metricOf(null, CAMERA, 4, FRAME)!;
  const bow: DrawnShape = {
    kind: 'poly',
    points: [
      [10, 10],
      [60, 60],
      [60, 10],
      [10, 60],
    ],
  };
  expect(sizeOf(metric, bow)).toEqual({ problem: 'crossed' });
  const touching: DrawnShape = {
    kind: 'poly',
    points: [
      [0, 0],
      [20, 0],
      [20, 20],
      [10, 0],
      [0, 20],
    ],
  };
  expect(sizeOf(metric, touching)).toHaveProperty('metres');
  const crossed: Measure = {
    kind: 'plane',
    corners: [
      [10, 10],
      [60, 60],
      [60, 10],
      [10, 60],
    ],
    widthM: 1,
    heightM: 1,
  };
  expect(errorOf(() => metricOf(crossed, CAMERA, 4, FRAME))).toMatchObject({ code: 'bad_region' });
});

test.each<Turn>(['left', 'right', 'half', 'mirror'])('area and length survive a turn to %s', (turn) => {
  const shape: DrawnShape = {
    kind: 'poly',
    points: [
      [30, 40],
      [120, 55],
      [100, 170],
    ],
  };
  const turned = shapeAfterTurn(shape, FRAME.width, FRAME.height, turn) as DrawnShape;
  const size = turn === 'left' || turn === 'right' ? { width: FRAME.height, height: FRAME.width } : FRAME;
  const [before, after] = [sizes(metricOf(null, CAMERA, 4, FRAME)!, shape), sizes(metricOf(null, CAMERA, 4, size)!, turned)];
  expect(after.metres).toBeCloseTo(before.metres, 9);
  expect(after.squareMetres).toBeCloseTo(before.squareMetres, 9);
});

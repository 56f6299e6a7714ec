import fc from 'fast-check';
import { errorOf } from '../testing/material';
import { areaOf, distanceBetween, lengthOf, measureSchema, metricOf, type Measure } from './metric';

const FRAME = { width: 320, height: 240 };
const CAMERA = { columns: 320, rows: 240, fieldDeg: 53.13 };

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

import { z } from 'zod';
import { CoreError } from '../errors';
import { type Homography, homographyThrough, projected } from '../geometry/homography';
import type { Point } from '../geometry/point';
import type { DrawnShape } from './region';
import { outlineOf } from './reshape';

const coordinate = z.number().min(-100_000).max(100_000);
const corner = z.tuple([coordinate, coordinate]);
const metres = z.number().gt(0, 'must be above 0 m').max(1000, 'must not exceed 1000 m');

/** What people know of sizes on a frame: the length of a thing, or the plane of a wall by a rectangle on it. */
export const measureSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('length'), from: corner, to: corner, metres }),
  z.object({
    kind: z.literal('plane'),
    /** Upper left, upper right, lower right, lower left, as they are seen. */
    corners: z.tuple([corner, corner, corner, corner]),
    widthM: metres,
    heightM: metres,
  }),
]);

export type Measure = z.infer<typeof measureSchema>;

/** How pixels become metres. */
export type Metric =
  | { kind: 'length' | 'distance'; metresPerPixel: number }
  | { kind: 'plane'; /** From pixels to metres. */ toPlane: Homography; angle: (at: Point) => number };

interface Optics {
  columns: number;
  rows: number;
  fieldDeg: number;
}

/**
 * How pixels of a frame become metres: by what people marked, else by distance and field of view.
 *
 * @param optics - of the camera, null when it is not known
 * @param distanceM - null when it is not known
 * @returns null when nothing is known
 * @throws CoreError `bad_region` for a plane whose corners do not make a rectangle that can be seen, or a length of no pixels
 */
export function metricOf(
  measure: Measure | null,
  optics: Optics | null,
  distanceM: number | null,
  frame: { width: number; height: number },
): Metric | null {
  if (measure?.kind === 'length') {
    const pixels = Math.hypot(measure.to[0] - measure.from[0], measure.to[1] - measure.from[1]);
    if (pixels < 1)
      throw new CoreError('bad_region', 'The known length has no pixels.', {}, 'Draw it along a thing of known size.');
    return { kind: 'length', metresPerPixel: measure.metres / pixels };
  }
  if (measure?.kind === 'plane') {
    const { widthM, heightM, corners } = measure;
    const plane: Point[] = [
      [0, 0],
      [widthM, 0],
      [widthM, heightM],
      [0, heightM],
    ];
    const toPlane = planeMap(corners, plane);
    const toPicture = planeMap(plane, corners);
    return { kind: 'plane', toPlane, angle: (at) => viewingAngle(at, toPicture, optics, frame) };
  }
  if (!optics || distanceM === null) return null;
  const across = 2 * distanceM * Math.tan((optics.fieldDeg * Math.PI) / 360);
  return { kind: 'distance', metresPerPixel: across / Math.max(frame.width, 1) };
}

/** @throws CoreError `bad_region` when three of the corners lie on a line */
function planeMap(from: readonly Point[], to: readonly Point[]): Homography {
  const map = homographyThrough(from, to);
  if (map) return map;
  throw new CoreError(
    'bad_region',
    'These four corners are no rectangle: three of them lie on a line.',
    {},
    'Mark the corners of a window, door or panel, from its upper left round to its lower left.',
  );
}

/** Metres between two pixels. */
export function distanceBetween(metric: Metric, a: Point, b: Point): number {
  if (metric.kind !== 'plane') return Math.hypot(b[0] - a[0], b[1] - a[1]) * metric.metresPerPixel;
  const [p, q] = [projected(metric.toPlane, a), projected(metric.toPlane, b)];
  return Math.hypot(q[0] - p[0], q[1] - p[1]);
}

/** Metres of a line, or round an area. */
export function lengthOf(metric: Metric, shape: DrawnShape): number {
  const corners = outlineOf(shape);
  const ends = shape.kind === 'line' ? corners : [...corners, corners[0]!];
  return ends.slice(1).reduce((sum, at, i) => sum + distanceBetween(metric, ends[i]!, at), 0);
}

/** Square metres of an area; 0 for a line. */
export function areaOf(metric: Metric, shape: DrawnShape): number {
  if (shape.kind === 'line') return 0;
  const corners = outlineOf(shape).map((at): Point =>
    metric.kind === 'plane' ? projected(metric.toPlane, at) : [at[0] * metric.metresPerPixel, at[1] * metric.metresPerPixel],
  );
  const twice = corners.reduce((sum, [x, y], i) => {
    const [nx, ny] = corners[(i + 1) % corners.length]!;
    return sum + x * ny - nx * y;
  }, 0);
  return Math.abs(twice) / 2;
}

/** Field of view that is assumed where no camera is known, degrees. */
const USUAL_FIELD = 50;

/** Angle between the line of sight and the plane's normal at a pixel, degrees; 0 is square-on. */
function viewingAngle(at: Point, toPicture: Homography, optics: Optics | null, frame: { width: number; height: number }): number {
  const focal = frame.width / 2 / Math.tan(((optics?.fieldDeg ?? USUAL_FIELD) * Math.PI) / 360);
  const [cx, cy] = [(frame.width - 1) / 2, (frame.height - 1) / 2];
  // Columns of the camera's view of the plane's two axes.
  const axis = (column: number): [number, number, number] => {
    const [x, y, w] = [toPicture[column]!, toPicture[column + 3]!, toPicture[column + 6]!];
    return [(x - cx * w) / focal, (y - cy * w) / focal, w];
  };
  const [ax, ay, az] = axis(0);
  const [bx, by, bz] = axis(1);
  const normal = [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx] as const;
  const sight = [(at[0] - cx) / focal, (at[1] - cy) / focal, 1] as const;
  const dot = Math.abs(normal[0] * sight[0] + normal[1] * sight[1] + normal[2] * sight[2]);
  return (Math.acos(Math.min(1, dot / (Math.hypot(...normal) * Math.hypot(...sight)))) * 180) / Math.PI;
}

import * as z from 'zod';
import { CoreError } from '../../ground/errors';
import { beforeHorizon, type Homography, homographyThrough, projected } from '../../ground/homography';
import { crossesItself } from '../../ground/outline';
import type { Point } from '../../ground/point';
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
  | {
      kind: 'plane';
      /** From pixels to metres. */
      toPlane: Homography;
      /** Whether a pixel looks at the plane, and not beyond its vanishing line. */
      sees: (at: Point) => boolean;
      angle: (at: Point) => number;
    };

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
    const before = (at: Point) => beforeHorizon(toPlane, corners[0], at);
    if (corners.some((at) => before(at) <= 0)) throw noRectangle();
    return {
      kind: 'plane',
      toPlane,
      sees: (at) => before(at) > LEAST_BEFORE_HORIZON,
      angle: (at) => viewingAngle(at, toPicture, optics, frame),
    };
  }
  if (!optics || distanceM === null || !isWholePicture(frame, optics)) return null;
  return { kind: 'distance', metresPerPixel: (2 * distanceM * Math.tan((optics.fieldDeg * Math.PI) / 360)) / optics.columns };
}

/** Nearer to the vanishing line than this share of a corner's depth nothing can be measured. */
const LEAST_BEFORE_HORIZON = 0.02;

/** Whether a frame is all that its camera sees, upright or turned: only then does its field of view say how large a pixel is. */
export function isWholePicture({ width, height }: { width: number; height: number }, { columns, rows }: Optics): boolean {
  return (width === columns && height === rows) || (width === rows && height === columns);
}

/** @throws CoreError `bad_region` when three of the corners lie on a line */
function planeMap(from: readonly Point[], to: readonly Point[]): Homography {
  const map = homographyThrough(from, to);
  if (map) return map;
  throw noRectangle();
}

function noRectangle(): CoreError {
  return new CoreError(
    'bad_region',
    'These four corners are no rectangle that can be seen: three lie on a line, or the outline crosses itself.',
    {},
    'Mark the corners of a window, door or panel, from its upper left round to its lower left.',
  );
}

/** Metres between two pixels; null when one of them lies beyond the vanishing line of the marked plane. */
export function distanceBetween(metric: Metric, a: Point, b: Point): number | null {
  if (metric.kind !== 'plane') return Math.hypot(b[0] - a[0], b[1] - a[1]) * metric.metresPerPixel;
  if (!metric.sees(a) || !metric.sees(b)) return null;
  const [p, q] = [projected(metric.toPlane, a), projected(metric.toPlane, b)];
  return Math.hypot(q[0] - p[0], q[1] - p[1]);
}

/** Sizes of a shape: metres of a line or round an area, and square metres, 0 for a line; or why it has none. */
export type ShapeSize = { metres: number; squareMetres: number } | { problem: 'beyond-horizon' | 'crossed' };

/** What a shape measures on the wall. */
export function sizeOf(metric: Metric, shape: DrawnShape): ShapeSize {
  const corners = outlineOf(shape);
  if (metric.kind === 'plane' && !corners.every(metric.sees)) return { problem: 'beyond-horizon' };
  if (shape.kind === 'poly' && crossesItself(corners)) return { problem: 'crossed' };
  const flat = corners.map((at): Point =>
    metric.kind === 'plane' ? projected(metric.toPlane, at) : [at[0] * metric.metresPerPixel, at[1] * metric.metresPerPixel],
  );
  const ends = shape.kind === 'line' ? flat : [...flat, flat[0]!];
  let [metres, twice] = [0, 0];
  ends.slice(1).forEach(([x, y], i) => {
    const [bx, by] = ends[i]!;
    metres += Math.hypot(x - bx, y - by);
    twice += bx * y - x * by;
  });
  return { metres, squareMetres: shape.kind === 'line' ? 0 : Math.abs(twice) / 2 };
}

/** Field of view that is assumed where no camera is known, degrees. */
const USUAL_FIELD = 50;

/** Angle between the line of sight and the plane's normal at a pixel, degrees; 0 is square-on. */
function viewingAngle(at: Point, toPicture: Homography, optics: Optics | null, frame: { width: number; height: number }): number {
  // The field of view lies along the camera's columns, whichever way the frame was turned.
  const along = optics && isWholePicture(frame, optics) ? optics.columns : Math.max(frame.width, frame.height);
  const focal = along / 2 / Math.tan(((optics?.fieldDeg ?? USUAL_FIELD) * Math.PI) / 360);
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

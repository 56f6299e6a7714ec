import { z } from 'zod';
import { CoreError } from '../errors';

const pixel = z.number().int().min(-100_000).max(100_000);

/** Regions in pixels of their frame: x right, y down, integers are pixel centres. Plain data, stored as it is. */
export const shapeSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('spot'), x: pixel, y: pixel }),
  z.object({
    kind: z.literal('box'),
    x: pixel,
    y: pixel,
    width: pixel.min(1, 'must be at least 1 pixel'),
    height: pixel.min(1, 'must be at least 1 pixel'),
  }),
  z.object({ kind: z.literal('line'), x1: pixel, y1: pixel, x2: pixel, y2: pixel }),
  z.object({
    kind: z.literal('poly'),
    points: z
      .array(z.tuple([z.number(), z.number()]))
      .min(3)
      .max(1000),
  }),
]);

export type Shape = z.infer<typeof shapeSchema>;

/** Columns `from` … `to` (both included) of row `y`. */
export interface Span {
  y: number;
  from: number;
  to: number;
}

/** Half the side of a spot, less the centre: a spot is the mean of 3×3 pixels. */
const SPOT_REACH = 1;

/** The pixels of a shape that lie in a frame of the given size, row by row; empty when none do. */
export function spansOf(shape: Shape, width: number, height: number): Span[] {
  switch (shape.kind) {
    case 'spot':
      return rectangle(shape.x - SPOT_REACH, shape.y - SPOT_REACH, shape.x + SPOT_REACH, shape.y + SPOT_REACH, width, height);
    case 'box':
      return rectangle(shape.x, shape.y, shape.x + shape.width - 1, shape.y + shape.height - 1, width, height);
    case 'line':
      return bresenham(shape.x1, shape.y1, shape.x2, shape.y2, width, height);
    case 'poly':
      return polygonSpans(shape.points, width, height);
  }
}

function rectangle(left: number, top: number, right: number, bottom: number, width: number, height: number): Span[] {
  const from = Math.max(0, left);
  const to = Math.min(width - 1, right);
  const spans: Span[] = [];
  if (from > to) return spans;
  for (let y = Math.max(0, top); y <= Math.min(height - 1, bottom); y += 1) spans.push({ y, from, to });
  return spans;
}

function bresenham(x1: number, y1: number, x2: number, y2: number, width: number, height: number): Span[] {
  const spans: Span[] = [];
  const dx = Math.abs(x2 - x1);
  const dy = -Math.abs(y2 - y1);
  const stepX = x1 < x2 ? 1 : -1;
  const stepY = y1 < y2 ? 1 : -1;
  let error = dx + dy;
  let x = x1;
  let y = y1;
  for (;;) {
    if (x >= 0 && x < width && y >= 0 && y < height) spans.push({ y, from: x, to: x });
    if (x === x2 && y === y2) return spans;
    const doubled = 2 * error;
    if (doubled >= dy) {
      error += dy;
      x += stepX;
    }
    if (doubled <= dx) {
      error += dx;
      y += stepY;
    }
  }
}

/** Pixel centres inside by the even-odd rule; a centre on a left or upper edge counts, on a right or lower one not. */
function polygonSpans(points: [number, number][], width: number, height: number): Span[] {
  const spans: Span[] = [];
  const rows = points.map((p) => p[1]);
  const top = Math.max(0, Math.ceil(Math.min(...rows)));
  const bottom = Math.min(height - 1, Math.floor(Math.max(...rows)));
  for (let y = top; y <= bottom; y += 1) {
    const crossings: number[] = [];
    points.forEach(([ax, ay], k) => {
      const [bx, by] = points[(k + 1) % points.length]!;
      if (ay <= y !== by <= y) crossings.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    });
    crossings.sort((a, b) => a - b);
    for (let k = 0; k + 1 < crossings.length; k += 2) {
      const from = Math.max(0, Math.ceil(crossings[k]!));
      const to = Math.min(width - 1, Math.ceil(crossings[k + 1]!) - 1);
      if (from <= to) spans.push({ y, from, to });
    }
  }
  return spans;
}

/**
 * Like `spansOf`, but a shape without a pixel in the frame is refused.
 *
 * @throws CoreError `bad_region`
 */
export function requireSpans(name: string, shape: Shape, width: number, height: number): Span[] {
  const spans = spansOf(shape, width, height);
  if (spans.length === 0) {
    throw new CoreError(
      'bad_region',
      `Region "${name}" has no pixel inside the frame of ${width} × ${height}.`,
      { argument: name, range: `x 0 … ${width - 1}, y 0 … ${height - 1}` },
      'Move the region into the frame.',
    );
  }
  return spans;
}

/** The smallest box around a shape, in pixels; a line or polygon is rounded outward. */
export function boundsOf(shape: Shape): { x: number; y: number; width: number; height: number } {
  switch (shape.kind) {
    case 'spot':
      return { x: shape.x - SPOT_REACH, y: shape.y - SPOT_REACH, width: 2 * SPOT_REACH + 1, height: 2 * SPOT_REACH + 1 };
    case 'box':
      return { x: shape.x, y: shape.y, width: shape.width, height: shape.height };
    case 'line':
      return around([shape.x1, shape.x2], [shape.y1, shape.y2]);
    case 'poly':
      return around(
        shape.points.map((p) => p[0]),
        shape.points.map((p) => p[1]),
      );
  }
}

function around(xs: number[], ys: number[]): { x: number; y: number; width: number; height: number } {
  const x = Math.floor(Math.min(...xs));
  const y = Math.floor(Math.min(...ys));
  return { x, y, width: Math.ceil(Math.max(...xs)) - x + 1, height: Math.ceil(Math.max(...ys)) - y + 1 };
}

/** The shape moved by whole pixels and kept so that its centre stays inside the frame. */
export function movedShape<S extends Extract<Shape, { kind: 'spot' | 'box' }>>(
  shape: S,
  dx: number,
  dy: number,
  width: number,
  height: number,
): S {
  const reach = shape.kind === 'box' ? { x: shape.width, y: shape.height } : { x: 1, y: 1 };
  return {
    ...shape,
    x: Math.max(0, Math.min(width - reach.x, shape.x + dx)),
    y: Math.max(0, Math.min(height - reach.y, shape.y + dy)),
  };
}

import * as z from 'zod';
import { CoreError } from '../../ground/errors';

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
    kind: z.literal('ellipse'),
    /** Centre, half axes and how far the first of them is turned from x towards y, degrees. */
    x: z.number().min(-100_000).max(100_000),
    y: z.number().min(-100_000).max(100_000),
    rx: z.number().min(0.5, 'must be at least half a pixel').max(100_000),
    ry: z.number().min(0.5, 'must be at least half a pixel').max(100_000),
    angle: z.number().min(-360).max(360),
  }),
  z.object({
    kind: z.literal('poly'),
    points: z
      .array(z.tuple([z.number().min(-100_000).max(100_000), z.number().min(-100_000).max(100_000)]))
      .min(3)
      .max(1000),
  }),
  z.object({
    /** All of the frame on one side of a mark, an object temperature in °C; what is left out does not count. */
    kind: z.literal('beyond'),
    side: z.enum(['colder', 'warmer']),
    markC: z.number().min(-150, 'must be at least −150 °C').max(2000, 'must not exceed 2000 °C'),
  }),
]);

export type Shape = z.infer<typeof shapeSchema>;
/** A shape that is drawn; `beyond` follows from the pixels. */
export type DrawnShape = Exclude<Shape, { kind: 'beyond' }>;

/** Columns `from` … `to` (both included) of row `y`. */
export interface Span {
  y: number;
  from: number;
  to: number;
}

/** Half the side of a spot, less the centre: a spot is the mean of 3×3 pixels. */
const SPOT_REACH = 1;

/** The pixels of a shape that lie in a frame of the given size, row by row; empty when none do. */
export function spansOf(shape: DrawnShape, width: number, height: number): Span[] {
  switch (shape.kind) {
    case 'spot':
      return rectangle(shape.x - SPOT_REACH, shape.y - SPOT_REACH, shape.x + SPOT_REACH, shape.y + SPOT_REACH, width, height);
    case 'box':
      return rectangle(shape.x, shape.y, shape.x + shape.width - 1, shape.y + shape.height - 1, width, height);
    case 'line':
      return bresenham(shape.x1, shape.y1, shape.x2, shape.y2, width, height);
    case 'ellipse':
      return ellipseSpans(shape, width, height);
    case 'poly':
      return polygonSpans(shape.points, width, height);
  }
}

/** Pixel centres inside a turned ellipse: in each row the two places where its outline crosses. */
function ellipseSpans(
  { x: cx, y: cy, rx, ry, angle }: Extract<Shape, { kind: 'ellipse' }>,
  width: number,
  height: number,
): Span[] {
  const [cos, sin] = [Math.cos((angle * Math.PI) / 180), Math.sin((angle * Math.PI) / 180)];
  // (x cos + y sin)²/rx² + (y cos − x sin)²/ry² = 1 as a x² + b x y + c y² = 1.
  const a = (cos / rx) ** 2 + (sin / ry) ** 2;
  const b = 2 * cos * sin * (1 / rx ** 2 - 1 / ry ** 2);
  const c = (sin / rx) ** 2 + (cos / ry) ** 2;
  const reach = Math.hypot(rx * sin, ry * cos);
  const spans: Span[] = [];
  for (let y = Math.max(0, Math.ceil(cy - reach)); y <= Math.min(height - 1, Math.floor(cy + reach)); y += 1) {
    const dy = y - cy;
    const root = (b * dy) ** 2 - 4 * a * (c * dy * dy - 1);
    if (root < 0) continue;
    const half = Math.sqrt(root) / (2 * a);
    const middle = cx - (b * dy) / (2 * a);
    const from = Math.max(0, Math.ceil(middle - half));
    const to = Math.min(width - 1, Math.floor(middle + half));
    if (from <= to) spans.push({ y, from, to });
  }
  return spans;
}

/**
 * The pixels of a frame below (or above) a stored value, row by row.
 *
 * @param values - stored values, NaN for no reading
 * @param leftOut - pixels that do not count, 1 each; null for none
 */
export function spansBeyond(
  values: Float32Array,
  width: number,
  side: 'colder' | 'warmer',
  stored: number,
  leftOut: Uint8Array | null,
): Span[] {
  const spans: Span[] = [];
  const sign = side === 'colder' ? -1 : 1;
  for (let row = 0, y = 0; row < values.length; row += width, y += 1) {
    let from = -1;
    for (let x = 0; x <= width; x += 1) {
      const inside = x < width && sign * (values[row + x]! - stored) > 0 && leftOut?.[row + x] !== 1;
      if (inside && from < 0) from = x;
      else if (!inside && from >= 0) {
        spans.push({ y, from, to: x - 1 });
        from = -1;
      }
    }
  }
  return spans;
}

/** Marks the pixels of shapes, 1 each; null when there are none. */
export function maskOf(shapes: readonly Shape[], width: number, height: number): Uint8Array | null {
  if (shapes.length === 0) return null;
  const mask = new Uint8Array(width * height);
  for (const { y, from, to } of spansOfAll(shapes, width, height)) mask.fill(1, y * width + from, y * width + to + 1);
  return mask;
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

/** A pixel's centre so near to an outline lies on it, pixels. */
const ON_OUTLINE = 1e-6;

/**
 * Pixel centres inside by the even-odd rule, and all that lie on the outline: the same ones however the frame is turned.
 */
function polygonSpans(points: [number, number][], width: number, height: number): Span[] {
  const rows = points.map((p) => p[1]);
  const top = Math.max(0, Math.ceil(Math.min(...rows) - ON_OUTLINE));
  const bottom = Math.min(height - 1, Math.floor(Math.max(...rows) + ON_OUTLINE));
  const outline = onOutline(points);
  const spans: Span[] = [];
  for (let y = top; y <= bottom; y += 1) {
    const crossings: number[] = [];
    points.forEach(([ax, ay], k) => {
      const [bx, by] = points[(k + 1) % points.length]!;
      if (ay <= y !== by <= y) crossings.push(ax + ((y - ay) / (by - ay)) * (bx - ax));
    });
    crossings.sort((a, b) => a - b);
    const pieces = (outline.get(y) ?? []).map((x): [number, number] => [x, x]);
    for (let k = 0; k + 1 < crossings.length; k += 2) pieces.push([Math.ceil(crossings[k]!), Math.ceil(crossings[k + 1]!) - 1]);
    addPieces(spans, y, pieces, width);
  }
  return spans;
}

/** Pieces of a row, joined where they touch and cut to the frame. */
function addPieces(spans: Span[], y: number, pieces: [number, number][], width: number): void {
  let last: Span | null = null;
  for (const [left, right] of pieces.filter(([left, right]) => left <= right).sort((a, b) => a[0] - b[0])) {
    const [from, to] = [Math.max(0, left), Math.min(width - 1, right)];
    if (from > to) continue;
    if (last && from <= last.to + 1) last.to = Math.max(last.to, to);
    else spans.push((last = { y, from, to }));
  }
}

/** Columns of the pixel centres that lie on an outline, by row. */
function onOutline(points: readonly (readonly [number, number])[]): Map<number, number[]> {
  const found = new Map<number, number[]>();
  points.forEach(([ax, ay], k) => {
    const [bx, by] = points[(k + 1) % points.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const length = Math.hypot(dx, dy);
    // Along the longer way, so that no centre is passed over.
    const flat = Math.abs(dx) >= Math.abs(dy);
    const [from, to] = flat ? [Math.min(ax, bx), Math.max(ax, bx)] : [Math.min(ay, by), Math.max(ay, by)];
    for (let at = Math.ceil(from - ON_OUTLINE); at <= to + ON_OUTLINE; at += 1) {
      const share = length === 0 ? 0 : flat ? (at - ax) / dx : (at - ay) / dy;
      const [x, y] = flat ? [at, Math.round(ay + share * dy)] : [Math.round(ax + share * dx), at];
      const off = length === 0 ? Math.hypot(x - ax, y - ay) : Math.abs((x - ax) * dy - (y - ay) * dx) / length;
      if (off < ON_OUTLINE) found.set(y, [...(found.get(y) ?? []), x]);
    }
  });
  return found;
}

/** The pixels of several drawn shapes, one after the other. */
export function spansOfAll(shapes: readonly Shape[], width: number, height: number): Span[] {
  return shapes.flatMap((shape) => (shape.kind === 'beyond' ? [] : spansOf(shape, width, height)));
}

/** Refuses a region without a pixel. @throws CoreError `bad_region` */
export function requirePixels(name: string, shape: Shape, spans: Span[], width: number, height: number): Span[] {
  if (spans.length > 0) return spans;
  throw shape.kind === 'beyond'
    ? new CoreError(
        'bad_region',
        `Nothing in the frame is ${shape.side} than the mark of "${name}".`,
        { argument: name, value: shape.markC },
        'Move the mark.',
      )
    : new CoreError(
        'bad_region',
        `Region "${name}" has no pixel inside the frame of ${width} × ${height}.`,
        { argument: name, range: `x 0 … ${width - 1}, y 0 … ${height - 1}` },
        'Move the region into the frame.',
      );
}

/** The smallest box around a drawn shape, in pixels; what is not whole is rounded outward. */
export function boundsOf(shape: DrawnShape): { x: number; y: number; width: number; height: number } {
  switch (shape.kind) {
    case 'spot':
      return { x: shape.x - SPOT_REACH, y: shape.y - SPOT_REACH, width: 2 * SPOT_REACH + 1, height: 2 * SPOT_REACH + 1 };
    case 'box':
      return { x: shape.x, y: shape.y, width: shape.width, height: shape.height };
    case 'line':
      return around([shape.x1, shape.x2], [shape.y1, shape.y2]);
    case 'ellipse': {
      const [cos, sin] = [Math.cos((shape.angle * Math.PI) / 180), Math.sin((shape.angle * Math.PI) / 180)];
      const [dx, dy] = [Math.hypot(shape.rx * cos, shape.ry * sin), Math.hypot(shape.rx * sin, shape.ry * cos)];
      return around([shape.x - dx, shape.x + dx], [shape.y - dy, shape.y + dy]);
    }
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

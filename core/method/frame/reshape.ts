import { boundsOf, type DrawnShape, type Shape } from './region';

/** Moving, growing and turning of shapes: what a hand does to them. Pure; whole pixels stay whole where a shape needs them. */

type Size = { width: number; height: number };

/** The shape moved by whole pixels, held so that it stays inside the frame as far as it fits. */
export function movedShape<S extends DrawnShape>(shape: S, dx: number, dy: number, frame: Size): S {
  const { x, y, width, height } = shape.kind === 'spot' ? { ...shape, width: 1, height: 1 } : boundsOf(shape);
  const hold = (from: number, length: number, room: number, by: number) =>
    Math.max(Math.min(0, -from), Math.min(Math.max(0, room - length - from), by));
  return shifted(shape, hold(x, width, frame.width, dx), hold(y, height, frame.height, dy));
}

function shifted<S extends DrawnShape>(shape: S, dx: number, dy: number): S {
  switch (shape.kind) {
    case 'line':
      return { ...shape, x1: shape.x1 + dx, y1: shape.y1 + dy, x2: shape.x2 + dx, y2: shape.y2 + dy };
    case 'poly':
      return { ...shape, points: shape.points.map(([x, y]): [number, number] => [x + dx, y + dy]) };
    default:
      return { ...shape, x: shape.x + dx, y: shape.y + dy };
  }
}

/** The shape made wider and higher by so many pixels at its lower right; a spot has one size. */
export function grownShape(shape: DrawnShape, dx: number, dy: number): DrawnShape {
  switch (shape.kind) {
    case 'spot':
      return shape;
    case 'box':
      return { ...shape, width: Math.max(2, shape.width + dx), height: Math.max(2, shape.height + dy) };
    case 'ellipse':
      return { ...shape, rx: Math.max(1, shape.rx + dx / 2), ry: Math.max(1, shape.ry + dy / 2) };
    case 'line':
      return { ...shape, x2: shape.x2 + dx, y2: shape.y2 + dy };
    case 'poly': {
      const { x, y, width, height } = boundsOf(shape);
      const grow = (length: number, by: number) => Math.max(1, length - 1 + by) / Math.max(1, length - 1);
      const [fx, fy] = [grow(width, dx), grow(height, dy)];
      return { ...shape, points: shape.points.map(([px, py]): [number, number] => [x + (px - x) * fx, y + (py - y) * fy]) };
    }
  }
}

/** The shape turned about its middle, degrees from x towards y. A box that is turned becomes a polygon; a spot stays. */
export function turnedShape(shape: DrawnShape, degrees: number): DrawnShape {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  const about = (cx: number, cy: number, x: number, y: number): [number, number] => [
    cx + (x - cx) * cos - (y - cy) * sin,
    cy + (x - cx) * sin + (y - cy) * cos,
  ];
  switch (shape.kind) {
    case 'spot':
      return shape;
    case 'ellipse':
      return { ...shape, angle: (((shape.angle + degrees) % 180) + 180) % 180 };
    case 'line': {
      const [cx, cy] = [(shape.x1 + shape.x2) / 2, (shape.y1 + shape.y2) / 2];
      const [x1, y1] = about(cx, cy, shape.x1, shape.y1).map(Math.round) as [number, number];
      const [x2, y2] = about(cx, cy, shape.x2, shape.y2).map(Math.round) as [number, number];
      return { kind: 'line', x1, y1, x2, y2 };
    }
    case 'box':
      return turnedShape({ kind: 'poly', points: outlineOf(shape) }, degrees);
    case 'poly': {
      const cx = shape.points.reduce((sum, [x]) => sum + x, 0) / shape.points.length;
      const cy = shape.points.reduce((sum, [, y]) => sum + y, 0) / shape.points.length;
      return { kind: 'poly', points: shape.points.map(([x, y]) => about(cx, cy, x, y)) };
    }
  }
}

const ELLIPSE_POINTS = 48;

/** Corners of a shape's outline in frame pixels, around areas closed by their first point; of a line its two ends. */
export function outlineOf(shape: DrawnShape): [number, number][] {
  switch (shape.kind) {
    case 'line':
      return [
        [shape.x1, shape.y1],
        [shape.x2, shape.y2],
      ];
    case 'poly':
      return shape.points;
    case 'ellipse':
      return Array.from({ length: ELLIPSE_POINTS }, (_, i): [number, number] => {
        const t = (2 * Math.PI * i) / ELLIPSE_POINTS;
        const [along, across] = [shape.rx * Math.cos(t), shape.ry * Math.sin(t)];
        const [cos, sin] = [Math.cos((shape.angle * Math.PI) / 180), Math.sin((shape.angle * Math.PI) / 180)];
        return [shape.x + along * cos - across * sin, shape.y + along * sin + across * cos];
      });
    case 'spot':
    case 'box': {
      // Pixels are squares around their centres: the outline runs along their outer edges.
      const { x, y, width, height } = boundsOf(shape);
      const [left, top, right, bottom] = [x - 0.5, y - 0.5, x + width - 0.5, y + height - 0.5];
      return [
        [left, top],
        [right, top],
        [right, bottom],
        [left, bottom],
      ];
    }
  }
}

/** How a frame is turned or mirrored. */
export type Turn = 'left' | 'right' | 'half' | 'mirror';

/**
 * A frame's pixels after a turn.
 *
 * @returns new values with their size; the pixels are the same ones, nowhere computed anew
 */
export function turnedPixels(values: Float32Array, width: number, height: number, turn: Turn): Size & { values: Float32Array } {
  const size = turn === 'left' || turn === 'right' ? { width: height, height: width } : { width, height };
  const out = new Float32Array(values.length);
  for (let y = 0, i = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1, i += 1) {
      const [tx, ty] = turnedPoint(x, y, width, height, turn);
      out[ty * size.width + tx] = values[i]!;
    }
  }
  return { ...size, values: out };
}

/** Where a place of a frame lies after a turn. */
export function turnedPoint(x: number, y: number, width: number, height: number, turn: Turn): [number, number] {
  switch (turn) {
    case 'left':
      return [y, width - 1 - x];
    case 'right':
      return [height - 1 - y, x];
    case 'half':
      return [width - 1 - x, height - 1 - y];
    case 'mirror':
      return [width - 1 - x, y];
  }
}

/** A shape on a frame that was turned: over the same pixels as before. */
export function shapeAfterTurn(shape: Shape, width: number, height: number, turn: Turn): Shape {
  const to = (x: number, y: number) => turnedPoint(x, y, width, height, turn);
  switch (shape.kind) {
    case 'beyond':
      return shape;
    case 'spot': {
      const [x, y] = to(shape.x, shape.y);
      return { kind: 'spot', x, y };
    }
    case 'box': {
      const [ax, ay] = to(shape.x, shape.y);
      const [bx, by] = to(shape.x + shape.width - 1, shape.y + shape.height - 1);
      return {
        kind: 'box',
        x: Math.min(ax, bx),
        y: Math.min(ay, by),
        width: Math.abs(ax - bx) + 1,
        height: Math.abs(ay - by) + 1,
      };
    }
    case 'line': {
      const [x1, y1] = to(shape.x1, shape.y1);
      const [x2, y2] = to(shape.x2, shape.y2);
      return { kind: 'line', x1, y1, x2, y2 };
    }
    case 'ellipse': {
      const [x, y] = to(shape.x, shape.y);
      const by = { left: -90, right: 90, half: 180, mirror: 0 }[turn];
      const angle = turn === 'mirror' ? 180 - shape.angle : shape.angle + by;
      return { ...shape, x, y, angle: ((angle % 180) + 180) % 180 };
    }
    case 'poly':
      return { kind: 'poly', points: shape.points.map(([x, y]) => to(x, y)) };
  }
}

import { boundsOf, type DrawnShape, type Shape } from '@core/method/frame/region';
import { movedShape, outlineOf } from '@core/method/frame/reshape';
import { markBox, type Placement } from '@core/paper/markPath';
import { pixelAt, type Size } from '@ui/picture/placement';
import type { DrawingTool } from '../view';

/** What a drag on the picture is doing, and the shape that it would leave behind. Pure, for the stage and its tests. */

export type Point = { x: number; y: number };

export type Grip =
  | { kind: 'draw'; from: Point }
  | { kind: 'move'; regionId: string; shape: DrawnShape; from: Point }
  | { kind: 'handle'; regionId: string; shape: DrawnShape; handle: number }
  | { kind: 'pan'; placement: Placement };

/** Reach of a handle, CSS pixels: large enough for a finger. */
const HANDLE_REACH = 14;
/** Reach around thin shapes. */
const THIN_REACH = 12;

/** Where a shape can be taken to change it, in frame pixels: corners of boxes and polygons, ends of lines, axes of ellipses. */
export function handlesOf(shape: DrawnShape): [number, number][] {
  switch (shape.kind) {
    case 'spot':
      return [];
    case 'ellipse': {
      const [cos, sin] = [Math.cos((shape.angle * Math.PI) / 180), Math.sin((shape.angle * Math.PI) / 180)];
      return [
        [shape.x + shape.rx * cos, shape.y + shape.rx * sin],
        [shape.x - shape.ry * sin, shape.y + shape.ry * cos],
      ];
    }
    default:
      return outlineOf(shape);
  }
}

/** A place of the frame on the screen; places are pixel centres. */
export function onScreen([x, y]: readonly [number, number], placement: Placement): Point {
  return { x: placement.x + (x + 0.5) * placement.zoom, y: placement.y + (y + 0.5) * placement.zoom };
}

export function handleAt(at: Point, shape: DrawnShape, placement: Placement): number | null {
  const found = handlesOf(shape).findIndex((handle) => {
    const { x, y } = onScreen(handle, placement);
    return Math.abs(at.x - x) <= HANDLE_REACH && Math.abs(at.y - y) <= HANDLE_REACH;
  });
  return found < 0 ? null : found;
}

/** The smallest of the regions under a screen point: a box inside a box can be reached. */
export function regionUnder<R extends { id: string; shape: Shape }>(
  at: Point,
  regions: readonly R[],
  placement: Placement,
): R | null {
  const under = regions
    .filter(({ shape }) => shape.kind !== 'beyond' && isUnder(at, shape, placement))
    .map((region) => ({ region, box: markBox({ shape: region.shape }, placement) }))
    .sort((a, b) => a.box.width * a.box.height - b.box.width * b.box.height);
  return under[0]?.region ?? null;
}

function isUnder(at: Point, shape: DrawnShape, placement: Placement): boolean {
  const box = markBox({ shape }, placement);
  const reach = shape.kind === 'spot' || shape.kind === 'line' ? THIN_REACH : 4;
  const inBox =
    at.x >= box.x - reach && at.x <= box.x + box.width + reach && at.y >= box.y - reach && at.y <= box.y + box.height + reach;
  if (!inBox || shape.kind !== 'line') return inBox;
  const [a, b] = outlineOf(shape).map((end) => onScreen(end, placement)) as [Point, Point];
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  return Math.abs((at.x - a.x) * (b.y - a.y) - (at.y - a.y) * (b.x - a.x)) / length <= THIN_REACH;
}

/** The shape that a drag would leave behind; null while it is none yet. */
export function shapeFrom(
  grip: Grip,
  at: Point,
  tool: 'select' | DrawingTool,
  size: Size,
  placement: Placement,
): DrawnShape | null {
  const pixel = pixelAt(at, placement, size);
  switch (grip.kind) {
    case 'draw':
      return drawn(tool, grip.from, pixel);
    case 'move':
      return movedShape(grip.shape, pixel.x - grip.from.x, pixel.y - grip.from.y, size);
    case 'handle':
      return pulled(grip.shape, grip.handle, pixel);
    case 'pan':
      return null;
  }
}

/** What a tool makes of two pixels; null for what is no shape yet. A polygon is made of corners, one by one. */
export function drawn(tool: 'select' | DrawingTool, from: Point, to: Point): DrawnShape | null {
  switch (tool) {
    case 'spot':
      return { kind: 'spot', ...to };
    case 'box':
    case 'leaveOut':
      return boxBetween(from, to);
    case 'ellipse': {
      const box = boxBetween(from, to);
      if (!box) return null;
      const [rx, ry] = [box.width / 2, box.height / 2];
      return { kind: 'ellipse', x: box.x + rx - 0.5, y: box.y + ry - 0.5, rx, ry, angle: 0 };
    }
    case 'line':
    case 'length':
      return Math.hypot(to.x - from.x, to.y - from.y) < 2 ? null : { kind: 'line', x1: from.x, y1: from.y, x2: to.x, y2: to.y };
    default:
      return null;
  }
}

function boxBetween(a: Point, b: Point): Extract<DrawnShape, { kind: 'box' }> | null {
  const width = Math.abs(a.x - b.x) + 1;
  const height = Math.abs(a.y - b.y) + 1;
  // A click is no box.
  if (width < 2 || height < 2) return null;
  return { kind: 'box', x: Math.min(a.x, b.x), y: Math.min(a.y, b.y), width, height };
}

function pulled(shape: DrawnShape, handle: number, to: Point): DrawnShape | null {
  switch (shape.kind) {
    case 'spot':
      return null;
    case 'box': {
      const { x, y, width, height } = boundsOf(shape);
      // The corner opposite stays.
      const fixed = { x: handle === 0 || handle === 3 ? x + width - 1 : x, y: handle < 2 ? y + height - 1 : y };
      return boxBetween(fixed, to);
    }
    case 'line':
      return handle === 0 ? { ...shape, x1: to.x, y1: to.y } : { ...shape, x2: to.x, y2: to.y };
    case 'poly':
      return { ...shape, points: shape.points.map((point, i): [number, number] => (i === handle ? [to.x, to.y] : point)) };
    case 'ellipse': {
      const [dx, dy] = [to.x - shape.x, to.y - shape.y];
      const reach = Math.max(1, Math.hypot(dx, dy));
      const turned = (Math.atan2(dy, dx) * 180) / Math.PI;
      // The first axis turns the ellipse as well; the second only makes it wider.
      return handle === 0 ? { ...shape, rx: reach, angle: ((turned % 180) + 180) % 180 } : { ...shape, ry: reach };
    }
  }
}

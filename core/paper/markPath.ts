import { boundsOf, type Shape, type Span } from '../method/frame/region';
import { outlineOf } from '../method/frame/reshape';
import type { Box } from './placeLabels';

/** Where a frame lies on a surface: place = offset + frame pixel × zoom. */
export interface Placement {
  x: number;
  y: number;
  zoom: number;
}

/** A shape on a picture, with its pixels where they do not follow from its form. */
export interface MarkShape {
  shape: Shape;
  /** Pixels of what lies beyond a mark; of no use to drawn shapes. */
  spans?: readonly Span[] | undefined;
}

/** A shape's bounds on the surface; pixels are squares around their centres. */
export function markBox({ shape, spans = [] }: MarkShape, placement: Placement): Box {
  const bounds = shape.kind === 'beyond' ? spansBox(spans) : boundsOf(shape);
  return {
    x: placement.x + bounds.x * placement.zoom,
    y: placement.y + bounds.y * placement.zoom,
    width: bounds.width * placement.zoom,
    height: bounds.height * placement.zoom,
  };
}

function spansBox(spans: readonly Span[]): Box {
  if (spans.length === 0) return { x: 0, y: 0, width: 0, height: 0 };
  const left = spans.reduce((least, { from }) => Math.min(least, from), Infinity);
  const right = spans.reduce((most, { to }) => Math.max(most, to), 0);
  const top = spans[0]!.y;
  return { x: left, y: top, width: right - left + 1, height: spans.at(-1)!.y - top + 1 };
}

/**
 * A shape as the path of an SVG: a cross for a spot, its outline for what is drawn, its filled pixels for what lies beyond
 * a mark.
 */
export function markPath(mark: MarkShape, placement: Placement): string {
  const { shape, spans = [] } = mark;
  const { x: left, y: top, zoom } = placement;
  if (shape.kind === 'beyond') {
    return spans
      .map(
        ({ y, from, to }) =>
          `M${left + from * zoom} ${top + y * zoom}h${(to - from + 1) * zoom}v${zoom}h${(from - to - 1) * zoom}z`,
      )
      .join('');
  }
  if (shape.kind === 'spot') {
    const box = markBox(mark, placement);
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    const r = Math.max(5, box.width / 2);
    return `M${x - r - 4} ${y}h${r}M${x + 4} ${y}h${r}M${x} ${y - r - 4}v${r}M${x} ${y + 4}v${r}`;
  }
  const points = outlineOf(shape).map(([x, y]) => `${left + (x + 0.5) * zoom} ${top + (y + 0.5) * zoom}`);
  return `M${points.join('L')}${shape.kind === 'line' ? '' : 'z'}`;
}

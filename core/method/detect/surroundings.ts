import type { Place, LookedThrough } from './places';
import type { Shape } from './shape';
import { isPane } from './pane';
import { inBox, type PixelBox } from './rectangle';

/** Where the strongest end of a place lies. */
export type Begins = 'opening' | 'junction' | 'rim' | 'object' | 'free';

/** How a place lies among what else is in the picture. */
export interface Surroundings {
  begins: Begins;
  /** How many of its upright sides lie on lines of the framing; null where there is no framing. */
  onFraming: 0 | 1 | 2 | null;
  /** It lies within a sharp rectangle, or fills most of one that differs from the surface: a pane, a shiny plate. */
  within: 'pane' | 'plate' | null;
  /** Its upper end reaches the upper end of the surface in view. */
  atTop: boolean;
  /** Others of its sign, size and form near it. */
  alike: number;
}

/** Near is this share of the working grid's width, and at least so many pixels. */
const NEAR = 0.015;
const NEAR_PIXELS = 3;
/** A side lies on a line of the framing within this share of the distance between lines. */
const ON_LINE = 0.16;

export function surroundingsOf(
  place: Place,
  shape: Shape,
  look: Pick<LookedThrough, 'factor' | 'picture' | 'background' | 'asides' | 'places'>,
): Surroundings {
  const { factor, picture, background } = look;
  const near = Math.max(NEAR_PIXELS, NEAR * picture.width);
  const at = { x: (shape.extremeAt.x + 0.5) / factor - 0.5, y: (shape.extremeAt.y + 0.5) / factor - 0.5 };
  const bounds: PixelBox = {
    left: shape.bbox.x / factor,
    right: (shape.bbox.x + shape.bbox.width - 1) / factor,
    top: shape.bbox.y / factor,
    bottom: (shape.bbox.y + shape.bbox.height - 1) / factor,
  };
  const others = look.places.filter((other) => other !== place);
  const boxes = others.flatMap(({ box, framed }) => framed ?? box ?? []);
  const edges = [...background.junctions.map(({ at: row }) => row), ...background.steps];
  const onEdge = edges.some((row) => Math.abs(row - at.y) <= 2 * near);
  return {
    begins: beginsAt(),
    onFraming: framingSides(bounds, look),
    within: withinOf(place, bounds, others),
    atTop: bounds.top <= near || edges.some((row) => Math.abs(row - bounds.top) <= 2 * near),
    alike: others.filter((other) => alikeNear(place, other, shape, factor)).length,
  };

  function beginsAt(): Begins {
    if (place.cutFrom || boxes.some((box) => inBox(box, at.x, at.y, 2 * near) && !inBox(box, at.x, at.y, -near)))
      return 'opening';
    if (onEdge) return 'junction';
    const objects = look.asides.filter(({ kind }) => kind === 'hot-object');
    if (objects.some((box) => inBox(box, at.x, at.y, 3 * near))) return 'object';
    if (at.x <= near || at.y <= near || at.x >= picture.width - 1 - near || at.y >= picture.height - 1 - near) return 'rim';
    return 'free';
  }
}

function framingSides({ left, right }: PixelBox, { background }: Pick<LookedThrough, 'background'>): 0 | 1 | 2 | null {
  const framing = background.framing;
  if (!framing || framing.run !== 'down') return null;
  const first = framing.lines[0]!.at;
  const away = (x: number) => {
    const places = (x - first) / framing.spacing;
    return Math.abs(places - Math.round(places));
  };
  return [left, right].filter((x) => away(x) <= ON_LINE).length as 0 | 1 | 2;
}

function withinOf(place: Place, bounds: PixelBox, others: readonly Place[]): Surroundings['within'] {
  const [x, y] = [(bounds.left + bounds.right) / 2, (bounds.top + bounds.bottom) / 2];
  for (const other of others) {
    const box = other.framed ?? other.box;
    if (!box || !inBox(box, x, y, 0)) continue;
    const larger = (box.right - box.left) * (box.bottom - box.top) > (bounds.right - bounds.left) * (bounds.bottom - bounds.top);
    if (larger) return isPane(other) ? 'pane' : other.extent.flat >= 0.62 ? 'plate' : null;
  }
  return place.plate ? 'plate' : null;
}

function alikeNear(place: Place, other: Place, shape: Shape, factor: number): boolean {
  if (other.sign !== place.sign || other.box || place.box) return false;
  const ratio = other.extent.area / place.extent.area;
  if (ratio < 0.2 || ratio > 5) return false;
  const size = Math.sqrt(place.extent.area);
  const at = other.extent.rows[other.extent.rows.length >> 1]!;
  return Math.hypot((at.from + at.to) / 2 - shape.centroid.x, at.y - shape.centroid.y) < Math.max(8 * factor, 6 * size);
}

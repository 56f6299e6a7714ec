import type { PointM, Pose, SceneCamera, SeenPoint } from './surface';

/**
 * Which point of the surface each pixel looks at: a pinhole camera that stands before the surface, perhaps aside, and
 * turns to what it aims at. Seen from aside, what is farther away is smaller.
 */
export interface Pinhole {
  /**
   * @param x - pixels from the left, fractions allowed
   * @param y - pixels from the top
   * @param at - receives the point and what the pixel takes in of it, m
   * @returns false when the pixel looks past the surface's plane
   */
  look(x: number, y: number, at: SeenPoint): boolean;
  /** Where the camera would see itself in the surface, were it a mirror, m. */
  foot: PointM;
  /** From square on, degrees, in the middle of the picture. */
  slant: number;
}

/** @param columns - pixels across; @param rows - pixels down, of the same field of view */
export function pinhole(
  { aim, distance, aside }: Pose,
  { fieldDeg }: Pick<SceneCamera, 'fieldDeg'>,
  columns: number,
  rows: number,
): Pinhole {
  const turn = Math.atan2(aside, distance);
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  const perPixel = (2 * Math.tan((fieldDeg * Math.PI) / 360)) / columns;
  // Standing `aside` to the right, it looks to the left: depth runs along (−sin, cos), across along (cos, sin).
  const from = { x: aim.x + aside, y: aim.y };
  return {
    look(x, y, at) {
      const across = (x + 0.5 - columns / 2) * perPixel;
      const down = (y + 0.5 - rows / 2) * perPixel;
      const deep = cos + across * sin;
      if (deep <= 0.02) return false;
      const reach = distance / deep;
      at.x = from.x + reach * (across * cos - sin);
      at.y = from.y + reach * down;
      at.high = reach * perPixel;
      at.wide = at.high / deep;
      at.cos = deep / Math.sqrt(1 + across * across + down * down);
      return true;
    },
    foot: from,
    slant: (turn * 180) / Math.PI,
  };
}

/** A point to look with. */
export const unseenPoint = (): SeenPoint => ({ x: 0, y: 0, wide: 0, high: 0, cos: 1 });

/** The distance from which so much is in view, square on, m. */
export function poseFor(viewWidth: number, aim: PointM, camera: Pick<SceneCamera, 'fieldDeg'>): Pose {
  return { aim, distance: viewWidth / (2 * Math.tan((camera.fieldDeg * Math.PI) / 360)), aside: 0 };
}

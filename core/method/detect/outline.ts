import type { Span } from '../frame/region';

/** A corner of an outline: pixels, where x and y of a pixel's centre are whole numbers. */
export type Corner = [x: number, y: number];

const MOST_CORNERS = 60;

/**
 * The outline of the largest connected part of a mask, as a polygon that holds its pixels.
 *
 * @param rows - from the top left
 * @param tolerance - how far the polygon may stray from the pixels' edges, pixels
 * @returns at most 60 corners; empty for no rows
 */
export function outlineOfRows(rows: readonly Span[], tolerance = 0.8): Corner[] {
  if (rows.length === 0) return [];
  const edges = borderOf(rows);
  let allowed = tolerance;
  let outline = simplified(edges, allowed);
  while (outline.length > MOST_CORNERS) {
    allowed *= 1.5;
    outline = simplified(edges, allowed);
  }
  // A pixel or a thin line has no corners left: its edges as they are.
  if (outline.length < 4) outline = simplified(edges, 0);
  return outline.map(([x, y]) => [x - 0.5, y - 0.5]);
}

/** Walks around the pixels from the first one of the longest border, with the mask on the right; corners of pixels. */
function borderOf(rows: readonly Span[]): Corner[] {
  let [left, right] = [Infinity, -Infinity];
  for (const { from, to } of rows) {
    left = Math.min(left, from);
    right = Math.max(right, to);
  }
  const top = rows[0]!.y;
  const [wide, high] = [right - left + 1, rows.at(-1)!.y - top + 1];
  const mask = new Uint8Array(wide * high);
  for (const { y, from, to } of rows) mask.fill(1, (y - top) * wide + from - left, (y - top) * wide + to - left + 1);
  const inside = (x: number, y: number) => x >= 0 && y >= 0 && x < wide && y < high && mask[y * wide + x] === 1;
  const walked = new Uint8Array((wide + 1) * (high + 1));
  let longest: Corner[] = [];
  for (let y = 0; y < high; y += 1) {
    for (let x = 0; x < wide; x += 1) {
      // The upper edge of a pixel that begins a border: eastwards along it.
      if (!inside(x, y) || inside(x, y - 1) || walked[y * (wide + 1) + x]) continue;
      const border: Corner[] = [];
      let [cx, cy, dx, dy] = [x, y, 1, 0];
      do {
        if (dx === 1) walked[cy * (wide + 1) + cx] = 1;
        border.push([cx + left, cy + top]);
        [cx, cy] = [cx + dx, cy + dy];
        // Pixels ahead, to the left and to the right of the way.
        const ahead = (side: -1 | 1): boolean => {
          const px = dx === 1 ? cx : dx === -1 ? cx - 1 : side * -dy > 0 ? cx : cx - 1;
          const py = dy === 1 ? cy : dy === -1 ? cy - 1 : side * dx > 0 ? cy : cy - 1;
          return inside(px, py);
        };
        if (!ahead(1)) [dx, dy] = [-dy, dx];
        else if (ahead(-1)) [dx, dy] = [dy, -dx];
      } while ((cx !== x || cy !== y || dx !== 1) && border.length < 4 * wide * high + 4);
      if (border.length > longest.length) longest = border;
    }
  }
  return longest;
}

/** Leaves out corners that lie within a tolerance of the straight line between others (Douglas & Peucker 1973), on a closed line. */
function simplified(points: readonly Corner[], tolerance: number): Corner[] {
  if (points.length < 4) return [...points];
  let far = 0;
  for (let i = 1; i < points.length; i += 1) if (distance(points[i]!, points[0]!) > distance(points[far]!, points[0]!)) far = i;
  const kept = new Uint8Array(points.length);
  kept[0] = 1;
  kept[far] = 1;
  const open: [number, number][] = [
    [0, far],
    [far, points.length],
  ];
  for (let span = open.pop(); span; span = open.pop()) {
    const [a, b] = span;
    let [worst, most] = [-1, tolerance];
    for (let i = a + 1; i < b; i += 1) {
      const off = offLine(points[i]!, points[a]!, points[b % points.length]!);
      if (off > most) [worst, most] = [i, off];
    }
    if (worst < 0) continue;
    kept[worst] = 1;
    open.push([a, worst], [worst, b]);
  }
  return points.filter((_, i) => kept[i] === 1);
}

function distance([ax, ay]: Corner, [bx, by]: Corner): number {
  return Math.hypot(ax - bx, ay - by);
}

function offLine(p: Corner, a: Corner, b: Corner): number {
  const length = distance(a, b);
  if (length === 0) return distance(p, a);
  return Math.abs((b[0] - a[0]) * (a[1] - p[1]) - (a[0] - p[0]) * (b[1] - a[1])) / length;
}

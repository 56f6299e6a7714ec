import type { Span } from '../frame/region';
import type { Extent } from './extent';
import type { Grid } from '../../ground/grid';
import { quantileOf } from '../../ground/median';

/** The form of a place, measured in the frame's own pixels. */
export interface Shape {
  /** Length over width along its own way, whether straight or bent. */
  slender: number;
  /** Its width, pixels. */
  width: number;
  /** Spread of its width along its way over the width itself: even lines have next to none. */
  unevenWidth: number;
  /** How far it strays from a straight line, over its length: 0 is straight. */
  bent: number;
  /** Direction of its long axis, degrees from level, 0 … 90. */
  slope: number;
  /** Its strongest end lies at the rim and the rest runs out from there: −1 … 1, the correlation of contrast with nearness to it. */
  runsOut: number;
  /** How far its contrast takes to fall at the rim, over its width: small is sharp. */
  soft: number;
  /** How far that is, pixels. */
  softPx: number;
  /** Share of its convex outline that it fills: 1 has no bays. */
  solid: number;
  /** Contrast of its middle over its strongest. */
  flat: number;
  /** Unrest inside over its peak, after a slope is taken off. */
  blotchy: number;
  /** Rims of the picture that it touches. */
  rims: { left: boolean; right: boolean; top: boolean; bottom: boolean };
  /** It goes from one rim to the opposite one. */
  through: boolean;
  bbox: { x: number; y: number; width: number; height: number };
  centroid: { x: number; y: number };
  /** Where it is strongest. */
  extremeAt: { x: number; y: number };
}

/** Measures the form of a place. @param fine - contrast in the frame's own pixels */
export function shapeOf(fine: Grid, extent: Extent, sign: -1 | 1): Shape {
  const { rows, area, peak, flat } = extent;
  const bounds = boundsOfRows(rows);
  const { left, top } = bounds;
  const [wide, high] = [bounds.right - left + 1, bounds.bottom - top + 1];
  const moments = momentsOf(rows);
  const depth = depthOf(rows, left - 1, top - 1, wide + 2, high + 2, fine);
  const width = widthOf(depth);
  const slender = area / Math.max(1, width.middle ** 2);
  const strength = (x: number, y: number) => sign * fine.values[y * fine.width + x]!;
  const extremeAt = strongestAt(rows, strength, fine);
  const rims = {
    left: left <= 1,
    right: bounds.right >= fine.width - 2,
    top: top <= 1,
    bottom: bounds.bottom >= fine.height - 2,
  };
  const softPx = fallOf(rows, fine, peak, flat);
  return {
    slender,
    width: width.middle,
    unevenWidth: width.spread / Math.max(1, width.middle),
    bent: Math.sqrt(Math.max(0, moments.minor)) / Math.sqrt(Math.max(1, moments.major)),
    slope: moments.slope,
    runsOut: runOut(rows, strength, extremeAt, moments),
    soft: softPx / Math.max(1, width.middle),
    softPx,
    solid: area / Math.max(area, hullArea(rows)),
    flat,
    blotchy: unrest(rows, strength, depth, left - 1, top - 1) / peak,
    rims,
    through: (rims.left && rims.right) || (rims.top && rims.bottom),
    bbox: { x: left, y: top, width: wide, height: high },
    centroid: { x: moments.x, y: moments.y },
    extremeAt,
  };
}

function boundsOfRows(rows: readonly Span[]) {
  let [left, right] = [Infinity, -Infinity];
  for (const { from, to } of rows) {
    left = Math.min(left, from);
    right = Math.max(right, to);
  }
  return { left, right, top: rows[0]!.y, bottom: rows.at(-1)!.y };
}

interface Moments {
  x: number;
  y: number;
  major: number;
  minor: number;
  /** Unit vector along the long axis. */
  along: [number, number];
  slope: number;
}

function momentsOf(rows: readonly Span[]): Moments {
  let [n, sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0, 0];
  for (const { y, from, to } of rows) {
    const k = to - from + 1;
    const mean = (from + to) / 2;
    n += k;
    sx += k * mean;
    sy += k * y;
    syy += k * y * y;
    sxy += k * mean * y;
    sxx += k * (mean * mean + (k * k - 1) / 12);
  }
  const [x, y] = [sx / n, sy / n];
  const [vx, vy, vxy] = [sxx / n - x * x, syy / n - y * y, sxy / n - x * y];
  const half = Math.hypot((vx - vy) / 2, vxy);
  const angle = 0.5 * Math.atan2(2 * vxy, vx - vy);
  const slope = Math.abs((angle * 180) / Math.PI);
  return {
    x,
    y,
    major: (vx + vy) / 2 + half,
    minor: (vx + vy) / 2 - half,
    along: [Math.cos(angle), Math.sin(angle)],
    slope: slope > 90 ? 180 - slope : slope,
  };
}

/** Depth of each pixel below the rim of a mask, in pixels (chamfer 1, √2); beyond the picture is inside. */
function depthOf(
  rows: readonly Span[],
  left: number,
  top: number,
  wide: number,
  high: number,
  frame: Pick<Grid, 'width' | 'height'>,
) {
  const depth = new Float32Array(wide * high);
  for (const { y, from, to } of rows) depth.fill(1e6, (y - top) * wide + from - left, (y - top) * wide + to - left + 1);
  // The picture's own rim is no rim of the place.
  for (let y = 0; y < high; y += 1) {
    for (let x = 0; x < wide; x += 1) {
      const [fx, fy] = [x + left, y + top];
      if (fx >= 0 && fy >= 0 && fx < frame.width && fy < frame.height) continue;
      const nx = Math.max(0, Math.min(frame.width - 1, fx)) - left;
      const ny = Math.max(0, Math.min(frame.height - 1, fy)) - top;
      if (depth[ny * wide + nx]! > 0) depth[y * wide + x] = 1e6;
    }
  }
  for (let y = 1; y < high; y += 1) {
    for (let x = 1; x < wide - 1; x += 1) {
      const i = y * wide + x;
      if (depth[i])
        depth[i] = Math.min(
          depth[i]!,
          depth[i - 1]! + 1,
          depth[i - wide]! + 1,
          depth[i - wide - 1]! + 1.41,
          depth[i - wide + 1]! + 1.41,
        );
    }
  }
  for (let y = high - 2; y >= 0; y -= 1) {
    for (let x = wide - 2; x > 0; x -= 1) {
      const i = y * wide + x;
      if (depth[i])
        depth[i] = Math.min(
          depth[i]!,
          depth[i + 1]! + 1,
          depth[i + wide]! + 1,
          depth[i + wide - 1]! + 1.41,
          depth[i + wide + 1]! + 1.41,
        );
    }
  }
  return { depth, wide, high };
}

/** Width from the mean depth: a strip is four times as wide as its pixels lie deep; its spread along the ridge. */
function widthOf({ depth, wide, high }: ReturnType<typeof depthOf>): { middle: number; spread: number } {
  const ridge: number[] = [];
  let [sum, count] = [0, 0];
  for (let y = 1; y < high - 1; y += 1) {
    for (let x = 1; x < wide - 1; x += 1) {
      const i = y * wide + x;
      const d = depth[i]!;
      if (d === 0 || d > 1e5) continue;
      sum += d - 0.5;
      count += 1;
      const most = Math.max(depth[i - 1]!, depth[i + 1]!, depth[i - wide]!, depth[i + wide]!);
      if (d >= most - 0.5 && d >= Math.min(depth[i - 1]!, depth[i + 1]!) && d >= Math.min(depth[i - wide]!, depth[i + wide]!))
        ridge.push(2 * d - 1);
    }
  }
  if (count === 0) return { middle: Math.max(1, Math.min(wide, high) - 2), spread: 0 };
  const middle = Math.max(1, (4 * sum) / count);
  const thick = Float32Array.from(ridge.filter((width) => width >= 0.5 * middle)).sort();
  if (thick.length === 0) return { middle, spread: 0 };
  return { middle, spread: (thick[Math.floor(0.9 * (thick.length - 1))]! - thick[Math.floor(0.3 * (thick.length - 1))]!) / 2 };
}

function strongestAt(
  rows: readonly Span[],
  strength: (x: number, y: number) => number,
  { width, height }: Pick<Grid, 'width' | 'height'>,
) {
  let best = -Infinity;
  let found = { x: rows[0]!.from, y: rows[0]!.y };
  for (const { y, from, to } of rows) {
    for (let x = from; x <= to; x += 1) {
      // Of three by three pixels, so that noise does not decide.
      const near =
        strength(x, y) +
        strength(Math.max(0, x - 1), y) +
        strength(Math.min(width - 1, x + 1), y) +
        strength(x, Math.max(0, y - 1)) +
        strength(x, Math.min(height - 1, y + 1));
      if (near <= best) continue;
      best = near;
      found = { x, y };
    }
  }
  return found;
}

/** How far the contrast takes from 80 to 20 % of its height where it falls at the rim, pixels: from its slope along the rim. */
function fallOf(rows: readonly Span[], { width, height, values }: Grid, peak: number, flat: number): number {
  const slopes: number[] = [];
  const take = (x: number, y: number) => {
    if (x < 1 || y < 1 || x >= width - 1 || y >= height - 1) return;
    const i = y * width + x;
    slopes.push(Math.hypot(values[i + 1]! - values[i - 1]!, values[i + width]! - values[i - width]!) / 2);
  };
  for (const { y, from, to } of rows) {
    take(from, y);
    if (to !== from) take(to, y);
  }
  if (slopes.length === 0) return 1;
  const steep = quantileOf(Float32Array.from(slopes), 0.5);
  return (0.6 * peak * Math.max(0.5, flat)) / Math.max(1e-3, steep);
}

/** Correlation of contrast with nearness to the strongest place, if that lies at an end of the long axis. */
function runOut(
  rows: readonly Span[],
  strength: (x: number, y: number) => number,
  extreme: { x: number; y: number },
  { x: cx, y: cy, major, along }: Moments,
): number {
  const end = ((extreme.x - cx) * along[0] + (extreme.y - cy) * along[1]) / Math.sqrt(Math.max(1, major));
  let [n, sa, sb, saa, sbb, sab] = [0, 0, 0, 0, 0, 0];
  for (const { y, from, to } of rows) {
    for (let x = from; x <= to; x += 1) {
      const a = Math.hypot(x - extreme.x, y - extreme.y);
      const b = strength(x, y);
      n += 1;
      sa += a;
      sb += b;
      saa += a * a;
      sbb += b * b;
      sab += a * b;
    }
  }
  const spread = Math.sqrt((saa / n - (sa / n) ** 2) * (sbb / n - (sb / n) ** 2));
  if (!(spread > 1e-9)) return 0;
  const correlation = -(sab / n - (sa / n) * (sb / n)) / spread;
  // In the middle it is a hill, at the end it runs out.
  return correlation * Math.min(1, Math.abs(end));
}

/** Unrest inside a place, K: what is left of its core after a plane is taken off. */
function unrest(
  rows: readonly Span[],
  strength: (x: number, y: number) => number,
  { depth, wide }: ReturnType<typeof depthOf>,
  left: number,
  top: number,
): number {
  const deepest = depth.reduce((most, d) => (d < 1e5 && d > most ? d : most), 0);
  const core: [number, number, number][] = [];
  for (const { y, from, to } of rows) {
    for (let x = from; x <= to; x += 1) {
      if (depth[(y - top) * wide + x - left]! >= Math.min(4, 0.5 * deepest)) core.push([x, y, strength(x, y)]);
    }
  }
  if (core.length < 8) return 0;
  const n = core.length;
  const mean = core.reduce(([a, b, c], [x, y, z]) => [a + x / n, b + y / n, c + z / n], [0, 0, 0]);
  let [xx, yy, xy, xz, yz, zz] = [0, 0, 0, 0, 0, 0];
  for (const [px, py, pz] of core) {
    const [x, y, z] = [px - mean[0]!, py - mean[1]!, pz - mean[2]!];
    xx += x * x;
    yy += y * y;
    xy += x * y;
    xz += x * z;
    yz += y * z;
    zz += z * z;
  }
  const det = xx * yy - xy * xy;
  if (Math.abs(det) < 1e-9) return Math.sqrt(zz / n);
  const [a, b] = [(xz * yy - yz * xy) / det, (yz * xx - xz * xy) / det];
  return Math.sqrt(Math.max(0, zz - a * xz - b * yz) / n);
}

/** Area of the convex outline of a mask, pixels. */
function hullArea(rows: readonly Span[]): number {
  const points: [number, number][] = [];
  for (const { y, from, to } of rows) {
    points.push([from, y], [to + 1, y], [from, y + 1], [to + 1, y + 1]);
  }
  points.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const cross = (o: [number, number], a: [number, number], b: [number, number]) =>
    (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (list: [number, number][]) => {
    const chain: [number, number][] = [];
    for (const p of list) {
      while (chain.length >= 2 && cross(chain.at(-2)!, chain.at(-1)!, p) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  const hull = [...half(points), ...half([...points].reverse())];
  return (
    Math.abs(
      hull.reduce((sum, [x, y], i) => {
        const [u, v] = hull[(i + 1) % hull.length]!;
        return sum + x * v - u * y;
      }, 0),
    ) / 2
  );
}

import { throughLine, type RadianceLine } from '../radiometry/measurement';
import { type Frame } from './frame';
import { hasReading } from '../pixels/hasReading';
import type { DrawnShape } from './region';
import { outlineOf } from './reshape';

/** Object temperature along a line or round an outline. */
export interface ProfilePoint {
  /** Way from the start, pixels. */
  along: number;
  x: number;
  y: number;
  /** °C; NaN for no reading. */
  celsius: number;
}

/**
 * Temperatures along a line, or round the outline of an area back to its start, one a pixel of way: the pixel under each
 * point, nothing between pixels is made up.
 *
 * @param line - from stored values to object temperatures
 */
export function profileOf(
  frame: Pick<Frame, 'width' | 'height' | 'values'>,
  shape: DrawnShape,
  line: RadianceLine,
): ProfilePoint[] {
  const corners = outlineOf(shape);
  const ends = shape.kind === 'line' ? corners : [...corners, corners[0]!];
  const points: ProfilePoint[] = [];
  let before = 0;
  for (let k = 0; k + 1 < ends.length; k += 1) {
    const [ax, ay] = ends[k]!;
    const [bx, by] = ends[k + 1]!;
    const length = Math.hypot(bx - ax, by - ay);
    const steps = Math.max(1, Math.round(length));
    for (let i = k === 0 ? 0 : 1; i <= steps; i += 1) {
      const share = i / steps;
      const x = Math.round(ax + (bx - ax) * share);
      const y = Math.round(ay + (by - ay) * share);
      const held = { x: Math.max(0, Math.min(frame.width - 1, x)), y: Math.max(0, Math.min(frame.height - 1, y)) };
      const celsius = throughLine(frame.values[held.y * frame.width + held.x]!, line);
      points.push({ along: before + share * length, ...held, celsius });
    }
    before += length;
  }
  return points;
}

/** Neighbours on each side that a dip is held against, as a share of the whole way. */
const SMOOTHED = 2;

/**
 * The even distance between dips (or peaks) of a profile, such as studs behind a wall.
 *
 * @param least - how deep a dip must be to count, K
 * @returns spacing in pixels and how many dips there were; null when there are fewer than three or they are not even
 *   (their distances spread by more than a quarter)
 */
export function spacingOf(points: readonly ProfilePoint[], least: number): { pixels: number; dips: number } | null {
  for (const sign of [1, -1]) {
    const dips = dipsOf(points, sign, least);
    if (dips.length < 3) continue;
    const gaps = dips.slice(1).map((at, i) => at - dips[i]!);
    const mean = gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length;
    const spread = Math.sqrt(gaps.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / gaps.length);
    if (spread <= 0.25 * mean) return { pixels: mean, dips: dips.length };
  }
  return null;
}

/** Where the profile dips at least so deep below both sides before it dips again. */
function dipsOf(points: readonly ProfilePoint[], sign: number, least: number): number[] {
  const values = points.map((_, i) => {
    const near = points
      .slice(Math.max(0, i - SMOOTHED), i + SMOOTHED + 1)
      .map(({ celsius }) => celsius)
      .filter(hasReading);
    return (sign * near.reduce((sum, value) => sum + value, 0)) / near.length;
  });
  const dips: number[] = [];
  let high = -Infinity;
  let low = { value: Infinity, along: 0 };
  for (const [i, value] of values.entries()) {
    if (!hasReading(value)) continue;
    if (value < low.value) low = { value, along: points[i]!.along };
    if (low.value < high - least && value > low.value + least) {
      dips.push(low.along);
      high = value;
      low = { value: Infinity, along: 0 };
    } else if (value > high) {
      high = value;
      if (low.value > high - least) low = { value, along: points[i]!.along };
    }
  }
  return dips;
}

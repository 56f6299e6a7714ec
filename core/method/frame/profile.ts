import { throughLine, type RadianceLine } from '../radiometry/measurement';
import { type Frame } from './frame';
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

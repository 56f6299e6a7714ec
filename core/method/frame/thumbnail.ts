import { type Frame } from './frame';
import { hasReading } from '../../ground/hasReading';

export interface Thumbnail {
  width: number;
  height: number;
  values: Float32Array;
}

/**
 * A smaller frame: each value is the mean of the readings in its cell, NaN where there are none. Keeps temperatures, not
 * colours, so that thumbnails follow the visit's scale.
 *
 * @param longest - pixels of the longer side, at most the frame's own
 */
export function thumbnailOf(frame: Pick<Frame, 'width' | 'height' | 'values'>, longest: number): Thumbnail {
  const shrink = Math.max(1, Math.max(frame.width, frame.height) / longest);
  const width = Math.max(1, Math.round(frame.width / shrink));
  const height = Math.max(1, Math.round(frame.height / shrink));
  const sums = new Float64Array(width * height);
  const counts = new Uint32Array(width * height);
  for (let y = 0; y < frame.height; y += 1) {
    const row = Math.floor((y * height) / frame.height) * width;
    for (let x = 0; x < frame.width; x += 1) {
      const value = frame.values[y * frame.width + x]!;
      if (!hasReading(value)) continue;
      const cell = row + Math.floor((x * width) / frame.width);
      sums[cell]! += value;
      counts[cell]! += 1;
    }
  }
  return { width, height, values: Float32Array.from(sums, (sum, i) => sum / counts[i]!) };
}

import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { colourFrame } from '@core/method/scale/colourFrame';
import type { Scale } from '@core/method/scale/scale';

/** Draws values as they are, row by row, in a scale. */
export function drawValues(canvas: HTMLCanvasElement | null, values: Float32Array, width: number, scale: Scale): void {
  const context = canvas?.getContext('2d');
  if (!context) return;
  const image = new ImageData(width, values.length / width);
  colourFrame(values, width, IDENTITY_LINE, scale, new Uint32Array(image.data.buffer));
  context.putImageData(image, 0, 0);
}

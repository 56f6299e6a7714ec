import { CoreError } from '../../../ground/errors';
import { type Frame } from '../../frame/frame';
import { hasReading } from '../../../ground/hasReading';
import { ZERO_CELSIUS_IN_KELVIN } from '../../../ground/temperature';
import type { Codecs } from '../codecs';
import { chunkBytes, PNG_SIGNATURE } from './chunks';

/** Text that says what the numbers are. */
const UNIT = 'unit\0cK';

/**
 * Writes a frame as a PNG of 16 bits of grey in hundredths of a kelvin, rounded, with its unit in a text part.
 *
 * @throws CoreError `out_of_range` above 382.2 °C, which 16 bits cannot hold; `unsupported` for a pixel without a
 *   reading, which the format has no way to say
 */
export function writePng(frame: Pick<Frame, 'width' | 'height' | 'values'>, codecs: Codecs): Uint8Array {
  const { width, height, values } = frame;
  const rows = new Uint8Array(height * (1 + 2 * width));
  let at = 0;
  for (let y = 0; y < height; y += 1) {
    // The difference to the pixel on the left packs better than the number itself.
    rows[at++] = 1;
    let [leftHigh, leftLow] = [0, 0];
    for (let x = 0; x < width; x += 1) {
      const number = centikelvin(values[y * width + x]!, x, y);
      const [high, low] = [number >> 8, number & 0xff];
      rows[at++] = high - leftHigh;
      rows[at++] = low - leftLow;
      [leftHigh, leftLow] = [high, low];
    }
  }
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  header.set([16, 0, 0, 0, 0], 8);
  const parts = [
    PNG_SIGNATURE,
    chunkBytes('IHDR', header),
    chunkBytes(
      'tEXt',
      Uint8Array.from(UNIT, (letter) => letter.charCodeAt(0)),
    ),
    chunkBytes('IDAT', codecs.deflate(rows)),
    chunkBytes('IEND', new Uint8Array()),
  ];
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let end = 0;
  for (const part of parts) {
    out.set(part, end);
    end += part.length;
  }
  return out;
}

function centikelvin(celsius: number, x: number, y: number): number {
  if (!hasReading(celsius)) {
    throw new CoreError(
      'unsupported',
      `The pixel at x = ${x}, y = ${y} has no reading, and a PNG of 16 bits has no way to say so.`,
      { x, y },
      'Write the frame as .tif, .npy or .csv instead.',
    );
  }
  const number = Math.round((celsius + ZERO_CELSIUS_IN_KELVIN) * 100);
  if (number > 0xffff) {
    throw new CoreError(
      'out_of_range',
      `The pixel at x = ${x}, y = ${y} has ${celsius.toFixed(1)} °C; 16 bits of centikelvin end at 382.2 °C.`,
      { x, y, value: celsius, range: 'up to 382.2 °C' },
      'Write the frame as .tif, .npy or .csv instead.',
    );
  }
  return number;
}

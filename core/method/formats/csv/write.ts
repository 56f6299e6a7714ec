import { type Frame } from '../../frame/frame';
import { hasReading } from '../../../ground/hasReading';

/** Writes a frame as CSV: a line with the unit, then one row of pixels a line in °C; no reading is written as nan. */
export function writeCsv(frame: Pick<Frame, 'width' | 'height' | 'values'>): string {
  const lines = ['unit=C'];
  for (let y = 0; y < frame.height; y += 1) {
    const row = frame.values.subarray(y * frame.width, (y + 1) * frame.width);
    lines.push(Array.from(row, (value) => (hasReading(value) ? shortest(value) : 'nan')).join(','));
  }
  return `${lines.join('\n')}\n`;
}

/** The fewest digits that read back as the same single-precision number. */
function shortest(value: number): string {
  for (let digits = 6; digits < 9; digits += 1) {
    const text = String(Number(value.toPrecision(digits)));
    if (Math.fround(Number(text)) === value) return text;
  }
  return value.toPrecision(9);
}

import type { Frame } from '../../frame/frame';
import type { Codecs } from '../codecs';
import { TAG } from './directory';

const SHORT = 3;
const LONG = 4;
const ASCII = 2;

/**
 * Writes a frame as a little-endian TIFF: float32, °C, one deflate strip, `unit=C` in its description.
 * A pixel without a reading is written as NaN, the only way the format has to say so.
 */
export function writeTiff(frame: Pick<Frame, 'width' | 'height' | 'values'>, codecs: Codecs): Uint8Array {
  const raw = new Uint8Array(frame.values.length * 4);
  const rawView = new DataView(raw.buffer);
  frame.values.forEach((value, i) => rawView.setFloat32(i * 4, value, true));
  const pixels = codecs.deflate(raw);

  const description = 'unit=C\0';
  const entries: [tag: number, type: number, count: number, value: number][] = [
    [TAG.width, LONG, 1, frame.width],
    [TAG.height, LONG, 1, frame.height],
    [TAG.bitsPerSample, SHORT, 1, 32],
    [TAG.compression, SHORT, 1, 8],
    [TAG.photometric, SHORT, 1, 1],
    [TAG.description, ASCII, description.length, 0],
    [TAG.stripOffsets, LONG, 1, 0],
    [TAG.samplesPerPixel, SHORT, 1, 1],
    [TAG.rowsPerStrip, LONG, 1, frame.height],
    [TAG.stripByteCounts, LONG, 1, pixels.length],
    [TAG.sampleFormat, SHORT, 1, 3],
  ];
  const directoryAt = 8;
  const descriptionAt = directoryAt + 2 + entries.length * 12 + 4;
  const pixelsAt = descriptionAt + description.length + (description.length % 2);
  const out = new Uint8Array(pixelsAt + pixels.length);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, directoryAt, true);
  view.setUint16(directoryAt, entries.length, true);
  entries.forEach(([tag, type, count, value], i) => {
    const at = directoryAt + 2 + i * 12;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, count, true);
    const stored = tag === TAG.description ? descriptionAt : tag === TAG.stripOffsets ? pixelsAt : value;
    if (type === SHORT) view.setUint16(at + 8, stored, true);
    else view.setUint32(at + 8, stored, true);
  });
  for (let i = 0; i < description.length; i += 1) out[descriptionAt + i] = description.charCodeAt(i);
  out.set(pixels, pixelsAt);
  return out;
}

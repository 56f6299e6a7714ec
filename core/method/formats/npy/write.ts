import type { Frame } from '../../frame/frame';

/** The numbers begin at a multiple of this, as the format asks. */
const ALIGNMENT = 64;

/**
 * Writes a frame as NPY version 1: little-endian float32 in °C, row by row; a pixel without a reading is NaN. The unit stands
 * as a comment in the padding of the header, which other readers skip.
 */
export function writeNpy(frame: Pick<Frame, 'width' | 'height' | 'values'>): Uint8Array {
  const dictionary = `{'descr': '<f4', 'fortran_order': False, 'shape': (${frame.height}, ${frame.width}), } # unit=C`;
  const headerLength = Math.ceil((10 + dictionary.length + 1) / ALIGNMENT) * ALIGNMENT - 10;
  const text = `${dictionary.padEnd(headerLength - 1)}\n`;
  const out = new Uint8Array(10 + headerLength + frame.values.length * 4);
  const view = new DataView(out.buffer);
  out.set([0x93, 0x4e, 0x55, 0x4d, 0x50, 0x59, 1, 0]);
  view.setUint16(8, headerLength, true);
  for (let i = 0; i < text.length; i += 1) out[10 + i] = text.charCodeAt(i);
  frame.values.forEach((value, i) => view.setFloat32(10 + headerLength + 4 * i, value, true));
  return out;
}

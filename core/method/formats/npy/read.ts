import { CoreError } from '../../../ground/errors';
import { requireFrameSize, type Frame } from '../../frame/frame';
import { APPARENT } from '../../../ground/basis';
import type { Codecs } from '../codecs';
import { pageWarnings, requirePage, type ReadOptions } from '../readOptions';
import { convertToCelsius } from '../units';
import { malformed, readNpyHeader, type NpyLayout } from './header';

export { isNpy } from './header';

const BYTES = { float16: 2, float32: 4, float64: 8, uint16: 2 } as const;

/** More pages than any recording has in a file of allowed size. */
const MAX_PAGES = 10_000;

/**
 * Reads an array of temperatures from NPY (versions 1 to 3): f2, f4, f8 or u2 in either byte order, rows or columns
 * first. An array of three dimensions is a sequence: pages, rows, columns.
 *
 * @returns a frame in °C, apparent unless said otherwise
 * @throws CoreError `malformed`, `unsupported`, `truncated`, `too_large` with the byte, `out_of_range` for the page, and
 *   what `convertToCelsius` throws
 *
 * The file's length is held against the header before anything is allocated.
 */
export function readNpy(bytes: Uint8Array, _codecs: Codecs, options: ReadOptions): Frame {
  const layout = readNpyHeader(bytes);
  const [height, width] = layout.shape.slice(-2) as [number, number];
  const pages = layout.shape.length === 3 ? layout.shape[0]! : 1;
  requireFrameSize(width, height, layout.dataAt);
  if (pages < 1 || pages > MAX_PAGES) throw malformed(`it describes ${pages} pages`, layout.dataAt);
  const needed = pages * width * height * BYTES[layout.kind];
  const there = bytes.length - layout.dataAt;
  if (there < needed) {
    throw new CoreError(
      'truncated',
      `The NPY file describes ${layout.shape.join(' × ')} numbers (${needed} bytes), but only ${there} bytes of them are in the file.`,
      { byte: bytes.length },
      'The file was cut off: copy it from the card again.',
    );
  }
  const page = options.page ?? 0;
  requirePage(page, pages);
  const values = pageOf(bytes, layout, pages, page, width, height);
  const converted = convertToCelsius(
    values,
    width,
    { forced: options.unit, stated: layout.unit, storage: layout.kind === 'uint16' ? 'integer16' : 'real' },
    options.allowMissing ?? false,
  );
  return {
    width,
    height,
    values,
    basis: APPARENT,
    provenance: { format: 'npy', sourceUnit: converted.unit, pages },
    warnings: [...pageWarnings(pages, options), ...converted.warnings],
  };
}

/** Numbers of one page, row by row, whatever the order of the file is. */
function pageOf(bytes: Uint8Array, layout: NpyLayout, pages: number, page: number, width: number, height: number): Float32Array {
  const size = BYTES[layout.kind];
  // In Fortran order the first index runs fastest: page, then row, then column.
  const step = layout.fortran ? { first: page, x: pages * height, y: pages } : { first: page * width * height, x: 1, y: width };
  if (layout.kind === 'float32' && layout.littleEndian && !layout.fortran) {
    const from = layout.dataAt + step.first * size;
    return new Float32Array(new Uint8Array(bytes.subarray(from, from + width * height * size)).buffer);
  }
  const values = new Float32Array(width * height);
  const view = new DataView(bytes.buffer, bytes.byteOffset + layout.dataAt);
  const numberAt = numberReader(view, layout);
  for (let y = 0, i = 0; y < height; y += 1) {
    let at = (step.first + y * step.y) * size;
    for (let x = 0; x < width; x += 1, i += 1, at += step.x * size) values[i] = numberAt(at);
  }
  return values;
}

function numberReader(view: DataView, { kind, littleEndian }: NpyLayout): (at: number) => number {
  switch (kind) {
    case 'float16':
      return (at) => halfToNumber(view.getUint16(at, littleEndian));
    case 'float32':
      return (at) => view.getFloat32(at, littleEndian);
    case 'float64':
      return (at) => view.getFloat64(at, littleEndian);
    case 'uint16':
      return (at) => view.getUint16(at, littleEndian);
  }
}

/** IEEE 754 half precision: sign, 5 bits of exponent, 10 of fraction. */
export function halfToNumber(half: number): number {
  const sign = half & 0x8000 ? -1 : 1;
  const exponent = (half >> 10) & 0x1f;
  const fraction = half & 0x3ff;
  if (exponent === 0) return sign * fraction * 2 ** -24;
  if (exponent === 31) return fraction === 0 ? sign * Infinity : NaN;
  return sign * (1 + fraction / 1024) * 2 ** (exponent - 15);
}

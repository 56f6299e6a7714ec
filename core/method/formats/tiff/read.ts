import { CoreError } from '../../../ground/errors';
import { requireFrameSize, type Frame } from '../../frame/frame';
import { APPARENT } from '../../../ground/basis';
import type { Codecs } from '../codecs';
import { pageWarnings, type ReadOptions } from '../readOptions';
import { convertToCelsius, unitInText } from '../units';
import { readStructure, TAG, tiffByteOrder, type Directory } from './directory';
import { expandLzw } from './lzw';
import { expandPackbits } from './packbits';
import { undoPredictor } from './predictor';

type SampleKind = 'uint16' | 'float32' | 'float64';
type Compression = 'none' | 'lzw' | 'deflate' | 'packbits';

/** Code numbers of compression; deflate has an older and a newer one. */
const COMPRESSIONS: Record<number, Compression> = { 1: 'none', 5: 'lzw', 8: 'deflate', 32946: 'deflate', 32773: 'packbits' };

/** Compressions that exist and are not read, for a message that says so. */
const UNREAD: Record<number, string> = {
  2: 'fax group 3',
  3: 'fax group 3',
  4: 'fax group 4',
  6: 'old JPEG',
  7: 'JPEG',
  34712: 'JPEG 2000',
  50000: 'Zstandard',
  50001: 'WebP',
  34925: 'LZMA',
};

/** A strip a row of the longest frame, or 16 × 16 tiles of the largest one, with room to spare. */
const MOST_BLOCKS = 30_000;

/** The most that one byte of each can become; what is declared beyond that cannot be in the file. */
const GREATEST_GROWTH: Record<Compression, number> = { none: 1, lzw: 2800, deflate: 1040, packbits: 64 };

interface Layout {
  width: number;
  height: number;
  kind: SampleKind;
  bytesPerSample: number;
  compression: Compression;
  predictor: 1 | 2 | 3;
  littleEndian: boolean;
  blockWidth: number;
  blockHeight: number;
  tiled: boolean;
  offsets: number[];
  byteCounts: number[];
}

/**
 * Reads a page of a TIFF of one sample a pixel: float32, float64, or uint16; either byte order; strips or
 * tiles; none, LZW, deflate or PackBits; predictors 1 … 3.
 *
 * @returns a frame in °C, apparent unless said otherwise
 * @throws CoreError `malformed`, `unsupported`, `truncated`, `too_large`, `no_temperatures` with the byte, and what
 *   `convertToCelsius` throws
 *
 * Memory is bounded by the declared size, which is refused beyond what the file's bytes could hold.
 */
export function readTiff(bytes: Uint8Array, codecs: Codecs, options: ReadOptions): Frame {
  const order = tiffByteOrder(bytes);
  if (!order) throw new CoreError('malformed', 'The file does not begin as a TIFF.', { byte: 0 }, 'Choose another file.');
  const structure = readStructure(bytes, order, options.page ?? 0);
  const { page } = structure;
  const layout = readLayout(page, structure.littleEndian);
  requireData(layout, bytes.length, page.byte);

  const values = new Float32Array(layout.width * layout.height);
  const across = Math.ceil(layout.width / layout.blockWidth);
  layout.offsets.forEach((offset, block) => {
    const left = (block % across) * layout.blockWidth;
    const top = Math.floor(block / across) * layout.blockHeight;
    if (top >= layout.height) return;
    const rows = layout.tiled ? layout.blockHeight : Math.min(layout.blockHeight, layout.height - top);
    const expanded = expandBlock(layout, bytes, offset, layout.byteCounts[block]!, rows, codecs);
    undoPredictor(layout.predictor, expanded, layout.blockWidth, rows, layout.bytesPerSample, layout.littleEndian);
    copyBlock(layout, expanded, values, left, top, rows);
  });

  const converted = convertToCelsius(
    values,
    layout.width,
    {
      forced: options.unit,
      stated: unitInText(page.text(TAG.description) ?? ''),
      storage: layout.kind === 'uint16' ? 'integer16' : 'real',
    },
    options.allowMissing ?? false,
  );
  return {
    width: layout.width,
    height: layout.height,
    values,
    basis: APPARENT,
    provenance: { format: 'tiff', sourceUnit: converted.unit, pages: structure.pages },
    warnings: [...pageWarnings(structure.pages, options), ...converted.warnings],
  };
}

function readLayout(page: Directory, littleEndian: boolean): Layout {
  const one = (tag: number, name: string, fallback?: number): number => {
    const value = page.numbers(tag)?.[0] ?? fallback;
    if (value === undefined) throw malformed(`its ${name} is missing`, page.byte);
    return value;
  };
  const width = one(TAG.width, 'width');
  const height = one(TAG.height, 'height');
  requireFrameSize(width, height, page.byte);

  const samples = one(TAG.samplesPerPixel, 'samples per pixel', 1);
  const bits = page.numbers(TAG.bitsPerSample)?.[0] ?? 1;
  if (samples !== 1 || bits === 8) {
    throw new CoreError(
      'no_temperatures',
      `The TIFF is a picture of ${samples} × ${bits} bits a pixel: it holds colours, not temperatures.`,
      { byte: page.byte },
      'Export the frame with its temperatures (32-bit or 16-bit, one value a pixel), or add it as a photo.',
    );
  }
  const kind = sampleKind(bits, one(TAG.sampleFormat, 'sample format', 1), page.byte);
  const code = one(TAG.compression, 'compression', 1);
  const compression = COMPRESSIONS[code];
  if (!compression) {
    throw unsupported(`compression ${UNREAD[code] ?? `number ${code}`}`, 'none, LZW, deflate or PackBits', page.byte);
  }
  const predictor = one(TAG.predictor, 'predictor', 1);
  if (predictor !== 1 && predictor !== 2 && predictor !== 3) throw unsupported(`predictor ${predictor}`, '1, 2 or 3', page.byte);
  if (predictor === 3 && kind === 'uint16') throw malformed('predictor 3 is for floating-point numbers', page.byte);

  const tiled = page.numbers(TAG.tileOffsets) !== null;
  const blockWidth = tiled ? one(TAG.tileWidth, 'tile width') : width;
  const blockHeight = tiled
    ? one(TAG.tileHeight, 'tile height')
    : Math.min(height, one(TAG.rowsPerStrip, 'rows per strip', height));
  if (blockWidth < 1 || blockHeight < 1) throw malformed('its strips or tiles have no size', page.byte);
  // A tile is at most a little larger than the picture; a huge one would be expanded for nothing.
  if (tiled) requireFrameSize(Math.max(2, blockWidth), Math.max(2, blockHeight), page.byte);

  const blocks = Math.ceil(width / blockWidth) * Math.ceil(height / blockHeight);
  // Each is expanded by itself: millions of single pixels would take minutes.
  if (blocks > MOST_BLOCKS) throw unsupported(`${blocks} strips or tiles`, `at most ${MOST_BLOCKS}`, page.byte);
  const offsets = page.numbers(tiled ? TAG.tileOffsets : TAG.stripOffsets);
  if (!offsets) throw malformed('it does not say where its pixels are', page.byte);
  if (offsets.length < blocks) throw malformed(`it has ${offsets.length} strips or tiles where ${blocks} are needed`, page.byte);
  const bytesPerSample = bits / 8;
  const byteCounts =
    page.numbers(tiled ? TAG.tileByteCounts : TAG.stripByteCounts) ??
    (compression === 'none' && blocks === 1 ? [width * height * bytesPerSample] : null);
  if (!byteCounts || byteCounts.length < blocks) throw malformed('it does not say how long its strips or tiles are', page.byte);
  return {
    width,
    height,
    kind,
    bytesPerSample,
    compression,
    predictor,
    littleEndian,
    blockWidth,
    blockHeight,
    tiled,
    offsets: offsets.slice(0, blocks),
    byteCounts: byteCounts.slice(0, blocks),
  };
}

function sampleKind(bits: number, format: number, byte: number): SampleKind {
  if (format === 3 && bits === 32) return 'float32';
  if (format === 3 && bits === 64) return 'float64';
  if (format === 1 && bits === 16) return 'uint16';
  const names: Record<number, string> = { 1: 'unsigned', 2: 'signed', 3: 'floating-point' };
  throw unsupported(`${bits}-bit ${names[format] ?? 'unknown'} samples`, '32- or 64-bit floating-point or 16-bit unsigned', byte);
}

/** Refuses a header that promises more than the file's bytes can hold, before anything of that size is allocated. */
function requireData(layout: Layout, fileSize: number, byte: number): void {
  const needed = layout.width * layout.height * layout.bytesPerSample;
  const inside = layout.byteCounts.reduce((sum, count, i) => {
    const offset = layout.offsets[i]!;
    return sum + Math.max(0, Math.min(count, fileSize - offset));
  }, 0);
  if (inside * GREATEST_GROWTH[layout.compression] < needed) {
    throw new CoreError(
      'truncated',
      `The TIFF describes ${layout.width} × ${layout.height} pixels (${needed} bytes), but only ${inside} bytes of pixel data are in the file.`,
      { byte },
      'The file was cut off: copy it from the card again.',
    );
  }
}

function expandBlock(layout: Layout, bytes: Uint8Array, offset: number, count: number, rows: number, codecs: Codecs): Uint8Array {
  const size = layout.blockWidth * rows * layout.bytesPerSample;
  if (offset + count > bytes.length) throw cutOff(offset, offset + count - bytes.length);
  const data = bytes.subarray(offset, offset + count);
  if (layout.compression === 'none') {
    if (data.length < size) throw cutOff(offset, size - data.length);
    return data.slice(0, size);
  }
  if (layout.compression === 'deflate') {
    const expanded = codecs.inflate(data, size);
    if (expanded === 'overflow') {
      throw new CoreError(
        'malformed',
        `The compressed data at byte ${offset} expands to more than the ${size} bytes that the header declares.`,
        { byte: offset },
        'Do not trust this file; export the frame again.',
      );
    }
    if (expanded === 'broken') throw malformed('its compressed data cannot be expanded', offset);
    if (expanded.length < size) throw cutOff(offset, size - expanded.length);
    return expanded;
  }
  const out = new Uint8Array(size);
  const written = layout.compression === 'lzw' ? expandLzw(data, out) : expandPackbits(data, out);
  if (written < 0) throw malformed('its LZW data holds a code that cannot be', offset - 1 - written);
  if (written < size) throw cutOff(offset, size - written);
  return out;
}

function copyBlock(layout: Layout, block: Uint8Array, values: Float32Array, left: number, top: number, rows: number): void {
  const { blockWidth, bytesPerSample, kind, littleEndian } = layout;
  const columns = Math.min(blockWidth, layout.width - left);
  const lastRow = Math.min(rows, layout.height - top);
  const view = new DataView(block.buffer, block.byteOffset, block.byteLength);
  for (let row = 0; row < lastRow; row += 1) {
    let at = row * blockWidth * bytesPerSample;
    let to = (top + row) * layout.width + left;
    const end = to + columns;
    switch (kind) {
      case 'float32':
        for (; to < end; to += 1, at += 4) values[to] = view.getFloat32(at, littleEndian);
        break;
      case 'float64':
        for (; to < end; to += 1, at += 8) values[to] = view.getFloat64(at, littleEndian);
        break;
      case 'uint16':
        for (; to < end; to += 1, at += 2) values[to] = view.getUint16(at, littleEndian);
        break;
    }
  }
}

function malformed(what: string, byte: number): CoreError {
  return new CoreError('malformed', `The TIFF cannot be read: ${what}.`, { byte }, 'Export the frame again.');
}

function unsupported(found: string, expected: string, byte: number): CoreError {
  return new CoreError(
    'unsupported',
    `The TIFF uses ${found}, which is not read; expected ${expected}.`,
    { byte },
    'Export the frame as a 32-bit floating-point TIFF or as CSV.',
  );
}

function cutOff(byte: number, missing: number): CoreError {
  return new CoreError(
    'truncated',
    `The file ends too early: ${missing} bytes of the pixel data at byte ${byte} are missing.`,
    { byte },
    'The file was cut off: copy it from the card again.',
  );
}

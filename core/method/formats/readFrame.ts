import { CoreError } from '../../ground/errors';
import type { Frame } from '../frame/frame';
import type { Codecs } from './codecs';
import type { ReadOptions } from './readOptions';
import { readCsv } from './csv/read';
import { isNpy, readNpy } from './npy/read';
import { isPng, pngHeader, readPng } from './png/read';
import { tiffByteOrder } from './tiff/directory';
import { readTiff } from './tiff/read';

/** What a file is, by its first bytes; the name says nothing. */
export type FileKind =
  'tiff' | 'bigtiff' | 'csv' | 'npy' | 'png16' | 'zip' | 'jpeg' | 'png' | 'other-picture' | 'binary' | 'empty';

export function fileKind(bytes: Uint8Array): FileKind {
  if (bytes.length === 0) return 'empty';
  if (tiffByteOrder(bytes)) return 'tiff';
  const starts = (...signature: number[]) => signature.every((byte, i) => bytes[i] === byte);
  if (starts(0x49, 0x49, 43, 0) || starts(0x4d, 0x4d, 0, 43)) return 'bigtiff';
  if (isNpy(bytes)) return 'npy';
  if (starts(0x50, 0x4b, 0x03, 0x04) || starts(0x50, 0x4b, 0x05, 0x06)) return 'zip';
  if (starts(0xff, 0xd8, 0xff)) return 'jpeg';
  if (isPng(bytes)) return pngHeader(bytes)?.bitDepth === 16 ? 'png16' : 'png';
  if (starts(0x47, 0x49, 0x46, 0x38) || starts(0x42, 0x4d) || starts(0x52, 0x49, 0x46, 0x46)) return 'other-picture';
  return looksLikeText(bytes) ? 'csv' : 'binary';
}

/** Text has no control bytes but tab and line ends; UTF-16 shows as every other byte zero or by its mark. */
function looksLikeText(bytes: Uint8Array): boolean {
  if ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff)) return true;
  const sample = bytes.subarray(0, 512);
  const zeros = [0, 0];
  for (let i = 0; i < sample.length; i += 1) {
    const byte = sample[i]!;
    if (byte === 0) zeros[i % 2]! += 1;
    else if (byte < 9 || (byte > 13 && byte < 32)) return false;
  }
  return Math.min(...zeros) === 0 && Math.max(...zeros) <= sample.length / 2;
}

/**
 * Reads a radiometric file of any supported kind, told by its content.
 *
 * @returns a frame in °C
 * @throws CoreError with the reason and the place; nothing else, and never half a frame
 */
export function readFrame(bytes: Uint8Array, codecs: Codecs, options: ReadOptions = {}): Frame {
  const frame = readByKind(bytes, codecs, options);
  return options.basis ? { ...frame, basis: options.basis } : frame;
}

function readByKind(bytes: Uint8Array, codecs: Codecs, options: ReadOptions): Frame {
  const kind = fileKind(bytes);
  switch (kind) {
    case 'tiff':
      return readTiff(bytes, codecs, options);
    case 'csv':
      return readCsv(bytes, codecs, options);
    case 'npy':
      return readNpy(bytes, codecs, options);
    case 'png16':
      return readPng(bytes, codecs, options);
    case 'bigtiff':
      throw new CoreError(
        'unsupported',
        'The file is a BigTIFF, the variant for files above 4 GB, which is not read.',
        { byte: 2 },
        'Export the frame as a plain TIFF.',
      );
    case 'empty':
      throw new CoreError('empty_file', 'The file is empty (0 bytes).', { byte: 0 }, 'Copy it from the card again.');
    case 'jpeg':
    case 'png':
    case 'other-picture':
      throw new CoreError(
        'no_temperatures',
        'The file is a picture: it holds colours, not temperatures.',
        { byte: 0 },
        'Add it as a photo, or export the frame with its temperatures as TIFF, NPY, 16-bit PNG or CSV.',
      );
    case 'zip':
      throw new CoreError(
        'unsupported',
        'The file is a ZIP: a folder of files, not a frame.',
        { byte: 0 },
        'Add it on the bench, which takes its files one by one, or unpack it first.',
      );
    case 'binary':
      throw new CoreError(
        'unknown_format',
        `The file is no TIFF, NPY, PNG or text: it begins with the bytes ${hex(bytes.subarray(0, 4))}.`,
        { byte: 0 },
        'Export the frame with its temperatures as TIFF, NPY, 16-bit PNG or CSV.',
      );
  }
}

function hex(bytes: Uint8Array): string {
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join(' ');
}

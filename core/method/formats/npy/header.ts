import { CoreError } from '../../../ground/errors';
import type { TemperatureUnit } from '../../../ground/temperature';
import { unitInText } from '../units';

/** How numbers are stored: kind and bytes a number, in which order. */
export interface NpyLayout {
  kind: 'float16' | 'float32' | 'float64' | 'uint16';
  littleEndian: boolean;
  /** Columns run fastest where this is true. */
  fortran: boolean;
  /** From outermost to innermost, 2 or 3 numbers: rows and columns, perhaps with pages before them. */
  shape: number[];
  /** Unit in a comment behind the dictionary, where other readers see padding. */
  unit: TemperatureUnit | null;
  /** Where the numbers begin. */
  dataAt: number;
}

const KINDS: Record<string, NpyLayout['kind']> = { f2: 'float16', f4: 'float32', f8: 'float64', u2: 'uint16' };

/** A header is a line of text; one of this length is hostile. */
const LONGEST_HEADER = 65_536;

export function isNpy(bytes: Uint8Array): boolean {
  return bytes[0] === 0x93 && [0x4e, 0x55, 0x4d, 0x50, 0x59].every((byte, i) => bytes[i + 1] === byte);
}

/**
 * Reads the header of an NPY file, versions 1 to 3. The dictionary in it is taken apart by patterns and never evaluated;
 * arrays of objects, which could run code elsewhere, are refused.
 *
 * @throws CoreError `malformed`, `unsupported` or `truncated` with the byte
 */
export function readNpyHeader(bytes: Uint8Array): NpyLayout {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 12) throw truncated(bytes.length);
  const version = view.getUint8(6);
  if (version < 1 || version > 3) throw unsupported(`version ${version}`, 'version 1, 2 or 3', 6);
  const textAt = version === 1 ? 10 : 12;
  const length = version === 1 ? view.getUint16(8, true) : view.getUint32(8, true);
  if (length > LONGEST_HEADER) throw malformed(`its header has ${length} bytes`, 8);
  const dataAt = textAt + length;
  if (dataAt > bytes.length) throw truncated(bytes.length);
  const text = String.fromCharCode(...bytes.subarray(textAt, dataAt));

  const type = /'descr'\s*:\s*'([<>|=]?)([A-Za-z]+\d*)'/.exec(text);
  const order = /'fortran_order'\s*:\s*(True|False)/.exec(text);
  const shape = /'shape'\s*:\s*\(([\d\s,]*)\)/.exec(text);
  if (!type && /'descr'\s*:\s*\[/.test(text)) throw unsupported('named fields', 'plain numbers', textAt);
  if (!type || !order || !shape) throw malformed('its header does not say type, order and shape of the numbers', textAt);
  if (type[2]!.startsWith('O')) {
    throw new CoreError(
      'unsupported',
      'The NPY file holds objects, not numbers; such files can carry programs and are never opened.',
      { byte: textAt },
      'Export the frame as an array of numbers (f4).',
    );
  }
  const kind = KINDS[type[2]!];
  if (!kind) throw unsupported(`numbers of type ${type[2]}`, 'f2, f4, f8 or u2', textAt);
  const sides = shape[1]!
    .split(',')
    .filter((part) => part.trim() !== '')
    .map(Number);
  if (sides.length < 2 || sides.length > 3) {
    throw malformed(`its array has ${sides.length} ${sides.length === 1 ? 'dimension' : 'dimensions'}, a frame has two`, textAt);
  }
  const comment = /\}[^}]*#(.*)$/s.exec(text)?.[1] ?? '';
  return { kind, unit: unitInText(comment), littleEndian: type[1] !== '>', fortran: order[1] === 'True', shape: sides, dataAt };
}

export function malformed(what: string, byte: number): CoreError {
  return new CoreError('malformed', `The NPY file cannot be read: ${what}.`, { byte }, 'Export the frame again.');
}

function unsupported(found: string, expected: string, byte: number): CoreError {
  return new CoreError(
    'unsupported',
    `The NPY file has ${found}, which is not read; expected ${expected}.`,
    { byte },
    'Save the frame as an array of 32-bit floating-point numbers (f4).',
  );
}

function truncated(byte: number): CoreError {
  return new CoreError(
    'truncated',
    'The NPY file ends inside its header.',
    { byte },
    'The file was cut off: copy it from the card again.',
  );
}

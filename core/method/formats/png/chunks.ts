import { CoreError } from '../../../ground/errors';

export interface Chunk {
  type: string;
  data: Uint8Array;
  /** Where its data begins in the file. */
  byte: number;
}

const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];

export function isPng(bytes: Uint8Array): boolean {
  return SIGNATURE.every((byte, i) => bytes[i] === byte);
}

/** Eight tables, so that eight bytes go at a time: a frame of 600 kB takes a millisecond instead of four. */
const TABLES = crcTables();

function crcTables(): Uint32Array[] {
  const tables = Array.from({ length: 8 }, () => new Uint32Array(256));
  for (let n = 0; n < 256; n += 1) {
    let c = n;
    for (let k = 0; k < 8; k += 1) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
    tables[0]![n] = c >>> 0;
  }
  for (let n = 0; n < 256; n += 1) {
    let c = tables[0]![n]!;
    for (let k = 1; k < 8; k += 1) {
      c = tables[0]![c & 0xff]! ^ (c >>> 8);
      tables[k]![n] = c >>> 0;
    }
  }
  return tables;
}

/** CRC-32 as PNG uses it (ISO 3309), of the bytes from `from` up to `to`. */
export function crc32(bytes: Uint8Array, from: number, to: number): number {
  const [t0, t1, t2, t3, t4, t5, t6, t7] = TABLES as [
    Uint32Array,
    Uint32Array,
    Uint32Array,
    Uint32Array,
    Uint32Array,
    Uint32Array,
    Uint32Array,
    Uint32Array,
  ];
  let c = 0xffffffff;
  let i = from;
  for (; i + 8 <= to; i += 8) {
    c ^= bytes[i]! | (bytes[i + 1]! << 8) | (bytes[i + 2]! << 16) | (bytes[i + 3]! << 24);
    c =
      t7[c & 0xff]! ^
      t6[(c >>> 8) & 0xff]! ^
      t5[(c >>> 16) & 0xff]! ^
      t4[c >>> 24]! ^
      t3[bytes[i + 4]!]! ^
      t2[bytes[i + 5]!]! ^
      t1[bytes[i + 6]!]! ^
      t0[bytes[i + 7]!]!;
  }
  for (; i < to; i += 1) c = t0[(c ^ bytes[i]!) & 0xff]! ^ (c >>> 8);
  return (c ^ 0xffffffff) >>> 0;
}

/**
 * The chunks of a PNG up to its end, each held against its checksum: a damaged frame would show wrong temperatures.
 *
 * @throws CoreError `malformed` or `truncated` with the byte
 */
export function readChunks(bytes: Uint8Array): Chunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const chunks: Chunk[] = [];
  for (let at = SIGNATURE.length; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    const end = at + 8 + length;
    if (end + 4 > bytes.length) break;
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    if (crc32(bytes, at + 4, end) !== view.getUint32(end)) {
      throw new CoreError(
        'malformed',
        `The PNG is damaged: the checksum of its part ${JSON.stringify(type)} does not fit.`,
        { byte: at },
        'Copy the file from the card again.',
      );
    }
    chunks.push({ type, data: bytes.subarray(at + 8, end), byte: at + 8 });
    if (type === 'IEND') return chunks;
    at = end + 4;
  }
  throw new CoreError(
    'truncated',
    'The PNG ends before its last part.',
    { byte: bytes.length },
    'The file was cut off: copy it from the card again.',
  );
}

/** Puts a chunk together, with its length and checksum. */
export function chunkBytes(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(data.length + 12);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  for (let i = 0; i < 4; i += 1) out[4 + i] = type.charCodeAt(i);
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out, 4, 8 + data.length));
  return out;
}

export const PNG_SIGNATURE = Uint8Array.from(SIGNATURE);

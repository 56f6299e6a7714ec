import { crc32, deflateRawSync, deflateSync } from 'node:zlib';

/** Files with a bad intent, made by hand. */

/**
 * A TIFF of pages of one size, all of which point to the same packed pixels: a small file that becomes very much.
 *
 * @param pages - chained one after the other
 */
export function stackOf(
  pages: number,
  width: number,
  height: number,
  pixels: (page: number) => Buffer | null,
  packed: boolean,
): Buffer {
  const parts: Buffer[] = [Buffer.alloc(8)];
  let at = 8;
  const put = (bytes: Buffer): number => {
    const place = at;
    parts.push(bytes);
    at += bytes.length;
    if (at % 2 === 1) {
      parts.push(Buffer.alloc(1));
      at += 1;
    }
    return place;
  };
  let shared: { at: number; size: number } | null = null;
  const places: { at: number; size: number }[] = [];
  for (let page = 0; page < pages; page += 1) {
    const own = pixels(page);
    if (own || !shared) {
      const bytes = packed ? deflateSync(own!) : own!;
      shared = { at: put(bytes), size: bytes.length };
    }
    places.push(shared);
  }
  const first = at;
  const tags = 10;
  const length = 2 + 12 * tags + 4;
  for (const [page, { at: data, size }] of places.entries()) {
    const directory = Buffer.alloc(length);
    directory.writeUInt16LE(tags, 0);
    const entries: [number, number, number][] = [
      [256, 4, width],
      [257, 4, height],
      [258, 3, 32],
      [259, 3, packed ? 8 : 1],
      [262, 3, 1],
      [273, 4, data],
      [277, 3, 1],
      [278, 4, height],
      [279, 4, size],
      [339, 3, 3],
    ];
    entries.forEach(([tag, type, value], i) => {
      const entry = 2 + 12 * i;
      directory.writeUInt16LE(tag, entry);
      directory.writeUInt16LE(type, entry + 2);
      directory.writeUInt32LE(1, entry + 4);
      if (type === 3) directory.writeUInt16LE(value, entry + 8);
      else directory.writeUInt32LE(value, entry + 8);
    });
    directory.writeUInt32LE(page + 1 < pages ? first + (page + 1) * length : 0, length - 4);
    parts.push(directory);
    at += length;
  }
  parts[0]!.write('II', 0, 'latin1');
  parts[0]!.writeUInt16LE(42, 2);
  parts[0]!.writeUInt32LE(first, 4);
  return Buffer.concat(parts);
}

/** Temperatures of a page, float32, different on each. */
export function pagePixels(page: number, width: number, height: number): Buffer {
  const values = Float32Array.from(
    { length: width * height },
    (_, i) => 18 + Math.sin(i / 700 + page) + ((i * 7919 + page * 104_729) % 1000) / 5000,
  );
  return Buffer.from(values.buffer);
}

/** A TIFF of single-pixel tiles. */
export function crumbs(side: number): Buffer {
  const count = side * side;
  const head = Buffer.alloc(8);
  head.write('II', 0, 'latin1');
  head.writeUInt16LE(42, 2);
  const data = Buffer.alloc(4);
  data.writeFloatLE(20, 0);
  const offsets = Buffer.alloc(4 * count);
  const sizes = Buffer.alloc(4 * count);
  for (let i = 0; i < count; i += 1) {
    offsets.writeUInt32LE(8, 4 * i);
    sizes.writeUInt32LE(4, 4 * i);
  }
  const offsetsAt = 12;
  const sizesAt = offsetsAt + offsets.length;
  const at = sizesAt + sizes.length;
  head.writeUInt32LE(at, 4);
  const entries: [number, number, number, number][] = [
    [256, 4, 1, side],
    [257, 4, 1, side],
    [258, 3, 1, 32],
    [259, 3, 1, 1],
    [277, 3, 1, 1],
    [322, 4, 1, 1],
    [323, 4, 1, 1],
    [324, 4, count, offsetsAt],
    [325, 4, count, sizesAt],
    [339, 3, 1, 3],
  ];
  const directory = Buffer.alloc(2 + 12 * entries.length + 4);
  directory.writeUInt16LE(entries.length, 0);
  entries.forEach(([tag, type, n, value], i) => {
    directory.writeUInt16LE(tag, 2 + 12 * i);
    directory.writeUInt16LE(type, 4 + 12 * i);
    directory.writeUInt32LE(n, 6 + 12 * i);
    directory.writeUInt32LE(value, 10 + 12 * i);
  });
  return Buffer.concat([head, data, offsets, sizes, directory]);
}

export interface ZipEntry {
  name: string | Buffer;
  content: Buffer;
  /** What its head says, when that is not true. */
  crc?: number;
  /** Seconds since 1970 in an extra field, as newer tools write it. */
  ntfsTime?: bigint;
  packed?: boolean;
  /** Place of another entry's bytes that it claims as its own. */
  over?: number;
}

/** A ZIP, written by hand so that it can lie. */
export function zipOf(entries: ZipEntry[]): Buffer {
  const parts: Buffer[] = [];
  const central: Buffer[] = [];
  const places: number[] = [];
  let at = 0;
  for (const { name, content, crc, ntfsTime, packed, over } of entries) {
    const bytes = packed ? deflateRawSync(content) : content;
    const fileName = typeof name === 'string' ? Buffer.from(name) : name;
    const extra = ntfsTime === undefined ? Buffer.alloc(0) : ntfsField(ntfsTime);
    const head = Buffer.alloc(30);
    head.writeUInt32LE(0x04034b50, 0);
    head.writeUInt16LE(20, 4);
    head.writeUInt16LE(packed ? 8 : 0, 8);
    head.writeUInt32LE(crc ?? crc32(content), 14);
    head.writeUInt32LE(bytes.length, 18);
    head.writeUInt32LE(content.length, 22);
    head.writeUInt16LE(fileName.length, 26);
    const place = over === undefined ? at : places[over]!;
    places.push(place);
    if (over === undefined) {
      parts.push(head, fileName, bytes);
      at += head.length + fileName.length + bytes.length;
    }
    const record = Buffer.alloc(46);
    record.writeUInt32LE(0x02014b50, 0);
    record.writeUInt16LE(20, 6);
    head.copy(record, 8, 6, 30);
    record.writeUInt16LE(0, 8);
    record.writeUInt16LE(packed ? 8 : 0, 10);
    record.writeUInt16LE(0x5a21, 14);
    record.writeUInt32LE(crc ?? crc32(content), 16);
    record.writeUInt32LE(bytes.length, 20);
    record.writeUInt32LE(content.length, 24);
    record.writeUInt16LE(fileName.length, 28);
    record.writeUInt16LE(extra.length, 30);
    record.writeUInt32LE(0, 34);
    record.writeUInt32LE(place, 42);
    central.push(record, fileName, extra);
  }
  const directory = Buffer.concat(central);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50, 0);
  end.writeUInt16LE(entries.length, 8);
  end.writeUInt16LE(entries.length, 10);
  end.writeUInt32LE(directory.length, 12);
  end.writeUInt32LE(at, 16);
  return Buffer.concat([...parts, directory, end]);
}

/** An extra field with a time in tenths of microseconds since 1601. */
function ntfsField(time: bigint): Buffer {
  const field = Buffer.alloc(36);
  field.writeUInt16LE(0x000a, 0);
  field.writeUInt16LE(32, 2);
  field.writeUInt16LE(1, 8);
  field.writeUInt16LE(24, 10);
  for (const place of [12, 20, 28]) field.writeBigUInt64LE(time, place);
  return field;
}

import { CoreError } from '../../../ground/errors';
import { requirePage } from '../readOptions';

/** Tag numbers of TIFF 6.0. */
export const TAG = {
  width: 256,
  height: 257,
  bitsPerSample: 258,
  compression: 259,
  photometric: 262,
  description: 270,
  stripOffsets: 273,
  samplesPerPixel: 277,
  rowsPerStrip: 278,
  stripByteCounts: 279,
  dateTime: 306,
  predictor: 317,
  tileWidth: 322,
  tileHeight: 323,
  tileOffsets: 324,
  tileByteCounts: 325,
  sampleFormat: 339,
} as const;

/** Bytes per value of the field types that these tags use. */
const FIELD_SIZES: Record<number, number> = { 1: 1, 2: 1, 3: 2, 4: 4, 6: 1, 7: 1, 8: 2, 9: 4, 16: 8 };

/** A page without this many tags has no picture; one with more than this is hostile. */
const MAX_TAGS = 4096;
const MAX_PAGES = 10_000;
/** More than places of strips of any picture that is read. */
const MAX_NUMBERS = 200_000;

export interface Directory {
  /** Numbers of a tag, null when absent. */
  numbers(tag: number): number[] | null;
  /** Text of a tag, null when absent. */
  text(tag: number): string | null;
  /** Where the page's directory stands in the file. */
  byte: number;
}

export interface TiffStructure {
  littleEndian: boolean;
  /** The directory of the wanted page. */
  page: Directory;
  pages: number;
}

/** Whether the bytes begin as a TIFF, and in which order. */
export function tiffByteOrder(bytes: Uint8Array): { littleEndian: boolean } | null {
  if (bytes.length < 4) return null;
  if (bytes[0] === 0x49 && bytes[1] === 0x49 && bytes[2] === 42 && bytes[3] === 0) return { littleEndian: true };
  if (bytes[0] === 0x4d && bytes[1] === 0x4d && bytes[2] === 0 && bytes[3] === 42) return { littleEndian: false };
  return null;
}

function damaged(what: string, byte: number): CoreError {
  return new CoreError(
    'malformed',
    `The TIFF is damaged at byte ${byte}: ${what}.`,
    { byte },
    'Copy the file from the card again, or export it again.',
  );
}

/** Where the directories of all pages stand. @throws CoreError `malformed` for a chain that ends nowhere */
function directoriesOf(bytes: Uint8Array, view: DataView, littleEndian: boolean): number[] {
  const firstAt = view.getUint32(4, littleEndian);
  const seen = new Set([firstAt]);
  let next = readDirectory(bytes, view, firstAt, littleEndian).next;
  // Pages form a chain; one that points back to itself would never end.
  while (next !== 0 && seen.size < MAX_PAGES) {
    if (seen.has(next)) throw damaged('its pages point at each other in a circle', next);
    if (next + 2 > bytes.length) break;
    seen.add(next);
    const link = next + 2 + view.getUint16(next, littleEndian) * 12;
    next = link + 4 <= bytes.length ? view.getUint32(link, littleEndian) : 0;
  }
  return [...seen];
}

/**
 * How many pages there are, and how many pixels they have together as their directories say; nothing else of them is read.
 *
 * @param most - pixels of no more pages than this are counted
 * @throws CoreError `malformed` or `truncated` with the byte
 */
export function countTiffPages(
  bytes: Uint8Array,
  { littleEndian }: { littleEndian: boolean },
  most: number,
): { pages: number; pixels: number } {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8) throw damaged('the file ends inside its header', bytes.length);
  const directories = directoriesOf(bytes, view, littleEndian);
  const pixels = directories.slice(0, most).reduce((sum, at) => {
    const { directory } = readDirectory(bytes, view, at, littleEndian);
    return sum + (directory.numbers(TAG.width)?.[0] ?? 0) * (directory.numbers(TAG.height)?.[0] ?? 0);
  }, 0);
  return { pages: directories.length, pixels };
}

/**
 * Reads the directory of one page and counts the pages.
 *
 * @param page - from 0
 * @throws CoreError `malformed` or `truncated` with the byte, `out_of_range` when there is no such page
 */
export function readStructure(bytes: Uint8Array, order: { littleEndian: boolean }, page: number): TiffStructure {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const { littleEndian } = order;
  if (bytes.length < 8) throw damaged('the file ends inside its header', bytes.length);
  const directories = directoriesOf(bytes, view, littleEndian);
  requirePage(page, directories.length);
  const { directory } = readDirectory(bytes, view, directories[page]!, littleEndian);
  return { littleEndian, page: directory, pages: directories.length };
}

function readDirectory(
  bytes: Uint8Array,
  view: DataView,
  at: number,
  littleEndian: boolean,
): { directory: Directory; next: number } {
  if (at < 8 || at + 2 > bytes.length) throw damaged(`its first page should stand at byte ${at}, outside the file`, 4);
  const count = view.getUint16(at, littleEndian);
  if (count === 0 || count > MAX_TAGS) throw damaged(`a page with ${count} tags`, at);
  const end = at + 2 + count * 12;
  if (end > bytes.length) throw damaged(`${count} tags do not fit into the file`, at);

  const entries = new Map<number, { type: number; count: number; at: number }>();
  for (let i = 0; i < count; i += 1) {
    const entry = at + 2 + i * 12;
    const type = view.getUint16(entry + 2, littleEndian);
    const values = view.getUint32(entry + 4, littleEndian);
    const size = FIELD_SIZES[type];
    if (size === undefined) continue;
    const place = size * values <= 4 ? entry + 8 : view.getUint32(entry + 8, littleEndian);
    entries.set(view.getUint16(entry, littleEndian), { type, count: values, at: place });
  }
  const require = (tag: number) => {
    const entry = entries.get(tag);
    if (!entry) return null;
    if (entry.at + entry.count * FIELD_SIZES[entry.type]! > bytes.length) {
      throw damaged(`tag ${tag} points outside the file`, entry.at);
    }
    return entry;
  };
  const directory: Directory = {
    byte: at,
    numbers(tag) {
      const entry = require(tag);
      if (!entry) return null;
      if (entry.count > MAX_NUMBERS) throw damaged(`tag ${tag} holds ${entry.count} numbers`, entry.at);
      return Array.from({ length: entry.count }, (_, i) => readNumber(view, entry.type, entry.at, i, littleEndian));
    },
    text(tag) {
      const entry = require(tag);
      if (!entry || entry.type !== 2) return null;
      const text = Array.from(bytes.subarray(entry.at, entry.at + Math.min(entry.count, 65_536)), (b) => String.fromCharCode(b));
      return text.join('').replace(/\0[\s\S]*$/, '');
    },
  };
  return { directory, next: end + 4 <= bytes.length ? view.getUint32(end, littleEndian) : 0 };
}

function readNumber(view: DataView, type: number, at: number, i: number, littleEndian: boolean): number {
  switch (type) {
    case 3:
      return view.getUint16(at + 2 * i, littleEndian);
    case 8:
      return view.getInt16(at + 2 * i, littleEndian);
    case 4:
      return view.getUint32(at + 4 * i, littleEndian);
    case 9:
      return view.getInt32(at + 4 * i, littleEndian);
    case 16:
      return Number(view.getBigUint64(at + 8 * i, littleEndian));
    default:
      return view.getUint8(at + i);
  }
}

import type { Codecs } from '../codecs';

/**
 * Brings text of any usual encoding to bytes of one kind: ASCII as it is, everything else as UTF-8 or Latin-1 bytes that
 * only matter in metadata. UTF-16 is decoded and narrowed, because the scanner works on single bytes.
 */
export function toScannableBytes(bytes: Uint8Array, codecs: Codecs): Uint8Array {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return bytes.subarray(3);
  const utf16 = utf16Order(bytes);
  if (!utf16) return bytes;
  const text = codecs.decodeText(utf16.withMark ? bytes.subarray(2) : bytes, utf16.encoding);
  const narrowed = new Uint8Array(text.length);
  for (let i = 0; i < text.length; i += 1) {
    const code = text.charCodeAt(i);
    narrowed[i] = code === 0x2212 ? MINUS : code < 256 ? code : QUESTION;
  }
  return narrowed;
}

const MINUS = 0x2d;
const QUESTION = 0x3f;

function utf16Order(bytes: Uint8Array): { encoding: 'utf-16le' | 'utf-16be'; withMark: boolean } | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return { encoding: 'utf-16le', withMark: true };
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return { encoding: 'utf-16be', withMark: true };
  // Without a mark: digits and delimiters have a zero byte beside them, on one side all the way.
  if (bytes.length < 4 || bytes.length % 2 === 1) return null;
  const sample = Math.min(bytes.length, 256);
  let evenZeros = 0;
  let oddZeros = 0;
  for (let i = 0; i < sample; i += 2) {
    if (bytes[i] === 0) evenZeros += 1;
    if (bytes[i + 1] === 0) oddZeros += 1;
  }
  if (oddZeros > sample * 0.4 && evenZeros === 0) return { encoding: 'utf-16le', withMark: false };
  if (evenZeros > sample * 0.4 && oddZeros === 0) return { encoding: 'utf-16be', withMark: false };
  return null;
}

/** Decodes a stretch of text for people: UTF-8, or Latin-1 where it is not valid UTF-8. */
export function readableText(bytes: Uint8Array, codecs: Codecs): string {
  const text = codecs.decodeText(bytes, 'utf-8');
  return text.includes('�') ? codecs.decodeText(bytes, 'latin1') : text;
}

/** A line's bytes, without its end. `number` counts from 1 as editors do. */
export interface Line {
  from: number;
  to: number;
  number: number;
}

/**
 * Lines that are not blank; LF or CRLF ends a line, or CR where the file has no LF at all.
 *
 * @param most - no more than these are looked for: a file of nothing but line ends does not fill the memory
 */
export function linesOf(bytes: Uint8Array, most: number): Line[] {
  const end = bytes.indexOf(LF) < 0 ? CR : LF;
  const lines: Line[] = [];
  let number = 1;
  for (let from = 0; from < bytes.length && lines.length < most; number += 1) {
    const found = bytes.indexOf(end, from);
    const next = found < 0 ? bytes.length : found;
    let to = next;
    while (to > from && bytes[to - 1] === CR) to -= 1;
    if (!isBlankStretch(bytes, from, to)) lines.push({ from, to, number });
    from = next + 1;
  }
  return lines;
}

const LF = 10;
const CR = 13;

function isBlankStretch(bytes: Uint8Array, from: number, to: number): boolean {
  for (let i = from; i < to; i += 1) if (bytes[i] !== 0x20 && bytes[i] !== 9) return false;
  return true;
}

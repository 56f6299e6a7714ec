import type { Line } from './text';

const QUOTE = 0x22;
const SPACE = 0x20;

export const DELIMITERS = { ';': 0x3b, '\t': 0x09, ',': 0x2c, ' ': 0x20 } as const;
export type DelimiterByte = (typeof DELIMITERS)[keyof typeof DELIMITERS];

/** What a cell holds: a finite number, a word for "no number" (nan, inf, nothing), or text. */
export type CellKind = 'number' | 'missing' | 'text';

/**
 * Walks through the cells of one line, calling `visit` with the bytes of each, quotes and blanks taken off.
 * A trailing delimiter does not make a cell. Blanks as delimiter count once however many there are.
 *
 * @returns the number of cells
 */
export function forEachCell(
  bytes: Uint8Array,
  line: Line,
  delimiter: DelimiterByte,
  visit: (from: number, to: number, index: number) => void,
): number {
  let index = 0;
  let at = line.from;
  while (at < line.to && isBlank(bytes[at]!) && bytes[at] !== delimiter) at += 1;
  if (delimiter === SPACE) while (at < line.to && bytes[at] === SPACE) at += 1;
  while (at < line.to) {
    let from = at;
    let to: number;
    if (bytes[at] === QUOTE) {
      from = at + 1;
      at = from;
      while (at < line.to && !(bytes[at] === QUOTE && bytes[at + 1] !== QUOTE)) at += bytes[at] === QUOTE ? 2 : 1;
      to = Math.min(at, line.to);
      while (at < line.to && bytes[at] !== delimiter) at += 1;
    } else {
      while (at < line.to && bytes[at] !== delimiter) at += 1;
      to = at;
    }
    while (from < to && isBlank(bytes[from]!)) from += 1;
    while (to > from && isBlank(bytes[to - 1]!)) to -= 1;
    visit(from, to, index);
    index += 1;
    at += 1;
    if (delimiter === SPACE) while (at < line.to && bytes[at] === SPACE) at += 1;
    while (at < line.to && isBlank(bytes[at]!) && bytes[at] !== delimiter) at += 1;
  }
  return index;
}

function isBlank(byte: number): boolean {
  return byte === SPACE || byte === 9;
}

const POWERS = Float64Array.from({ length: 23 }, (_, i) => 10 ** i);

/**
 * A number from the bytes of a cell: sign, digits with a point or a comma, exponent. Up to 15 digits
 * are exact to the last bit (digits and power of ten are exact then), up to 18 to one part in 10¹⁵.
 *
 * @returns the number; NaN when the cell is no number (see `cellKind`)
 */
export function numberInCell(bytes: Uint8Array, from: number, to: number): number {
  let at = from;
  let negative = false;
  const first = bytes[at];
  if (first === 0x2d || first === 0x2b) {
    negative = first === 0x2d;
    at += 1;
  } else if (first === 0xe2 && bytes[at + 1] === 0x88 && bytes[at + 2] === 0x92) {
    negative = true;
    at += 3;
  }
  let mantissa = 0;
  let digits = 0;
  let decimals = 0;
  let point = false;
  for (; at < to; at += 1) {
    const byte = bytes[at]!;
    if (byte >= 0x30 && byte <= 0x39) {
      mantissa = mantissa * 10 + (byte - 0x30);
      digits += 1;
      if (point) decimals += 1;
    } else if ((byte === 0x2e || byte === 0x2c) && !point) {
      point = true;
    } else {
      break;
    }
  }
  if (digits === 0 || (point && decimals === 0 && bytes[at - 1] === 0x2c)) return NaN;
  if (at < to || digits > 18 || decimals > 22) return slowNumber(bytes, from, to);
  const value = mantissa / POWERS[decimals]!;
  return negative ? -value : value;
}

/**
 * The numbers of a plain line (digits, sign, point or comma, delimiters, nothing else) without a call per cell.
 *
 * @param skip - cells to leave out at the beginning of the line
 * @param out - receives the numbers from `at` on, at most `room`
 * @returns the number of cells, or −1 when the line needs the general way
 */
export function plainNumbers(
  bytes: Uint8Array,
  line: Line,
  delimiter: DelimiterByte,
  skip: number,
  out: Float32Array,
  at: number,
  room: number,
): number {
  let place = line.from;
  let cells = 0;
  while (place < line.to) {
    let byte = bytes[place]!;
    const negative = byte === 0x2d;
    if (negative) byte = bytes[(place += 1)]!;
    let mantissa = 0;
    let digits = 0;
    let decimals = -1;
    for (; place < line.to; byte = bytes[(place += 1)]!) {
      if (byte >= 0x30 && byte <= 0x39) {
        mantissa = mantissa * 10 + byte - 0x30;
        digits += 1;
        if (decimals >= 0) decimals += 1;
      } else if (byte === delimiter) {
        break;
      } else if ((byte === 0x2e || byte === 0x2c) && decimals < 0) {
        decimals = 0;
      } else {
        return -1;
      }
    }
    if (digits === 0 || digits > 18 || decimals === 0) return -1;
    if (cells >= skip && cells - skip < room) {
      const value = decimals > 0 ? mantissa / POWERS[decimals]! : mantissa;
      out[at + cells - skip] = negative ? -value : value;
    }
    cells += 1;
    place += 1;
  }
  return cells;
}

function slowNumber(bytes: Uint8Array, from: number, to: number): number {
  if (to - from > 64) return NaN;
  const text = String.fromCharCode(...bytes.subarray(from, to))
    .replace('\u00e2\u0088\u0092', '-')
    .replace(',', '.');
  return /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d{1,3})?$/.test(text) ? Number(text) : NaN;
}

export function cellKind(bytes: Uint8Array, from: number, to: number): CellKind {
  if (from === to) return 'missing';
  const value = numberInCell(bytes, from, to);
  if (value === value) return 'number';
  if (to - from > 9) return 'text';
  const word = String.fromCharCode(...bytes.subarray(from, to));
  return /^[+-]?(nan|inf|infinity|-+|n\/a|null)$/i.test(word) ? 'missing' : 'text';
}

import { CoreError } from '../../../ground/errors';
import { requireFrameSize, type Frame } from '../../frame/frame';
import { APPARENT } from '../../../ground/basis';
import type { Codecs } from '../codecs';
import { requirePage, type ReadOptions } from '../readOptions';
import { convertToCelsius, unitInText } from '../units';
import { isPng, readChunks, type Chunk } from './chunks';
import { undoFilters } from './filters';

export { isPng } from './chunks';

interface Header {
  width: number;
  height: number;
  bitDepth: number;
  colour: number;
  interlaced: boolean;
}

/** What a PNG says about itself in its first part; null where that is missing. */
export function pngHeader(bytes: Uint8Array): Header | null {
  if (!isPng(bytes) || bytes.length < 29 || String.fromCharCode(...bytes.subarray(12, 16)) !== 'IHDR') return null;
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  return {
    width: view.getUint32(16),
    height: view.getUint32(20),
    bitDepth: bytes[24]!,
    colour: bytes[25]!,
    interlaced: bytes[28] === 1,
  };
}

/** The most that a byte of deflate can become. */
const GREATEST_GROWTH = 1040;

/** First pixel and step of the passes of an interlaced picture (Adam7; PNG specification, ch. 8). */
const PASSES = [
  { x: 0, y: 0, dx: 8, dy: 8 },
  { x: 4, y: 0, dx: 8, dy: 8 },
  { x: 0, y: 4, dx: 4, dy: 8 },
  { x: 2, y: 0, dx: 4, dy: 4 },
  { x: 0, y: 2, dx: 2, dy: 4 },
  { x: 1, y: 0, dx: 2, dy: 2 },
  { x: 0, y: 1, dx: 1, dy: 2 },
];
const ONE_PASS = [{ x: 0, y: 0, dx: 1, dy: 1 }];

/**
 * Reads temperatures from a PNG of 16 bits of grey: any filter, interlaced or not. The unit is taken from a text part
 * (`unit` = `cK`, `K`, `C`, `F`); without one the numbers are hundredths of a kelvin if that gives temperatures.
 *
 * @returns a frame in °C, apparent unless said otherwise
 * @throws CoreError `malformed`, `truncated`, `too_large`, `no_temperatures` with the byte, and what `convertToCelsius`
 *   throws
 *
 * Memory is bounded by the declared size, which is refused beyond what the file's bytes could hold.
 */
export function readPng(bytes: Uint8Array, codecs: Codecs, options: ReadOptions): Frame {
  const header = pngHeader(bytes);
  if (!header) throw malformed('it does not begin with its size', 8);
  const { width, height, bitDepth, colour, interlaced } = header;
  if (bitDepth !== 16 || colour !== 0) {
    throw new CoreError(
      'no_temperatures',
      'The PNG is a picture of colours; temperatures come as 16 bits of grey.',
      { byte: 24 },
      'Export the frame with its temperatures, or save the picture with 8 bits and add it as a photo.',
    );
  }
  requireFrameSize(width, height, 16);
  requirePage(options.page ?? 0, 1);
  const chunks = readChunks(bytes);
  const values = decodePixels(chunks, width, height, interlaced, codecs);
  const converted = convertToCelsius(
    values,
    width,
    { forced: options.unit, stated: statedUnit(chunks, codecs), storage: 'integer16' },
    options.allowMissing ?? false,
  );
  return {
    width,
    height,
    values,
    basis: APPARENT,
    provenance: { format: 'png', sourceUnit: converted.unit, pages: 1 },
    warnings: converted.warnings,
  };
}

function decodePixels(chunks: Chunk[], width: number, height: number, interlaced: boolean, codecs: Codecs): Float32Array {
  const parts = chunks.filter(({ type }) => type === 'IDAT');
  const first = parts[0]?.byte ?? 8;
  const stream = joined(parts.map(({ data }) => data));
  const passes = (interlaced ? PASSES : ONE_PASS)
    .map((pass) => ({
      ...pass,
      columns: Math.max(0, Math.ceil((width - pass.x) / pass.dx)),
      rows: Math.max(0, Math.ceil((height - pass.y) / pass.dy)),
    }))
    .filter(({ columns, rows }) => columns > 0 && rows > 0);
  const size = passes.reduce((sum, { columns, rows }) => sum + rows * (1 + 2 * columns), 0);
  const cutOff = (missing: number) =>
    new CoreError(
      'truncated',
      `The PNG ends too early: ${missing} of ${size} bytes of its pixels are missing.`,
      { byte: first },
      'The file was cut off: copy it from the card again.',
    );
  if (stream.length * GREATEST_GROWTH < size) throw cutOff(size - stream.length);
  const data = codecs.inflate(stream, size);
  if (data === 'overflow') {
    throw new CoreError(
      'malformed',
      `The compressed pixels of the PNG expand to more than the ${size} bytes that its header declares.`,
      { byte: first },
      'Do not trust this file; export the frame again.',
    );
  }
  if (data === 'broken') throw malformed('its compressed pixels cannot be expanded', first);
  if (data.length < size) throw cutOff(size - data.length);

  const values = new Float32Array(width * height);
  let at = 0;
  for (const { x, y, dx, dy, columns, rows } of passes) {
    const bad = undoFilters(data, at, columns, rows);
    if (bad >= 0) throw malformed(`row ${bad} uses a filter that does not exist`, first);
    for (let row = 0; row < rows; row += 1) {
      at += 1;
      let to = (y + row * dy) * width + x;
      for (let column = 0; column < columns; column += 1, at += 2, to += dx) values[to] = (data[at]! << 8) | data[at + 1]!;
    }
  }
  return values;
}

function joined(parts: Uint8Array[]): Uint8Array {
  if (parts.length === 1) return parts[0]!;
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

/** Longest text that is looked through, bytes. */
const LONGEST_TEXT = 65_536;

/** The unit in the text parts: `unit` with a value, or a text such as `unit=K` under any key. */
function statedUnit(chunks: Chunk[], codecs: Codecs) {
  for (const { type, data } of chunks) {
    const text = textOf(type, data, codecs);
    if (!text) continue;
    const unit = unitInText(`${text.key}=${text.value}`) ?? unitInText(text.value);
    if (unit) return unit;
  }
  return null;
}

function textOf(type: string, data: Uint8Array, codecs: Codecs): { key: string; value: string } | null {
  if (type !== 'tEXt' && type !== 'zTXt' && type !== 'iTXt') return null;
  const end = data.indexOf(0);
  if (end < 0) return null;
  const key = codecs.decodeText(data.subarray(0, end), 'latin1');
  const value = (bytes: Uint8Array, compressed: boolean) => {
    const plain = compressed ? codecs.inflate(bytes, LONGEST_TEXT) : bytes.subarray(0, LONGEST_TEXT);
    return typeof plain === 'string' ? null : codecs.decodeText(plain, type === 'iTXt' ? 'utf-8' : 'latin1');
  };
  let text: string | null;
  if (type === 'tEXt') text = value(data.subarray(end + 1), false);
  else if (type === 'zTXt') text = value(data.subarray(end + 2), true);
  else {
    // Flag and method of compression, then a language and a translated key, each with a zero behind it.
    const language = data.indexOf(0, end + 3);
    const translated = language < 0 ? -1 : data.indexOf(0, language + 1);
    text = translated < 0 ? null : value(data.subarray(translated + 1), data[end + 1] === 1);
  }
  return text === null ? null : { key, value: text };
}

function malformed(what: string, byte: number): CoreError {
  return new CoreError('malformed', `The PNG cannot be read: ${what}.`, { byte }, 'Export the frame again.');
}

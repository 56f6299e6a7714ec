import { CoreError } from '../../../ground/errors';
import { MAX_PIXELS } from '../../frame/frame';
import { errorOf, interchangeFile, manifest, testCodecs } from '../../../testing/material';
import { readFrame } from '../readFrame';
import { expandLzw } from './lzw';
import { expandPackbits } from './packbits';
import { undoPredictor } from './predictor';
import { readTiff } from './read';
import { writeTiff } from './write';

const readable = Object.entries(manifest).filter(([name, entry]) => name.startsWith('tiff-') && !entry.refuse);
const refused = Object.entries(manifest).filter(([name, entry]) => name.endsWith('.tif') && entry.refuse);

interface Field {
  tag: number;
  type: number;
  values: number[];
}

/** A little TIFF from its fields, for headers that no program would write. */
function tiffOf(fields: Field[], pixels: Uint8Array, next = 0): Uint8Array {
  const out = new Uint8Array(1024 + pixels.length);
  const view = new DataView(out.buffer);
  out.set([0x49, 0x49, 42, 0, 8, 0, 0, 0]);
  view.setUint16(8, fields.length, true);
  fields.forEach(({ tag, type, values }, i) => {
    const at = 10 + i * 12;
    view.setUint16(at, tag, true);
    view.setUint16(at + 2, type, true);
    view.setUint32(at + 4, values.length, true);
    if (type === 3) view.setUint16(at + 8, values[0]!, true);
    else view.setUint32(at + 8, values[0]!, true);
  });
  view.setUint32(10 + fields.length * 12, next, true);
  out.set(pixels, 1024);
  return out;
}

function grey(changes: Record<number, number | null> = {}): Field[] {
  const fields: Record<number, number | null> = {
    256: 4,
    257: 3,
    258: 32,
    259: 1,
    273: 1024,
    277: 1,
    278: 3,
    279: 48,
    339: 3,
    ...changes,
  };
  return Object.entries(fields)
    .filter(([, value]) => value !== null)
    .map(([tag, value]) => ({ tag: Number(tag), type: 4, values: [value!] }));
}

const twelve = new Uint8Array(Float32Array.from({ length: 12 }, (_, i) => i).buffer);
const read = (bytes: Uint8Array) => readTiff(bytes, testCodecs, {});

describe('reading TIFF', () => {
  test.each(readable)('%s reads to its pixels', (name, entry) => {
    const frame = readFrame(interchangeFile(name), testCodecs);
    expect([frame.width, frame.height]).toEqual([entry.width, entry.height]);
    for (const [x, y, celsius] of entry.pixels) {
      expect(Math.abs(frame.values[y * frame.width + x]! - celsius)).toBeLessThanOrEqual(entry.tolerance_C + 1e-5);
    }
    expect(frame.provenance.sourceUnit).toBe(entry.unit);
    expect(frame.provenance.pages).toBe(entry.pages ?? 1);
    expect(frame.warnings.some((warning) => warning.code === 'first_of_pages')).toBe((entry.pages ?? 1) > 1);
  });

  test('there were nineteen kinds', () => expect(readable).toHaveLength(19));

  test.each(refused)('%s is refused with reason, place and remedy', (name) => {
    const error = errorOf(() => readFrame(interchangeFile(name), testCodecs)) as CoreError;
    expect(error).toBeInstanceOf(CoreError);
    expect(error.message.length).toBeGreaterThan(10);
    expect(error.hint.length).toBeGreaterThan(10);
    expect(Object.keys(error.where).length).toBeGreaterThan(0);
  });

  test('all malformed files were tried', () => expect(refused.length).toBeGreaterThanOrEqual(6));

  test('what is wrong is told apart', () => {
    const code = (name: string) => (errorOf(() => readFrame(interchangeFile(name), testCodecs)) as CoreError).code;
    expect(code('bad-truncated-half.tif')).toBe('truncated');
    expect(code('bad-nan.tif')).toBe('not_finite');
    expect(code('bad-60000x60000-no-data.tif')).toBe('too_large');
    expect(code('bad-deflate-bomb.tif')).toBe('malformed');
    expect(code('bad-wrong-magic.tif')).toBe('unknown_format');
    expect(code('bad-empty.tif')).toBe('empty_file');
    expect(code('bad-photo-rgb.jpg')).toBe('no_temperatures');
  });

  test('not finite pixels are counted and placed, and may be allowed', () => {
    const bytes = interchangeFile('bad-nan.tif');
    const error = errorOf(() => readFrame(bytes, testCodecs)) as CoreError;
    expect(error.message).toContain('4 pixels');
    expect(error.where.x).toBeGreaterThanOrEqual(0);
    const frame = readFrame(bytes, testCodecs, { allowMissing: true });
    expect(frame.values.filter((value) => Number.isNaN(value))).toHaveLength(4);
    expect(frame.warnings.map((warning) => warning.code)).toContain('missing_pixels');
  });
});

describe('hostile headers', () => {
  const code = (bytes: Uint8Array) => (errorOf(() => read(bytes)) as CoreError).code;

  test('a small TIFF made by hand is read', () =>
    expect(Array.from(read(tiffOf(grey(), twelve)).values)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]));
  test('pages that point in a circle', () => expect(code(tiffOf(grey(), twelve, 8))).toBe('malformed'));
  test('a size of zero, one pixel, or too many', () => {
    expect(code(tiffOf(grey({ 256: 0 }), twelve))).toBe('malformed');
    expect(code(tiffOf(grey({ 257: 1 }), twelve))).toBe('malformed');
    expect(code(tiffOf(grey({ 256: MAX_PIXELS, 257: 2 }), twelve))).toBe('too_large');
  });
  test('pixels outside of the file, or fewer than declared', () => {
    expect(code(tiffOf(grey({ 273: 5000 }), twelve))).toBe('truncated');
    expect(code(tiffOf(grey({ 279: 40 }), twelve))).toBe('truncated');
    expect(code(tiffOf(grey({ 273: null }), twelve))).toBe('malformed');
  });
  test('colours, other sample kinds, unknown compressions and predictors', () => {
    expect(code(tiffOf(grey({ 277: 3 }), twelve))).toBe('no_temperatures');
    expect(code(tiffOf(grey({ 258: 8 }), twelve))).toBe('no_temperatures');
    expect(code(tiffOf(grey({ 258: 12 }), twelve))).toBe('unsupported');
    expect(code(tiffOf(grey({ 259: 7 }), twelve))).toBe('unsupported');
    expect(code(tiffOf(grey({ 317: 9 }), twelve))).toBe('unsupported');
  });
  test('a compression that is not read is named', () => {
    expect((errorOf(() => read(tiffOf(grey({ 259: 50000 }), twelve))) as CoreError).message).toContain('Zstandard');
  });
  test('a directory outside of the file, a header cut off', () => {
    expect(code(new Uint8Array([0x49, 0x49, 42, 0, 255, 255, 0, 0]))).toBe('malformed');
    expect(code(new Uint8Array([0x4d, 0x4d, 0, 42, 0]))).toBe('malformed');
  });
  test('broken deflate', () => expect(code(tiffOf(grey({ 259: 8 }), twelve))).toBe('malformed'));
});

describe('units', () => {
  const withText = (text: string, values: number[]) => {
    const frame = { width: 4, height: 3, values: Float32Array.from(values) };
    const bytes = writeTiff(frame, testCodecs);
    const place = Buffer.from(bytes).indexOf('unit=C');
    bytes.set(new TextEncoder().encode(text.padEnd(6, ' ')), place);
    return bytes;
  };
  const twelveOf = (value: number) => Array.from({ length: 12 }, (_, i) => value + i / 10);

  test('the description decides', () => {
    expect(read(withText('unit=K', twelveOf(290))).values[0]).toBeCloseTo(16.85, 3);
    expect(read(withText('unit=F', twelveOf(68))).values[0]).toBeCloseTo(20, 3);
  });
  test('without one, values in the kelvin band are kelvin, and it is said', () => {
    const frame = read(withText('', twelveOf(290)));
    expect(frame.values[0]).toBeCloseTo(16.85, 3);
    expect(frame.warnings.map((warning) => warning.code)).toEqual(['unit_assumed_kelvin']);
  });
  test('what the user says wins', () =>
    expect(readTiff(withText('unit=K', twelveOf(25)), testCodecs, { unit: 'C' }).values[0]).toBe(25));
  test('absurd temperatures are refused with their place', () => {
    const values = twelveOf(20);
    values[6] = 5000;
    const error = errorOf(() => read(withText('unit=C', values))) as CoreError;
    expect([error.code, error.where.x, error.where.y]).toEqual(['absurd', 2, 1]);
  });
  test('whole numbers that are no centikelvin are not guessed at', () => {
    const bytes = new Uint8Array(Uint16Array.from({ length: 12 }, () => 5).buffer);
    expect((errorOf(() => read(tiffOf(grey({ 258: 16, 339: 1, 279: 24 }), bytes))) as CoreError).code).toBe('unit_unknown');
  });
});

describe('writing TIFF', () => {
  test('loses nothing', () => {
    const values = Float32Array.from({ length: 35 }, (_, i) => Math.sin(i) * 40);
    const back = read(writeTiff({ width: 7, height: 5, values }, testCodecs));
    expect([back.width, back.height, back.provenance.sourceUnit]).toEqual([7, 5, 'C']);
    expect(back.values).toEqual(values);
  });
  test('a pixel without a reading stays one', () => {
    const values = new Float32Array(200).fill(20);
    values[7] = NaN;
    const bytes = writeTiff({ width: 20, height: 10, values }, testCodecs);
    expect((errorOf(() => read(bytes)) as CoreError).code).toBe('not_finite');
    expect(readTiff(bytes, testCodecs, { allowMissing: true }).values).toEqual(values);
  });
});

describe('expanders', () => {
  test('PackBits: the example of the specification', () => {
    const packed = [0xfe, 0xaa, 0x02, 0x80, 0x00, 0x2a, 0xfd, 0xaa, 0x03, 0x80, 0x00, 0x2a, 0x22, 0xf7, 0xaa];
    const out = new Uint8Array(24);
    expect(expandPackbits(Uint8Array.from(packed), out)).toBe(24);
    const aa = (n: number) => Array.from({ length: n }, () => 0xaa);
    expect(Array.from(out)).toEqual([...aa(3), 0x80, 0, 0x2a, ...aa(4), 0x80, 0, 0x2a, 0x22, ...aa(10)]);
  });
  test('PackBits: stops at the end of either side', () => {
    expect(expandPackbits(Uint8Array.from([0x81]), new Uint8Array(4))).toBe(0);
    expect(expandPackbits(Uint8Array.from([0x81, 7]), new Uint8Array(4))).toBe(4);
    expect(expandPackbits(Uint8Array.from([5, 1, 2]), new Uint8Array(9))).toBe(2);
  });
  test('LZW: a code that cannot be is reported, not followed', () => {
    expect(expandLzw(Uint8Array.from([0xff, 0xff, 0xff]), new Uint8Array(10))).toBeLessThan(0);
  });
  test('predictor 2 carries within a sample, in either byte order', () => {
    const little = Uint8Array.from([0xff, 0x00, 0x01, 0x00]);
    undoPredictor(2, little, 2, 1, 2, true);
    expect(Array.from(little)).toEqual([0xff, 0x00, 0x00, 0x01]);
    const big = Uint8Array.from([0x00, 0xff, 0x00, 0x01]);
    undoPredictor(2, big, 2, 1, 2, false);
    expect(Array.from(big)).toEqual([0x00, 0xff, 0x01, 0x00]);
  });
});

describe('pages', () => {
  const file = interchangeFile('tiff-f32-3pages.tif');

  test('each page is read by its number; whoever names one is not warned of the others', () => {
    const first = readFrame(file, testCodecs);
    expect(first.warnings.map(({ code }) => code)).toEqual(['first_of_pages']);
    for (const page of [0, 1, 2]) {
      const frame = readFrame(file, testCodecs, { page });
      expect(frame.provenance.pages).toBe(3);
      expect(frame.warnings).toEqual([]);
      expect(frame.values[0]).toBeCloseTo(first.values[0]! + page, 4);
    }
  });

  test('a page that is not there is refused', () => {
    expect(errorOf(() => readFrame(file, testCodecs, { page: 3 }))).toMatchObject({ code: 'out_of_range' });
    expect(errorOf(() => readFrame(interchangeFile('csv-comma.csv'), testCodecs, { page: 1 }))).toMatchObject({
      code: 'out_of_range',
    });
  });
});

import fc from 'fast-check';
import type { CoreError } from '../../../ground/errors';
import { errorOf, interchangeFile, manifest, testCodecs } from '../../../testing/material';
import { fileKind, readFrame } from '../readFrame';
import { chunkBytes, crc32, PNG_SIGNATURE } from './chunks';
import { writePng } from './write';

const readable = Object.entries(manifest).filter(([name]) => name.startsWith('png16-'));
const read = (bytes: Uint8Array) => readFrame(bytes, testCodecs);
const refusalOf = (bytes: Uint8Array) => errorOf(() => read(bytes)) as CoreError;

const text = (words: string) => Uint8Array.from(words, (letter) => letter.charCodeAt(0));

interface Picture {
  width: number;
  height: number;
  pixels: number[];
  /** Filter of row r is filters[r % length]. */
  filters: number[];
  interlaced: boolean;
  header?: number[];
  extra?: Uint8Array[];
  /** Pixel data come in parts of this size. */
  partSize?: number;
}

const ADAM7 = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
] as const;

/** A PNG by the book, written for these tests alone: every filter, interlaced or not. */
function pngOf({ width, height, pixels, filters, interlaced, header, extra = [], partSize = 1e9 }: Picture): Uint8Array {
  const bytes: number[] = [];
  let row = 0;
  for (const [x0, y0, dx, dy] of interlaced ? ADAM7 : ([[0, 0, 1, 1]] as const)) {
    let above: number[] = [];
    for (let y = y0; y < height && x0 < width; y += dy) {
      const raw: number[] = [];
      for (let x = x0; x < width; x += dx) raw.push(pixels[y * width + x]! >> 8, pixels[y * width + x]! & 0xff);
      const filter = filters[row++ % filters.length]!;
      bytes.push(
        filter,
        ...raw.map((byte, i) => (byte - guess(filter, raw[i - 2] ?? 0, above[i] ?? 0, above[i - 2] ?? 0)) & 0xff),
      );
      above = raw;
    }
  }
  const ihdr = new Uint8Array(13);
  new DataView(ihdr.buffer).setUint32(0, width);
  new DataView(ihdr.buffer).setUint32(4, height);
  ihdr.set(header ?? [16, 0, 0, 0, interlaced ? 1 : 0], 8);
  const packed = testCodecs.deflate(Uint8Array.from(bytes));
  const parts: Uint8Array[] = [];
  for (let at = 0; at < packed.length; at += partSize) parts.push(chunkBytes('IDAT', packed.slice(at, at + partSize)));
  return Uint8Array.from(
    [PNG_SIGNATURE, chunkBytes('IHDR', ihdr), ...extra, ...parts, chunkBytes('IEND', new Uint8Array())].flatMap((part) => [
      ...part,
    ]),
  );
}

function guess(filter: number, left: number, up: number, corner: number): number {
  if (filter === 1) return left;
  if (filter === 2) return up;
  if (filter === 3) return (left + up) >> 1;
  if (filter !== 4) return 0;
  const p = left + up - corner;
  const [a, b, c] = [Math.abs(p - left), Math.abs(p - up), Math.abs(p - corner)];
  return a <= b && a <= c ? left : b <= c ? up : corner;
}

const celsius = (number: number) => Math.fround(number * 0.01 - 273.15);

test('checksums are those of the standard', () => {
  expect(crc32(text('IEND'), 0, 4)).toBe(0xae426082);
  expect(crc32(text('123456789'), 0, 9)).toBe(0xcbf43926);
});

describe('reading PNG', () => {
  test.each(readable)('%s reads to its pixels', (name, entry) => {
    const frame = read(interchangeFile(name));
    expect([frame.width, frame.height, frame.provenance.sourceUnit]).toEqual([entry.width, entry.height, 'cK']);
    for (const [x, y, value] of entry.pixels) expect(frame.values[y * frame.width + x]).toBeCloseTo(value, 2);
  });

  test('every filter, interlaced or not, in any number of parts', () => {
    const picture = fc.record({
      width: fc.integer({ min: 2, max: 20 }),
      height: fc.integer({ min: 2, max: 20 }),
      filters: fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 }),
      interlaced: fc.boolean(),
      partSize: fc.integer({ min: 5, max: 400 }),
      seed: fc.array(fc.integer({ min: 20_000, max: 40_000 }), { minLength: 400, maxLength: 400 }),
    });
    fc.assert(
      fc.property(picture, ({ seed, ...rest }) => {
        const pixels = seed.slice(0, rest.width * rest.height);
        const frame = read(pngOf({ ...rest, pixels }));
        expect([...frame.values]).toEqual(pixels.map(celsius));
      }),
      { numRuns: 300 },
    );
  });

  const small = { width: 2, height: 2, pixels: [29315, 29400, 29500, 29600], filters: [0], interlaced: false };

  test.each([
    ['tEXt', text('unit\0K'), 'K'],
    ['tEXt', text('Comment\0taken in unit=cK'), 'cK'],
    ['iTXt', text('unit\0\0\0en\0Einheit\0K'), 'K'],
    ['zTXt', Uint8Array.from([...text('unit\0\0'), ...testCodecs.deflate(text('K'))]), 'K'],
  ])('the unit of a %s part counts', (type, data, unit) => {
    const frame = read(
      pngOf({ ...small, pixels: unit === 'K' ? [293, 294, 295, 296] : small.pixels, extra: [chunkBytes(type, data)] }),
    );
    expect(frame.provenance.sourceUnit).toBe(unit);
    expect(frame.values[0]).toBeCloseTo(unit === 'K' ? 19.85 : 20, 2);
  });

  test('numbers that would be no temperatures are not guessed at', () => {
    expect(refusalOf(pngOf({ ...small, pixels: [1, 2, 3, 65_000] })).code).toBe('unit_unknown');
  });

  test('a picture of 8 bits is a photo, 16 bits of colour hold no temperatures', () => {
    const eight = pngOf({ ...small, header: [8, 0, 0, 0, 0] });
    expect(fileKind(eight)).toBe('png');
    expect(refusalOf(eight).code).toBe('no_temperatures');
    const colours = pngOf({ ...small, header: [16, 2, 0, 0, 0] });
    expect(refusalOf(colours).code).toBe('no_temperatures');
  });

  test('damage, cut ends, bombs and wrong filters are refused with their place', () => {
    const good = pngOf(small);
    const flipped = good.slice();
    flipped[good.length - 20]! ^= 4;
    expect(refusalOf(flipped)).toMatchObject({ code: 'malformed', message: expect.stringMatching(/checksum/) });
    expect(refusalOf(good.slice(0, -6)).code).toBe('truncated');
    expect(refusalOf(pngOf({ ...small, filters: [7] })).message).toMatch(/filter/);
    const bomb = pngOf({ ...small, height: 40, pixels: Array.from({ length: 80 }, () => 29_000) });
    new DataView(bomb.buffer).setUint32(20, 4);
    new DataView(bomb.buffer).setUint32(29, crc32(bomb, 12, 29));
    expect(refusalOf(bomb).message).toMatch(/expand to more/);
    const greedy = pngOf(small);
    new DataView(greedy.buffer).setUint32(16, 3000);
    new DataView(greedy.buffer).setUint32(20, 1900);
    new DataView(greedy.buffer).setUint32(29, crc32(greedy, 12, 29));
    expect(refusalOf(greedy).code).toBe('truncated');
  });
});

describe('writing PNG', () => {
  test('hundredths of a kelvin come back as they were', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 15_000, max: 60_000 }), { minLength: 12, maxLength: 12 }), (numbers) => {
        const values = Float32Array.from(numbers, celsius);
        const frame = read(writePng({ width: 4, height: 3, values }, testCodecs));
        expect([...frame.values]).toEqual([...values]);
      }),
    );
  });

  test('what the format cannot say is refused with its place', () => {
    const write = (value: number) => writePng({ width: 2, height: 2, values: Float32Array.of(20, 20, value, 20) }, testCodecs);
    expect(errorOf(() => write(NaN))).toMatchObject({ code: 'unsupported', where: { x: 0, y: 1 } });
    expect(errorOf(() => write(400))).toMatchObject({ code: 'out_of_range', where: { x: 0, y: 1 } });
  });
});

import fc from 'fast-check';
import { CoreError } from '../../../ground/errors';
import { errorOf, interchangeFile, manifest, testCodecs } from '../../../testing/material';
import { readFrame } from '../readFrame';
import { halfToNumber } from './read';
import { writeNpy } from './write';

const readable = Object.entries(manifest).filter(([name, entry]) => name.startsWith('npy-') && !entry.refuse);
const refused = Object.entries(manifest).filter(([name, entry]) => name.endsWith('.npy') && entry.refuse);

/** An array as another program would write it. */
function npyOf(descr: string, shape: string, data: Uint8Array, options: { order?: string; version?: number } = {}): Uint8Array {
  const version = options.version ?? 1;
  const text = `{'descr': ${descr}, 'fortran_order': ${options.order ?? 'False'}, 'shape': ${shape}, }\n`;
  const out = new Uint8Array((version === 1 ? 10 : 12) + text.length + data.length);
  out.set([0x93, 0x4e, 0x55, 0x4d, 0x50, 0x59, version, 0]);
  const view = new DataView(out.buffer);
  if (version === 1) view.setUint16(8, text.length, true);
  else view.setUint32(8, text.length, true);
  const at = version === 1 ? 10 : 12;
  for (let i = 0; i < text.length; i += 1) out[at + i] = text.charCodeAt(i);
  out.set(data, at + text.length);
  return out;
}

const floats = (...values: number[]) => new Uint8Array(Float32Array.from(values).buffer);
const read = (bytes: Uint8Array, page?: number) => readFrame(bytes, testCodecs, page === undefined ? {} : { page });
const refusalOf = (bytes: Uint8Array) => errorOf(() => read(bytes)) as CoreError;

describe('reading NPY', () => {
  test.each(readable)('%s reads to its pixels', (name, entry) => {
    const frame = read(interchangeFile(name));
    expect([frame.width, frame.height, frame.provenance.sourceUnit]).toEqual([entry.width, entry.height, entry.unit]);
    for (const [x, y, celsius] of entry.pixels) {
      expect(Math.abs(frame.values[y * frame.width + x]! - celsius)).toBeLessThanOrEqual(entry.tolerance_C + 1e-4);
    }
  });

  test.each(refused)('%s is refused', (name) => {
    expect(refusalOf(interchangeFile(name))).toBeInstanceOf(CoreError);
  });

  test('version 3 and a missing order mark are read', () => {
    const frame = read(npyOf("'f4'", '(2, 3)', floats(1, 2, 3, 4, 5, 6), { version: 3 }));
    expect([...frame.values]).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('columns first comes out row by row', () => {
    const frame = read(npyOf("'<f4'", '(2, 3)', floats(1, 4, 2, 5, 3, 6), { order: 'True' }));
    expect([...frame.values]).toEqual([1, 2, 3, 4, 5, 6]);
  });

  test('three dimensions are pages, in either order', () => {
    const rows = npyOf("'<f4'", '(2, 2, 2)', floats(1, 2, 3, 4, 5, 6, 7, 8));
    expect([...read(rows, 1).values]).toEqual([5, 6, 7, 8]);
    expect(read(rows).warnings[0]).toMatchObject({ code: 'first_of_pages' });
    const columns = npyOf("'<f4'", '(2, 2, 2)', floats(1, 5, 3, 7, 2, 6, 4, 8), { order: 'True' });
    expect([...read(columns, 0).values]).toEqual([1, 2, 3, 4]);
    expect([...read(columns, 1).values]).toEqual([5, 6, 7, 8]);
    expect((errorOf(() => read(rows, 2)) as CoreError).code).toBe('out_of_range');
  });

  test.each([
    ["'|O'", '(2, 2)', 'unsupported', /objects/],
    ["[('a', '<f4')]", '(2, 2)', 'unsupported', /named fields/],
    ["'<i4'", '(2, 2)', 'unsupported', /i4/],
    ["'<f4'", '(4,)', 'malformed', /1 dimension/],
    ["'<f4'", '(1, 1, 2, 2)', 'malformed', /4 dimensions/],
    ["'<f4'", '(0, 2, 2)', 'malformed', /0 pages/],
    ["'<f4'", '(1, 4)', 'malformed', /2 × 2/],
    ["'<f4'", '(60000, 60000)', 'too_large', /60000/],
    ["'<f4'", '(2000, 2000)', 'truncated', /16000000 bytes/],
    ['no type', '(2, 2)', 'malformed', /type, order and shape/],
  ])('%s of %s is refused: %s', (descr, shape, code, words) => {
    const error = refusalOf(npyOf(descr, shape, floats(1, 2, 3, 4)));
    expect(error.code).toBe(code);
    expect(error.message).toMatch(words);
  });

  test('a header that ends too early or is far too long is refused', () => {
    const good = npyOf("'<f4'", '(2, 2)', floats(1, 2, 3, 4));
    for (const length of [6, 9, 11, 40]) expect(refusalOf(good.slice(0, length)).code).toBe('truncated');
    const long = npyOf("'<f4'", '(2, 2)', floats(1, 2, 3, 4), { version: 2 });
    new DataView(long.buffer).setUint32(8, 100_000_000, true);
    expect(refusalOf(long).code).toBe('malformed');
    const old = good.slice();
    old[6] = 9;
    expect(refusalOf(old).message).toMatch(/version 9/);
  });

  test('half precision is read exactly', () => {
    expect([0x0000, 0x0001, 0x3c00, 0xc000, 0x4d00, 0x7bff, 0x7c00, 0xfc00].map(halfToNumber)).toEqual([
      0,
      2 ** -24,
      1,
      -2,
      20,
      65504,
      Infinity,
      -Infinity,
    ]);
    expect(halfToNumber(0x7e00)).toBeNaN();
  });
});

test('writing and reading loses nothing', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 9 }),
      fc.integer({ min: 2, max: 9 }),
      fc.infiniteStream(fc.float({ min: -100, max: 190, noNaN: true })),
      (width, height, stream) => {
        const values = Float32Array.from({ length: width * height }, () => stream.next().value as number);
        const bytes = writeNpy({ width, height, values });
        expect((bytes.length - values.length * 4) % 64).toBe(0);
        const frame = read(bytes);
        expect([frame.width, frame.height, frame.provenance.format]).toEqual([width, height, 'npy']);
        expect(Buffer.compare(Buffer.from(frame.values.buffer), Buffer.from(values.buffer))).toBe(0);
      },
    ),
    { numRuns: 200 },
  );
});

test('a pixel without a reading survives where missing pixels are allowed', () => {
  const values = Float32Array.from({ length: 200 }, (_, i) => (i === 7 ? NaN : 20));
  const bytes = writeNpy({ width: 20, height: 10, values });
  expect(refusalOf(bytes).code).toBe('not_finite');
  const frame = readFrame(bytes, testCodecs, { allowMissing: true });
  expect(frame.values[7]).toBeNaN();
  expect(frame.warnings[0]!.code).toBe('missing_pixels');
});

test('what is written says its unit, so that it reads back the same between 200 and 400 °C', () => {
  const values = Float32Array.from([215, 300, 375, 260]);
  const bytes = writeNpy({ width: 2, height: 2, values });
  const frame = read(bytes);
  expect(Array.from(frame.values)).toEqual([215, 300, 375, 260]);
  expect(frame.provenance.sourceUnit).toBe('C');
  expect(frame.warnings).toEqual([]);
  // The numbers still begin where the format asks.
  expect((bytes.length - 16) % 64).toBe(0);
});

test('a unit is taken from the comment only, never from the dictionary', () => {
  const inside = npyOf("'<f4'", '(2, 2)', floats(293, 294, 295, 296), { order: "False, 'note': 'unit=C'" });
  expect(read(inside).provenance.sourceUnit).toBe('K');
});

import { readFileSync } from 'node:fs';
import { writeTiff } from './tiff/write';
import { writeNpy } from './npy/write';
import { requirePages } from './pages';
import { readFrame } from './readFrame';
import { testCodecs } from '../../testing/material';

const material = (name: string) => new Uint8Array(readFileSync(`core/testing/interchange/${name}`));
const refused = (bytes: Uint8Array) => {
  try {
    return requirePages(bytes);
  } catch (error) {
    return error as { code: string; message: string };
  }
};

/** A TIFF of many pages that all show the same pixels: its directory again and again. */
function repeated(pages: number, width: number, height: number): Uint8Array {
  const one = writeTiff({ width, height, values: new Float32Array(width * height).fill(20) }, testCodecs);
  const view = new DataView(one.buffer, one.byteOffset, one.byteLength);
  const first = view.getUint32(4, true);
  const length = 2 + 12 * view.getUint16(first, true) + 4;
  const start = one.length + (one.length % 2);
  const out = new Uint8Array(start + length * (pages - 1));
  out.set(one);
  const copy = new DataView(out.buffer);
  for (let page = 1; page < pages; page += 1) {
    const at = start + length * (page - 1);
    out.set(one.subarray(first, first + length), at);
    const before = page === 1 ? first : at - length;
    copy.setUint32(before + length - 4, at, true);
    copy.setUint32(at + length - 4, 0, true);
  }
  return out;
}

test('counts the pages of each kind of file', () => {
  expect(requirePages(material('tiff-f32-3pages.tif'))).toBe(3);
  expect(requirePages(material('csv-comma.csv'))).toBe(1);
  expect(requirePages(writeNpy({ width: 8, height: 6, values: new Float32Array(48).fill(20) }))).toBe(1);
  expect(requirePages(repeated(40, 16, 12))).toBe(40);
  expect(readFrame(repeated(40, 16, 12), testCodecs, { page: 39 }).provenance.pages).toBe(40);
});

test('refuses more pages than are taken from one file', () => {
  expect(refused(repeated(1000, 4, 4))).toBe(1000);
  expect(refused(repeated(1001, 4, 4))).toMatchObject({ code: 'too_large', message: expect.stringContaining('1,001 pages') });
});

test('refuses pages that are too large together, before any of them is read; one page alone may be as large as frames are', () => {
  const bytes = repeated(9, 2400, 2400);
  expect(bytes.length).toBeLessThan(200_000);
  expect(refused(bytes)).toMatchObject({ code: 'too_large', message: expect.stringContaining('52 million pixels') });
  expect(refused(repeated(1, 2400, 2400))).toBe(1);
});

test('a picture of very many tiles is refused before they are read', () => {
  const side = 200;
  const entries = [
    [256, side],
    [257, side],
    [258, 32],
    [259, 1],
    [277, 1],
    [322, 1],
    [323, 1],
    [324, 8],
    [325, 4],
    [339, 3],
  ] as const;
  const bytes = new Uint8Array(8 + 2 + 12 * entries.length + 4);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0, 8]);
  view.setUint16(8, entries.length, true);
  entries.forEach(([tag, value], i) => {
    view.setUint16(10 + 12 * i, tag, true);
    view.setUint16(12 + 12 * i, 4, true);
    view.setUint32(14 + 12 * i, 1, true);
    view.setUint32(18 + 12 * i, value, true);
  });
  expect(() => readFrame(bytes, testCodecs)).toThrow(
    expect.objectContaining({ code: 'unsupported', message: expect.stringContaining('40000 strips or tiles') }),
  );
});

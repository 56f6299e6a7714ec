import { testCodecs } from '../../../testing/material';
import { tiffMoment } from './moment';
import { writeTiff } from './write';

const plain = writeTiff({ width: 2, height: 2, values: Float32Array.of(1, 2, 3, 4) }, testCodecs);

/** A TIFF with nothing but a moment. */
function dated(text: string): Uint8Array {
  const bytes = new Uint8Array(8 + 2 + 12 + 4 + text.length + 1);
  const view = new DataView(bytes.buffer);
  bytes.set([0x49, 0x49, 42, 0]);
  view.setUint32(4, 8, true);
  view.setUint16(8, 1, true);
  view.setUint16(10, 306, true);
  view.setUint16(12, 2, true);
  view.setUint32(14, text.length + 1, true);
  view.setUint32(18, 26, true);
  bytes.set(new TextEncoder().encode(text), 26);
  return bytes;
}

test('a moment is read to the second; only differences mean something', () => {
  const later = tiffMoment(dated('2026:02:15 17:29:59'))!;
  expect(later - tiffMoment(dated('2026:02:15 17:28:59'))!).toBe(60);
  expect(tiffMoment(dated('2026:03:01 00:00:00'))! - tiffMoment(dated('2026:02:28 23:59:00'))!).toBe(60);
});

test('no moment, one that is none, another file, a damaged one', () => {
  expect(tiffMoment(plain)).toBeNull();
  for (const text of ['', 'yesterday', '2026-02-15 17:28:59', '2026:13:15 17:28:59', '2026:02:15 25:00:00'])
    expect(tiffMoment(dated(text))).toBeNull();
  expect(tiffMoment(new TextEncoder().encode('a,b\n1,2'))).toBeNull();
  expect(tiffMoment(dated('2026:02:15 17:28:59').subarray(0, 30))).toBeNull();
});

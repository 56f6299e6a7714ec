import sharp from 'sharp';
import type { Row } from '@core/model/entities';
import { visitDocument } from '@core/testing/visit';
import { comparedPhoto, printedPhoto, storedValues } from './photos';

const UPRIGHT = { quarters: 0, mirrored: false } as Row<'photo'>['value'];

const jpeg = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#a06040' } })
    .jpeg()
    .toBuffer();

describe('photos of a paper', () => {
  test('are made as small as print needs, and never larger than they came', async () => {
    expect(await printedPhoto(await jpeg(2400, 1200), UPRIGHT, false)).toMatchObject({ width: 1000, height: 500 });
    expect(await printedPhoto(await jpeg(300, 200), UPRIGHT, false)).toMatchObject({ width: 300, height: 200 });
  });

  test('a photo whose bytes are damaged, cut off or none is no photo, and no error', async () => {
    const whole = await jpeg(640, 480);
    for (const bytes of [Buffer.from('not a picture'), whole.subarray(0, 120), Buffer.alloc(0)]) {
      expect(await printedPhoto(bytes, UPRIGHT, false)).toBeNull();
      expect(await comparedPhoto(bytes, UPRIGHT)).toBeNull();
    }
    expect(await comparedPhoto(whole, UPRIGHT)).toMatchObject({ width: 240, height: 180 });
  });
});

describe('values of a frame', () => {
  const document = visitDocument();
  const [id, { width, height }] = Object.entries(document.frameFacts)[0]!;

  test('are as stored, also from the middle of a larger piece of memory', () => {
    const around = new Uint8Array(4 * width * height + 3);
    const values = Float32Array.from({ length: width * height }, (_, i) => i / 10);
    around.set(new Uint8Array(values.buffer), 3);
    expect(storedValues([document], id, around.subarray(3))).toEqual(values);
  });

  test('none, or too few or too many for its size, are none', () => {
    expect(storedValues([document], id, undefined)).toBeNull();
    expect(storedValues([document], id, new Uint8Array(4 * width * height - 1))).toBeNull();
    expect(storedValues([document], id, new Uint8Array(4 * width * height + 4))).toBeNull();
    expect(storedValues([document], 'another', new Uint8Array(4))).toBeNull();
  });
});

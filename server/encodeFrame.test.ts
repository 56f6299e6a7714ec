import sharp from 'sharp';
import { readFrame } from '@core/method/formats/readFrame';
import { CoreError } from '@core/ground/errors';
import { IDENTITY_LINE } from '@core/method/radiometry/measurement';
import { nodeCodecs } from './codecs';
import { encodeFrame, requireFormat } from './encodeFrame';
import { framePng, picturePng, uprightPhoto } from './picture';

const frame = { width: 4, height: 3, values: Float32Array.from({ length: 12 }, (_, i) => 10 + i * 0.25) };

test.each(['tif', 'npy', 'csv', 'png'] as const)('.%s reads back to the same temperatures', (format) => {
  const content = encodeFrame(frame, format);
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content;
  const back = readFrame(bytes, nodeCodecs);
  expect([back.width, back.height]).toEqual([4, 3]);
  back.values.forEach((value, i) => expect(value).toBeCloseTo(frame.values[i]!, 2));
});

test('JSON holds rows of numbers, null for no reading', () => {
  const values = frame.values.slice();
  values[5] = NaN;
  const { rows, unit } = JSON.parse(encodeFrame({ ...frame, values }, 'json') as string) as { rows: unknown[][]; unit: string };
  expect(unit).toBe('C');
  expect(rows[1]).toEqual([11, null, 11.5, 11.75]);
});

test('an ending that nobody knows is refused with those that are', () => {
  expect(requireFormat('tiff')).toBe('tif');
  for (const ending of ['gif', '', 'toString']) expect(() => requireFormat(ending)).toThrow(CoreError);
});

describe('pictures', () => {
  const scale = { low: 10, high: 13, map: 'ash' as const };

  test('what was left out is hatched in them too', async () => {
    const [plain, hatched] = await Promise.all(
      [[], [{ y: 1, from: 0, to: 3 }]].map(async (leftOut) =>
        sharp(await framePng(frame, IDENTITY_LINE, scale, leftOut))
          .raw()
          .toBuffer(),
      ),
    );
    const rowOf = (raw: Buffer, y: number) => raw.subarray(y * 12, y * 12 + 12);
    expect(rowOf(hatched!, 0)).toEqual(rowOf(plain!, 0));
    expect(rowOf(hatched!, 1)).not.toEqual(rowOf(plain!, 1));
  });

  test('go with their scale', async () => {
    const { width, height } = await sharp(await picturePng(frame, IDENTITY_LINE, scale)).metadata();
    expect(width).toBeGreaterThan(480);
    expect(height).toBeGreaterThan(300);
  });

  test('a photo is turned by quarters and mirrored after that', async () => {
    // Red on the left, blue on the right.
    const photo = await sharp(Buffer.from([255, 0, 0, 0, 0, 255]), { raw: { width: 2, height: 1, channels: 3 } })
      .png()
      .toBuffer();
    const pixels = async (quarters: number, mirrored: boolean) => {
      const { data, info } = await uprightPhoto(photo, { quarters, mirrored }).raw().toBuffer({ resolveWithObject: true });
      return [info.width, info.height, data[0]! > 128 ? 'red first' : 'blue first'];
    };
    expect(await pixels(0, false)).toEqual([2, 1, 'red first']);
    expect(await pixels(1, false)).toEqual([1, 2, 'red first']);
    expect(await pixels(2, false)).toEqual([2, 1, 'blue first']);
    expect(await pixels(0, true)).toEqual([2, 1, 'blue first']);
  });
});

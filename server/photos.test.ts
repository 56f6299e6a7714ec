import sharp from 'sharp';
import { photoFacts } from './photoFacts';
import { turnedPhoto } from './turnedPhoto';

const picture = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#7a5' } });

/** A picture whose left half is dark. */
async function halves(width: number, height: number): Promise<Buffer> {
  const dark = await sharp({ create: { width: width / 2, height, channels: 3, background: '#000' } })
    .png()
    .toBuffer();
  return picture(width, height)
    .composite([{ input: dark, left: 0, top: 0 }])
    .jpeg()
    .toBuffer();
}
const brightness = async (bytes: Buffer, left: number, top: number) => {
  const { data } = await sharp(bytes)
    .extract({ left, top, width: 4, height: 4 })
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return data[0]!;
};

describe('what is stored about a photo', () => {
  test('its size as it is looked at, whichever way the camera was held', async () => {
    expect(await photoFacts(await picture(60, 40).jpeg().toBuffer())).toMatchObject({
      width: 60,
      height: 40,
      mediaType: 'image/jpeg',
    });
    const held = await picture(60, 40).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    expect(await photoFacts(held)).toMatchObject({ width: 40, height: 60 });
  });

  test.each([
    ['damaged', async () => (await picture(60, 40).jpeg().toBuffer()).subarray(0, 200)],
    ['of another kind', async () => picture(60, 40).gif().toBuffer()],
    ['larger than 60 million pixels', async () => picture(9000, 7000).png({ compressionLevel: 1 }).toBuffer()],
  ])('one that is %s is refused', async (_name, make) => {
    await expect(photoFacts(await make())).rejects.toMatchObject({ code: 'malformed' });
  });
});

describe('a turned photo', () => {
  const turn = { quarters: 1, mirrored: false, practice: false };

  test('is turned, no larger than a screen shows, and made once however many ask', async () => {
    const bytes = await halves(6000, 3000);
    let loads = 0;
    const load = async () => {
      loads += 1;
      return bytes;
    };
    const [first, ...others] = await Promise.all(Array.from({ length: 5 }, () => turnedPhoto('once', load, turn)));
    expect(loads).toBe(1);
    for (const other of others) expect(other).toBe(first);
    const { width, height, format } = await sharp(first).metadata();
    expect([width, height, format]).toEqual([2048, 4096, 'jpeg']);
    // What was on the left is on top after a quarter to the right.
    expect(await brightness(first!, 1000, 100)).toBeLessThan(10);
    expect(await brightness(first!, 1000, 4000)).toBeGreaterThan(80);
  });

  test('knows which way its camera was held', async () => {
    const held = await sharp(await halves(200, 100))
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const turned = await turnedPhoto('held', async () => held, turn);
    const { width, height } = await sharp(turned).metadata();
    expect([width, height]).toEqual([200, 100]);
    // Upright it is dark on top; a quarter further, on the right.
    expect(await brightness(turned, 180, 50)).toBeLessThan(10);
    expect(await brightness(turned, 20, 50)).toBeGreaterThan(80);
  });

  test('that cannot be made is asked for again', async () => {
    await expect(turnedPhoto('bad', async () => Buffer.from('no picture'), turn)).rejects.toThrow();
    expect((await turnedPhoto('bad', async () => picture(20, 10).jpeg().toBuffer(), turn)).length).toBeGreaterThan(100);
  });
});

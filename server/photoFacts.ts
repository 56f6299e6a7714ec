import sharp, { type Metadata } from 'sharp';
import { CoreError } from '@core/ground/errors';
import { looksFalseColoured } from '@core/method/formats/falseColours';
import { Gate } from './gate';

/** The largest photo that is decoded, pixels. */
const MAX_PHOTO_PIXELS = 60_000_000;
/** To this many pixels a side a picture is brought to look at its colours. */
const LOOK_PIXELS = 96;

// Nothing is gained by keeping decoded pictures: each is decoded once.
sharp.cache(false);
sharp.concurrency(1);

const shared = globalThis as { denPictures?: Gate };

/** A large picture takes some hundred megabytes while it is decoded: one at a time. */
export function oneAtATime(): Gate {
  shared.denPictures ??= new Gate(1);
  return shared.denPictures;
}

/** What is stored about a photo. @throws CoreError `malformed` */
export async function photoFacts(
  bytes: Uint8Array,
): Promise<{ mediaType: string; width: number; height: number; evidence: boolean }> {
  const unreadable = (why: string) =>
    new CoreError('malformed', `The picture cannot be read: ${why}.`, { byte: 0 }, 'Save it as JPEG or PNG and add it again.');
  const options = { limitInputPixels: MAX_PHOTO_PIXELS, failOn: 'error' } as const;
  let facts: Metadata;
  let small: Buffer;
  try {
    facts = await sharp(bytes, options).metadata();
    small = await oneAtATime().run(() =>
      sharp(bytes, options)
        .resize(LOOK_PIXELS, LOOK_PIXELS, { fit: 'fill', kernel: 'nearest' })
        .flatten()
        .toColourspace('srgb')
        .raw()
        .toBuffer(),
    );
  } catch {
    throw unreadable('it is damaged or larger than 60 million pixels');
  }
  const { format, width, height, orientation } = facts;
  if (format !== 'jpeg' && format !== 'png' && format !== 'webp')
    throw unreadable(`pictures of kind ${format ?? 'unknown'} are not taken`);
  const turned = orientation !== undefined && orientation >= 5;
  return {
    mediaType: `image/${format}`,
    width: (turned ? height : width) ?? 0,
    height: (turned ? width : height) ?? 0,
    evidence: looksFalseColoured(small),
  };
}

import type { Photo, PhotoOver } from '@core/method/compare/sameLook';

/** A photo that is still to be fetched, as it lies over its frame. */
export type AskedPhoto = Omit<PhotoOver, 'photo'> & { address: string };

/** Of both frames of a pair, the earlier one first; null where one has none. */
export type AskedPhotos = readonly [AskedPhoto, AskedPhoto] | null;

/** Enough for the colours of places, pixels across. */
const COLUMNS = 240;
/** So many photos are kept. */
const KEPT = 40;

const known = new Map<string, Promise<Photo | null>>();

/** A pair's photos with their pixels; null where one is missing, cannot be fetched or read. */
export async function photosSeen(asked: AskedPhotos): Promise<readonly [PhotoOver, PhotoOver] | null> {
  if (!asked) return null;
  const [before, after] = await Promise.all(asked.map(({ address }) => photoAt(address)));
  return before && after ? [over(asked[0], before), over(asked[1], after)] : null;
}

const over = ({ alignment, frame }: AskedPhoto, photo: Photo): PhotoOver => ({ alignment, frame, photo });

async function photoAt(address: string): Promise<Photo | null> {
  const before = known.get(address);
  if (before) return before;
  if (known.size >= KEPT) known.clear();
  const coming = fetched(address).catch(() => {
    known.delete(address);
    return null;
  });
  known.set(address, coming);
  return coming;
}

async function fetched(address: string): Promise<Photo> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`answered ${response.status}`);
  // Made small while it is read: a photo of fifty million pixels is not kept whole.
  const image = await createImageBitmap(await response.blob(), { resizeWidth: COLUMNS, resizeQuality: 'high' });
  const { width, height } = image;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(image, 0, 0);
  image.close();
  const { data } = context.getImageData(0, 0, width, height);
  const rgb = new Uint8Array(3 * width * height);
  for (let i = 0; i < width * height; i += 1) for (let c = 0; c < 3; c += 1) rgb[3 * i + c] = data[4 * i + c]!;
  return { width, height, rgb };
}

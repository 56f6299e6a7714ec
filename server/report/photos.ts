import sharp from 'sharp';
import type { VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';
import type { Photo } from '@core/method/compare/sameLook';
import { practiceMarked, smallPhoto, uprightPhoto } from '../picture';

/** Photos are shown some 250 points wide; this is enough for print. */
const PHOTO_PIXELS = 1000;

/** A photo as a PDF takes it. */
export interface PrintedPhoto {
  bytes: Buffer;
  width: number;
  height: number;
}

/** A photo for print: upright, without alpha, as JPEG, which a PDF takes fastest; null where its bytes cannot be read. */
export async function printedPhoto(
  bytes: Uint8Array,
  turned: Row<'photo'>['value'],
  practice: boolean,
): Promise<PrintedPhoto | null> {
  return unlessDamaged(async () => {
    const { data, info } = await sharp(await uprightPhoto(bytes, turned).toBuffer())
      .resize(PHOTO_PIXELS, PHOTO_PIXELS, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: 'white' })
      .jpeg({ quality: 86 })
      .toBuffer({ resolveWithObject: true });
    return { bytes: practice ? await practiceMarked(data) : data, width: info.width, height: info.height };
  });
}

/** A photo for comparing; null where its bytes cannot be read. */
export async function comparedPhoto(bytes: Uint8Array, turned: Row<'photo'>['value']): Promise<Photo | null> {
  return unlessDamaged(() => smallPhoto(bytes, turned));
}

/** Values of a frame from their bytes; null where these are not of its size. */
export function storedValues(
  documents: readonly VisitDocument[],
  frameId: string,
  bytes: Uint8Array | undefined,
): Float32Array | null {
  const facts = documents.map(({ frameFacts }) => frameFacts[frameId]).find(Boolean);
  if (!facts || bytes?.byteLength !== 4 * facts.width * facts.height) return null;
  return new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer);
}

async function unlessDamaged<T>(read: () => Promise<T>): Promise<T | null> {
  try {
    return await read();
  } catch {
    // The library throws plain errors of many words; whatever it says, these bytes are no picture.
    return null;
  }
}

'use client';

import { isOutOfLine, type LineCheck } from '@core/method/frame/outOfLine';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Row } from '@core/model/entities';
import { useWork, type Work } from '../../../../work/useWork';
import { photoPlace } from '@core/work/visit/photoOver';
import { photoUrl } from '@ui/visit/photoUrl';
import type { FrameView } from '@core/work/visit/frameView';

/** Width to which a photo is brought before its edges are looked at. */
const LOOK_COLUMNS = 320;

/**
 * Whether a photo seems to lie beside its frame, and by how much.
 *
 * @returns check: null while unknown, or when the edges do not tell; work: says where it could not be looked at
 */
export function useOutOfLine(
  frame: FrameView | null,
  photo: Row<'photo'> | null,
  looking: boolean,
): { check: LineCheck | null; work: Work<LineCheck | null> } {
  const { document } = useVisit();
  const place = frame && photo ? photoPlace(document, frame.id, photo) : null;
  const work = useWork<'align', LineCheck | null>(
    'align',
    looking && frame && photo && place
      ? {
          key: `${frame.id} ${photoUrl(photo)} ${place.alignment.join(' ')}`,
          call: async (api) => {
            const { width, height } = frame.facts;
            return api.checkLine(
              { width, height, values: frame.values },
              greyOf(await imageFrom(photoUrl(photo))),
              place.alignment,
            );
          },
        }
      : null,
  );
  const check = work.state === 'done' ? work.result : null;
  return { check: check && isOutOfLine(check) ? check : null, work };
}

async function imageFrom(address: string): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = address;
  await image.decode();
  return image;
}

function greyOf(image: HTMLImageElement): { width: number; height: number; values: Float32Array } {
  const width = LOOK_COLUMNS;
  const height = Math.max(1, Math.round((image.naturalHeight * width) / image.naturalWidth));
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(image, 0, 0, width, height);
  const { data } = context.getImageData(0, 0, width, height);
  const values = Float32Array.from(
    { length: width * height },
    (_, i) => 0.2126 * data[4 * i]! + 0.7152 * data[4 * i + 1]! + 0.0722 * data[4 * i + 2]!,
  );
  return { width, height, values };
}

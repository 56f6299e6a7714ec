'use client';

import { releaseProxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { isOutOfLine, type LineCheck } from '@core/method/frame/outOfLine';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Row } from '@core/model/entities';
import type { AlignWorker } from '../../../../../workers/align';
import { photoPlace } from '@core/work/visit/photoOver';
import { photoUrl } from '@ui/visit/photoUrl';
import type { FrameView } from '@core/work/visit/frameView';

/** Width to which a photo is brought before its edges are looked at. */
const LOOK_COLUMNS = 320;

/** Whether a photo seems to lie beside its frame, and by how much; null while unknown, or when the edges do not tell. */
export function useOutOfLine(frame: FrameView | null, photo: Row<'photo'> | null, looking: boolean): LineCheck | null {
  const { document } = useVisit();
  const [found, setFound] = useState<{ key: string; check: LineCheck | null } | null>(null);
  const place = frame && photo ? photoPlace(document, frame.id, photo) : null;
  const key = frame && photo && place ? `${frame.id} ${photoUrl(photo)} ${place.alignment.join(' ')}` : '';
  useEffect(() => {
    if (!looking || !frame || !photo || !place || found?.key === key) return;
    let gone = false;
    const image = new Image();
    const thread = new Worker(new URL('../../../../../workers/align.ts', import.meta.url), { type: 'module' });
    const worker = wrap<AlignWorker>(thread);
    image.onload = async () => {
      const { width, height } = frame.facts;
      const check = await worker.checkLine({ width, height, values: frame.values }, greyOf(image), place.alignment);
      if (!gone) setFound({ key, check });
    };
    image.src = photoUrl(photo);
    return () => {
      gone = true;
      image.onload = null;
      worker[releaseProxy]();
      thread.terminate();
    };
    // The key says all that the look depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, looking]);
  const check = found?.key === key ? found.check : null;
  return check && isOutOfLine(check) ? check : null;
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

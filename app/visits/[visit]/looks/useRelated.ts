'use client';

import { useEffect, useMemo } from 'react';
import type { Related } from '@core/work/findings/argue';
import { partnerOf } from '@core/work/findings/partner';
import { otherSideFrameOf } from '@core/work/findings/related';
import { useVisit } from '@ui/visit/VisitProvider';
import { lastTimesFrame, lookedFrame } from './lookedFrame';
import type { FrameLook } from '@core/work/findings/seen';
import { useFrameLook } from './useFrameLook';

/**
 * What other frames hold that speak of the same surface: of the same stop, of its other side, of the last visit.
 *
 * @param frameId - null for none: nothing is fetched or looked through
 */
export function useRelated(frameId: string | null, least: number, pixelsOf: (id: string) => Float32Array | undefined): Related {
  const { document, pixels } = useVisit();
  const partnerId = frameId && partnerOf(document, frameId);
  const otherId = frameId && otherSideFrameOf(document, frameId);
  const lastId = frameId && lastTimesFrame(document, frameId);
  useEffect(() => {
    for (const id of [partnerId, otherId, lastId]) if (id) pixels.want(id);
  }, [partnerId, otherId, lastId, pixels]);
  const [partnerValues, otherValues, lastValues] = [partnerId, otherId, lastId].map((id) => (id ? pixelsOf(id) : undefined));
  const partner = useFrameLook(
    useMemo(
      () => (partnerId && partnerValues ? lookedFrame(document, partnerId, partnerValues, least) : null),
      [document, partnerId, partnerValues, least],
    ),
  );
  const behind = useFrameLook(
    useMemo(
      () => (otherId && otherValues ? lookedFrame(document, otherId, otherValues, least) : null),
      [document, otherId, otherValues, least],
    ),
  );
  const lastTime = useFrameLook(
    useMemo(() => {
      if (!frameId || !lastId || !lastValues) return null;
      // Of the last visit's frame only the pixels are known here: it is read as this one is.
      const now = lookedFrame(document, frameId, lastValues, least);
      return { ...now, id: lastId, key: `${lastId} ${now.key}` };
    }, [document, frameId, lastId, lastValues, least]),
  );
  // What cannot be looked through adds nothing: the frame itself is argued without it.
  const [seen, reverse, before] = [partner, behind, lastTime].map((work) => (work.state === 'done' ? work.result : null)) as [
    FrameLook | null,
    FrameLook | null,
    FrameLook | null,
  ];
  return useMemo(
    () => ({ partner: seen, otherSide: reverse && otherId ? { frameId: otherId, look: reverse } : null, lastTime: before }),
    [seen, reverse, otherId, before],
  );
}

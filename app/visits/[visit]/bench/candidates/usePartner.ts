'use client';

import { useEffect, useMemo } from 'react';
import { partnerOf } from '@core/candidates/partner';
import { spansOfAll } from '@core/frame/region';
import { leftOutOf } from '@core/visit/readings';
import { lineFor } from '@core/visit/settingsInForce';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Looked } from './useFrameLook';

/** Another frame of the same stop, to be looked through beside this one; null for none, and while its pixels are on their way. */
export function usePartner(
  frameId: string | null,
  looking: boolean,
  pixelsOf: (id: string) => Float32Array | undefined,
): Looked | null {
  const { document, pixels } = useVisit();
  const partnerId = frameId === null || !looking ? null : partnerOf(document, frameId);
  useEffect(() => {
    if (partnerId !== null) pixels.want(partnerId);
  }, [partnerId, pixels]);
  const values = partnerId === null ? undefined : pixelsOf(partnerId);
  return useMemo(() => {
    if (partnerId === null || !values) return null;
    const facts = document.frameFacts[partnerId]!;
    return {
      id: partnerId,
      facts,
      values,
      line: lineFor(document, partnerId),
      leftOut: spansOfAll(leftOutOf(document, partnerId), facts.width, facts.height),
    };
  }, [document, partnerId, values]);
}

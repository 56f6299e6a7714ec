'use client';

import { useMemo } from 'react';
import type { LeakFound } from '@core/method/water/timelapse';
import type { VisitDocument } from '@core/model/document';
import type { HuntValue } from '@core/model/huntRow';
import { seekInputs, toldFor, withoutPictures, type LookedSeries } from '@core/work/water/seek';
import { useVisitStore } from '@ui/visit/VisitProvider';
import { once } from '../../../work/kept';
import { useWork, type Work } from '../../../work/useWork';
import { seek, SEEK_LIMIT_S } from '../computed/seek';

/** What a series says, without the pictures that it was found in: found out once for all pages and papers. */
export function useLeak(document: VisitDocument, hunt: HuntValue, series: LookedSeries | null): Work<LeakFound | null> {
  const { pixels } = useVisitStore();
  const told = useMemo(() => series && toldFor(document, hunt, series), [document, hunt, series]);
  const inputs = useMemo(() => (series && told ? seekInputs(document, told, series.frameIds) : ''), [document, series, told]);
  return useWork<'timelapse', LeakFound | null>(
    'timelapse',
    series && told
      ? {
          key: inputs,
          limitS: SEEK_LIMIT_S,
          call: (api, report) =>
            once('leak', inputs, async () => {
              const sought = await seek(api, document, series.frameIds, told, (id) => pixels.load(id), report);
              // A series that cannot be looked through is told on its own page; a report goes without it.
              return 'found' in sought ? { value: withoutPictures(sought.found), whole: true } : null;
            }),
        }
      : null,
  );
}

'use client';

import { useMemo } from 'react';
import type { VisitDocument } from '@core/model/document';
import { huntOf } from '@core/work/water/huntOf';
import { huntedSeries } from '@core/work/water/seek';
import { earlierVisitsOf } from '@core/work/proof/proven';
import type { LeakFound } from '@core/method/water/timelapse';
import type { Computed } from '@core/paper/model';
import { useVisit } from '@ui/visit/VisitProvider';
import type { Work } from '../../../work/useWork';
import { useEarlierVisits } from '../computed/useEarlierVisits';
import { useProven } from '../computed/useProven';
import { useLeak } from './useLeak';

/** What the report says of pairs and of a series, as it comes from workers of the page. */
export function useComputed(): {
  computed: Computed;
  earlier: readonly VisitDocument[];
  /** Pairs that could not be computed, and a way to try them again. */
  failed: number;
  again(): void;
  sought: Work<LeakFound | null>;
} {
  const { document } = useVisit();
  const earlier = useEarlierVisits(earlierVisitsOf(document));
  const { proven, failed, again } = useProven(earlier);
  const series = useMemo(() => huntedSeries(document), [document]);
  const sought = useLeak(document, huntOf(document).value, series);
  const leak = sought.state === 'done' ? sought.result : null;
  const computed = useMemo(() => ({ proven, leak }), [proven, leak]);
  return { computed, earlier, failed, again, sought };
}

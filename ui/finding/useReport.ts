'use client';

import { useEffect, useMemo, useSyncExternalStore } from 'react';
import type { VisitDocument } from '@core/model/document';
import { buildReport, framesOfReport, NOTHING_COMPUTED, type Computed, type Report } from '@core/paper/model';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';

const NO_VISITS: readonly VisitDocument[] = [];

/**
 * What the report says now, in the user's unit; findings fill in as their frames arrive.
 *
 * @param computed - what takes seconds to find out, as far as it is known
 * @param earlier - visits that pairs are compared with
 */
export function useReport(
  computed: Computed = NOTHING_COMPUTED,
  earlier: readonly VisitDocument[] = NO_VISITS,
): { report: Report; values(frameId: string): Float32Array | undefined; complete: boolean } {
  const { document, pixels } = useVisit();
  const { unit } = useUnits();
  const generation = useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const needed = useMemo(() => framesOfReport(document, earlier), [document, earlier]);
  useEffect(() => {
    for (const id of needed) pixels.want(id);
  }, [needed, pixels]);
  const report = useMemo(
    () => buildReport(document, (id) => pixels.get(id), unit, computed),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the store's generation says that more pixels are here
    [document, pixels, unit, computed, generation],
  );
  return { report, values: (id) => pixels.get(id), complete: needed.every((id) => pixels.get(id)) };
}

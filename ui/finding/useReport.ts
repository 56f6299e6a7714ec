'use client';

import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { buildReport, framesOfReport, type Report } from '@core/report/model';
import { useUnits } from '@ui/units/UnitProvider';
import { useVisit } from '@ui/visit/VisitProvider';

/** What the report says now, in the user's unit; findings fill in as their frames arrive. */
export function useReport(): { report: Report; values(frameId: string): Float32Array | undefined; complete: boolean } {
  const { document, pixels } = useVisit();
  const { unit } = useUnits();
  const generation = useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  const needed = useMemo(() => framesOfReport(document), [document]);
  useEffect(() => {
    for (const id of needed) pixels.want(id);
  }, [needed, pixels]);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the store's generation says that more pixels are here
  const report = useMemo(() => buildReport(document, (id) => pixels.get(id), unit), [document, pixels, unit, generation]);
  return { report, values: (id) => pixels.get(id), complete: needed.every((id) => pixels.get(id)) };
}

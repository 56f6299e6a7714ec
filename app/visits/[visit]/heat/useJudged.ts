'use client';

import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react';
import { emittersOf } from '@core/work/heating/emitters';
import { judgeFace, latestFace, type JudgedFace } from '@core/work/heating/faces';
import { frameOfReading, readingsOf, type Pixels } from '@core/work/heating/tails';
import { useVisit } from '@ui/visit/VisitProvider';

/** Pixels of every frame that readings and newest faces of the visit need; asked for once, there as they come. */
export function useHeatPixels(): Pixels {
  const { document, pixels } = useVisit();
  const needed = useMemo(
    () => [
      ...new Set([
        ...readingsOf(document).flatMap((row) => frameOfReading(document, row) ?? []),
        ...emittersOf(document).flatMap(({ id }) => latestFace(document, id)?.value.frameId ?? []),
      ]),
    ],
    [document],
  );
  useEffect(() => {
    for (const id of needed) pixels.want(id);
  }, [needed, pixels]);
  const generation = useSyncExternalStore(pixels.subscribe, pixels.snapshot, () => 0);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- another function for each generation: what follows is computed anew
  return useCallback((id: string) => pixels.get(id), [pixels, generation]);
}

/** The newest face of every emitter, judged; those whose pixels are on their way are not there yet. */
export function useFaces(): ReadonlyMap<string, JudgedFace> {
  const { document } = useVisit();
  const pixels = useHeatPixels();
  const found = new Map<string, JudgedFace>();
  for (const { id } of emittersOf(document)) {
    const row = latestFace(document, id);
    const judged = row && judgeFace(document, row, pixels);
    if (judged) found.set(id, judged);
  }
  return found;
}

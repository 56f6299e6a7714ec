'use client';

import { useEffect, useMemo } from 'react';
import { emittersOf } from '@core/circuit/emitters';
import { judgeFace, latestFace, type JudgedFace } from '@core/circuit/faces';
import { frameOfReading, readingsOf, type Pixels } from '@core/circuit/tails';
import { usePixels, useVisit } from '@ui/visit/VisitProvider';

/** Pixels of every frame that readings and newest faces of the visit need; asked for once, there as they come. */
export function useHeatPixels(): Pixels {
  const { document, pixels } = useVisit();
  const get = usePixels(null);
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
  return get;
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

'use client';

import { useEffect, useState } from 'react';
import type { SimulatedSurface } from '@core/simulate/houseScene';
import { useVisitStore } from '@ui/visit/VisitProvider';

/** The surface as the stand-in camera finds it; null while it is on its way or when there is none. */
export function useSimulated(visitId: string, surfaceId: string | null, version: string): SimulatedSurface | null {
  const [found, setFound] = useState<{ key: string; simulated: SimulatedSurface } | null>(null);
  const { idle } = useVisitStore();
  const key = `${surfaceId ?? ''} ${version}`;
  useEffect(() => {
    if (surfaceId === null) return;
    const controller = new AbortController();
    // What was changed last has to be stored before it is seen.
    idle()
      .then(() => fetch(`/api/visits/${visitId}/surfaces/${surfaceId}`, { signal: controller.signal }))
      .then(async (response) => {
        if (response.ok) setFound({ key, simulated: (await response.json()) as SimulatedSurface });
      })
      // Going on to the next stop ends the way to this one.
      .catch(() => undefined);
    return () => controller.abort();
  }, [visitId, surfaceId, key, idle]);
  return found?.key === key ? found.simulated : null;
}

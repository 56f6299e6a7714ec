'use client';

import { useEffect, useState } from 'react';
import type { SimulatedSurface } from '@core/simulate/houseScene';

/** The surface as the stand-in camera finds it; null while it is on its way or when there is none. */
export function useSimulated(visitId: string, surfaceId: string | null, version: string): SimulatedSurface | null {
  const [found, setFound] = useState<{ key: string; simulated: SimulatedSurface } | null>(null);
  const key = `${surfaceId ?? ''} ${version}`;
  useEffect(() => {
    if (surfaceId === null) return;
    const controller = new AbortController();
    fetch(`/api/visits/${visitId}/surfaces/${surfaceId}`, { signal: controller.signal })
      .then(async (response) => {
        if (response.ok) setFound({ key, simulated: (await response.json()) as SimulatedSurface });
      })
      // Going on to the next stop ends the way to this one.
      .catch(() => undefined);
    return () => controller.abort();
  }, [visitId, surfaceId, key]);
  return found?.key === key ? found.simulated : null;
}

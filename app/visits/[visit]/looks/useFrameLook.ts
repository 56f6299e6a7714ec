'use client';

import { releaseProxy, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { FrameLook } from '@core/work/findings/seen';
import type { LookOptions } from '@core/method/detect/places';
import type { RadianceLine } from '@core/method/radiometry/measurement';
import type { DetectWorker } from '../../../../workers/detect';

/** What has to be known of a frame to look it through. */
export interface Looked {
  id: string;
  width: number;
  height: number;
  values: Float32Array;
  line: RadianceLine;
  options: LookOptions;
  /** Changes with whatever would change what is found. */
  key: string;
}

/**
 * What deserves a look in a frame, found in a worker of the page.
 *
 * @param frame - null for none: nothing is begun, and what runs is ended
 * @returns null while it is not known
 */
export function useFrameLook(frame: Looked | null): FrameLook | null {
  const [found, setFound] = useState<{ key: string; look: FrameLook } | null>(null);
  const key = frame?.key ?? '';
  const latest = useRef(frame);
  useEffect(() => {
    latest.current = frame;
  });
  const known = frame !== null && found?.key === key;
  useEffect(() => {
    const now = latest.current;
    if (known || !now) return;
    let gone = false;
    const thread = new Worker(new URL('../../../../workers/detect.ts', import.meta.url), { type: 'module' });
    const worker = wrap<DetectWorker>(thread);
    const { width, height, values, line, options } = now;
    void worker.lookAt({ width, height, values }, line, options).then((look) => {
      if (!gone) setFound({ key, look });
    });
    return () => {
      gone = true;
      worker[releaseProxy]();
      thread.terminate();
    };
  }, [key, known]);
  return useMemo(() => (known ? found.look : null), [known, found]);
}

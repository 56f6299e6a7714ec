'use client';

import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { CameraValue } from '@core/camera/cameraRow';
import { seedFrom, type SimulatedSurface } from '@core/simulate/houseScene';
import { shutterAt } from '@core/simulate/standInCamera';
import type { Pose } from '@core/simulate/surface';
import type { ViewfinderWorker } from '../../../../workers/viewfinder';

/** As cameras of this class do: nine pictures a second. */
const PICTURE_MS = 110;

/** One picture of the viewfinder and how it came to be: enough to take the very same again. */
export interface Shot {
  values: Float32Array;
  pose: Pose;
  shot: number;
  offset: number;
  /** The shutter is closed: the picture stands still. */
  closed: boolean;
  /** Seconds since the shutter closed last. */
  since: number;
}

/** What the stand-in camera sees, picture after picture, rendered in a worker; it rests while nobody looks. */
export function useViewfinder(simulated: SimulatedSurface | null, camera: CameraValue, pose: Pose, automatic: boolean) {
  const worker = useRef<Remote<ViewfinderWorker> | null>(null);
  const [shot, setShot] = useState<Shot | null>(null);
  const asked = useRef({ simulated, camera, pose, automatic });
  const correctedAt = useRef(0);
  const startedAt = useRef<number | null>(null);

  useEffect(() => {
    asked.current = { simulated, camera, pose, automatic };
  });

  useEffect(() => {
    const thread = new Worker(new URL('../../../../workers/viewfinder.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<ViewfinderWorker>(thread);
    let open = true;
    let count = 0;
    const run = async () => {
      while (open) {
        const begun = performance.now();
        const now = asked.current;
        if (now.simulated && !document.hidden) {
          startedAt.current ??= begun;
          const seconds = (begun - startedAt.current) / 1000;
          const { correctedAt: at, ...state } = shutterAt(
            seconds,
            correctedAt.current,
            now.automatic,
            seedFrom(now.simulated.id),
          );
          correctedAt.current = at;
          if (!state.closed || count === 0) {
            count += 1;
            const taken = { pose: now.pose, shot: count, offset: state.offset };
            const values = await worker.current!.look(now.simulated, now.camera, taken.pose, taken.shot, taken.offset);
            if (open) setShot({ ...taken, values, closed: false, since: state.since });
          } else {
            setShot((last) => last && { ...last, closed: true, since: 0 });
          }
        }
        const rest = PICTURE_MS - (performance.now() - begun);
        await new Promise((resolve) => setTimeout(resolve, Math.max(15, rest)));
      }
    };
    void run();
    return () => {
      open = false;
      worker.current = null;
      thread.terminate();
    };
  }, []);

  /** Closes the shutter by hand. */
  const correct = useCallback(() => {
    if (startedAt.current !== null) correctedAt.current = (performance.now() - startedAt.current) / 1000;
  }, []);
  return { shot, correct };
}

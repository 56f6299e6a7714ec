'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { Look } from '@core/method/simulate/capture';
import { shutterAt } from '@core/work/practice/standInCamera';
import type { Pose } from '@core/method/simulate/surface';
import { postForFloats } from '@ui/server/api';
import { useVisitStore } from '@ui/visit/VisitProvider';

/** As cameras of this class do: nine pictures a second. */
const PICTURE_MS = 110;
/** Shots are counted round. */
const SHOTS = 100_000_000;
/** After a picture that did not come. */
const AGAIN_MS = 1000;

/** One picture of the viewfinder and how it came to be: enough to take the very same again. */
export interface Shot extends Look {
  values: Float32Array;
  /** The shutter is closed: the picture stands still. */
  closed: boolean;
}

/**
 * What the stand-in camera sees, picture after picture, as the server draws it; it rests while nobody looks.
 *
 * @param surfaceId - null shows nothing
 */
export function useViewfinder(visitId: string, surfaceId: string | null, pose: Pose, automatic: boolean) {
  const { idle } = useVisitStore();
  const [shot, setShot] = useState<Shot | null>(null);
  const asked = useRef({ pose, automatic });
  const correctedAt = useRef(0);
  const startedAt = useRef<number | null>(null);

  useEffect(() => {
    asked.current = { pose, automatic };
  });

  useEffect(() => {
    if (surfaceId === null) return;
    const controller = new AbortController();
    const { signal } = controller;
    const address = `/api/visits/${visitId}/surfaces/${surfaceId}/view`;
    // Counted on from a number that no earlier look began with: the same shot twice would be the very same picture.
    const before = Math.floor(Date.now() / PICTURE_MS) % SHOTS;
    let count = before;
    const see = async (begun: number) => {
      startedAt.current ??= begun;
      const seconds = (begun - startedAt.current) / 1000;
      const state = shutterAt(seconds, correctedAt.current, asked.current.automatic);
      correctedAt.current = state.correctedAt;
      if (state.closed && count > before) return setShot((last) => last && { ...last, closed: true, since: 0 });
      count += 1;
      const look = { pose: asked.current.pose, shot: count, since: state.since, closing: state.correctedAt };
      // What was changed last has to be stored before it is seen.
      await idle();
      const values = await postForFloats(address, look, signal);
      if (!signal.aborted) setShot({ ...look, values, closed: false });
    };
    const run = async () => {
      while (!signal.aborted) {
        const begun = performance.now();
        const failed = document.hidden
          ? false
          : await see(begun).then(
              () => false,
              () => true,
            );
        const rest = failed ? AGAIN_MS : PICTURE_MS - (performance.now() - begun);
        await new Promise((resolve) => setTimeout(resolve, Math.max(15, rest)));
      }
    };
    void run();
    return () => controller.abort();
  }, [visitId, surfaceId, idle]);

  /** Closes the shutter by hand. */
  const correct = useCallback(() => {
    if (startedAt.current !== null) correctedAt.current = (performance.now() - startedAt.current) / 1000;
  }, []);
  return { shot, correct };
}

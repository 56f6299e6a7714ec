'use client';

import { releaseProxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { lookOptionsFor } from '@core/candidates/lookAt';
import type { FrameLook } from '@core/candidates/seen';
import type { FrameView } from '@core/visit/frameView';
import { useVisit } from '@ui/visit/VisitProvider';
import type { DetectWorker } from '../../../../../workers/detect';

/** What has to be known of a frame to look it through. */
export type Looked = Pick<FrameView, 'id' | 'facts' | 'values' | 'line' | 'leftOut'>;

/**
 * What deserves a look in a frame, found in a worker of the page.
 *
 * @param looking - without it nothing is begun, and what runs is ended
 * @param least - contrast from which a place deserves a look, K
 * @returns null while it is not known
 */
export function useFrameLook(frame: Looked | null, looking: boolean, least: number): FrameLook | null {
  const { document } = useVisit();
  const [found, setFound] = useState<{ key: string; look: FrameLook } | null>(null);
  const options = frame && lookOptionsFor(document, frame.id, least);
  const key =
    frame && options
      ? JSON.stringify([frame.id, frame.facts.pixelsSha, frame.line, options.side, options.drive, least, frame.leftOut])
      : '';
  const latest = useRef({ frame, options });
  useEffect(() => {
    latest.current = { frame, options };
  });
  const known = found?.key === key;
  useEffect(() => {
    const now = latest.current;
    if (!looking || known || !now.frame || !now.options) return;
    let gone = false;
    const thread = new Worker(new URL('../../../../../workers/detect.ts', import.meta.url), { type: 'module' });
    const worker = wrap<DetectWorker>(thread);
    const { facts, values, line } = now.frame;
    void worker.lookAt({ width: facts.width, height: facts.height, values }, line, now.options).then((look) => {
      if (!gone) setFound({ key, look });
    });
    return () => {
      gone = true;
      worker[releaseProxy]();
      thread.terminate();
    };
  }, [key, looking, known]);
  return known ? found.look : null;
}

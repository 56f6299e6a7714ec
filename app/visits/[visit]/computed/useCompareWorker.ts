'use client';

import { releaseProxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef } from 'react';
import type { CompareWorker } from '../../../../workers/compare';

/** A worker that is begun when it is asked for first, and ended with the page. */
export function useCompareWorker(): () => Remote<CompareWorker> {
  const running = useRef<{ thread: Worker; worker: Remote<CompareWorker> } | null>(null);
  useEffect(
    () => () => {
      running.current?.worker[releaseProxy]();
      running.current?.thread.terminate();
      running.current = null;
    },
    [],
  );
  return useCallback(() => {
    if (!running.current) {
      const thread = new Worker(new URL('../../../../workers/compare.ts', import.meta.url), { type: 'module' });
      running.current = { thread, worker: wrap<CompareWorker>(thread) };
    }
    return running.current.worker;
  }, []);
}

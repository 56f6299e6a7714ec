'use client';

import { releaseProxy, wrap } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { BalanceAdvice, BalanceState } from '@core/method/heating/balance/state';
import type { BalanceWorker } from '../../../../workers/balance';

/**
 * What to do on a walk, planned in a worker of the page.
 *
 * @param state - everything that is known before the walk; null: nothing is asked
 * @returns null while it is being planned
 */
export function useAdvice(state: BalanceState | null): BalanceAdvice | null {
  const [known, setKnown] = useState<{ key: string; advice: BalanceAdvice } | null>(null);
  const key = useMemo(() => (state ? JSON.stringify(state) : ''), [state]);
  const latest = useRef(state);
  useEffect(() => {
    latest.current = state;
  });
  const there = known?.key === key;
  useEffect(() => {
    const asked = latest.current;
    if (there || !asked) return;
    let gone = false;
    const thread = new Worker(new URL('../../../../workers/balance.ts', import.meta.url), { type: 'module' });
    const worker = wrap<BalanceWorker>(thread);
    void worker.advise(asked).then((advice) => {
      if (!gone) setKnown({ key, advice });
    });
    return () => {
      gone = true;
      worker[releaseProxy]();
      thread.terminate();
    };
  }, [key, there]);
  return there && state ? known.advice : null;
}

'use client';

import { useMemo } from 'react';
import type { BalanceAdvice, BalanceState } from '@core/method/heating/balance/state';
import { useWork, type Work } from '../../../work/useWork';

/** A walk is planned within seconds, also on an old machine. */
const LIMIT_S = 60;

/**
 * What to do on a walk, planned beside the page.
 *
 * @param state - everything that is known before the walk; null: nothing is asked
 */
export function useAdvice(state: BalanceState | null): Work<BalanceAdvice> {
  const key = useMemo(() => (state ? JSON.stringify(state) : ''), [state]);
  return useWork('balance', state && { key, limitS: LIMIT_S, call: (api) => api.advise(state) });
}

'use client';

import { wrap, type Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import type { LoanHomes, PlannedLoan } from '@core/work/loan/planLoan';
import type { Weather } from '@core/method/weather/weather';
import type { LoanWorker } from '../../../workers/loan';

export type PlannedState = { kind: 'working' } | { kind: 'ready'; planned: PlannedLoan } | { kind: 'problem'; words: string };

/** The best sharing, reckoned in a worker whenever loan, homes or weather change. */
export function usePlanned(loan: LoanHomes, weather: Weather | null): PlannedState {
  const worker = useRef<Remote<LoanWorker> | null>(null);
  const [state, setState] = useState<PlannedState>({ kind: 'working' });
  useEffect(() => {
    const thread = new Worker(new URL('../../../workers/loan.ts', import.meta.url), { type: 'module' });
    worker.current = wrap<LoanWorker>(thread);
    return () => {
      worker.current = null;
      thread.terminate();
    };
  }, []);
  const asked = JSON.stringify(loan);
  useEffect(() => {
    if (!weather || !worker.current) return;
    let latest = true;
    const show = (next: PlannedState) => latest && setState(next);
    worker.current
      .plan(JSON.parse(asked) as LoanHomes, weather)
      .then((answer) =>
        show(
          'error' in answer
            ? { kind: 'problem', words: `${answer.error.message} ${answer.error.hint}` }
            : { kind: 'ready', planned: answer.planned },
        ),
      )
      .catch(() => show({ kind: 'problem', words: 'The sharing could not be reckoned. Reload the page.' }));
    return () => {
      latest = false;
    };
  }, [asked, weather]);
  return state;
}

'use client';

import type { LoanHomes, PlannedLoan } from '@core/work/loan/planLoan';
import type { Weather } from '@core/method/weather/weather';
import { useMemo } from 'react';
import type { LoanAnswer } from '../../../workers/loan';
import { useWork } from '../../work/useWork';

export type PlannedState =
  { kind: 'working' } | { kind: 'ready'; planned: PlannedLoan } | { kind: 'problem'; words: string; again: (() => void) | null };

/** The best sharing, reckoned beside the page whenever loan, homes or weather change. */
export function usePlanned(loan: LoanHomes, weather: Weather | null): PlannedState {
  const asked = JSON.stringify(loan);
  const key = useMemo(() => weather && { asked, weather }, [asked, weather]);
  const work = useWork(
    'loan',
    key && { key, call: async (api): Promise<LoanAnswer> => api.plan(JSON.parse(key.asked) as LoanHomes, key.weather) },
  );
  if (work.state === 'failed') return { kind: 'problem', words: `${work.error.message} ${work.error.hint}`, again: work.again };
  if (work.state !== 'done') return { kind: 'working' };
  const { result } = work;
  return 'error' in result
    ? { kind: 'problem', words: `${result.error.message} ${result.error.hint}`, again: null }
    : { kind: 'ready', planned: result.planned };
}

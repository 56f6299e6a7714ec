'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { CoreError, CoreErrorData } from '@core/ground/errors';
import { pageThreads, type PageApis } from './pageThreads';

/** Work that can be told: what it is, and what came of it. */
export type Work<Result> =
  | { state: 'none' }
  | { state: 'busy'; share: number }
  | { state: 'done'; result: Result }
  | { state: 'failed'; error: CoreErrorData; again(): void };

/** Something to compute beside the page. */
export interface Job<K extends keyof PageApis, Result> {
  /** All that the result follows from: another one is another piece of work. */
  key: unknown;
  call(api: PageApis[K], report: (share: number) => void): Promise<Result>;
  /** With neither answer nor word for so long it is given up, s. */
  limitS?: number;
}

const USUAL_LIMIT_S = 60;

type Known<Result> = { of: unknown; attempt: number; is: Work<Result> };

/**
 * Computes something beside the page, and anew when its key changes; what is not wanted any more stops. What cannot be computed
 * is said, and can be tried again: nothing is under way for ever.
 *
 * @param thread - which kind of thread does it
 * @param job - null: nothing is computed
 */
export function useWork<K extends keyof PageApis, Result>(thread: K, job: Job<K, Result> | null): Work<Result> {
  const [known, setKnown] = useState<Known<Result> | null>(null);
  const [attempt, setAttempt] = useState(0);
  const again = useCallback(() => setAttempt((n) => n + 1), []);
  const latest = useRef(job);
  useEffect(() => {
    latest.current = job;
  });
  const key = job?.key;
  const asked = job !== null;
  useEffect(() => {
    const now = latest.current;
    if (!asked || !now) return;
    const stop = new AbortController();
    const say = (is: Work<Result>) => {
      if (!stop.signal.aborted) setKnown({ of: key, attempt, is });
    };
    pageThreads
      .run(thread, {
        call: now.call,
        limitMs: (now.limitS ?? USUAL_LIMIT_S) * 1000,
        onShare: (share) => say({ state: 'busy', share }),
        signal: stop.signal,
      })
      .then(
        (result) => say({ state: 'done', result }),
        (error: unknown) => say({ state: 'failed', error: (error as CoreError).toJSON(), again }),
      );
    return () => stop.abort();
  }, [thread, asked, key, attempt, again]);
  if (!asked) return { state: 'none' };
  return known && known.of === key && known.attempt === attempt ? known.is : { state: 'busy', share: 0 };
}

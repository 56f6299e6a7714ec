'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import * as z from 'zod';
import type { FrameLook } from '@core/work/findings/seen';
import { CoreError } from '@core/ground/errors';
import { getJson, wordsOf } from '@ui/server/api';
import { cancelJob, followJob } from '@ui/server/followJob';

const looksSchema = z.object({
  looks: z.record(
    z.string(),
    z.custom<FrameLook>((value) => typeof value === 'object'),
  ),
});

export interface VisitLooks {
  /** null while nothing is known, or after it was cancelled. */
  looks: Readonly<Record<string, FrameLook>> | null;
  running: boolean;
  done: number;
  total: number;
  problem: string | null;
}

const NOTHING: VisitLooks = { looks: null, running: false, done: 0, total: 1, problem: null };

/** Has all frames of a visit looked through on the server, shows how far it is, and can be cancelled. */
export function useVisitLooks(visitId: string, least: number) {
  const [state, setState] = useState<VisitLooks>(NOTHING);
  const jobId = useRef<string | null>(null);
  const cancel = useCallback(() => cancelJob(jobId.current), []);
  const start = useCallback(async () => {
    cancel();
    setState({ ...NOTHING, running: true });
    let own: string | null = null;
    try {
      const id = await followJob(
        `/api/visits/${visitId}/looks`,
        { least },
        (started) => (jobId.current = own = started),
        (done, total) => {
          if (jobId.current === own) setState((before) => ({ ...before, done, total }));
          return jobId.current === own;
        },
      );
      if (id === null) return;
      const { looks } = await getJson(`/api/jobs/${id}/result`, looksSchema);
      if (jobId.current === own) setState({ ...NOTHING, looks });
    } catch (error) {
      if (own !== null && jobId.current !== own) return;
      const ended = error instanceof CoreError && error.code === 'cancelled';
      setState({ ...NOTHING, problem: ended ? 'Cancelled. What was looked through is kept.' : wordsOf(error) });
    }
  }, [cancel, least, visitId]);
  useEffect(() => {
    const soon = setTimeout(() => void start(), 0);
    return () => {
      clearTimeout(soon);
      cancel();
      jobId.current = null;
    };
  }, [start, cancel]);
  return { ...state, start, cancel };
}

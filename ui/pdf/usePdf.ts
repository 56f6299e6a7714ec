'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { CoreError, type CoreErrorData } from '@core/errors';
import { getJson, postJson, wordsOf } from '@ui/server/api';

const startedSchema = z.object({ jobId: z.string() });
const jobSchema = z.object({
  state: z.string(),
  done: z.number(),
  total: z.number(),
  error: z.custom<CoreErrorData>((value) => typeof value === 'object').nullable(),
});

interface PdfState {
  running: boolean;
  done: number;
  total: number;
  problem: string | null;
}

const POLL_MS = 250;

/** Has a PDF made on the server by a route that starts a task, shows how far it is, and downloads it when it is done. */
export function usePdf() {
  const [state, setState] = useState<PdfState>({ running: false, done: 0, total: 1, problem: null });
  const jobId = useRef<string | null>(null);
  useEffect(
    () => () => {
      if (jobId.current) void fetch(`/api/jobs/${jobId.current}`, { method: 'DELETE' });
    },
    [],
  );

  const make = useCallback(async (address: string, body: unknown) => {
    setState({ running: true, done: 0, total: 1, problem: null });
    try {
      const started = await postJson(address, body, startedSchema);
      jobId.current = started.jobId;
      for (;;) {
        const job = await getJson(`/api/jobs/${started.jobId}`, jobSchema);
        if (job.error) throw CoreError.fromJSON(job.error);
        setState({ running: true, done: job.done, total: job.total, problem: null });
        if (job.state === 'done') break;
        await new Promise((resolve) => setTimeout(resolve, POLL_MS));
      }
      download(`/api/jobs/${started.jobId}/result`);
      setState({ running: false, done: 0, total: 1, problem: null });
    } catch (error) {
      setState({
        running: false,
        done: 0,
        total: 1,
        problem: error instanceof CoreError && error.code === 'cancelled' ? null : wordsOf(error),
      });
    }
    jobId.current = null;
  }, []);
  const cancel = useCallback(() => {
    if (jobId.current) void fetch(`/api/jobs/${jobId.current}`, { method: 'DELETE' });
  }, []);
  return { state, make, cancel };
}

function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  document.body.append(link);
  link.click();
  link.remove();
}

'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { CoreErrorData } from '@core/errors';

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
      const started = await answerOf<{ jobId: string }>(
        fetch(address, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }),
      );
      jobId.current = started.jobId;
      for (;;) {
        const job = await answerOf<{ state: string; done: number; total: number; error: CoreErrorData | null }>(
          fetch(`/api/jobs/${started.jobId}`),
        );
        if (job.error) throw new Error(job.error.code === 'cancelled' ? '' : `${job.error.message} ${job.error.hint}`);
        setState({ running: true, done: job.done, total: job.total, problem: null });
        if (job.state === 'done') break;
        await new Promise((resolve) => setTimeout(resolve, POLL_MS));
      }
      download(`/api/jobs/${started.jobId}/result`);
      setState({ running: false, done: 0, total: 1, problem: null });
    } catch (error) {
      setState({ running: false, done: 0, total: 1, problem: error instanceof Error && error.message ? error.message : null });
    }
    jobId.current = null;
  }, []);
  const cancel = useCallback(() => {
    if (jobId.current) void fetch(`/api/jobs/${jobId.current}`, { method: 'DELETE' });
  }, []);
  return { state, make, cancel };
}

async function answerOf<T>(request: Promise<Response>): Promise<T> {
  const response = await request.catch(() => {
    throw new Error('The connection was lost. Try again.');
  });
  const answer = (await response.json()) as T & { error?: CoreErrorData | null };
  if (!response.ok)
    throw new Error(answer.error ? `${answer.error.message} ${answer.error.hint}` : 'Something went wrong. Try again.');
  return answer;
}

function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  document.body.append(link);
  link.click();
  link.remove();
}

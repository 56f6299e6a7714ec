'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { CoreError } from '@core/errors';
import { wordsOf } from '@ui/server/api';
import { cancelJob, followJob } from '@ui/server/followJob';

interface PdfState {
  running: boolean;
  done: number;
  total: number;
  problem: string | null;
}

/** Has a PDF made on the server by a route that starts a task, shows how far it is, and downloads it when it is done. */
export function usePdf() {
  const [state, setState] = useState<PdfState>({ running: false, done: 0, total: 1, problem: null });
  const jobId = useRef<string | null>(null);
  useEffect(() => () => cancelJob(jobId.current), []);

  const make = useCallback(async (address: string, body: unknown) => {
    setState({ running: true, done: 0, total: 1, problem: null });
    try {
      const id = await followJob(
        address,
        body,
        (started) => (jobId.current = started),
        (done, total) => {
          setState({ running: true, done, total, problem: null });
          return true;
        },
      );
      download(`/api/jobs/${id}/result`);
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
  const cancel = useCallback(() => cancelJob(jobId.current), []);
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

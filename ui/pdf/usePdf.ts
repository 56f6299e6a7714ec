'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { CoreError } from '@core/ground/errors';
import { getFile, wordsOf } from '@ui/server/api';
import { cancelJob, followJob } from '@ui/server/followJob';
import { saveFile } from '@ui/server/saveFile';

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
      const { file, name } = await getFile(`/api/jobs/${id}/result`);
      saveFile(file, name);
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

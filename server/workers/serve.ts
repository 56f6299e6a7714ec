import { parentPort } from 'node:worker_threads';
import { CoreError } from '@core/errors';
import type { JobMessage, WorkerMessage } from './protocol';

/** Makes this thread carry out jobs, one after the other. */
export function serveJobs<Job, Result>(
  run: (job: Job, progress: (done: number, total: number) => void) => Result | Promise<Result>,
  transfer: (result: Result) => ArrayBuffer[],
): void {
  const port = parentPort!;
  port.on('message', async ({ id, job }: JobMessage<Job>) => {
    const post = (message: WorkerMessage<Result>, list?: ArrayBuffer[]) => port.postMessage(message, list);
    try {
      const result = await run(job, (done, total) => post({ id, kind: 'progress', done, total }));
      post({ id, kind: 'result', result }, transfer(result));
    } catch (error) {
      if (error instanceof CoreError) post({ id, kind: 'refused', error: error.toJSON() });
      else post({ id, kind: 'crashed', message: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    }
  });
}

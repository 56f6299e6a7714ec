import { parentPort } from 'node:worker_threads';
import { CoreError } from '@core/ground/errors';
import type { JobMessage, WorkerMessage } from './protocol';

/** What a job may tell before it is done. */
export interface Telling<Part> {
  progress(done: number, total: number): void;
  /** Hands a part over and waits until it was taken, so that parts do not heap up. */
  part(part: Part, transfer: ArrayBuffer[]): Promise<void>;
}

/** Makes this thread carry out jobs, one after the other. */
export function serveJobs<Job, Result, Part = never>(
  run: (job: Job, telling: Telling<Part>) => Result | Promise<Result>,
  transfer: (result: Result) => ArrayBuffer[],
): void {
  const port = parentPort!;
  let taken: () => void = () => undefined;
  const carryOut = async ({ id, job }: JobMessage<Job> & { kind: 'job' }) => {
    const post = (said: WorkerMessage<Result, Part>, list?: ArrayBuffer[]) => port.postMessage(said, list);
    try {
      const result = await run(job, {
        progress: (done, total) => post({ id, kind: 'progress', done, total }),
        part: (part, list) =>
          new Promise<void>((resolve) => {
            taken = resolve;
            post({ id, kind: 'part', part }, list);
          }),
      });
      post({ id, kind: 'result', result }, transfer(result));
    } catch (error) {
      if (error instanceof CoreError) post({ id, kind: 'refused', error: error.toJSON() });
      else post({ id, kind: 'crashed', message: error instanceof Error ? (error.stack ?? error.message) : String(error) });
    }
  };
  port.on('message', (message: JobMessage<Job>) => {
    if (message.kind === 'taken') taken();
    else void carryOut(message);
  });
}

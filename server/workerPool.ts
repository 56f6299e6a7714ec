import { Worker } from 'node:worker_threads';
import { CoreError } from '@core/errors';
import { inRoot } from './root';
import type { WorkerMessage } from './workers/protocol';

interface Waiting<Job, Result> {
  id: number;
  job: Job;
  resolve(result: Result): void;
  reject(error: unknown): void;
  onProgress: ((done: number, total: number) => void) | undefined;
  signal: AbortSignal | undefined;
}

/** A job that takes longer than this has gone astray; its thread is ended. */
const LONGEST_MS = 120_000;

function cancelled(): CoreError {
  return new CoreError('cancelled', 'Cancelled.', {}, 'Start it again when you are ready.');
}

/**
 * A few threads that run the bundled worker of one name, first come, first served. Cancelling a job that runs ends its
 * thread; the next job gets a new one.
 */
export class WorkerPool<Job, Result> {
  private readonly idle: Worker[] = [];
  private readonly queue: Waiting<Job, Result>[] = [];
  private running = 0;
  private nextId = 1;

  constructor(
    private readonly name: 'decode' | 'report' | 'weather' | 'paper' | 'capture',
    private readonly size: number,
  ) {}

  run(job: Job, options: { signal?: AbortSignal; onProgress?: (done: number, total: number) => void } = {}): Promise<Result> {
    return new Promise((resolve, reject) => {
      if (options.signal?.aborted) return reject(cancelled());
      const waiting: Waiting<Job, Result> = {
        id: this.nextId++,
        job,
        resolve,
        reject,
        onProgress: options.onProgress,
        signal: options.signal,
      };
      options.signal?.addEventListener('abort', () => {
        const place = this.queue.indexOf(waiting);
        if (place < 0) return;
        this.queue.splice(place, 1);
        reject(cancelled());
      });
      this.queue.push(waiting);
      this.next();
    });
  }

  private next(): void {
    if (this.running >= this.size) return;
    const waiting = this.queue.shift();
    if (!waiting) return;
    this.running += 1;
    this.work(this.idle.pop() ?? this.newWorker(), waiting);
  }

  private newWorker(): Worker {
    const worker = new Worker(inRoot('.den', 'bundle', `${this.name}.mjs`), { resourceLimits: { maxOldGenerationSizeMb: 512 } });
    // One that dies while it waits is not given another job.
    worker.on('exit', () => {
      const place = this.idle.indexOf(worker);
      if (place >= 0) this.idle.splice(place, 1);
    });
    return worker;
  }

  private work(worker: Worker, waiting: Waiting<Job, Result>): void {
    let settled = false;
    const settle = (keep: boolean, finish: () => void) => {
      if (settled) return;
      settled = true;
      clearTimeout(timer);
      waiting.signal?.removeEventListener('abort', onAbort);
      // One by one: removing all would also remove what Node itself needs to keep the thread's messages coming.
      worker.off('message', onMessage);
      worker.off('error', onError);
      worker.off('exit', onExit);
      if (keep) {
        // A thread that waits for work does not keep the process from ending.
        worker.unref();
        this.idle.push(worker);
      } else {
        // An error of a thread that is already given up concerns nobody.
        worker.on('error', () => undefined);
        void worker.terminate();
      }
      this.running -= 1;
      finish();
      this.next();
    };
    const onAbort = () => settle(false, () => waiting.reject(cancelled()));
    const timer = setTimeout(
      () =>
        settle(false, () =>
          waiting.reject(
            new CoreError('too_large', 'This took longer than two minutes and was ended.', {}, 'Try a smaller file.'),
          ),
        ),
      LONGEST_MS,
    );
    waiting.signal?.addEventListener('abort', onAbort);
    const onMessage = (message: WorkerMessage<Result>) => {
      if (message.id !== waiting.id) return;
      switch (message.kind) {
        case 'progress':
          waiting.onProgress?.(message.done, message.total);
          break;
        case 'result':
          settle(true, () => waiting.resolve(message.result));
          break;
        case 'refused':
          settle(true, () => waiting.reject(CoreError.fromJSON(message.error)));
          break;
        case 'crashed':
          settle(false, () => waiting.reject(new Error(`The ${this.name} worker failed: ${message.message}`)));
          break;
      }
    };
    const onError = (error: unknown) => settle(false, () => waiting.reject(error));
    const onExit = (code: number) => settle(false, () => waiting.reject(new Error(`The ${this.name} worker ended with ${code}`)));
    worker.on('message', onMessage);
    worker.on('error', onError);
    worker.on('exit', onExit);
    worker.ref();
    worker.postMessage({ id: waiting.id, job: waiting.job });
  }
}

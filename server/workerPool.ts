import { Worker } from 'node:worker_threads';
import { CoreError } from '@core/ground/errors';
import { inRoot } from './root';
import type { WorkerMessage } from './workers/protocol';

export interface RunOptions<Part = never> {
  signal?: AbortSignal | undefined;
  onProgress?: (done: number, total: number) => void;
  /** Takes a part; the thread goes on when it was taken, and the job fails as this does. */
  onPart?: (part: Part) => Promise<void>;
}

interface Waiting<Job, Result, Part> {
  id: number;
  job: Job;
  resolve(result: Result): void;
  reject(error: unknown): void;
  options: RunOptions<Part>;
}

/** A thread that waits for work so long is ended, with the memory that it took; null, where one is kept for good. */
const IDLE_MS = 5000;
/** A job of which nothing is heard for so long has gone astray; its thread is ended. */
const LONGEST_MS = 60_000;

function cancelled(): CoreError {
  return new CoreError('cancelled', 'Cancelled.', {}, 'Start it again when you are ready.');
}

/**
 * A few threads that run the bundled worker of one name, first come, first served. Cancelling a job that runs ends its
 * thread; the next job gets a new one. A job that is over is let go of, with its bytes.
 */
export class WorkerPool<Job, Result, Part = never> {
  private readonly idle: Worker[] = [];
  private readonly queue: Waiting<Job, Result, Part>[] = [];
  /** Which rest of a thread is the current one. */
  private readonly restedSince = new WeakMap<Worker, object>();
  private running = 0;
  private nextId = 1;

  constructor(
    private readonly name: 'decode' | 'report' | 'weather' | 'handout' | 'capture' | 'viewfinder' | 'document' | 'detect',
    private readonly size: number,
    private readonly idleMs: number | null = IDLE_MS,
    private readonly longestMs = LONGEST_MS,
  ) {}

  /** Makes a thread before there is work, so that the first job need not wait for it. */
  warm(): void {
    if (this.idle.length + this.running === 0) this.rest(this.newWorker());
  }

  run(job: Job, options: RunOptions<Part> = {}): Promise<Result> {
    return new Promise((resolve, reject) => {
      const { signal } = options;
      if (signal?.aborted) return reject(cancelled());
      const waiting: Waiting<Job, Result, Part> = {
        id: this.nextId++,
        job,
        resolve: (result) => {
          signal?.removeEventListener('abort', leaveQueue);
          resolve(result);
        },
        reject: (error) => {
          signal?.removeEventListener('abort', leaveQueue);
          reject(error);
        },
        options,
      };
      const leaveQueue = () => {
        const place = this.queue.indexOf(waiting);
        if (place < 0) return;
        this.queue.splice(place, 1);
        waiting.reject(cancelled());
      };
      signal?.addEventListener('abort', leaveQueue);
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

  /** A thread that waits for work does not keep the process from ending, and is given up after a while. */
  private rest(worker: Worker): void {
    worker.unref();
    this.idle.push(worker);
    if (this.idleMs === null) return;
    setTimeout(() => {
      const place = this.idle.indexOf(worker);
      // It was given work since, and will come here again.
      if (place < 0 || this.restedSince.get(worker) !== since) return;
      this.idle.splice(place, 1);
      void worker.terminate();
    }, this.idleMs).unref();
    const since = {};
    this.restedSince.set(worker, since);
  }

  private work(worker: Worker, waiting: Waiting<Job, Result, Part>): void {
    const { id, options } = waiting;
    let settled = false;
    const settle = (keep: boolean, finish: () => void) => {
      if (settled) return;
      settled = true;
      clearTimeout(timer);
      options.signal?.removeEventListener('abort', onAbort);
      // One by one: removing all would also remove what Node itself needs to keep the thread's messages coming.
      worker.off('message', onMessage);
      worker.off('error', onError);
      worker.off('exit', onExit);
      if (keep) {
        this.rest(worker);
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
    const astray = () =>
      settle(false, () =>
        waiting.reject(
          new CoreError(
            'silent',
            `Nothing was heard of this for ${Math.round(this.longestMs / 1000)} s, and it was ended.`,
            {},
            'Try again; what is given to it may be too large.',
          ),
        ),
      );
    let timer = setTimeout(astray, this.longestMs);
    options.signal?.addEventListener('abort', onAbort);
    const onMessage = (message: WorkerMessage<Result, Part>) => {
      if (message.id !== id) return;
      switch (message.kind) {
        case 'progress':
          // Whoever says how far it is has not gone astray.
          clearTimeout(timer);
          timer = setTimeout(astray, this.longestMs);
          options.onProgress?.(message.done, message.total);
          break;
        case 'part':
          // While a part is being taken, it is not the thread that takes its time.
          clearTimeout(timer);
          Promise.resolve(options.onPart?.(message.part)).then(
            () => {
              if (settled) return;
              timer = setTimeout(astray, this.longestMs);
              worker.postMessage({ id, kind: 'taken' });
            },
            (error: unknown) => settle(false, () => waiting.reject(error)),
          );
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
    const onError = (error: unknown) => settle(false, () => waiting.reject(asRefusal(error)));
    const onExit = (code: number) => settle(false, () => waiting.reject(new Error(`The ${this.name} worker ended with ${code}`)));
    worker.on('message', onMessage);
    worker.on('error', onError);
    worker.on('exit', onExit);
    worker.ref();
    worker.postMessage({ id, kind: 'job', job: waiting.job });
  }
}

/** A thread that ran out of memory did so over what it was given. */
function asRefusal(error: unknown): unknown {
  if ((error as { code?: unknown } | null)?.code !== 'ERR_WORKER_OUT_OF_MEMORY') return error;
  return new CoreError('too_large', 'This needs more memory than is given to one file.', {}, 'Try a smaller file.');
}

import type { CoreErrorData } from '@core/ground/errors';

/** What crosses between the server and a worker thread. Errors of the core cross as data and keep their code. */
export type JobMessage<Job> =
  | { id: number; kind: 'job'; job: Job }
  /** The last part was taken; the next may come. */
  | { id: number; kind: 'taken' };

export type WorkerMessage<Result, Part> =
  | { id: number; kind: 'progress'; done: number; total: number }
  | { id: number; kind: 'part'; part: Part }
  | { id: number; kind: 'result'; result: Result }
  | { id: number; kind: 'refused'; error: CoreErrorData }
  | { id: number; kind: 'crashed'; message: string };

import type { CoreErrorData } from '@core/errors';

/** What crosses between the server and a worker thread. Errors of the core cross as data and keep their code. */
export interface JobMessage<Job> {
  id: number;
  job: Job;
}

export type WorkerMessage<Result> =
  | { id: number; kind: 'progress'; done: number; total: number }
  | { id: number; kind: 'result'; result: Result }
  | { id: number; kind: 'refused'; error: CoreErrorData }
  | { id: number; kind: 'crashed'; message: string };

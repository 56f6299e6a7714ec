import { v7 as newId } from 'uuid';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { asCoreError, forLog } from '@data/databaseError';

export interface JobState {
  state: 'running' | 'done' | 'refused';
  done: number;
  total: number;
  error: CoreErrorData | null;
}

/** A file that a task made. */
export interface JobResult {
  bytes: Uint8Array;
  fileName: string;
  type: 'application/pdf' | 'application/json';
}

interface Job extends JobState {
  result: JobResult | null;
  abort: AbortController;
}

/** How long a result waits to be fetched, ms. */
const KEPT_MS = 10 * 60_000;

const shared = globalThis as { denJobs?: Map<string, Job> };

function jobs(): Map<string, Job> {
  shared.denJobs ??= new Map();
  return shared.denJobs;
}

/**
 * Starts a long task and gives it a name under which it can be watched, cancelled and fetched. Tasks end with the
 * process: what they make can be made again.
 */
export function startJob(
  run: (signal: AbortSignal, onProgress: (done: number, total: number) => void) => Promise<JobResult>,
): string {
  const id = newId();
  const job: Job = { state: 'running', done: 0, total: 1, error: null, result: null, abort: new AbortController() };
  jobs().set(id, job);
  run(job.abort.signal, (done, total) => Object.assign(job, { done, total }))
    .then((result) => Object.assign(job, { state: 'done', result, done: job.total }))
    .catch((error: unknown) => {
      const known =
        asCoreError(error) ??
        new CoreError(
          'malformed',
          'The task failed inside Glow Den.',
          {},
          'Try again. If it happens again, look into the log (.den/app.log).',
        );
      if (!asCoreError(error)) console.error(forLog(error));
      Object.assign(job, { state: 'refused', error: known.toJSON() });
    })
    .finally(() => setTimeout(() => jobs().delete(id), KEPT_MS).unref());
  return id;
}

function requireJob(id: string): Job {
  const job = jobs().get(id);
  if (!job) throw new CoreError('not_found', 'This task is over and forgotten.', { value: id }, 'Start it again.');
  return job;
}

export function jobState(id: string): JobState {
  const { state, done, total, error } = requireJob(id);
  return { state, done, total, error };
}

export function cancelJob(id: string): void {
  requireJob(id).abort.abort();
}

export function jobResult(id: string): JobResult {
  const { result } = requireJob(id);
  if (!result) throw new CoreError('not_found', 'The result is not there yet.', { value: id }, 'Wait until the task is done.');
  return result;
}

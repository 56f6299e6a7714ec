import * as z from 'zod';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { getJson, postJson } from './api';

const startedSchema = z.object({ jobId: z.string() });
const jobSchema = z.object({
  state: z.string(),
  done: z.number(),
  total: z.number(),
  error: z.custom<CoreErrorData>((value) => typeof value === 'object').nullable(),
});

const POLL_MS = 200;

/**
 * Starts a task of the server and waits for it.
 *
 * @param onStart - is told the task's id, by which it can be cancelled
 * @param onProgress - is told how far it is; false leaves the task to itself
 * @returns the task's id; null when it was left
 * @throws CoreError what the task was refused for; `cancelled` when somebody cancelled it
 */
export async function followJob(
  address: string,
  body: unknown,
  onStart: (id: string) => void,
  onProgress: (done: number, total: number) => boolean,
): Promise<string | null> {
  const { jobId } = await postJson(address, body, startedSchema);
  onStart(jobId);
  for (;;) {
    const job = await getJson(`/api/jobs/${jobId}`, jobSchema);
    if (job.error) throw CoreError.fromJSON(job.error);
    if (!onProgress(job.done, job.total)) return null;
    if (job.state === 'done') return jobId;
    await new Promise((resolve) => setTimeout(resolve, POLL_MS));
  }
}

/** Ends a task; one that is over is left alone. */
export function cancelJob(id: string | null): void {
  if (id) void fetch(`/api/jobs/${id}`, { method: 'DELETE' });
}

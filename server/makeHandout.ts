import type { Handout } from '@core/paper/handout';
import type { JobResult } from './jobs';
import { WorkerPool } from './workerPool';

const shared = globalThis as { denHandouts?: WorkerPool<Handout, Uint8Array> };

/** Paperwork as PDF, made in a worker thread. */
export async function makeHandout(handout: Handout, signal: AbortSignal): Promise<JobResult> {
  shared.denHandouts ??= new WorkerPool('handout', 1);
  const bytes = await shared.denHandouts.run(handout, { signal });
  return { bytes, fileName: `${handout.fileName}.pdf`, type: 'application/pdf' };
}

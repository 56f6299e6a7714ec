import type { Paper } from '@core/report/paper';
import type { JobResult } from './jobs';
import { WorkerPool } from './workerPool';

const shared = globalThis as { denPapers?: WorkerPool<Paper, Uint8Array> };

/** Paperwork as PDF, made in a worker thread. */
export async function makePaper(paper: Paper, signal: AbortSignal): Promise<JobResult> {
  shared.denPapers ??= new WorkerPool('paper', 1);
  return { bytes: await shared.denPapers.run(paper, { signal }), fileName: `${paper.fileName}.pdf` };
}

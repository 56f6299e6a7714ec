import { WorkerPool } from './workerPool';

const shared = globalThis as { denDocuments?: WorkerPool<string, Uint8Array<ArrayBuffer>> };

/** One thread, kept for good: every page of a visit begins with it. */
function documents(): WorkerPool<string, Uint8Array<ArrayBuffer>> {
  shared.denDocuments ??= new WorkerPool('document', 1, null);
  return shared.denDocuments;
}

/** Has the thread ready before somebody opens a page. */
export function warmUp(): void {
  documents().warm();
}

/**
 * A visit's document as JSON, packed. Thousands of rows are read and written in a thread of their own, so that the scripts
 * of the page that waits for them are served meanwhile.
 *
 * @throws CoreError `not_found`
 */
export function packedVisit(visitId: string): Promise<Uint8Array<ArrayBuffer>> {
  return documents().run(visitId);
}

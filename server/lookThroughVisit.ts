import { createHash } from 'node:crypto';
import { LOOK_VERSION, type FrameLook } from '@core/work/findings/seen';
import { lookOptionsFor } from '@core/work/findings/lookAt';
import type { VisitDocument } from '@core/model/document';
import { CoreError } from '@core/ground/errors';
import { orderedFrames } from '@core/work/visit/frames';
import { lineFor } from '@core/work/visit/settingsInForce';
import type { Asking } from '@data/asking';
import { getBlob } from '@data/queries/blobs';
import { loadVisitDocument } from '@data/queries/document';
import { keepLook, keptLooks } from '@data/queries/looks';
import type { JobResult } from './jobs';
import { WorkerPool } from './workerPool';
import type { FrameToLookThrough } from './workers/detect';

const THREADS = 2;

const shared = globalThis as { denLooks?: WorkerPool<FrameToLookThrough, FrameLook> };

/**
 * Looks all frames of a visit through in worker threads. What is kept for the same pixels, settings and version is not made anew;
 * a frame that is deleted meanwhile, or that cannot be read, is left out.
 *
 * @param least - contrast from which a place deserves a look, K
 * @returns a look for each frame, as JSON
 */
export async function lookThroughVisit(
  asking: Asking,
  visitId: string,
  least: number,
  { signal, onProgress }: { signal: AbortSignal; onProgress(done: number, total: number): void },
): Promise<JobResult> {
  const document = await loadVisitDocument(asking, visitId);
  const frames = orderedFrames(document).map(({ id }) => id);
  const keys = new Map(frames.map((id) => [id, keyOf(document, id, least)]));
  const kept = await keptLooks(asking, [...keys.values()]);
  const looks: Record<string, FrameLook> = {};
  let done = 0;
  const told = () => onProgress((done += 1), frames.length);
  onProgress(0, Math.max(1, frames.length));
  shared.denLooks ??= new WorkerPool('detect', THREADS);
  const pool = shared.denLooks;
  const open = [...frames];
  // As many in hand as there are threads, and one more each, so that none waits for the database.
  await Promise.all(
    Array.from({ length: 2 * THREADS }, async () => {
      for (let id = open.shift(); id !== undefined; id = open.shift()) {
        if (signal.aborted) throw new CoreError('cancelled', 'Cancelled.', {}, 'Start it again when you are ready.');
        const key = keys.get(id)!;
        const known = kept.get(key);
        if (known) looks[id] = known;
        else {
          const made = await lookAtFrame(asking, document, id, least, pool, signal);
          if (made) {
            await keepLook(asking, key, made);
            looks[id] = made;
          }
        }
        told();
      }
    }),
  );
  return { bytes: new TextEncoder().encode(JSON.stringify({ looks })), fileName: 'looks.json', type: 'application/json' };
}

/** What a look depends on, as a hash. */
function keyOf(document: VisitDocument, frameId: string, least: number): string {
  const { ignored, ...options } = lookOptionsFor(document, frameId, least);
  const hash = createHash('sha256');
  hash.update(JSON.stringify([LOOK_VERSION, document.frameFacts[frameId]!.pixelsSha, lineFor(document, frameId), options]));
  if (ignored) hash.update(ignored);
  return hash.digest('hex');
}

async function lookAtFrame(
  { db }: Asking,
  document: VisitDocument,
  frameId: string,
  least: number,
  pool: WorkerPool<FrameToLookThrough, FrameLook>,
  signal: AbortSignal,
): Promise<FrameLook | null> {
  const { width, height, pixelsSha } = document.frameFacts[frameId]!;
  try {
    const bytes = await getBlob(db, pixelsSha);
    const values = new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength));
    const job = { width, height, values, line: lineFor(document, frameId), options: lookOptionsFor(document, frameId, least) };
    return await pool.run(job, { signal });
  } catch (error) {
    // It was deleted while others were looked at, or its settings have no physical solution.
    if (error instanceof CoreError && error.code !== 'cancelled') return null;
    throw error;
  }
}

import { packDocument } from '@core/model/packedDocument';
import type { VisitDocument } from '@core/model/document';
import { asCoreError, forLog } from '@data/databaseError';
import { loadVisitDocument } from '@data/queries/document';
import { asking } from '../asking';
import { serveJobs } from './serve';

const encoder = new TextEncoder();

/** A connection that lay idle while the database was away is found out only when it is used: the next one is new. */
async function load(visitId: string): Promise<VisitDocument> {
  try {
    return await loadVisitDocument(asking(), visitId);
  } catch (error) {
    if (asCoreError(error)?.code !== 'busy') throw error;
    return loadVisitDocument(asking(), visitId);
  }
}

serveJobs<string, Uint8Array<ArrayBuffer>>(
  async (visitId) => {
    const document = await load(visitId).catch((error: unknown) => {
      throw asCoreError(error) ?? new Error(forLog(error));
    });
    return encoder.encode(JSON.stringify(packDocument(document)));
  },
  (bytes) => [bytes.buffer],
);

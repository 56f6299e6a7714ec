import { eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import type { Connection, Database } from '../connection';
import { recording } from '../schema';
import { putBlob } from './blobs';
import { requireVisit } from './files';

/** Stores a spoken note, whole or not at all. @throws CoreError `empty_file`, `not_found` */
export async function addRecording(
  db: Database,
  row: Omit<typeof recording.$inferInsert, 'fileSha'>,
  bytes: Uint8Array,
): Promise<void> {
  if (bytes.length === 0) throw new CoreError('empty_file', 'Nothing was recorded.', {}, 'Allow the microphone and speak again.');
  await requireVisit(db, row.visitId);
  await db.transaction(async (tx) => {
    await tx.insert(recording).values({ ...row, fileSha: await putBlob(tx, bytes) });
  });
}

export async function recordingFile(connection: Connection, id: string) {
  const [found] = await connection
    .select({ fileSha: recording.fileSha, mediaType: recording.mediaType })
    .from(recording)
    .where(eq(recording.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such spoken note.', { value: id }, 'Reload the page.');
  return found;
}

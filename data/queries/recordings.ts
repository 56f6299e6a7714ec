import { eq } from 'drizzle-orm';
import { CoreError } from '@core/ground/errors';
import type { Asking } from '../asking';
import { isDuplicate } from '../databaseError';
import { noteChanges } from '../rows/changes';
import { recording } from '../schema';
import { transact } from '../transact';
import { putBlob } from './blobs';
import { requireVisit } from './files';

/** Stores a spoken note, whole or not at all. @throws CoreError `empty_file`, `not_found` */
export async function addRecording(
  asking: Asking,
  row: Omit<typeof recording.$inferInsert, 'fileSha'>,
  bytes: Uint8Array,
): Promise<void> {
  if (bytes.length === 0) throw new CoreError('empty_file', 'Nothing was recorded.', {}, 'Allow the microphone and speak again.');
  await requireVisit(asking, row.visitId);
  const fileSha = await putBlob(asking.db, bytes);
  try {
    await transact(asking.db, async (tx) => {
      await tx.insert(recording).values({ ...row, fileSha });
      await noteChanges(tx, [{ entity: 'recording', rowId: row.id, version: 1, placeId: row.visitId }]);
    });
  } catch (error) {
    // Sent again because its answer was lost: it is here. Anything else of this id is not.
    const [known] = await asking.db
      .select({ visitId: recording.visitId, fileSha: recording.fileSha })
      .from(recording)
      .where(eq(recording.id, row.id));
    if (!isDuplicate(error) || known?.visitId !== row.visitId || known.fileSha !== fileSha) throw error;
  }
}

export async function recordingFile(asking: Asking, id: string) {
  const [found] = await asking.db
    .select({ fileSha: recording.fileSha, mediaType: recording.mediaType })
    .from(recording)
    .where(eq(recording.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such spoken note.', { value: id }, 'Reload the page.');
  return found;
}

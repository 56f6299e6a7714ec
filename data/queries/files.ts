import { and, eq } from 'drizzle-orm';
import { CoreError } from '@core/errors';
import { frameForPhoto, sameName } from '@core/frame/pairPhoto';
import type { Connection, Database } from '../connection';
import { frame, photo, sequence, visit } from '../schema';
import { putBlob } from './blobs';

export interface NewFrame extends Omit<typeof frame.$inferInsert, 'fileSha' | 'pixelsSha' | 'thumbSha'> {
  file: Uint8Array;
  pixels: Uint8Array;
  thumb: Uint8Array;
}

export interface NewPhoto extends Omit<typeof photo.$inferInsert, 'fileSha'> {
  file: Uint8Array;
}

/** A frame or photo of the visit that came from exactly these bytes. */
export async function findByFile(
  connection: Connection,
  visitId: string,
  fileSha: string,
): Promise<{ kind: 'frame' | 'photo'; id: string; name: string } | null> {
  const [known] = await connection
    .select({ id: frame.id, name: frame.name })
    .from(frame)
    .where(and(eq(frame.visitId, visitId), eq(frame.fileSha, fileSha)));
  if (known) return { kind: 'frame', ...known };
  const [picture] = await connection
    .select({ id: photo.id, name: photo.name })
    .from(photo)
    .where(and(eq(photo.visitId, visitId), eq(photo.fileSha, fileSha)));
  return picture ? { kind: 'photo', ...picture } : null;
}

/** @throws CoreError `not_found` */
export async function requireVisit(connection: Connection, visitId: string): Promise<{ startedAt: Date }> {
  const [found] = await connection.select({ startedAt: visit.startedAt }).from(visit).where(eq(visit.id, visitId));
  if (!found) throw new CoreError('not_found', 'There is no such visit.', { value: visitId }, 'Choose a visit from the list.');
  return found;
}

/** Locks a visit, so that two files of one drop do not pair past each other. */
async function lockVisit(tx: Connection, visitId: string): Promise<void> {
  await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, visitId)).for('update');
}

async function storeFrame(tx: Connection, { file, pixels, thumb, ...row }: NewFrame): Promise<void> {
  const [fileSha, pixelsSha, thumbSha] = [await putBlob(tx, file), await putBlob(tx, pixels), await putBlob(tx, thumb)];
  await tx.insert(frame).values({ ...row, fileSha, pixelsSha, thumbSha });
}

/** Gives a new frame the photos that were waiting for it, and those of its name that found nothing better than a moment. */
async function pairWaiting(tx: Connection, row: Pick<NewFrame, 'id' | 'visitId' | 'fileName' | 'takenAt'>): Promise<void> {
  const photos = await tx
    .select({ photo, pairedWith: frame.fileName })
    .from(photo)
    .leftJoin(frame, eq(frame.id, photo.frameId))
    .where(eq(photo.visitId, row.visitId));
  const own = { id: row.id, fileName: row.fileName, takenAt: row.takenAt.getTime() };
  for (const { photo: waiting, pairedWith } of photos) {
    const better =
      pairedWith === null
        ? frameForPhoto({ ...waiting, takenAt: waiting.takenAt.getTime() }, [own]) !== null
        : sameName(waiting, own) && !sameName(waiting, { fileName: pairedWith });
    if (!better) continue;
    await tx
      .update(photo)
      .set({ frameId: row.id, version: waiting.version + 1 })
      .where(eq(photo.id, waiting.id));
  }
}

/** Stores a frame with its bytes, whole or not at all, and gives it the photos that were waiting for it. */
export async function addFrame(db: Database, row: NewFrame): Promise<void> {
  await db.transaction(async (tx) => {
    await lockVisit(tx, row.visitId);
    await storeFrame(tx, row);
    await pairWaiting(tx, row);
  });
}

/** Frames of one file that belong together. */
export interface NewSequence {
  id: string;
  name: string;
}

/**
 * Stores the pages of one file as sequences, whole or not at all.
 *
 * @param pages - in order, each with the sequence that it belongs to; one that throws leaves nothing behind
 */
export async function addPages(
  db: Database,
  visitId: string,
  pages: AsyncIterable<{ sequence: NewSequence; row: NewFrame }>,
): Promise<void> {
  await db.transaction(async (tx) => {
    await lockVisit(tx, visitId);
    const known = new Set<string>();
    for await (const { sequence: of, row } of pages) {
      if (!known.has(of.id)) {
        await tx.insert(sequence).values({ ...of, visitId, intervalS: null });
        known.add(of.id);
      }
      await storeFrame(tx, { ...row, sequenceId: of.id });
      if (row.page === 0) await pairWaiting(tx, row);
    }
  });
}

/** Stores a photo and pairs it with the frame of its name or moment. */
export async function addPhoto(db: Database, { file, ...row }: NewPhoto): Promise<{ frameId: string | null }> {
  return db.transaction(async (tx) => {
    await lockVisit(tx, row.visitId);
    const frames = await tx
      .select({ id: frame.id, fileName: frame.fileName, takenAt: frame.takenAt })
      .from(frame)
      .where(eq(frame.visitId, row.visitId));
    const frameId =
      row.frameId ??
      frameForPhoto(
        { id: row.id, fileName: row.fileName, takenAt: row.takenAt.getTime() },
        frames.map((one) => ({ ...one, takenAt: one.takenAt.getTime() })),
      );
    await tx.insert(photo).values({ ...row, frameId, fileSha: await putBlob(tx, file) });
    return { frameId };
  });
}

/** Which bytes a frame or photo has. */
export async function frameShas(connection: Connection, id: string) {
  const [found] = await connection
    .select({
      fileSha: frame.fileSha,
      pixelsSha: frame.pixelsSha,
      thumbSha: frame.thumbSha,
      fileName: frame.fileName,
    })
    .from(frame)
    .where(eq(frame.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such frame.', { value: id }, 'Reload the page.');
  return found;
}

export async function photoFile(connection: Connection, id: string) {
  const [found] = await connection
    .select({
      fileSha: photo.fileSha,
      mediaType: photo.mediaType,
      fileName: photo.fileName,
      quarters: photo.quarters,
      mirrored: photo.mirrored,
    })
    .from(photo)
    .where(eq(photo.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such photo.', { value: id }, 'Reload the page.');
  return found;
}

/** The visit that a frame belongs to. @throws CoreError `not_found` */
export async function visitOfFrame(connection: Connection, id: string): Promise<string> {
  const [found] = await connection.select({ visitId: frame.visitId }).from(frame).where(eq(frame.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such frame.', { value: id }, 'Reload the page.');
  return found.visitId;
}

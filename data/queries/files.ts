import { and, between, eq, like, or, type SQL } from 'drizzle-orm';
import type { MySqlColumn } from 'drizzle-orm/mysql-core';
import { CoreError } from '@core/ground/errors';
import { frameForPhoto, namesLike, sameName, SAME_MOMENT_MS, type Taken } from '@core/method/frame/pairPhoto';
import type { Asking } from '../asking';
import type { Connection } from '../connection';
import { frame, photo, sequence, truth, visit } from '../schema';
import { transact } from '../transact';
import { noteChanges, type Changed } from '../rows/changes';
import { requireTogether } from '../rows/places';

export type NewFrame = typeof frame.$inferInsert;
export type NewPhoto = typeof photo.$inferInsert;
export type NewTruth = typeof truth.$inferInsert;
/** Frames of one file that belong together. */
export type NewSequence = Pick<typeof sequence.$inferInsert, 'id' | 'name'>;

/** What one import makes of a visit. Its bytes are stored before, by their hashes. */
export interface NewPictures {
  sequences?: NewSequence[];
  frames?: NewFrame[];
  photos?: NewPhoto[];
  /** What the stand-in camera had before it. */
  truths?: NewTruth[];
}

/** A frame or photo of the visit that came from exactly these bytes. */
export async function findByFile(
  asking: Asking,
  visitId: string,
  fileSha: string,
): Promise<{ kind: 'frame' | 'photo'; id: string; name: string } | null> {
  const [known] = await asking.db
    .select({ id: frame.id, name: frame.name })
    .from(frame)
    .where(and(eq(frame.visitId, visitId), eq(frame.fileSha, fileSha)));
  if (known) return { kind: 'frame', ...known };
  const [picture] = await asking.db
    .select({ id: photo.id, name: photo.name })
    .from(photo)
    .where(and(eq(photo.visitId, visitId), eq(photo.fileSha, fileSha)));
  return picture ? { kind: 'photo', ...picture } : null;
}

/** @throws CoreError `not_found` */
export async function requireVisit(asking: Asking, visitId: string): Promise<{ startedAt: number; cameraId: string | null }> {
  const [found] = await asking.db
    .select({ startedAt: visit.startedAt, cameraId: visit.cameraId })
    .from(visit)
    .where(eq(visit.id, visitId));
  if (!found) throw new CoreError('not_found', 'There is no such visit.', { value: visitId }, 'Choose a visit from the list.');
  return found;
}

/**
 * Stores what one import made, whole or not at all, and pairs photos with the frames of their name or moment, whichever
 * comes first. The visit is held for as long as its rows take, some milliseconds.
 *
 * @throws CoreError `not_found`, `bad_input` when room, surface or camera are not of this visit's site
 */
export async function addPictures(
  asking: Asking,
  visitId: string,
  { sequences = [], frames = [], photos = [], truths = [] }: NewPictures,
): Promise<void> {
  await transact(asking.db, async (tx) => {
    // Locked, so that two files of one drop do not pair past each other.
    await tx.select({ id: visit.id }).from(visit).where(eq(visit.id, visitId)).for('update');
    const places = new Set(frames.map(({ roomId, surfaceId }) => JSON.stringify([roomId ?? null, surfaceId ?? null])));
    for (const place of places) {
      const [room, surface] = JSON.parse(place) as [string | null, string | null];
      await requireTogether(tx, { visit: visitId, room, surface });
    }
    if (sequences.length > 0) await tx.insert(sequence).values(sequences.map((one) => ({ ...one, visitId, intervalS: null })));
    if (frames.length > 0) await tx.insert(frame).values(frames);
    if (truths.length > 0) await tx.insert(truth).values(truths);
    for (const one of photos) {
      await tx.insert(photo).values({ ...one, frameId: one.frameId ?? (await frameFor(tx, takenOf(one), visitId)) });
    }
    // Pages of one file have one name and moment: the first stands for all.
    const ownFrames = new Set(photos.map(({ frameId }) => frameId));
    const paired: { id: string; version: number }[] = [];
    for (const one of frames) {
      if ((one.page ?? 0) === 0 && !ownFrames.has(one.id)) paired.push(...(await pairWaiting(tx, takenOf(one), visitId)));
    }
    const note = (entity: Changed['entity'], rows: { id: string; version?: number }[]) =>
      rows.map(({ id, version = 1 }) => ({ entity, rowId: id, version, placeId: visitId }));
    await noteChanges(tx, [...note('sequence', sequences), ...note('frame', frames), ...note('photo', [...photos, ...paired])]);
  });
}

function takenOf({ id, fileName, takenAt }: { id: string; fileName: string; takenAt: Date }): Taken {
  return { id, fileName, takenAt: takenAt.getTime() };
}

/** Rows of a visit that may go with a file: by name or by moment. Asked of indexes, not of all rows of the visit. */
function nearTo(of: { visitId: MySqlColumn; fileName: MySqlColumn; takenAt: MySqlColumn }, taken: Taken, visitId: string): SQL {
  const names = namesLike(taken).map((pattern) => like(of.fileName, pattern));
  const moment = between(of.takenAt, new Date(taken.takenAt - SAME_MOMENT_MS), new Date(taken.takenAt + SAME_MOMENT_MS));
  return and(eq(of.visitId, visitId), or(...names, moment))!;
}

async function frameFor(tx: Connection, own: Taken, visitId: string): Promise<string | null> {
  const near = await tx
    .select({ id: frame.id, fileName: frame.fileName, takenAt: frame.takenAt })
    .from(frame)
    .where(nearTo(frame, own, visitId));
  return frameForPhoto(own, near.map(takenOf));
}

/** Gives a new frame the photos that were waiting for it, and those of its name that found nothing better than a moment. @returns them with their versions */
async function pairWaiting(tx: Connection, own: Taken, visitId: string): Promise<{ id: string; version: number }[]> {
  const paired: { id: string; version: number }[] = [];
  const near = await tx
    .select({
      id: photo.id,
      fileName: photo.fileName,
      takenAt: photo.takenAt,
      version: photo.version,
      pairedWith: frame.fileName,
    })
    .from(photo)
    .leftJoin(frame, eq(frame.id, photo.frameId))
    .where(nearTo(photo, own, visitId));
  for (const { version, pairedWith, ...waiting } of near) {
    const better =
      pairedWith === null
        ? frameForPhoto(takenOf(waiting), [own]) !== null
        : sameName(waiting, own) && !sameName(waiting, { fileName: pairedWith });
    if (!better) continue;
    await tx
      .update(photo)
      .set({ frameId: own.id, version: version + 1 })
      .where(eq(photo.id, waiting.id));
    paired.push({ id: waiting.id, version: version + 1 });
  }
  return paired;
}

/** Which of these are there: frames and photos by their ids. */
export async function knownPictures(
  asking: Asking,
  frameId: string,
  photoId: string,
): Promise<{ frame: string | null; photo: boolean }> {
  const [[oneFrame], [onePhoto]] = await Promise.all([
    asking.db.select({ visitId: frame.visitId }).from(frame).where(eq(frame.id, frameId)),
    asking.db.select({ id: photo.id }).from(photo).where(eq(photo.id, photoId)),
  ]);
  return { frame: oneFrame?.visitId ?? null, photo: onePhoto !== undefined };
}

/** Which bytes a frame or photo has. */
export async function frameShas(asking: Asking, id: string) {
  const [found] = await asking.db
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

export async function photoFile(asking: Asking, id: string) {
  const [found] = await asking.db
    .select({
      fileSha: photo.fileSha,
      mediaType: photo.mediaType,
      fileName: photo.fileName,
      quarters: photo.quarters,
      mirrored: photo.mirrored,
      practice: visit.practice,
    })
    .from(photo)
    .innerJoin(visit, eq(visit.id, photo.visitId))
    .where(eq(photo.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such photo.', { value: id }, 'Reload the page.');
  return found;
}

/** The visit that a frame belongs to. @throws CoreError `not_found` */
export async function visitOfFrame(asking: Asking, id: string): Promise<string> {
  const [found] = await asking.db.select({ visitId: frame.visitId }).from(frame).where(eq(frame.id, id));
  if (!found) throw new CoreError('not_found', 'There is no such frame.', { value: id }, 'Reload the page.');
  return found.visitId;
}

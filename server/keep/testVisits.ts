import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import type { Change, Command } from '@core/model/command';
import { APPARENT } from '@core/ground/basis';
import type { Asking } from '@data/asking';
import { putBlob } from '@data/queries/blobs';
import type { NewFrame, NewPhoto } from '@data/queries/files';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';

/** Visits, frames and steps for tests against a real database. */

export const MOMENT = new Date('2026-02-11T19:10:00Z');

export async function visitWithRoom(who: Asking, name = 'A', practice = false) {
  const made = await createVisit(who, {
    site: { name, address: '', timeZone: 'Europe/London', latitude: null, longitude: null, facades: [] },
    practice,
    kind: 'heat-loss',
    title: 'x',
    question: '',
    startedAt: MOMENT.getTime(),
    insideC: 20,
    outsideC: 2,
    humidityPct: 50,
    rooms: ['Room'],
  });
  const [room] = await who.db.select().from(t.room).where(eq(t.room.siteId, made.siteId));
  return { ...made, roomId: room!.id };
}

/** A frame of 4 × 3 pixels, its bytes stored. */
export async function frameOf(who: Asking, visitId: string, fileName: string, change: Partial<NewFrame> = {}): Promise<NewFrame> {
  const values = Float32Array.from({ length: 12 }, (_, i) => i + Math.random());
  const sha = await putBlob(who.db, new Uint8Array(values.buffer));
  return {
    id: newId(),
    visitId,
    name: fileName,
    fileName,
    takenAt: MOMENT,
    fileSha: sha,
    pixelsSha: sha,
    thumbSha: sha,
    thumbWidth: 4,
    thumbHeight: 3,
    width: 4,
    height: 3,
    format: 'csv',
    sourceUnit: 'C',
    basis: APPARENT,
    noiseK: 0.1,
    minC: 0,
    maxC: 12,
    meanC: 6,
    ...change,
  };
}

export async function photoOf(who: Asking, visitId: string, fileName: string, change: Partial<NewPhoto> = {}): Promise<NewPhoto> {
  const fileSha = await putBlob(who.db, Buffer.from(newId()));
  return {
    id: newId(),
    visitId,
    name: fileName,
    fileName,
    takenAt: MOMENT,
    fileSha,
    mediaType: 'image/jpeg',
    width: 8,
    height: 6,
    ...change,
  };
}

export const put = (entity: string, value: unknown, rowId = newId(), version = 0) =>
  ({ id: newId(), changes: [{ action: 'put', entity, rowId, version, value }] }) as unknown as Command;
export const rowIdOf = (command: Command) => command.changes[0]!.rowId;
/** The same change by another name, against another version or with another value. */
export const again = (command: Command, change: object = {}): Command => ({
  id: newId(),
  changes: [{ ...command.changes[0]!, ...change } as Change],
});
export const spotOn = (frameId: string, shape: unknown = { kind: 'spot', x: 1, y: 1 }) => ({
  frameId,
  name: 'a',
  ordinal: 0,
  role: 'reading',
  shape,
});
export const region = (frameId: string, shape?: unknown) => put('region', spotOn(frameId, shape));
export const code = (work: Promise<unknown>) =>
  work.then(
    () => 'taken',
    (error: { code?: string }) => error.code ?? String(error),
  );

import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { APPARENT } from '@core/frame/frame';
import { NO_SETTINGS } from '@core/radiometry/settings';
import type { Change, Command } from '@core/command';
import type { Asking } from '@data/asking';
import { closeDatabase, requireDatabase, type Database } from '@data/connection';
import { putBlob, getBlob } from '@data/queries/blobs';
import { carryOut } from '@data/queries/commands';
import { loadVisitDocument } from '@data/queries/document';
import { addPictures, type NewFrame, type NewPhoto } from '@data/queries/files';
import { addRecording } from '@data/queries/recordings';
import { turnFrame } from '@data/queries/turn';
import { createVisit } from '@data/queries/visits';
import * as t from '@data/schema';
import { asking } from './asking';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

let holder: TestDatabase;
let db: Database;
let who: Asking;
beforeAll(async () => {
  holder = await testDatabase('queries');
  db = await liveDatabase(holder);
  who = asking();
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

const MOMENT = new Date('2026-02-11T19:10:00Z');

async function visitWithRoom(name = 'A') {
  const made = await createVisit(who, {
    site: { name, address: '', timeZone: 'Europe/London', latitude: null, longitude: null, facades: [] },
    kind: 'heat-loss',
    title: 'x',
    question: '',
    startedAt: MOMENT.getTime(),
    insideC: 20,
    outsideC: 2,
    humidityPct: 50,
    rooms: ['Room'],
  });
  const [room] = await db.select().from(t.room).where(eq(t.room.siteId, made.siteId));
  return { ...made, roomId: room!.id };
}

/** A frame of 4 × 3 pixels, its bytes stored. */
async function frameOf(visitId: string, fileName: string, change: Partial<NewFrame> = {}): Promise<NewFrame> {
  const values = Float32Array.from({ length: 12 }, (_, i) => i + Math.random());
  const sha = await putBlob(db, new Uint8Array(values.buffer));
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

async function photoOf(visitId: string, fileName: string, change: Partial<NewPhoto> = {}): Promise<NewPhoto> {
  const fileSha = await putBlob(db, Buffer.from(newId()));
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

const put = (entity: string, value: unknown, rowId = newId(), version = 0) =>
  ({ id: newId(), changes: [{ action: 'put', entity, rowId, version, value }] }) as unknown as Command;
const rowIdOf = (command: Command) => command.changes[0]!.rowId;
/** The same change by another name, against another version or with another value. */
const again = (command: Command, change: object = {}): Command => ({
  id: newId(),
  changes: [{ ...command.changes[0]!, ...change } as Change],
});
const spotOn = (frameId: string, shape: unknown = { kind: 'spot', x: 1, y: 1 }) => ({
  frameId,
  name: 'a',
  ordinal: 0,
  role: 'reading',
  shape,
});
const region = (frameId: string, shape?: unknown) => put('region', spotOn(frameId, shape));
const code = (work: Promise<unknown>) =>
  work.then(
    () => 'taken',
    (error: { code?: string }) => error.code ?? String(error),
  );
const paired = async (visitId: string) =>
  Object.fromEntries(
    (
      await db
        .select({ name: t.photo.fileName, frame: t.frame.fileName })
        .from(t.photo)
        .leftJoin(t.frame, eq(t.frame.id, t.photo.frameId))
        .where(eq(t.photo.visitId, visitId))
    ).map(({ name, frame }) => [name, frame]),
  );
const minutes = (n: number) => new Date(MOMENT.getTime() + n * 60_000);

describe('commands', () => {
  test('the same one at the same moment is carried out once and answered alike', async () => {
    const { visitId } = await visitWithRoom();
    const frame = await frameOf(visitId, 'a.csv');
    await addPictures(who, visitId, { frames: [frame] });
    for (let i = 0; i < 20; i += 1) {
      const command = region(frame.id);
      const outcomes = await Promise.all(Array.from({ length: 8 }, () => carryOut(who, command)));
      expect(outcomes).toEqual(Array(8).fill({ kind: 'done', answer: { versions: { [rowIdOf(command)]: 1 } } }));
    }
    expect(await db.select().from(t.region).where(eq(t.region.frameId, frame.id))).toHaveLength(20);
  });

  test('two that make or change one row at one moment: one is taken, the other learns what is there', async () => {
    const { visitId } = await visitWithRoom();
    const frame = await frameOf(visitId, 'a.csv');
    await addPictures(who, visitId, { frames: [frame] });
    const first = region(frame.id);
    const kinds = (await Promise.all([carryOut(who, first), carryOut(who, again(first))])).map(({ kind }) => kind);
    expect(kinds.sort()).toEqual(['done', 'stale']);
    const changes = await Promise.all([1, 2, 3].map(() => carryOut(who, again(first, { version: 1 }))));
    expect(changes.map(({ kind }) => kind).sort()).toEqual(['done', 'stale', 'stale']);
    const stale = changes.find(({ kind }) => kind === 'stale');
    expect(stale).toMatchObject({ stale: [{ rowId: rowIdOf(first), stored: { version: 2 } }] });
  });

  test('a stale one leaves no trace and can come again', async () => {
    const { visitId } = await visitWithRoom();
    const frame = await frameOf(visitId, 'a.csv');
    await addPictures(who, visitId, { frames: [frame] });
    const made = region(frame.id);
    await carryOut(who, made);
    const late = again(made, { version: 5 });
    expect((await carryOut(who, late)).kind).toBe('stale');
    expect(await db.select().from(t.command).where(eq(t.command.id, late.id))).toEqual([]);
    const onTime = { ...again(made, { version: 1 }), id: late.id };
    expect(await carryOut(who, onTime)).toEqual({ kind: 'done', answer: { versions: { [rowIdOf(made)]: 2 } } });
  });

  test('many that add rows beside each other are all taken', async () => {
    const { siteId } = await visitWithRoom();
    const room = (name: string) =>
      put('room', {
        siteId,
        name,
        kind: 'living',
        storey: 0,
        plan: { x: 0, y: 0, width: 4, depth: 4 },
        heightM: 2.4,
        ordinal: 1,
      });
    const outcomes = await Promise.all(Array.from({ length: 60 }, (_, i) => carryOut(who, room(`R${i}`))));
    expect(outcomes.every(({ kind }) => kind === 'done')).toBe(true);
  });
});

describe('what belongs together', () => {
  test('a region lies on its frame and stays on it', async () => {
    const { visitId } = await visitWithRoom();
    const [a, b] = [await frameOf(visitId, 'a.csv'), await frameOf(visitId, 'b.csv')];
    await addPictures(who, visitId, { frames: [a, b] });
    expect(await code(carryOut(who, region(newId())))).toBe('not_found');
    expect(await code(carryOut(who, region(a.id, { kind: 'box', x: 4, y: 0, width: 2, height: 2 })))).toBe('bad_region');
    expect(await code(carryOut(who, region(a.id, { kind: 'box', x: 3, y: 0, width: 2, height: 2 })))).toBe('taken');
    expect(await code(carryOut(who, region(a.id, { kind: 'beyond', side: 'colder', markC: 4 })))).toBe('taken');
    const made = region(a.id);
    await carryOut(who, made);
    expect(await code(carryOut(who, again(made, { version: 1, value: { ...spotOn(b.id) } })))).toBe('bad_input');
  });

  test('a frame’s room, reference and sequence are of its visit', async () => {
    const [here, there] = [await visitWithRoom('here'), await visitWithRoom('there')];
    const [mine, other] = [await frameOf(here.visitId, 'a.csv'), await frameOf(there.visitId, 'b.csv')];
    const sequence = { id: newId(), name: 's' };
    await addPictures(who, here.visitId, { frames: [mine] });
    await addPictures(who, there.visitId, { frames: [other], sequences: [sequence] });
    const foreign = region(other.id);
    await carryOut(who, foreign);
    const row = (await loadVisitDocument(who, here.visitId)).rows.frame[mine.id]!;
    const change = (fields: object) => code(carryOut(who, put('frame', { ...row.value, ...fields }, mine.id, row.version)));
    expect(await change({ roomId: there.roomId })).toBe('bad_input');
    expect(await change({ sequenceId: sequence.id })).toBe('bad_input');
    expect(await change({ referenceId: rowIdOf(foreign) })).toBe('bad_input');
    expect(await change({ roomId: newId() })).toBe('not_found');
    // A region that is made by the next command may be named before.
    expect(await change({ roomId: here.roomId, referenceId: newId() })).toBe('taken');
  });

  test('settings, probes and logs need an owner that is there', async () => {
    for (const level of ['visit', 'surface', 'frame', 'region']) {
      expect(await code(carryOut(who, put('settings', { ...NO_SETTINGS, level, ownerId: newId() })))).toBe('not_found');
    }
    expect(
      await code(
        carryOut(who, put('probe', { frameId: newId(), name: 'a', x: 0, y: 0, celsius: 1, uncertaintyK: 1, instrumentId: null })),
      ),
    ).toBe('not_found');
    expect(await code(carryOut(who, put('log', { visitId: newId(), name: 'a', entries: [] })))).toBe('not_found');
  });

  test('frames are not taken in for a room of another site', async () => {
    const [here, there] = [await visitWithRoom('here'), await visitWithRoom('there')];
    const frame = await frameOf(here.visitId, 'a.csv', { roomId: there.roomId });
    expect(await code(addPictures(who, here.visitId, { frames: [frame] }))).toBe('bad_input');
    expect(await db.select().from(t.frame).where(eq(t.frame.id, frame.id))).toEqual([]);
  });
});

describe('photos and frames', () => {
  test('find each other by name, whichever comes first, whatever stands behind it', async () => {
    const { visitId } = await visitWithRoom();
    const early = minutes(-60);
    await addPictures(who, visitId, {
      photos: [
        await photoOf(visitId, 'ROW_7-Photo.JPG', { takenAt: early }),
        await photoOf(visitId, 'row_70.jpg', { takenAt: early }),
      ],
    });
    await addPictures(who, visitId, { frames: [await frameOf(visitId, 'row_7.tif')] });
    await addPictures(who, visitId, {
      photos: [
        await photoOf(visitId, 'row_7 visible.png', { takenAt: early }),
        await photoOf(visitId, 'rowx7.jpg', { takenAt: early }),
      ],
    });
    expect(await paired(visitId)).toEqual({
      'ROW_7-Photo.JPG': 'row_7.tif',
      'row_70.jpg': null,
      'row_7 visible.png': 'row_7.tif',
      'rowx7.jpg': null,
    });
  });

  test('else by moment within a minute, and the name wins when it comes', async () => {
    const { visitId } = await visitWithRoom();
    await addPictures(who, visitId, {
      frames: [
        await frameOf(visitId, 'first.tif', { takenAt: minutes(0) }),
        await frameOf(visitId, 'second.tif', { takenAt: minutes(5) }),
      ],
    });
    await addPictures(who, visitId, {
      photos: [
        await photoOf(visitId, 'near.jpg', { takenAt: minutes(0.9) }),
        await photoOf(visitId, 'far.jpg', { takenAt: minutes(2.5) }),
        await photoOf(visitId, 'third.jpg', { takenAt: minutes(5.2) }),
      ],
    });
    expect(await paired(visitId)).toEqual({ 'near.jpg': 'first.tif', 'far.jpg': null, 'third.jpg': 'second.tif' });
    await addPictures(who, visitId, { frames: [await frameOf(visitId, 'third.tif', { takenAt: minutes(30) })] });
    expect((await paired(visitId))['third.jpg']).toBe('third.tif');
  });

  test('are stored together or not at all', async () => {
    const { visitId } = await visitWithRoom();
    const frame = await frameOf(visitId, 'a.csv');
    const photo = await photoOf(visitId, 'a.jpg', { frameId: frame.id });
    expect(await code(addPictures(who, visitId, { frames: [frame], photos: [{ ...photo, fileSha: '0'.repeat(64) }] }))).not.toBe(
      'taken',
    );
    expect(await db.select().from(t.frame).where(eq(t.frame.id, frame.id))).toEqual([]);
    await addPictures(who, visitId, { frames: [frame], photos: [photo] });
    expect(await paired(visitId)).toEqual({ 'a.jpg': 'a.csv' });
  });

  test('pages and their sequence are one transaction', async () => {
    const { visitId } = await visitWithRoom();
    const sequence = { id: newId(), name: 'run' };
    const pages = await Promise.all([0, 1, 2].map((page) => frameOf(visitId, 'run.tif', { page, sequenceId: sequence.id })));
    await addPictures(who, visitId, { sequences: [sequence], frames: pages });
    const document = await loadVisitDocument(who, visitId);
    expect(Object.values(document.rows.frame).map(({ value }) => value.sequenceId)).toEqual(Array(3).fill(sequence.id));
  });
});

describe('bytes', () => {
  test('are there once, and come back as they were', async () => {
    const bytes = Uint8Array.from({ length: 70_000 }, (_, i) => i % 256);
    const shas = await Promise.all(Array.from({ length: 6 }, () => putBlob(db, bytes)));
    expect(new Set(shas).size).toBe(1);
    expect(Buffer.compare(await getBlob(db, shas[0]!), Buffer.from(bytes))).toBe(0);
    expect(await code(getBlob(db, 'f'.repeat(64)))).toBe('not_found');
  });

  test('of a spoken note that is sent again are not stored twice, and another of its id not at all', async () => {
    const { visitId } = await visitWithRoom();
    const row = { id: newId(), visitId, stopKey: 'a', takenAt: MOMENT.getTime(), seconds: 3, mediaType: 'audio/webm' };
    await addRecording(who, row, Buffer.from('spoken'));
    await addRecording(who, row, Buffer.from('spoken'));
    expect(await code(addRecording(who, row, Buffer.from('other')))).not.toBe('taken');
    expect(await db.select().from(t.recording).where(eq(t.recording.visitId, visitId))).toHaveLength(1);
  });
});

test('a frame that is turned four times is as it was, with all that lies on it', async () => {
  const { visitId } = await visitWithRoom();
  const frame = await frameOf(visitId, 'a.csv');
  await addPictures(who, visitId, { frames: [frame] });
  const made = region(frame.id, { kind: 'box', x: 0, y: 1, width: 3, height: 1 });
  await carryOut(who, made);
  for (let i = 0; i < 4; i += 1) await turnFrame(who, frame.id, 'right');
  const document = await loadVisitDocument(who, visitId);
  expect(document.frameFacts[frame.id]).toMatchObject({ width: 4, height: 3, pixelsSha: frame.pixelsSha });
  expect(document.rows.region[rowIdOf(made)]!.value.shape).toEqual({ kind: 'box', x: 0, y: 1, width: 3, height: 1 });
});

test('a database that is gone is said to be busy, and answers again when it is back', async () => {
  holder.server.kill();
  await holder.server.ended();
  expect(await code(requireDatabase())).toBe('busy');
  await holder.server.bringBack();
  expect(await code(requireDatabase())).toBe('taken');
});

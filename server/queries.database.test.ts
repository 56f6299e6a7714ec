import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import type { Asking } from '@data/asking';
import { closeDatabase, requireDatabase, type Database } from '@data/connection';
import { putBlob, getBlob } from '@data/queries/blobs';
import { carryOut } from '@data/queries/commands';
import { loadVisitDocument } from '@data/queries/document';
import { addPictures } from '@data/queries/files';
import { addRecording } from '@data/queries/recordings';
import { turnFrame } from '@data/queries/turn';
import * as t from '@data/schema';
import { asking } from './asking';
import { again, code, frameOf, MOMENT, photoOf, put, region, rowIdOf, spotOn, visitWithRoom } from './keep/testVisits';
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
    const { visitId } = await visitWithRoom(who);
    const frame = await frameOf(who, visitId, 'a.csv');
    await addPictures(who, visitId, { frames: [frame] });
    for (let i = 0; i < 20; i += 1) {
      const command = region(frame.id);
      const outcomes = await Promise.all(Array.from({ length: 8 }, () => carryOut(who, command)));
      expect(outcomes).toEqual(Array(8).fill({ kind: 'done', answer: { versions: { [rowIdOf(command)]: 1 } } }));
    }
    expect(await db.select().from(t.region).where(eq(t.region.frameId, frame.id))).toHaveLength(20);
  });

  test('two that make or change one row at one moment: one is taken, the other learns what is there', async () => {
    const { visitId } = await visitWithRoom(who);
    const frame = await frameOf(who, visitId, 'a.csv');
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
    const { visitId } = await visitWithRoom(who);
    const frame = await frameOf(who, visitId, 'a.csv');
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
    const { siteId } = await visitWithRoom(who);
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
    const { visitId } = await visitWithRoom(who);
    const [a, b] = [await frameOf(who, visitId, 'a.csv'), await frameOf(who, visitId, 'b.csv')];
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
    const [here, there] = [await visitWithRoom(who, 'here'), await visitWithRoom(who, 'there')];
    const [mine, other] = [await frameOf(who, here.visitId, 'a.csv'), await frameOf(who, there.visitId, 'b.csv')];
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
    const [here, there] = [await visitWithRoom(who, 'here'), await visitWithRoom(who, 'there')];
    const frame = await frameOf(who, here.visitId, 'a.csv', { roomId: there.roomId });
    expect(await code(addPictures(who, here.visitId, { frames: [frame] }))).toBe('bad_input');
    expect(await db.select().from(t.frame).where(eq(t.frame.id, frame.id))).toEqual([]);
  });
});

describe('photos and frames', () => {
  test('find each other by name, whichever comes first, whatever stands behind it', async () => {
    const { visitId } = await visitWithRoom(who);
    const early = minutes(-60);
    await addPictures(who, visitId, {
      photos: [
        await photoOf(who, visitId, 'ROW_7-Photo.JPG', { takenAt: early }),
        await photoOf(who, visitId, 'row_70.jpg', { takenAt: early }),
      ],
    });
    await addPictures(who, visitId, { frames: [await frameOf(who, visitId, 'row_7.tif')] });
    await addPictures(who, visitId, {
      photos: [
        await photoOf(who, visitId, 'row_7 visible.png', { takenAt: early }),
        await photoOf(who, visitId, 'rowx7.jpg', { takenAt: early }),
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
    const { visitId } = await visitWithRoom(who);
    await addPictures(who, visitId, {
      frames: [
        await frameOf(who, visitId, 'first.tif', { takenAt: minutes(0) }),
        await frameOf(who, visitId, 'second.tif', { takenAt: minutes(5) }),
      ],
    });
    await addPictures(who, visitId, {
      photos: [
        await photoOf(who, visitId, 'near.jpg', { takenAt: minutes(0.9) }),
        await photoOf(who, visitId, 'far.jpg', { takenAt: minutes(2.5) }),
        await photoOf(who, visitId, 'third.jpg', { takenAt: minutes(5.2) }),
      ],
    });
    expect(await paired(visitId)).toEqual({ 'near.jpg': 'first.tif', 'far.jpg': null, 'third.jpg': 'second.tif' });
    await addPictures(who, visitId, { frames: [await frameOf(who, visitId, 'third.tif', { takenAt: minutes(30) })] });
    expect((await paired(visitId))['third.jpg']).toBe('third.tif');
  });

  test('are stored together or not at all', async () => {
    const { visitId } = await visitWithRoom(who);
    const frame = await frameOf(who, visitId, 'a.csv');
    const photo = await photoOf(who, visitId, 'a.jpg', { frameId: frame.id });
    expect(await code(addPictures(who, visitId, { frames: [frame], photos: [{ ...photo, fileSha: '0'.repeat(64) }] }))).not.toBe(
      'taken',
    );
    expect(await db.select().from(t.frame).where(eq(t.frame.id, frame.id))).toEqual([]);
    await addPictures(who, visitId, { frames: [frame], photos: [photo] });
    expect(await paired(visitId)).toEqual({ 'a.jpg': 'a.csv' });
  });

  test('pages and their sequence are one transaction', async () => {
    const { visitId } = await visitWithRoom(who);
    const sequence = { id: newId(), name: 'run' };
    const pages = await Promise.all([0, 1, 2].map((page) => frameOf(who, visitId, 'run.tif', { page, sequenceId: sequence.id })));
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
    const { visitId } = await visitWithRoom(who);
    const row = { id: newId(), visitId, stopKey: 'a', takenAt: MOMENT.getTime(), seconds: 3, mediaType: 'audio/webm' };
    await addRecording(who, row, Buffer.from('spoken'));
    await addRecording(who, row, Buffer.from('spoken'));
    expect(await code(addRecording(who, row, Buffer.from('other')))).not.toBe('taken');
    expect(await db.select().from(t.recording).where(eq(t.recording.visitId, visitId))).toHaveLength(1);
  });
});

test('a frame that is turned four times is as it was, with all that lies on it', async () => {
  const { visitId } = await visitWithRoom(who);
  const frame = await frameOf(who, visitId, 'a.csv');
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

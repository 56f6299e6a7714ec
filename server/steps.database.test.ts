import { count, eq, inArray } from 'drizzle-orm';
import type { RowDataPacket } from 'mysql2';
import { v7 as newId } from 'uuid';
import type { Change } from '@core/model/command';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { settingsIdOf } from '@core/ground/rowId';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { loadVisitChanges, loadVisitDocument } from '@data/queries/document';
import { addPictures } from '@data/queries/files';
import { addRecording } from '@data/queries/recordings';
import * as t from '@data/schema';
import { asking } from './asking';
import { code, frameOf, MOMENT, photoOf, put, region, rowIdOf, spotOn, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

let holder: TestDatabase;
let who: Asking;
beforeAll(async () => {
  holder = await testDatabase('steps');
  await liveDatabase(holder);
  who = asking();
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

async function visitWithFrames(frames: number, name = 'A') {
  const made = await visitWithRoom(who, name);
  const first = await frameOf(who, made.visitId, 'f0.csv');
  // The bytes of all are the same: only rows matter here.
  const all = Array.from({ length: frames }, (_, i) => ({ ...first, id: newId(), page: i, fileName: `f${i}.csv` }));
  await addPictures(who, made.visitId, { frames: all });
  return { ...made, frameIds: all.map(({ id }) => id) };
}

const change = (action: 'put' | 'remove', entity: string, rowId: string, version: number, value?: unknown) =>
  ({ action, entity, rowId, version, ...(value !== undefined && { value }) }) as Change;
const settingsOf = (frameId: string, emissivity: number) => ({ ...NO_SETTINGS, level: 'frame', ownerId: frameId, emissivity });
const step = (...changes: Change[]) => ({ id: newId(), changes });
const settingsCount = async (ids: string[]) =>
  (await who.db.select({ n: count() }).from(t.settings).where(inArray(t.settings.frameId, ids)))[0]!.n;

describe('a step over five hundred frames', () => {
  const settings = (ids: string[], version = 0) =>
    step(...ids.map((id) => change('put', 'settings', settingsIdOf(id), version, settingsOf(id, 0.9))));

  test('is stored as a whole, a second time answered alike, and refused as a whole when one row is stale', async () => {
    const { frameIds } = await visitWithFrames(500);
    const command = settings(frameIds);
    const outcome = await carryOut(who, command);
    expect(outcome).toEqual(await carryOut(who, command));
    expect(outcome).toMatchObject({ kind: 'done' });
    expect(await settingsCount(frameIds)).toBe(500);

    await carryOut(who, step(change('put', 'settings', settingsIdOf(frameIds[7]!), 1, settingsOf(frameIds[7]!, 0.5))));
    await carryOut(who, step(change('remove', 'settings', settingsIdOf(frameIds[8]!), 1)));
    const stale = await carryOut(who, settings(frameIds, 1));
    expect(stale).toMatchObject({
      kind: 'stale',
      stale: [
        { rowId: settingsIdOf(frameIds[7]!), stored: { version: 2, value: { emissivity: 0.5 } } },
        { rowId: settingsIdOf(frameIds[8]!), stored: null },
      ],
    });
    const versions = await who.db.select({ v: t.settings.version }).from(t.settings).where(inArray(t.settings.frameId, frameIds));
    expect(versions.map(({ v }) => v).sort()).toEqual([...Array<number>(498).fill(1), 2]);
  });

  test('with one change that cannot be, changes nothing', async () => {
    const { frameIds } = await visitWithFrames(50);
    const wrong = settings([...frameIds, newId()]);
    expect(await code(carryOut(who, wrong))).toBe('not_found');
    expect(await settingsCount(frameIds)).toBe(0);
    expect(await who.db.select().from(t.command).where(eq(t.command.id, wrong.id))).toEqual([]);
  });

  test('whose connection is killed in the middle is there whole or not at all', async () => {
    const { frameIds } = await visitWithFrames(500);
    let killed = 0;
    for (let round = 0; round < 6; round += 1) {
      const before = await settingsCount(frameIds);
      const version = before === 0 ? 0 : round;
      const command = step(
        ...frameIds.map((id) => change('put', 'settings', settingsIdOf(id), version, settingsOf(id, 0.9 - round / 100))),
      );
      const done = code(carryOut(who, command).then(({ kind }) => (kind === 'done' ? kind : Promise.reject(new Error(kind)))));
      await new Promise((resolve) => setTimeout(resolve, 20 + 25 * round));
      await holder.asRoot(async (root) => {
        const [all] = await root.query<RowDataPacket[]>('SHOW PROCESSLIST');
        for (const { Id, User } of all) if (User === 'den') await root.query(`KILL ${Number(Id)}`).catch(() => undefined);
      });
      const answer = await done;
      if (answer !== 'taken') killed += 1;
      // Whoever sent it sends it again, by the same name.
      await carryOut(who, command);
      const rows = await who.db
        .select({ v: t.settings.version, e: t.settings.emissivity })
        .from(t.settings)
        .where(inArray(t.settings.frameId, frameIds));
      expect(rows).toHaveLength(500);
      expect(new Set(rows.map(({ v, e }) => `${v} ${e}`))).toEqual(new Set([`${round + 1} ${0.9 - round / 100}`]));
    }
    expect(killed).toBeGreaterThan(0);
  });
});

describe('what changed since', () => {
  test('is told by rows and by what is gone, whoever changed it, and nothing of other visits', async () => {
    const [here, there] = [await visitWithFrames(2, 'here'), await visitWithFrames(1, 'there')];
    const { readAt } = await loadVisitDocument(who, here.visitId);
    await who.db.update(t.change).set({ at: readAt - 60_000 });
    const made = region(here.frameIds[0]!);
    await carryOut(who, made);
    await carryOut(who, region(there.frameIds[0]!));
    const photo = await photoOf(who, here.visitId, 'p.jpg');
    await addPictures(who, here.visitId, { photos: [photo] });
    const changes = await loadVisitChanges(who, here.visitId, readAt);
    expect(changes.rows).toMatchObject({ region: [{ id: rowIdOf(made), version: 1 }], photo: [{ id: photo.id }] });
    expect(Object.keys(changes.rows).sort()).toEqual(['photo', 'region']);
    expect(changes.photoFacts[photo.id]).toMatchObject({ fileName: 'p.jpg' });

    await carryOut(who, step(change('remove', 'region', rowIdOf(made), 1)));
    const later = await loadVisitChanges(who, here.visitId, changes.readAt);
    expect(later.gone.region).toEqual([rowIdOf(made)]);
    expect(later.rows.region).toEqual([]);
  });

  test('a row that comes back goes on with its versions', async () => {
    const { frameIds } = await visitWithFrames(1);
    const made = region(frameIds[0]!);
    const id = rowIdOf(made);
    await carryOut(who, made);
    await carryOut(who, step(change('put', 'region', id, 1, { ...spotOn(frameIds[0]!), name: 'b' })));
    await carryOut(who, step(change('remove', 'region', id, 2)));
    const back = await carryOut(who, step(change('put', 'region', id, 0, spotOn(frameIds[0]!))));
    expect(back).toEqual({ kind: 'done', answer: { versions: { [id]: 3 } } });
  });

  test('a stored row that cannot be read is named, and the rest is there', async () => {
    const { visitId, frameIds } = await visitWithFrames(2);
    const [good, bad] = [region(frameIds[0]!), region(frameIds[1]!)];
    await carryOut(who, good);
    await carryOut(who, bad);
    await who.db
      .update(t.region)
      .set({ shape: { kind: 'cloud' } as never })
      .where(eq(t.region.id, rowIdOf(bad)));
    const document = await loadVisitDocument(who, visitId);
    expect(Object.keys(document.rows.region)).toEqual([rowIdOf(good)]);
    expect(document.broken).toEqual([
      { entity: 'region', id: rowIdOf(bad), problem: expect.stringContaining('shape') as string },
    ]);
  });
});

describe('removing', () => {
  const remove = (entity: string, rowId: string, version = 1) => carryOut(who, step(change('remove', entity, rowId, version)));

  test('a region that a finding states is refused, and says which', async () => {
    const { visitId, frameIds } = await visitWithFrames(1);
    const [a, b] = [region(frameIds[0]!), region(frameIds[0]!)];
    await carryOut(who, a);
    await carryOut(who, b);
    const finding = put('finding', {
      visitId,
      frameId: frameIds[0],
      thisRegionId: rowIdOf(a),
      thatRegionId: rowIdOf(b),
      photoId: null,
      title: 'Cold sill',
      note: '',
    });
    await carryOut(who, finding);
    await expect(remove('region', rowIdOf(b))).rejects.toMatchObject({
      code: 'conflict',
      message: 'This region belongs to a finding: "Cold sill".',
    });
    await expect(remove('frame', frameIds[0]!)).rejects.toMatchObject({ code: 'conflict' });
    await remove('finding', rowIdOf(finding));
    await carryOut(who, put('settings', { ...NO_SETTINGS, level: 'region', ownerId: rowIdOf(b), emissivity: 0.8 }));
    await remove('region', rowIdOf(b));
    expect(
      await who.db
        .select()
        .from(t.settings)
        .where(eq(t.settings.regionId, rowIdOf(b))),
    ).toEqual([]);
  });

  test('a frame takes all that lies on it along, its photo stays, and its bytes go when nobody else has them', async () => {
    const { visitId } = await visitWithRoom(who);
    const frame = await frameOf(who, visitId, 'a.csv');
    const twin = { ...(await frameOf(who, visitId, 'b.csv')), thumbSha: frame.thumbSha };
    const photo = await photoOf(who, visitId, 'a.jpg');
    await addPictures(who, visitId, { frames: [frame, twin], photos: [photo] });
    await carryOut(who, region(frame.id));
    await carryOut(
      who,
      put('probe', { frameId: frame.id, name: 'a', x: 0, y: 0, celsius: 1, uncertaintyK: 1, instrumentId: null }),
    );
    await who.db.update(t.frame).set({ pixelsSha: twin.pixelsSha }).where(eq(t.frame.id, frame.id));
    const { readAt } = await loadVisitDocument(who, visitId);
    await remove('frame', frame.id);
    const document = await loadVisitDocument(who, visitId);
    expect(Object.keys(document.rows.frame)).toEqual([twin.id]);
    expect([document.rows.region, document.rows.probe]).toEqual([{}, {}]);
    expect(document.rows.photo[photo.id]).toMatchObject({ version: 2, value: { frameId: null } });
    const { gone, rows } = await loadVisitChanges(who, visitId, readAt);
    expect(gone).toMatchObject({ frame: [frame.id], region: [expect.any(String)], probe: [expect.any(String)] });
    expect(rows.photo).toMatchObject([{ id: photo.id, value: { frameId: null } }]);
    const shas = (await who.db.select({ sha: t.blob.sha }).from(t.blob)).map(({ sha }) => sha);
    expect(shas).toEqual(expect.arrayContaining([twin.pixelsSha, frame.thumbSha]));
  });

  test('a visit leaves no row and no bytes behind; what another visit has of the same bytes stays', async () => {
    const [gone, kept] = [await visitWithRoom(who, 'gone'), await visitWithRoom(who, 'kept')];
    const own = await frameOf(who, gone.visitId, 'own.csv', { roomId: gone.roomId });
    const shared = await frameOf(who, gone.visitId, 'shared.csv');
    const photo = await photoOf(who, gone.visitId, 'own.jpg');
    const [a, b] = [region(own.id), region(own.id)];
    await addPictures(who, gone.visitId, { frames: [own, shared], photos: [photo] });
    await addPictures(who, kept.visitId, { frames: [{ ...shared, id: newId(), visitId: kept.visitId }] });
    await carryOut(who, a);
    await carryOut(who, b);
    const recording = {
      id: newId(),
      visitId: gone.visitId,
      stopKey: 'k',
      takenAt: MOMENT.getTime(),
      seconds: 1,
      mediaType: 'audio/webm',
    };
    await addRecording(who, recording, Buffer.from(newId()));
    const [spoken] = await who.db.select().from(t.recording).where(eq(t.recording.id, recording.id));
    await carryOut(
      who,
      put('finding', {
        visitId: gone.visitId,
        frameId: own.id,
        thisRegionId: rowIdOf(a),
        thatRegionId: rowIdOf(b),
        photoId: photo.id,
        title: 'x',
        note: '',
      }),
    );
    for (const level of ['visit', 'frame', 'region'] as const) {
      const ownerId = { visit: gone.visitId, frame: own.id, region: rowIdOf(a) }[level];
      await carryOut(who, put('settings', { ...NO_SETTINGS, level, ownerId, emissivity: 0.9 }));
    }
    await carryOut(who, put('kit', { visitId: gone.visitId, items: [] }));
    await remove('visit', gone.visitId);

    expect(await code(loadVisitDocument(who, gone.visitId))).toBe('not_found');
    const tables = [t.frame, t.photo, t.recording, t.finding, t.intake, t.plan, t.conditions, t.kit] as const;
    for (const table of tables) {
      expect(await who.db.select({ id: table.id }).from(table).where(eq(table.visitId, gone.visitId))).toEqual([]);
    }
    const left = await who.db
      .select({ sha: t.blob.sha })
      .from(t.blob)
      .where(inArray(t.blob.sha, [own.pixelsSha, photo.fileSha, spoken!.fileSha, shared.pixelsSha]));
    expect(left).toEqual([{ sha: shared.pixelsSha }]);
    // The house stays; the site goes only when it is asked for, with everything.
    expect(await who.db.select().from(t.room).where(eq(t.room.siteId, gone.siteId))).toHaveLength(1);
    await remove('site', kept.siteId);
    expect(await who.db.select().from(t.visit).where(eq(t.visit.siteId, kept.siteId))).toEqual([]);
    expect(await who.db.select().from(t.blob).where(eq(t.blob.sha, shared.pixelsSha))).toEqual([]);
  });

  test('a site that waits for a camera is refused', async () => {
    const { siteId } = await visitWithRoom(who);
    const loan = put('loan', {
      name: 'Week',
      timeZone: 'Europe/London',
      latitude: 51,
      longitude: 1,
      from: 0,
      to: 1000,
      insideC: 20,
      strictness: 'usual',
      practice: false,
      weatherId: null,
      archived: false,
    });
    await carryOut(who, loan);
    const home = { loanId: rowIdOf(loan), siteId, ordinal: 0, minutes: 60, travelMinutes: 5, presences: [], facades: null };
    await carryOut(who, put('loanHome', home));
    await expect(remove('site', siteId)).rejects.toMatchObject({
      code: 'conflict',
      message: 'This site belongs to a home of a loan.',
    });
  });
});

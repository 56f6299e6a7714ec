import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { STAND_IN_CAMERA } from '@core/model/standInCamera';
import { surfacesOf } from '@core/work/house/surfacesOf';
import { templateRooms, TEMPLATES } from '@core/work/house/templates';
import { SIMULATOR, sceneAt } from '@core/work/practice/lookAt';
import { renderScene } from '@core/method/simulate/renderScene';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { loadVisitDocument } from '@data/queries/document';
import { addPictures } from '@data/queries/files';
import { loadSimulated } from '@data/queries/house';
import { createVisit } from '@data/queries/visits';
import { columnsOf } from '@data/rows/write';
import * as t from '@data/schema';
import { asking } from './asking';
import { code, frameOf, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

let holder: TestDatabase;
let who: Asking;
let visitId: string;
let surfaceIds: string[];
beforeAll(async () => {
  holder = await testDatabase('simulated');
  await liveDatabase(holder);
  who = asking();
  const made = await visitWithRoom(who, 'A', true);
  visitId = made.visitId;
  const rooms = templateRooms(TEMPLATES.cottage, made.siteId).map((value) => ({ id: newId(), value }));
  const shell = { ...TEMPLATES.cottage.shell, frontAzimuth: 180 };
  const surfaces = surfacesOf(made.siteId, rooms, new Set(rooms.map(({ id }) => id)), shell, {}, newId);
  await who.db
    .insert(t.room)
    .values(rooms.map(({ id, value }) => ({ ...(columnsOf('room', value) as typeof t.room.$inferInsert), id })));
  await who.db.insert(t.surface).values(surfaces.map(({ id, value }) => ({ id, ...value })));
  surfaceIds = surfaces.map(({ id }) => id);
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

const LOOK = { pose: { aim: { x: 1, y: 1 }, distance: 2, aside: 0.3 }, shot: 7, since: 12.5, closing: 40.25 };

test('what is hidden in a house is drawn at the first look and stays, whatever would be drawn later', async () => {
  const first = await Promise.all(surfaceIds.map((id) => loadSimulated(who, visitId, id)));
  expect(first.some(({ hidden }) => hidden.length > 0)).toBe(true);
  // A cooled house would draw other things.
  await who.db.update(t.conditions).set({ insideC: 22, outsideC: 35 }).where(eq(t.conditions.visitId, visitId));
  const again = await Promise.all(surfaceIds.map((id) => loadSimulated(who, visitId, id)));
  expect(again.map(({ hidden }) => hidden)).toEqual(first.map(({ hidden }) => hidden));
  expect(again[0]!.weather).toMatchObject({ insideC: 22, outsideC: 35, windMs: 1, sun: null });
  await who.db.update(t.conditions).set({ insideC: 20, outsideC: 2 }).where(eq(t.conditions.visitId, visitId));

  const drawn = [{ kind: 'bare', strength: 0.1 } as const];
  await who.db.update(t.surface).set({ hidden: drawn }).where(eq(t.surface.id, surfaceIds[0]!));
  expect((await loadSimulated(who, visitId, surfaceIds[0]!)).hidden).toEqual(drawn);
});

test('two first looks at one moment see the same', async () => {
  await who.db.update(t.surface).set({ hidden: null });
  const [a, b] = await Promise.all([1, 2].map(() => loadSimulated(who, visitId, surfaceIds[3]!)));
  expect(a!.hidden).toEqual(b!.hidden);
});

test('truth goes with its frame: it draws the very same picture, and goes when the frame goes', async () => {
  const { scene, drift } = sceneAt(await loadSimulated(who, visitId, surfaceIds[2]!), STAND_IN_CAMERA.value, LOOK);
  const taken = renderScene(scene, drift).values;
  const frame = await frameOf(who, visitId, 'stand-in.tif', { surfaceId: surfaceIds[2]! });
  await addPictures(who, visitId, { frames: [frame], truths: [{ frameId: frame.id, simulator: SIMULATOR, drift, scene }] });

  const [kept] = await who.db.select().from(t.truth).where(eq(t.truth.frameId, frame.id));
  expect(kept!.simulator).toBe(SIMULATOR);
  expect(kept!.scene.features).toEqual(scene.features);
  expect(Buffer.compare(Buffer.from(renderScene(kept!.scene, kept!.drift).values.buffer), Buffer.from(taken.buffer))).toBe(0);

  await who.db.delete(t.frame).where(eq(t.frame.id, frame.id));
  expect(await who.db.select().from(t.truth).where(eq(t.truth.frameId, frame.id))).toEqual([]);
});

test('nothing that is hidden or described is in what the browser gets', async () => {
  const text = JSON.stringify(await loadVisitDocument(who, visitId));
  expect(text).toContain('"azimuth"');
  for (const word of ['"hidden"', '"described"', '"scene"', '"strength"', '"missing-insulation"'])
    expect(text).not.toContain(word);
});

test('a surface that is not of the visit’s site is refused', async () => {
  const other = await visitWithRoom(who, 'B');
  expect(await code(loadSimulated(who, other.visitId, surfaceIds[0]!))).toBe('not_found');
  expect(await code(loadSimulated(who, visitId, newId()))).toBe('not_found');
});

test('no stand-in camera sees a real house, and a made-up one has visits for practice only', async () => {
  const real = await visitWithRoom(who, 'Real');
  const wall = newId();
  const [mine] = await who.db.select().from(t.surface).where(eq(t.surface.id, surfaceIds[0]!));
  await who.db.insert(t.surface).values({ ...mine!, id: wall, siteId: real.siteId, roomId: real.roomId, hidden: null });
  expect(await code(loadSimulated(who, real.visitId, wall))).toBe('conflict');
  const again = async (siteId: string, practice: boolean) => {
    const { visitId: id } = await createVisit(who, {
      site: { id: siteId },
      practice,
      kind: 'heat-loss',
      title: 'again',
      question: '',
      startedAt: 1,
      insideC: null,
      outsideC: null,
      humidityPct: null,
      rooms: [],
    });
    const [made] = await who.db.select({ practice: t.visit.practice }).from(t.visit).where(eq(t.visit.id, id));
    return made!.practice;
  };
  const [own] = await who.db.select({ siteId: t.visit.siteId }).from(t.visit).where(eq(t.visit.id, visitId));
  expect(await again(own!.siteId, false)).toBe(true);
  expect(await again(real.siteId, true)).toBe(false);
});

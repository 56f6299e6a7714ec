import { eq } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { rowIdFrom } from '@core/ground/rowId';
import type { EmitterFeature } from '@core/method/simulate/features/emitter';
import { framesOfReport } from '@core/paper/model';
import { printedIn, REMOVED, removing } from '@core/testing/removing';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { getBlob } from '@data/queries/blobs';
import { loadVisitDocument } from '@data/queries/document';
import { loadSimulated } from '@data/queries/house';
import { listSites } from '@data/queries/visits';
import * as t from '@data/schema';
import { asking } from './asking';
import { seedDemo } from './demo/seedDemo';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

const MINUTE = 60_000;

let holder: TestDatabase;
let who: Asking;
let visitId: string;
beforeAll(async () => {
  holder = await testDatabase('demo');
  await liveDatabase(holder);
  who = asking();
  await seedDemo(who);
  const signal = (await listSites(who)).find(({ row }) => row.value.name === 'Signal House')!;
  visitId = signal.visits[0]!.row.id;
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

/** The radiator of a room as the stand-in camera finds it now. */
async function radiatorIn(room: string): Promise<EmitterFeature> {
  const { rows } = await loadVisitDocument(who, visitId);
  const home = Object.values(rows.room).find(({ value }) => value.name === room)!;
  for (const { id, value } of Object.values(rows.surface)) {
    if (value.roomId !== home.id || value.kind !== 'wall') continue;
    const { emitters } = await loadSimulated(who, visitId, id);
    if (emitters && emitters.length > 0) return emitters[0]!;
  }
  throw new Error(`no radiator in ${room}`);
}

async function heating(change: Partial<typeof t.heating.$inferInsert>): Promise<void> {
  const id = rowIdFrom(visitId, 'heating');
  const found = await who.db.select().from(t.heating).where(eq(t.heating.id, id));
  if (found.length > 0) await who.db.update(t.heating).set(change).where(eq(t.heating.id, id));
  else
    await who.db.insert(t.heating).values({
      id,
      visitId,
      school: 'usual',
      targetK: 12,
      toleranceK: 2,
      flowSetC: 60,
      checks: {},
      flows: [],
      walk: 0,
      skippedS: 0,
      ...change,
    });
}

async function serviceIn(room: string): Promise<string> {
  const { rows } = await loadVisitDocument(who, visitId);
  const home = Object.values(rows.room).find(({ value }) => value.name === room)!;
  return Object.values(rows.service).find(({ value }) => value.roomId === home.id && value.kind === 'radiator')!.id;
}

test('only the house with a heating system to practise on says so, and what it is never leaves the server', async () => {
  const document = await loadVisitDocument(who, visitId);
  expect(document.practised).toBe(true);
  expect(JSON.stringify(document)).not.toContain('"sludge"');
  expect(JSON.stringify(document)).not.toContain('storeJK');
  const row = (await listSites(who)).find(({ row: one }) => one.value.name.includes('No. 2'))!;
  const other = await loadVisitDocument(who, row.visits[0]!.row.id);
  expect(other.practised).toBe(false);
  const [surface] = Object.keys(other.rows.surface);
  expect((await loadSimulated(who, other.visitId, surface!)).emitters).toBeNull();
});

test('all ten are found on the walls of their rooms, low down and under no other', async () => {
  const document = await loadVisitDocument(who, visitId);
  const seen = [];
  for (const { id, value } of Object.values(document.rows.surface)) {
    const { emitters } = await loadSimulated(who, visitId, id);
    for (const one of emitters ?? []) {
      seen.push(one);
      expect(one.x).toBeGreaterThanOrEqual(0);
      expect(one.x + one.width).toBeLessThanOrEqual(value.widthM);
      expect(value.heightM - one.y - one.height).toBeCloseTo(0.16, 6);
    }
  }
  expect(seen).toHaveLength(10);
});

test('it is cold until the heat comes on, warms, and answers turns, bleeding and time', async () => {
  const cold = await radiatorIn('Hall');
  expect(cold.flowC).toBe(cold.roomC);
  await heating({ onAt: Date.now() - 2 * MINUTE });
  const early = await radiatorIn('Front room');
  await heating({ skippedS: 60 * 60 });
  const warm = await radiatorIn('Front room');
  expect(warm.flowC).toBeGreaterThan(early.flowC + 10);
  expect(warm.reach).toBe(1);

  const hall = await radiatorIn('Hall');
  const serviceId = await serviceIn('Hall');
  await who.db.insert(t.valveTurn).values({ id: newId(), visitId, serviceId, walk: 2, at: Date.now(), from: 4, to: 0.75 });
  const turned = await radiatorIn('Hall');
  expect(turned.flowC - turned.returnC).toBeGreaterThan(hall.flowC - hall.returnC + 5);

  expect((await radiatorIn('Back bedroom')).air).toBeCloseTo(0.3, 9);
  const bedroom = await serviceIn('Back bedroom');
  await who.db.insert(t.warming).values({ id: newId(), visitId, serviceId: bedroom, bledAt: Date.now() });
  expect((await radiatorIn('Back bedroom')).air).toBe(0);

  const before = (await radiatorIn('Dining room')).sludge;
  await who.db.insert(t.flush).values({
    id: rowIdFrom(visitId, 'flush'),
    visitId,
    steps: { agitated: Date.now() },
    marks: [],
    water: [],
    cleaner: '',
    inhibitor: '',
    by: '',
    note: '',
  });
  expect((await radiatorIn('Dining room')).sludge).toBeCloseTo(before / 2, 9);
});

/** So many rows of a kind are removed in each visit, spread over all. */
const OF_EACH = 4;

test('of the demo nothing that a paper shows is lost with a row unless the question named it', async () => {
  const counts: Record<string, number> = {};
  const problems: string[] = [];
  for (const { row } of (await listSites(who)).flatMap(({ visits }) => visits)) {
    const document = await loadVisitDocument(who, row.id);
    const values = new Map<string, Float32Array>();
    for (const id of framesOfReport(document)) {
      const bytes = await getBlob(who.db, document.frameFacts[id]!.pixelsSha);
      values.set(id, new Float32Array(Uint8Array.from(bytes).buffer));
    }
    const pixels = (id: string) => values.get(id);
    const before = printedIn(document, pixels);
    for (const entity of REMOVED) {
      const ids = Object.keys(document.rows[entity]);
      for (const id of ids.filter((_, i) => i % Math.ceil(ids.length / OF_EACH) === 0)) {
        const seen = removing(document, entity, id, before, pixels);
        counts[entity] = (counts[entity] ?? 0) + (seen ? 1 : 0);
        if (seen?.problem) problems.push(seen.problem);
      }
    }
  }
  expect(problems).toEqual([]);
  // Of everything that the demo has, something was removed.
  expect(Object.keys(counts).sort()).toEqual(['exhibit', 'finding', 'frame', 'photo', 'region', 'room', 'service', 'surface']);
  expect(Object.values(counts).reduce((sum, n) => sum + n, 0)).toBeGreaterThan(60);
});

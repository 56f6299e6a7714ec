import type * as MySqlCore from 'drizzle-orm/mysql-core';
import { v7 as newId } from 'uuid';
import * as z from 'zod';
import type { Entity, Row } from '@core/model/entities';
import type { EntityDefinition } from '@core/model/entity';
import type * as Uuid from '@data/columns/uuid';
import type { RowStore as RowStoreClass } from '@ui/store/rowStore';
import { closeDatabase } from '@data/connection';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

/** A kind of row that exists in this test only: its migration, its table, and (below) its definition. */
const MIGRATION =
  'CREATE TABLE lantern (id binary(16) PRIMARY KEY, visit_id binary(16) NOT NULL REFERENCES visit (id), name varchar(40) NOT NULL, candles int NOT NULL, version int NOT NULL DEFAULT 1)';

jest.mock('@data/schema', () => {
  const { int, mysqlTable, varchar } = jest.requireActual<typeof MySqlCore>('drizzle-orm/mysql-core');
  const { uuid } = jest.requireActual<typeof Uuid>('@data/columns/uuid');
  const lantern = mysqlTable('lantern', {
    id: uuid().primaryKey(),
    visitId: uuid('visit_id').notNull(),
    name: varchar({ length: 40 }).notNull(),
    candles: int().notNull(),
    version: int().notNull().default(1),
  });
  return { ...jest.requireActual<object>('@data/schema'), lantern };
});

const LANTERN = 'lantern' as Entity;
let holder: TestDatabase;
let visitId: string;
let RowStore: typeof RowStoreClass;
let loadDocument: () => Promise<{ rows: Record<string, Record<string, Row<Entity>>> }>;
const realFetch = globalThis.fetch;

beforeAll(async () => {
  const { defineEntity, OF_VISIT } = await import('@core/model/entity');
  const { ENTITIES } = await import('@core/model/entities');
  const lantern = defineEntity({
    name: 'lantern',
    label: 'lantern',
    schema: z.object({ visitId: z.uuid(), name: z.string().min(1, 'must not be empty'), candles: z.number().int().min(1) }),
    scope: 'visit',
    parent: OF_VISIT,
    words: { name: 'name', candles: 'candles' },
  });
  (ENTITIES as unknown as EntityDefinition[]).push(lantern as unknown as EntityDefinition);

  holder = await testDatabase('imaginary');
  await liveDatabase(holder);
  await holder.asRoot((root) => root.query(`USE \`${process.env.DEN_DB_NAME}\``).then(() => root.query(MIGRATION)));
  const { asking } = await import('./asking');
  const { createVisit } = await import('@data/queries/visits');
  const { loadVisitDocument } = await import('@data/queries/document');
  ({ visitId } = await createVisit(asking(), {
    site: { name: 'A', address: '', timeZone: 'Europe/London', latitude: null, longitude: null, facades: [] },
    kind: 'heat-loss',
    title: 'x',
    question: '',
    startedAt: 1,
    insideC: 20,
    outsideC: 2,
    humidityPct: 50,
    rooms: [],
  }));
  loadDocument = () => loadVisitDocument(asking(), visitId) as never;
  ({ RowStore } = await import('@ui/store/rowStore'));
  const { POST } = await import('../app/api/commands/route');
  // A page's requests go straight to the route.
  globalThis.fetch = ((address: string, init: RequestInit) =>
    POST(new Request(`http://127.0.0.1:1${address}`, { ...init, headers: { host: '127.0.0.1:1' } }))) as typeof fetch;
});
afterAll(async () => {
  globalThis.fetch = realFetch;
  await closeDatabase();
  await holder.end();
});

async function page() {
  const { rows } = await loadDocument();
  const refused: string[] = [];
  const made = new RowStore({ rows: { [LANTERN]: rows[LANTERN]! } } as never, 'undo');
  made.listen({ onTravel: () => undefined, onRefused: (error) => refused.push(error.message) });
  const put = (rowId: string, value: object | null) =>
    made.edit('Lantern', [{ entity: LANTERN, rowId, value: value && ({ visitId, ...value } as never) }]);
  return { store: made, put, refused };
}
const stored = async (id: string) => (await loadDocument()).rows[LANTERN]![id];

test('a kind of row that is defined in one place is validated, saved, conflicted, undone and removed', async () => {
  const [here, there] = [await page(), await page()];
  const id = newId();
  here.put(id, { name: 'Porch', candles: 0 });
  await here.store.idle();
  expect(here.refused).toEqual([expect.stringMatching(/^candles /)]);
  here.put(id, { name: 'Porch', candles: 3 });
  await here.store.idle();
  expect(await stored(id)).toEqual({ id, version: 1, value: { visitId, name: 'Porch', candles: 3 } });

  there.put(id, { name: 'Cellar', candles: 9 });
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(there.store.state.getState().conflict).toMatchObject({
    changes: [{ value: { name: 'Cellar' } }],
    stale: [{ entity: 'lantern', stored: { version: 1, value: { name: 'Porch' } } }],
  });
  there.store.settle({ [id]: 'mine' });
  await there.store.idle();
  expect(await stored(id)).toMatchObject({ version: 2, value: { name: 'Cellar' } });

  there.put(id, { name: 'Cellar', candles: 1 });
  there.store.undo();
  await there.store.idle();
  expect(await stored(id)).toMatchObject({ value: { candles: 9 } });
  there.put(id, null);
  await there.store.idle();
  expect(await stored(id)).toBeUndefined();
  there.store.undo();
  await there.store.idle();
  const back = (await stored(id))!;
  expect(back.value).toMatchObject({ name: 'Cellar' });
  // No version ever means two values.
  expect(back.version).toBeGreaterThan(4);
});

test('it hangs on its visit: nothing of another one is taken, and it goes with it', async () => {
  const { store: made, put, refused } = await page();
  const id = newId();
  made.edit('Lantern', [{ entity: LANTERN, rowId: id, value: { visitId: newId(), name: 'a', candles: 1 } as never }]);
  await made.idle();
  expect(refused).toEqual(['There is no such visit.']);
  put(id, { name: 'a', candles: 1 });
  await made.idle();
  expect(await stored(id)).toBeDefined();
  await holder.asRoot(async (root) => {
    await root.query(`USE \`${process.env.DEN_DB_NAME}\``);
    const sent = await globalThis.fetch('/api/commands', {
      method: 'POST',
      body: JSON.stringify({ id: newId(), changes: [{ action: 'remove', entity: 'visit', rowId: visitId, version: 1 }] }),
    });
    expect(sent.status).toBe(200);
    const [left] = await root.query('SELECT count(*) AS n FROM lantern');
    expect(left).toEqual([{ n: '0' }]);
  });
});

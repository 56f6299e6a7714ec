import type { VisitChanges, VisitDocument } from '@core/model/document';
import type { Row } from '@core/model/entities';
import { packDocument } from '@core/model/packedDocument';
import { ID, visitDocument } from '@core/testing/visit';
import { openVisit, VisitStore } from './visitStore';

const before = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = before;
});

const region = (name: string, version: number): Row<'region'> => {
  const row = visitDocument().rows.region[ID.sound]!;
  return { ...row, version, value: { ...row.value, name } };
};

const changesOf = (change: Partial<VisitChanges>): VisitChanges => ({
  readAt: 500,
  broken: [],
  rows: {},
  gone: {},
  frameFacts: {},
  photoFacts: {},
  recordedAt: {},
  ...change,
});

/** Answers changes in order, and takes every step. */
function server(...changes: VisitChanges[]) {
  const asked: string[] = [];
  globalThis.fetch = (async (address: string, init?: { body: string }) => {
    if (address.startsWith('/api/commands')) {
      const { changes: own } = JSON.parse(init!.body) as { changes: { rowId: string; version: number }[] };
      return Response.json({ versions: Object.fromEntries(own.map(({ rowId, version }) => [rowId, version + 1])) });
    }
    asked.push(address);
    return Response.json(changes.shift()!);
  }) as typeof fetch;
  return asked;
}

test('a page asks for what changed since it was read, and takes it in', async () => {
  const document = { ...visitDocument(), readAt: 100 };
  const store = new VisitStore(document);
  const facts = { ...document.frameFacts[ID.frame]!, pixelsSha: 'other' };
  const asked = server(
    changesOf({
      rows: { region: [region('renamed elsewhere', 7)] },
      gone: { finding: [ID.finding] },
      frameFacts: { [ID.frame]: facts },
      broken: [{ entity: 'probe', id: ID.event, problem: 'x is wrong' }],
    }),
    changesOf({ readAt: 900 }),
  );
  const fresh = await store.refresh();
  expect(asked).toEqual([`/api/visits/${ID.visit}/changes?since=100`]);
  expect(fresh.rows.region[ID.sound]).toMatchObject({ version: 7, value: { name: 'renamed elsewhere' } });
  expect(fresh.rows.finding).toEqual({});
  expect(fresh.frameFacts[ID.frame]).toEqual(facts);
  expect(fresh.frameFacts[ID.other]).toEqual(document.frameFacts[ID.other]);
  expect(fresh.broken).toHaveLength(1);
  await store.refresh();
  expect(asked[1]).toContain('since=500');
  expect(store.document.readAt).toBe(900);
});

test('what is known already changes nothing', async () => {
  const store = new VisitStore(visitDocument());
  const rows = store.document.rows.region;
  server(changesOf({ rows: { region: [visitDocument().rows.region[ID.sound]!] } }));
  await store.refresh();
  expect(store.document.rows.region).toBe(rows);
});

test('what was changed here while it was on its way is asked for again', async () => {
  const store = new VisitStore(visitDocument());
  const asked: string[] = [];
  const answering = server(
    changesOf({ rows: { region: [region('old', 5)] } }),
    changesOf({ rows: { region: [region('mine', 2)] } }),
  );
  const answer = globalThis.fetch;
  globalThis.fetch = (async (address: string, init?: RequestInit) => {
    if (address.includes('/changes')) {
      asked.push(address);
      if (asked.length === 1) store.edit('Renamed', [{ entity: 'region', rowId: ID.sound, value: region('mine', 0).value }]);
    }
    return answer(address, init);
  }) as typeof fetch;
  const fresh = await store.refresh();
  expect(asked).toHaveLength(2);
  expect(answering).toHaveLength(2);
  expect(fresh.rows.region[ID.sound]!.value.name).toBe('mine');
});

const opened = (document: VisitDocument) => {
  globalThis.fetch = (async () => Response.json(packDocument(document))) as typeof fetch;
  return openVisit(document.visitId);
};

test('a visit that is opened anew is read anew', async () => {
  const first = await opened(visitDocument());
  expect(first.document).toEqual(visitDocument());
  const second = await opened({ ...visitDocument(), readAt: 7 });
  expect(second).not.toBe(first);
  expect(second.document.readAt).toBe(7);
});

test('what is not stored yet is still there when its visit is opened again', async () => {
  const first = await opened(visitDocument());
  globalThis.fetch = (() => new Promise(() => {})) as typeof fetch;
  first.edit('Renamed', [{ entity: 'region', rowId: ID.sound, value: region('mine', 0).value }]);
  const again = await opened(visitDocument());
  expect(again).toBe(first);
  expect(again.document.rows.region[ID.sound]!.value.name).toBe('mine');
});

test('a visit that cannot be read is an error with the words of the server', async () => {
  const refusal = { error: { code: 'not_found', message: 'There is no such visit.', where: {}, hint: 'Choose another.' } };
  globalThis.fetch = (async () => Response.json(refusal, { status: 404 })) as typeof fetch;
  await expect(openVisit(ID.visit)).rejects.toMatchObject({ code: 'not_found' });
});

import { v7 as newId } from 'uuid';
import { emptyFinding } from '@core/model/findingRow';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { loadVisitDocument, loadVisitDocuments } from '@data/queries/document';
import { addPictures } from '@data/queries/files';
import { createVisit, earlierVisits } from '@data/queries/visits';
import { asking } from './asking';
import { frameOf, MOMENT, put, rowIdOf, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';

let holder: TestDatabase;
let who: Asking;
beforeAll(async () => {
  holder = await testDatabase('earlier');
  await liveDatabase(holder);
  who = asking();
});
afterAll(async () => {
  await closeDatabase();
  await holder.end();
});

const STOP = 'wall-1:wall';

async function nextVisit(siteId: string, days: number): Promise<string> {
  const { visitId } = await createVisit(who, {
    site: { id: siteId },
    kind: 'heat-loss',
    title: `after ${days} days`,
    question: '',
    startedAt: MOMENT.getTime() + days * 86_400_000,
    insideC: 20,
    outsideC: 4,
    humidityPct: 50,
    rooms: [],
  });
  return visitId;
}

/** A first visit with a frame of a stop and a finding on it. */
async function firstVisit() {
  const { visitId, siteId } = await visitWithRoom(who, newId());
  const frame = await frameOf(who, visitId, 'a.csv', { stopKey: STOP });
  await addPictures(who, visitId, { frames: [frame] });
  const finding = put('finding', emptyFinding(visitId, { basis: 'shape', frameId: frame.id, title: 'Empty bay' }));
  expect((await carryOut(who, finding)).kind).toBe('done');
  return { visitId, siteId, frame, findingId: rowIdOf(finding) };
}

test('what was left open is come back to, with its frame, on every visit until it is settled', async () => {
  const { visitId, siteId, frame, findingId } = await firstVisit();
  const second = await nextVisit(siteId, 10);
  const of = async (id: string) => (await loadVisitDocument(who, id)).earlier[STOP];
  expect(await of(second)).toMatchObject({ visitId, open: ['Empty bay'], frame: { id: frame.id, width: 4, height: 3 } });

  // A second look that shows nothing new: it stays open, and the frame is still that of the finding.
  const later = await frameOf(who, second, 'b.csv', { stopKey: STOP });
  await addPictures(who, second, { frames: [later] });
  const third = await nextVisit(siteId, 20);
  expect(await of(third)).toMatchObject({ visitId: second, open: ['Empty bay'], frame: { id: frame.id } });

  const pair = {
    visitId: second,
    beforeVisitId: visitId,
    beforeFrameId: frame.id,
    afterFrameId: later.id,
    findingId,
    title: 'Empty bay',
    regions: [],
    points: [],
    outcome: 'open',
    note: '',
  };
  const made = put('pair', pair);
  expect((await carryOut(who, made)).kind).toBe('done');
  expect((await of(third))!.open).toEqual(['Empty bay']);
  expect((await carryOut(who, put('pair', { ...pair, outcome: 'closed' }, rowIdOf(made), 1))).kind).toBe('done');
  expect(await of(third)).toMatchObject({ open: [], frame: { id: later.id } });
});

test('a first visit has nothing to come back to, and other sites are none of its business', async () => {
  const { visitId } = await firstVisit();
  expect((await loadVisitDocument(who, visitId)).earlier).toEqual({});
});

test('visits to compare with say how much was left open, the last one first', async () => {
  const { visitId, siteId } = await firstVisit();
  const second = await nextVisit(siteId, 10);
  const third = await nextVisit(siteId, 20);
  expect((await earlierVisits(who, third)).map(({ id, open }) => [id, open])).toEqual([
    [second, 0],
    [visitId, 1],
  ]);
});

test('of visits that are asked for together, those that are gone are left out', async () => {
  const { visitId } = await firstVisit();
  const loaded = await loadVisitDocuments(who, [visitId, newId()]);
  expect(loaded.map((document) => document.visitId)).toEqual([visitId]);
});

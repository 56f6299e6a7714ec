import { eq } from 'drizzle-orm';
import type { LeakFound } from '@core/method/water/timelapse';
import type { Had } from '@core/paper/computed';
import { huntOf } from '@core/work/water/huntOf';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { loadVisitDocument } from '@data/queries/document';
import { addPictures } from '@data/queries/files';
import * as t from '@data/schema';
import { asking } from './asking';
import { frameOf, MOMENT, photoOf, put, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';
import { makeReport } from './makeReport';
import type { ReportJob, ReportMade } from './report/job';

let holder: TestDatabase;
let who: Asking;
const shared = globalThis as { denReports?: unknown };
/** What was asked of the thread, and what it answers. */
const asked: ReportJob[] = [];
const PDF = new Uint8Array([1]);
let made: (job: ReportJob) => ReportMade = () => ({ pdf: PDF, made: [] });

const NO_LEAK: LeakFound = {
  source: null,
  onset: null,
  slopeMax: null,
  confidence: 0,
  enough: true,
  moreMinutes: null,
  frames: [],
  dropped: [],
  inOrder: true,
  standing: [],
  others: [],
  scale: 1,
};

beforeAll(async () => {
  holder = await testDatabase('makeReport');
  await liveDatabase(holder);
  who = asking();
  shared.denReports = {
    run: async (job: ReportJob) => {
      asked.push(job);
      return made(job);
    },
  };
});
afterAll(async () => {
  delete shared.denReports;
  await closeDatabase();
  await holder.end();
});
beforeEach(() => {
  asked.length = 0;
});
const options = { signal: new AbortController().signal, onProgress: () => undefined };

test('bytes that are not stored any more are missing in the job, which is made all the same', async () => {
  const { visitId } = await visitWithRoom(who);
  const photos = [await photoOf(who, visitId, 'kept.jpg'), await photoOf(who, visitId, 'lost.jpg')];
  await addPictures(who, visitId, { photos });
  await who.db.transaction(async (transaction) => {
    await transaction.execute('SET FOREIGN_KEY_CHECKS = 0');
    await transaction.delete(t.blob).where(eq(t.blob.sha, photos[1]!.fileSha));
    await transaction.execute('SET FOREIGN_KEY_CHECKS = 1');
  });
  expect(await makeReport(who, visitId, 'C', 'report', options)).toMatchObject({ bytes: PDF });
  expect(Object.keys(asked[0]!.photos)).toEqual([photos[0]!.id]);
  expect(Object.keys(asked[0]!.document.rows.photo).sort()).toEqual(photos.map(({ id }) => id).sort());
});

test('a leak is sought once for all papers, and anew when something of it changed', async () => {
  const { visitId, roomId } = await visitWithRoom(who);
  const frames = [];
  for (let i = 0; i < 4; i += 1) {
    const takenAt = new Date(MOMENT.getTime() + 60_000 * i);
    frames.push(await frameOf(who, visitId, `floor ${i}.csv`, { takenAt, roomId, stopKey: 'floor-1' }));
  }
  await addPictures(who, visitId, { frames });
  const hunt = huntOf(await loadVisitDocument(who, visitId));
  await carryOut(who, put('hunt', hunt.value, hunt.id));
  const leak: Had = { kind: 'leak', of: visitId, value: NO_LEAK };
  made = ({ had }) => ({ pdf: PDF, made: had.length === 0 ? [leak] : [] });
  for (const paper of ['report', 'leak', 'report'] as const) await makeReport(who, visitId, 'C', paper, options);
  expect(asked.map(({ had }) => had)).toEqual([[], [leak], [leak]]);
  await carryOut(who, put('hunt', { ...hunt.value, waterC: 44 }, hunt.id, 1));
  await makeReport(who, visitId, 'C', 'report', options);
  expect(asked.at(-1)!.had).toEqual([]);
});

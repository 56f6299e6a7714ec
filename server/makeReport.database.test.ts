import { eq } from 'drizzle-orm';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { addPictures } from '@data/queries/files';
import * as t from '@data/schema';
import { asking } from './asking';
import { photoOf, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';
import { makeReport } from './makeReport';
import type { ReportJob } from './report/job';

let holder: TestDatabase;
let who: Asking;
const shared = globalThis as { denReports?: unknown };
/** What was asked of the thread. */
const asked: ReportJob[] = [];

beforeAll(async () => {
  holder = await testDatabase('makeReport');
  await liveDatabase(holder);
  who = asking();
  shared.denReports = {
    run: async (job: ReportJob) => {
      asked.push(job);
      return new Uint8Array([1]);
    },
  };
});
afterAll(async () => {
  delete shared.denReports;
  await closeDatabase();
  await holder.end();
});

test('bytes that are not stored any more are missing in the job, which is made all the same', async () => {
  const { visitId } = await visitWithRoom(who);
  const photos = [await photoOf(who, visitId, 'kept.jpg'), await photoOf(who, visitId, 'lost.jpg')];
  await addPictures(who, visitId, { photos });
  await who.db.transaction(async (transaction) => {
    await transaction.execute('SET FOREIGN_KEY_CHECKS = 0');
    await transaction.delete(t.blob).where(eq(t.blob.sha, photos[1]!.fileSha));
    await transaction.execute('SET FOREIGN_KEY_CHECKS = 1');
  });
  const options = { signal: new AbortController().signal, onProgress: () => undefined };
  expect(await makeReport(who, visitId, 'C', 'report', options)).toMatchObject({ bytes: new Uint8Array([1]) });
  expect(Object.keys(asked[0]!.photos)).toEqual([photos[0]!.id]);
  expect(Object.keys(asked[0]!.document.rows.photo).sort()).toEqual(photos.map(({ id }) => id).sort());
});

import type { FrameLook } from '@core/work/findings/seen';
import { CoreError } from '@core/ground/errors';
import { NO_SETTINGS } from '@core/method/radiometry/settings';
import { settingsIdOf } from '@core/ground/rowId';
import type { Asking } from '@data/asking';
import { closeDatabase } from '@data/connection';
import { carryOut } from '@data/queries/commands';
import { addPictures } from '@data/queries/files';
import { asking } from './asking';
import { frameOf, put, visitWithRoom } from './keep/testVisits';
import { liveDatabase, testDatabase, type TestDatabase } from './keep/testing';
import { lookThroughVisit } from './lookThroughVisit';
import type { FrameToLookThrough } from './workers/detect';

let holder: TestDatabase;
let who: Asking;
let visitId: string;
let frameIds: string[];
const shared = globalThis as { denLooks?: unknown };
/** What was asked of the threads. */
const asked: FrameToLookThrough[] = [];
let work: (job: FrameToLookThrough) => Promise<FrameLook>;

const EMPTY: FrameLook = {
  candidates: [],
  asides: [],
  framing: null,
  noise: 0.05,
  least: 0.5,
  mended: 0,
  surface: 1,
  levelC: 18,
};

beforeAll(async () => {
  holder = await testDatabase('looks');
  await liveDatabase(holder);
  who = asking();
  ({ visitId } = await visitWithRoom(who));
  const frames = [await frameOf(who, visitId, 'a.csv'), await frameOf(who, visitId, 'b.csv', { side: 'outside' })];
  await addPictures(who, visitId, { frames });
  frameIds = frames.map(({ id }) => id);
  shared.denLooks = {
    run: (job: FrameToLookThrough) => {
      asked.push(job);
      return work(job);
    },
  };
});
beforeEach(() => {
  asked.length = 0;
  work = async () => EMPTY;
});
afterAll(async () => {
  delete shared.denLooks;
  await closeDatabase();
  await holder.end();
});

async function through(least = 0.5, signal = new AbortController().signal) {
  const told: [number, number][] = [];
  const { bytes, type } = await lookThroughVisit(who, visitId, least, {
    signal,
    onProgress: (done, total) => told.push([done, total]),
  });
  expect(type).toBe('application/json');
  const { looks } = JSON.parse(new TextDecoder().decode(bytes)) as { looks: Record<string, FrameLook> };
  return { looks, told };
}

test('every frame is looked through with its settings and side, and progress is told', async () => {
  const { looks, told } = await through();
  expect(Object.keys(looks).sort()).toEqual([...frameIds].sort());
  expect(asked.map(({ options }) => options.side).sort()).toEqual(['inside', 'outside']);
  expect(told[0]).toEqual([0, 2]);
  expect(told.at(-1)).toEqual([2, 2]);
});

test('what is kept is not made anew; another least difference or other settings are', async () => {
  await through();
  expect(asked).toHaveLength(0);
  await through(1);
  expect(asked).toHaveLength(2);
  asked.length = 0;
  const value = { ...NO_SETTINGS, level: 'frame', ownerId: frameIds[0]!, emissivity: 0.8 };
  await carryOut(who, put('settings', value, settingsIdOf(frameIds[0]!)));
  await through();
  expect(asked).toHaveLength(1);
});

test('a frame that is refused, or goes while it is looked at, is left out; a fault of ours is none of that', async () => {
  work = async ({ options }) => {
    if (options.side === 'outside') throw new CoreError('not_found', 'gone', {}, '');
    return EMPTY;
  };
  expect(Object.keys((await through(0.7)).looks)).toEqual([frameIds[0]]);
  work = () => Promise.reject(new Error('a crash'));
  await expect(through(0.8)).rejects.toThrow('a crash');
  // The other frame, which was in hand too, ends by itself.
  await new Promise((resolve) => setTimeout(resolve, 100));
});

test('cancelled in the middle, it ends, and keeps what was looked through', async () => {
  const abort = new AbortController();
  let first = true;
  work = async () => {
    if (first) {
      first = false;
      return EMPTY;
    }
    // The other frame is in hand when somebody cancels.
    await new Promise((resolve) => setTimeout(resolve, 50));
    abort.abort();
    throw new CoreError('cancelled', 'Cancelled.', {}, '');
  };
  await expect(through(0.9, abort.signal)).rejects.toMatchObject({ code: 'cancelled' });
  asked.length = 0;
  work = async () => EMPTY;
  await through(0.9);
  expect(asked).toHaveLength(1);
});

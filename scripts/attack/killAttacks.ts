import { copyFileSync, existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { v7 as newId } from 'uuid';
import type { Den } from '../../e2e/support/den';
import { databaseIn, olderDatabase } from '../../server/keep/testing';
import { documentOf, grid, newVisit, post, regionPut, sendChange, upload } from './api';
import { attack, seen, type Attack } from './case';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

type Victim = 'database' | 'app' | 'both' | 'den' | 'all';
const VICTIMS: Victim[] = ['database', 'app', 'both', 'den', 'all'];

/** Ends a part of a running Glow Den by force, at once. */
async function strike(den: Den, victim: Victim): Promise<void> {
  if (victim === 'all') return den.crash();
  if (victim === 'den') return den.kill('keeper');
  if (victim !== 'app') den.kill('database');
  if (victim !== 'database') den.kill('app');
}

/** What clients were told is stored. */
interface Told {
  files: string[];
  regions: string[];
  captures: string[];
}

/** Clients that import, edit and capture until they are told to stop; each keeps what was acknowledged. */
function work(den: Den, visit: string, frame: string, round: number) {
  const told: Told = { files: [], regions: [], captures: [] };
  const sent = { files: 0 };
  let going = true;
  const loop = async (step: (i: number) => Promise<void>) => {
    for (let i = 0; going; i += 1) await step(i).catch(() => pause(100));
  };
  const done = Promise.all([
    loop(async (i) => {
      sent.files += 1;
      const { status, body } = await upload(den, visit, `${round}-${i}.csv`, grid(round * 10_000 + i));
      if (status === 200 && body.kind === 'frame') told.files.push(body.id!);
    }),
    loop(async () => {
      const command = regionPut(frame);
      const { status } = await sendChange(den, command);
      if (status === 200) told.regions.push(command.rowId);
    }),
  ]);
  return {
    told,
    sent,
    async stop() {
      going = false;
      await done;
    },
  };
}

async function up(den: Den): Promise<boolean> {
  for (let i = 0; i < 600; i += 1) {
    const ok = await fetch(`${den.address}/api/health`, { signal: AbortSignal.timeout(3000) }).then(
      (r) => r.status === 200,
      () => false,
    );
    if (ok) return true;
    await pause(100);
  }
  return false;
}

/** Kills of every part, in turn, while clients import and edit; then everything that was acknowledged is looked for. */
const underLoad = attack(
  '50 kills (database, application, both, ./den, all) during imports and edits',
  '0 lost, 0 doubled, 0 half, up every time by itself',
  async (den) => {
    const visit = await newVisit(den, 'Under load');
    const frame = (await upload(den, visit, 'first.csv', grid(1))).body.id!;
    const told: Told = { files: [], regions: [], captures: [] };
    let down = 0;
    for (let round = 1; round <= 50; round += 1) {
      const clients = work(den, visit, frame, round);
      await pause(500 + ((round * 97) % 900));
      const victim = VICTIMS[round % VICTIMS.length]!;
      await strike(den, victim);
      await pause(50);
      await clients.stop();
      if (victim === 'den' || victim === 'all') {
        await den.interrupt();
        await den.start();
      }
      if (!(await up(den))) down += 1;
      told.files.push(...clients.told.files);
      told.regions.push(...clients.told.regions);
    }
    const document = await documentOf(den, visit);
    const stored = new Set(Object.keys(document.rows.frame));
    const names = Object.values(document.frameFacts).map(({ fileName }) => fileName);
    const lost =
      told.files.filter((id) => !stored.has(id)).length + told.regions.filter((id) => !document.rows.region[id]).length;
    const doubled = names.length - new Set(names).size;
    let half = 0;
    for (const id of stored) {
      for (const kind of ['pixels', 'thumb', 'file'])
        if ((await fetch(`${den.address}/api/frames/${id}/${kind}`)).status !== 200) half += 1;
    }
    return seen(
      `${told.files.length} files and ${told.regions.length} edits acknowledged: ${lost} lost, ${doubled} doubled, ${half} half, ${down} times down`,
      lost + doubled + half + down === 0 && told.files.length > 100 && told.regions.length > 100,
    );
  },
);

/** A capture is sent again after each kill, as the page does; in the end each has its frame and its photo, once. */
const captures = attack('20 kills during captures, each sent again', 'every capture whole, once', async (den) => {
  const visit = await newVisit(den, 'Captured', ['Front room'], true);
  const { siteId, rows } = await documentOf(den, visit);
  const surfaceId = newId();
  await sendChange(den, {
    id: newId(),
    action: 'put',
    entity: 'surface',
    rowId: surfaceId,
    version: 0,
    value: {
      siteId,
      roomId: Object.keys(rows.room)[0]!,
      name: 'Wall',
      kind: 'wall',
      azimuth: 0,
      mass: 'brick',
      behind: 'outside',
      widthM: 4,
      heightM: 2.4,
      openings: [],
      otherSideId: null,
      ordinal: 0,
    },
  });
  const wanted: string[] = [];
  for (let round = 0; round < 20; round += 1) {
    const frameId = newId();
    wanted.push(frameId);
    const shot = {
      frameId,
      surfaceId,
      stopKey: 'a',
      name: `Shot ${round}`,
      pose: { aim: { x: 2, y: 1.2 }, distance: 2, aside: 0.1 * round },
      shot: round,
      offset: 0,
      at: Date.now(),
    };
    const going = post(den, `/api/visits/${visit}/captures`, shot).catch(() => null);
    await pause(30 + ((round * 53) % 350));
    await strike(den, round % 2 === 0 ? 'database' : 'app');
    await going;
    for (let attempt = 0; attempt < 60; attempt += 1) {
      await up(den);
      const again = await post(den, `/api/visits/${visit}/captures`, shot).catch(() => null);
      if (again?.status === 200) break;
      await pause(200);
    }
  }
  const document = await documentOf(den, visit);
  const frames = Object.keys(document.rows.frame);
  const photos = Object.values(document.rows.photo).map(({ value }) => value.frameId);
  const whole = wanted.filter((id) => frames.includes(id) && photos.filter((frame) => frame === id).length === 1).length;
  return seen(
    `${whole} of 20 whole; ${frames.length} frames, ${photos.length} photos`,
    whole === 20 && frames.length === 20 && photos.length === 20,
  );
});

/** A command of ./den that is killed at a moment; then Glow Den starts with the data of before or after, never between. */
function killedCommand(name: string, times: number, begin: (den: Den, file: string) => string[], longestMs: number): Attack {
  return attack(`${times} kills during ${name}`, 'starts every time with all data, nothing left behind', async (den) => {
    await up(den);
    const visit = await newVisit(den, `Kept over ${name}`);
    await upload(den, visit, 'kept.csv', grid(77));
    const before = await documentOf(den, visit);
    const good = path.join(den.data, 'good.backup');
    const { status, output } = await den.beside('backup', good);
    if (status !== 0) throw new Error(`no backup to begin with: ${output}`);
    let lost = 0;
    let left = 0;
    for (let i = 0; i < times; i += 1) {
      await den.interrupt();
      const file = path.join(den.data, 'cut.backup');
      copyFileSync(good, file);
      await killAfter(den, begin(den, file), Math.round((longestMs * (i + 0.5)) / times), i % 2 === 1);
      rmSync(file, { force: true });
      await den.start();
      if (!isDeepStrictEqual(before, await documentOf(den, visit))) lost += 1;
      left += readdirSync(den.data).filter((one) => one.endsWith('.part')).length;
      if (existsSync(path.join(den.data, 'work'))) left += readdirSync(path.join(den.data, 'work')).length;
    }
    rmSync(good);
    return seen(`${times} kills: ${lost} times other data, ${left} files left behind`, lost + left === 0);
  });
}

/** Runs a command of ./den and kills it, perhaps with the database, after so many ms. */
async function killAfter(den: Den, words: string[], ms: number, withDatabase: boolean): Promise<void> {
  const { spawn } = await import('node:child_process');
  const child = spawn('./den', words, { env: den.environment(), stdio: 'ignore' });
  const gone = new Promise<void>((resolve) => child.on('exit', () => resolve()));
  await Promise.race([pause(ms), gone]);
  // By its data folder: a file with a number may name somebody else by now.
  const [database] = den.databases();
  child.kill('SIGKILL');
  if (withDatabase && database !== undefined) {
    try {
      process.kill(database, 'SIGKILL');
    } catch {
      // Not there any more.
    }
  }
  await gone;
}

/** Data of an older version, whose upgrade is cut off again and again; in the end it is up to date and whole. */
const upgrade = attack(
  '10 kills of ./den (and every other time of the database) during an upgrade',
  'up to date in the end, with all data, nothing left behind',
  async (den) => {
    await den.interrupt();
    const older = await databaseIn(den.data);
    await olderDatabase(older, 1, [
      "INSERT INTO site (id, name, time_zone, facades) VALUES (UNHEX(REPEAT('11', 16)), 'Kept over upgrades', 'Europe/London', '[]')",
      ...Array.from(
        { length: 12 },
        (_, i) =>
          `INSERT INTO \`blob\` SELECT UNHEX(SHA2(bytes, 256)), LENGTH(bytes), bytes FROM (SELECT REPEAT('${i % 10}', 1000000 + ${i}) AS bytes) AS made`,
      ),
    ]);
    await older.server.stop();
    let ended = 0;
    for (let i = 0; i < 10; i += 1) {
      await killAfter(den, ['start', '--empty'], 400 + 250 * i, i % 2 === 1);
      ended += 1;
    }
    await den.start('--empty');
    const page = await (await fetch(den.address)).text();
    const left = readdirSync(path.join(den.data, 'backups')).filter((name) => !name.endsWith('.backup')).length;
    const databases = readdirSync(path.join(den.data, 'db')).filter((name) => name.startsWith('glowden'));
    return seen(
      `${ended} kills, ${page.includes('Kept over upgrades') ? 'all there' : 'LOST'}, databases ${databases.join(', ')}, ${left} files left`,
      page.includes('Kept over upgrades') && databases.length === 1 && left === 0,
    );
  },
);

export const KILLS: Attack[] = [
  underLoad,
  captures,
  killedCommand('a backup', 10, (_den, file) => ['backup', file], 2500),
  killedCommand('a restore', 10, (_den, file) => ['restore', file, '--yes'], 4000),
  killedCommand('a start', 10, () => ['start'], 3000),
  upgrade,
];

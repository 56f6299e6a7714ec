import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { closeDatabase } from '@data/connection';
import { asking } from '../asking';
import { seedDemo } from '../demo/seedDemo';
import { withConnection, type DatabaseAccess } from './access';
import { allowWork } from './accounts';
import { Application, databaseEnvironment, endLeftOvers } from './application';
import { backupTo } from './backupCommand';
import { openBackup } from './backup/open';
import { DatabaseServer } from './databaseServer';
import type { DataFolder } from './folder';
import { writeWhole } from './files';
import { makeFirst, replaceBy } from './fresh';
import { dropLeftOver, findLive, pendingMigrations, setLive, type Live } from './live';
import { takeLock } from './lock';
import { dropLooseBytes, dropOldRecords } from './tidy';
import { HOLDS, ownFolder, type Running } from './own';
import { requirePort } from './ports';
import { nameOf } from './processes';
import { progress, refusal, say } from './say';
import { keepUp, watchDatabase } from './watch';

/** Backups before upgrades that are kept. */
const BACKUPS_KEPT = 2;
/** A task that works on the database is waited for before it is taken away. */
const TASK_PATIENCE_S = 600;

/** `./den start`: database and application, kept up until somebody ends it. */
export async function startCommand(folder: DataFolder, words: string[]): Promise<void> {
  if (words.some((word) => word !== '--empty')) throw refusal('start knows only --empty.');
  const port = await requirePort(process.env.PORT ?? '3000');
  const lock = await ownFolder(folder, 'start');
  const parts: { app: Application | null; server: DatabaseServer | null } = { app: null, server: null };
  const stop = untilStopped(() => {
    parts.app?.kill();
    parts.server?.kill();
  });
  try {
    const problem = await Promise.race([
      stop.asked.then(() => null),
      run(folder, words.includes('--empty'), port, parts, stop.isAsked),
    ]);
    if (problem !== null) throw refusal(problem, `See ${folder.applicationLog} and ${folder.databaseLog}.`);
  } finally {
    stop.now();
    await parts.app?.stop();
    await tasksDone(folder);
    await parts.server?.stop();
    rmSync(folder.running, { force: true });
    await lock.release();
  }
}

/** The first Ctrl-C asks to end in order, the second one ends at once; both leave nothing behind. */
function untilStopped(force: () => void): { asked: Promise<void>; isAsked: () => boolean; now(): void } {
  let asked = false;
  let resolve: () => void = () => undefined;
  const promise = new Promise<void>((done) => (resolve = done));
  const ask = () => {
    if (asked) {
      force();
      process.exit(130);
    }
    asked = true;
    resolve();
  };
  for (const name of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(name, ask);
  return { asked: promise, isAsked: () => asked, now: () => (asked = true) };
}

/** Runs everything; resolves with a problem that it cannot go on with. */
async function run(
  folder: DataFolder,
  empty: boolean,
  port: number,
  parts: { app: Application | null; server: DatabaseServer | null },
  stopped: () => boolean,
): Promise<string> {
  await endLeftOvers(folder);
  rmSync(folder.running, { force: true });
  rmSync(folder.uploads, { recursive: true, force: true });
  const server = await DatabaseServer.start(folder);
  parts.server = server;
  const live = await upToDate(folder, server.access, empty);
  if (stopped()) return 'stopped';
  const app = new Application(folder, server.access, live.database, port);
  parts.app = app;
  await app.ready();
  if (live.previous) {
    // The data of before was kept until now, when this start has worked.
    setLive(folder, { database: live.database, previous: null });
    await withConnection(server.access, 'root', undefined, (root) => dropLeftOver(root, { ...live, previous: null }));
  }
  const tell = () => {
    const [keeper, ofApp, ofDatabase] = [nameOf(process.pid)!, nameOf(app.pid), nameOf(server.pid)];
    if (!ofApp || !ofDatabase) return;
    const running: Running = { keeper, app: ofApp, database: ofDatabase, databasePort: server.access.port, address: app.address };
    writeWhole(folder.running, JSON.stringify(running));
  };
  tell();
  say(`Glow Den: ${app.address}   (Ctrl-C stops it)`);
  void watchDatabase(server, stopped);
  return Promise.race([keepUp('The database', server, stopped, tell), keepUp('The application', app, stopped, tell)]);
}

/** The live database with all migrations; made where there is none. */
async function upToDate(folder: DataFolder, access: DatabaseAccess, empty: boolean): Promise<Live> {
  const look = () =>
    withConnection(access, 'root', undefined, async (root) => {
      const live = await findLive(root, folder);
      await dropLeftOver(root, live);
      return { live, pending: live ? await pendingMigrations(root, live.database) : 0 };
    });
  const { live, pending } = await look();
  if (!live) await makeFirst(access, folder, empty ? null : (database) => fillDemo(access, database));
  else if (pending > 0) await upgrade(folder, access, pending);
  const now = (await look()).live!;
  await withConnection(access, 'root', undefined, async (root) => {
    await allowWork(root, access, now.database);
    await dropLooseBytes(root, now.database);
    await dropOldRecords(root, now.database);
  });
  return now;
}

async function fillDemo(access: DatabaseAccess, database: string): Promise<void> {
  say('Making the demo …');
  Object.assign(process.env, databaseEnvironment(access.port, 'loader', access.passwords.loader, database));
  try {
    await seedDemo(asking(), progress('Making the demo …'));
  } finally {
    await closeDatabase();
  }
}

/** Takes a backup, and brings a copy that is made from it up to date; the data itself is not touched until that is done. */
async function upgrade(folder: DataFolder, access: DatabaseAccess, pending: number): Promise<void> {
  say(`The data is of an older version (${pending} ${pending === 1 ? 'change' : 'changes'} behind): backing it up first …`);
  mkdirSync(folder.backups, { recursive: true, mode: 0o700 });
  const file = path.join(folder.backups, `before-upgrade-${new Date().toISOString().replace(/[:.]/g, '-')}.backup`);
  await backupTo(access, folder, file);
  const source = await openBackup(file, () => undefined);
  try {
    await replaceBy(access, folder, source, 'Upgrading …');
  } finally {
    source.close();
  }
  const old = readdirSync(folder.backups)
    .filter((name) => name.startsWith('before-upgrade-'))
    .sort()
    .slice(0, -BACKUPS_KEPT);
  for (const name of old) rmSync(path.join(folder.backups, name));
  say(`Upgraded. The backup from before is ${file}.`);
}

/** Waits for a backup that is being written. */
async function tasksDone(folder: DataFolder): Promise<void> {
  const free = await takeLock(folder.taskLock, HOLDS.start, 0);
  if (free) return free.release();
  say('A backup is being written; waiting for it. Ctrl-C again ends it.');
  await (await takeLock(folder.taskLock, HOLDS.start, TASK_PATIENCE_S))?.release();
}

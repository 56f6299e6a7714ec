import { closeSync, existsSync, openSync, readSync, statSync } from 'node:fs';
import type { RowDataPacket } from 'mysql2/promise';
import { withConnection, type DatabaseAccess } from './access';
import { requireYes } from './ask';
import type { BackupSource } from './backup/manifest';
import { openBackup } from './backup/open';
import { openOldBackup } from './backup/openOld';
import type { DataFolder } from './folder';
import { replaceBy } from './fresh';
import { findLive, setLive } from './live';
import { ownFolder, withOwnDatabase } from './own';
import { requireRoom } from '../room';
import { progress, refusal, say } from './say';

/** The database keeps a little more than the bytes that it is given, and keeps the data of before as well. */
const GROWTH = 1.6;

/** `./den restore FILE`: replaces all data by a backup; the data of before stays until a start has worked. */
export async function restoreCommand(folder: DataFolder, words: string[]): Promise<void> {
  const [file, ...more] = words.filter((word) => word !== '--yes');
  if (file === '--previous') return backToPrevious(folder);
  if (!file || more.length > 0) throw refusal('Name the backup: ./den restore FILE');
  if (!existsSync(file) || !statSync(file).isFile()) throw refusal(`There is no file ${file}: ./den restore FILE`);
  const lock = await ownFolder(folder, 'restore');
  try {
    const source = await openAny(file);
    try {
      requireRoom(folder.root, source.totalBytes * GROWTH);
      await withOwnDatabase(folder, async (access) => {
        await requireYes(
          words,
          `${told('The backup holds', source.counts)} ${told('It replaces', await liveCounts(access, folder))}`,
        );
        await replaceBy(access, folder, source, 'Restoring …');
      });
    } finally {
      source.close();
    }
  } finally {
    await lock.release();
  }
  say(
    `Restored from ${file}. What was here before is kept until the next start has worked; ./den restore --previous brings it back.`,
  );
}

/** A backup of either kind, told by its content and held against its own list first. */
async function openAny(file: string): Promise<BackupSource> {
  const head = Buffer.alloc(2);
  const handle = openSync(file, 'r');
  readSync(handle, head, 0, 2, 0);
  closeSync(handle);
  const looking = progress('Looking through the backup …');
  if (head[0] === 0x1f && head[1] === 0x8b) return openOldBackup(file, statSync(file).size, looking);
  return openBackup(file, looking);
}

async function liveCounts(access: DatabaseAccess, folder: DataFolder): Promise<Record<string, number> | null> {
  return withConnection(access, 'root', undefined, async (root) => {
    const live = await findLive(root, folder);
    if (!live) return null;
    const count = async (table: string) => {
      const [[found]] = await root.query<RowDataPacket[]>('SELECT COUNT(*) AS n FROM ??.??', [live.database, table]);
      return Number(found!.n);
    };
    return { site: await count('site'), visit: await count('visit'), frame: await count('frame') };
  });
}

function told(what: string, counts: Record<string, number> | null): string {
  if (!counts) return `${what} nothing.`;
  const { site = 0, visit = 0, frame = 0 } = counts;
  return `${what} ${site} sites, ${visit} visits, ${frame} frames.`;
}

/** Brings back what a restore or an upgrade replaced, as long as no start has worked since. */
async function backToPrevious(folder: DataFolder): Promise<void> {
  const lock = await ownFolder(folder, 'restore');
  try {
    await withOwnDatabase(folder, (access) =>
      withConnection(access, 'root', undefined, async (root) => {
        const live = await findLive(root, folder);
        if (!live?.previous) throw refusal('There is nothing from before: it is kept only until a start has worked.');
        setLive(folder, { database: live.previous, previous: live.database });
      }),
    );
  } finally {
    await lock.release();
  }
  say('What was here before is back.');
}

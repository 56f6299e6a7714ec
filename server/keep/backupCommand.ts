import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import type { RowDataPacket } from 'mysql2/promise';
import { withConnection, type DatabaseAccess } from './access';
import { openBackup } from './backup/open';
import { writeBackup } from './backup/write';
import type { DataFolder } from './folder';
import { syncFolderOf, writeWhole } from './files';
import { findLive } from './live';
import { partNote, withDatabase } from './own';
import { requireRoom } from '../room';
import { progress, refusal, say } from './say';

/** `./den backup FILE`: all data in one file, proven by reading it back. */
export async function backupCommand(folder: DataFolder, words: string[]): Promise<void> {
  const [file, ...more] = words;
  if (!file || more.length > 0) throw refusal('Name the file to write: ./den backup FILE');
  if (!existsSync(path.join(folder.database, 'mysql'))) throw refusal('There is no data yet; ./den start makes some.');
  const target = path.resolve(file);
  if (existsSync(target) && statSync(target).isDirectory()) throw refusal(`${target} is a folder.`, 'Name a file in it.');
  if (!existsSync(path.dirname(target)))
    throw refusal(`There is no folder ${path.dirname(target)}.`, 'Make it first, or name another.');
  await withDatabase(folder, 'backup', (access) => backupTo(access, folder, target));
  say(`Backup written and read back: ${target} (${size(statSync(target).size)}).`);
}

function size(bytes: number): string {
  return bytes < 1024 * 1024 ? `${Math.ceil(bytes / 1024)} kB` : `${Math.round(bytes / 1024 / 1024)} MB`;
}

/** Writes the live database into a file beside the target and puts it there when it was read back. */
export async function backupTo(access: DatabaseAccess, folder: DataFolder, target: string): Promise<void> {
  const id = randomUUID();
  const part = `${target}.${id}.part`;
  mkdirSync(folder.work, { recursive: true, mode: 0o700 });
  writeWhole(partNote(folder, id), JSON.stringify({ file: part }));
  try {
    const database = await withConnection(access, 'root', undefined, async (root) => {
      const live = await findLive(root, folder);
      if (!live) throw refusal('There is no data yet; ./den start makes some.');
      await requireRoomFor(root, live.database, path.dirname(target));
      return live.database;
    });
    await withConnection(access, 'root', database, (connection) =>
      writeBackup(connection, database, part, new Date(), progress('Writing the backup …')),
    );
    (await openBackup(part, progress('Reading it back …'))).close();
    renameSync(part, target);
    syncFolderOf(target);
  } finally {
    rmSync(part, { force: true });
    rmSync(partNote(folder, id), { force: true });
  }
}

async function requireRoomFor(root: Parameters<typeof findLive>[0], database: string, where: string): Promise<void> {
  const [[sum]] = await root.query<RowDataPacket[]>('SELECT COALESCE(SUM(size), 0) AS bytes FROM ??.`blob`', [database]);
  requireRoom(where, Number(sum!.bytes));
}

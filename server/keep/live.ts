import { CoreError } from '@core/ground/errors';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import * as z from 'zod';
import type { DataFolder } from './folder';
import { readChecked, writeWhole } from './files';
import { appliedMigrations, knownMigrations } from './migrations';

/**
 * Which database is the live one. Whatever replaces data (a restore, an upgrade) fills a fresh database beside it and then
 * changes this one word, in a file that is there whole or not at all.
 */
const nameSchema = z.string().regex(/^glowden(_\d+)?$/);
const liveSchema = z.object({
  database: nameSchema,
  /** The data of before, kept until a start has worked. */
  previous: nameSchema.nullable(),
});
export type Live = z.infer<typeof liveSchema>;

export function setLive(folder: DataFolder, live: Live): void {
  writeWhole(folder.live, JSON.stringify(live));
}

/** All databases of ours. */
async function databasesOf(root: Connection): Promise<string[]> {
  const [rows] = await root.query<RowDataPacket[]>(
    "SELECT schema_name AS name FROM information_schema.schemata WHERE schema_name LIKE 'glowden%'",
  );
  return rows.map(({ name }) => String(name)).filter((name) => nameSchema.safeParse(name).success);
}

/**
 * The live database; null when there is none yet. One that an older version made, or whose word was lost, is found where it
 * is the only one that ever finished its first migration.
 */
export async function findLive(root: Connection, folder: DataFolder): Promise<Live | null> {
  const stated = readChecked(folder.live, liveSchema);
  const there = await databasesOf(root);
  if (stated && there.includes(stated.database)) {
    return { ...stated, previous: stated.previous !== null && there.includes(stated.previous) ? stated.previous : null };
  }
  const whole: string[] = [];
  for (const name of there) if ((await appliedMigrations(root, name)).length > 0) whole.push(name);
  if (whole.length > 1) {
    throw new CoreError(
      'conflict',
      `There are several databases (${whole.join(', ')}) and nothing says which is the live one.`,
      { file: folder.live },
      `Write {"database":"NAME","previous":null} into it with the right name.`,
    );
  }
  if (whole.length === 0) return null;
  const found = { database: whole[0]!, previous: null };
  setLive(folder, found);
  return found;
}

/** Throws away what a restore or an upgrade that was cut off left behind. */
export async function dropLeftOver(root: Connection, live: Live | null): Promise<void> {
  for (const name of await databasesOf(root)) {
    if (name !== live?.database && name !== live?.previous) await root.query('DROP DATABASE ??', [name]);
  }
}

/** A name that no database has yet. */
export async function freshName(root: Connection): Promise<string> {
  const numbers = (await databasesOf(root)).map((name) => Number(name.split('_')[1] ?? 0));
  return `glowden_${Math.max(0, ...numbers) + 1}`;
}

/** How many migrations of the live database are still to be done. @throws CoreError when it is newer than this version */
export async function pendingMigrations(root: Connection, database: string): Promise<number> {
  const known = knownMigrations();
  const applied = await appliedMigrations(root, database);
  if (applied.length > known.length || applied.some((hash, i) => hash !== known[i]!.hash)) {
    throw new CoreError(
      'unsupported',
      'The data was written by a newer or another version of Glow Den.',
      { value: database },
      'Use that version, or restore a backup that this one made.',
    );
  }
  return known.length - applied.length;
}

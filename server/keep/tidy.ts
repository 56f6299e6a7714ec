import type { Connection, RowDataPacket } from 'mysql2/promise';
import { BLOB_TABLE } from './backup/manifest';

/** A command is not sent again after so long; a page that was away longer loads all. Days. */
const KEPT_DAYS = 7;
const AT_ONCE = 200;

/** What is there and needed by nothing any more. */
export interface Leftover {
  blobs: number;
  bytes: number;
  commands: number;
  changes: number;
}

/** Bytes that no row points to, as a condition on `b`; null where nothing is known of what is needed. */
async function unneeded(root: Connection, database: string): Promise<string | null> {
  await root.query('USE ??', [database]);
  const [links] = await root.query<RowDataPacket[]>(
    'SELECT table_name AS child, column_name AS field FROM information_schema.key_column_usage WHERE table_schema = ? AND referenced_table_name = ?',
    [database, BLOB_TABLE],
  );
  if (links.length === 0) return null;
  return links
    .map(({ child, field }) => root.format('NOT EXISTS (SELECT 1 FROM ?? AS c WHERE c.?? = b.sha)', [child, field]))
    .join(' AND ');
}

const OLD = `at < UTC_TIMESTAMP() - INTERVAL ${KEPT_DAYS} DAY`;

async function one(root: Connection, sql: string, values: unknown[] = []): Promise<RowDataPacket> {
  return (await root.query<RowDataPacket[]>(sql, values))[0][0]!;
}

/** Looks for what is needed by nothing any more. */
export async function findLeftover(root: Connection, database: string): Promise<Leftover> {
  const loose = await unneeded(root, database);
  const blobs = loose
    ? await one(root, `SELECT COUNT(*) AS n, COALESCE(SUM(b.size), 0) AS bytes FROM ?? AS b WHERE ${loose}`, [BLOB_TABLE])
    : { n: 0, bytes: 0 };
  const commands = await one(root, `SELECT COUNT(*) AS n FROM \`command\` WHERE ${OLD}`);
  const changes = await one(root, `SELECT COUNT(*) AS n FROM \`change\` WHERE ${OLD}`);
  return { blobs: Number(blobs.n), bytes: Number(blobs.bytes), commands: Number(commands.n), changes: Number(changes.n) };
}

/** Removes what commands and changes are not asked for any more. Harmless while people work. */
export async function dropOldRecords(root: Connection, database: string): Promise<void> {
  await root.query('USE ??', [database]);
  await root.query(`DELETE FROM \`command\` WHERE ${OLD}`);
  await root.query(`DELETE FROM \`change\` WHERE ${OLD}`);
}

/**
 * Removes bytes that nothing points to: of imports that were cut off between bytes and rows. Only while no application is
 * there that could be about to point to them.
 *
 * @returns how many were removed
 */
export async function dropLooseBytes(root: Connection, database: string): Promise<number> {
  const condition = await unneeded(root, database);
  if (!condition) return 0;
  const [loose] = await root.query<RowDataPacket[]>(`SELECT b.sha FROM ?? AS b WHERE ${condition}`, [BLOB_TABLE]);
  const shas = loose.map(({ sha }) => sha as Buffer);
  for (let from = 0; from < shas.length; from += AT_ONCE) {
    await root.query('DELETE FROM ?? WHERE sha IN (?)', [BLOB_TABLE, shas.slice(from, from + AT_ONCE)]);
  }
  return shas.length;
}

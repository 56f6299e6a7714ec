import { createHash } from 'node:crypto';
import { and, eq, getTableColumns, inArray, is, notExists } from 'drizzle-orm';
import { MySqlTable, type MySqlColumn } from 'drizzle-orm/mysql-core';
import { CoreError } from '@core/ground/errors';
import { sendBytes, type Connection } from '../connection';
import * as schema from '../schema';

const { blob } = schema;

export function shaOf(bytes: Uint8Array): string {
  return createHash('sha256').update(bytes).digest('hex');
}

/**
 * Stores bytes under their hash; bytes that are there already are left alone. Outside of any transaction, because bytes
 * that nothing points to do no harm: they are what they are, and the next start removes them.
 *
 * @param sha - their hash, where it is known already
 */
export async function putBlob(connection: Connection, bytes: Uint8Array, sha = shaOf(bytes)): Promise<string> {
  const [known] = await connection.select({ sha: blob.sha }).from(blob).where(eq(blob.sha, sha));
  if (!known) {
    await sendBytes('INSERT IGNORE INTO `blob` (sha, size, bytes) VALUES (?, ?, ?)', [
      Buffer.from(sha, 'hex'),
      bytes.length,
      Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength),
    ]);
  }
  return sha;
}

export async function getBlob(connection: Connection, sha: string): Promise<Buffer> {
  const [row] = await connection.select({ bytes: blob.bytes }).from(blob).where(eq(blob.sha, sha));
  if (!row) throw new CoreError('not_found', 'These bytes are not stored.', { value: sha }, 'Reload the page.');
  return row.bytes;
}

/** Columns that name bytes, of all tables. */
function bytesColumns(): { table: MySqlTable; column: MySqlColumn }[] {
  return Object.values(schema).flatMap((table) =>
    is(table, MySqlTable) && table !== blob
      ? Object.values(getTableColumns(table as MySqlTable)).flatMap((column) =>
          column.getSQLType() === blob.sha.getSQLType() ? [{ table: table as MySqlTable, column }] : [],
        )
      : [],
  );
}

/** Bytes in one statement: they may be large. */
const DROPPED_AT_ONCE = 50;

/** Removes those of these bytes that nothing points to any more. */
export async function dropUnused(connection: Connection, shas: readonly string[]): Promise<void> {
  for (let from = 0; from < shas.length; from += DROPPED_AT_ONCE) {
    const used = bytesColumns().map(({ table, column }) =>
      notExists(connection.select({ sha: column }).from(table).where(eq(column, blob.sha))),
    );
    await connection.delete(blob).where(and(inArray(blob.sha, shas.slice(from, from + DROPPED_AT_ONCE)), ...used));
  }
}

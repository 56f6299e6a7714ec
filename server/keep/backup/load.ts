import { createHash } from 'node:crypto';
import type { Connection, ResultSetHeader, RowDataPacket } from 'mysql2/promise';
import { JOURNAL } from '../migrations';
import { BLOB_TABLE, type BackupSource, type Blob, type RowTexts, type TableRows } from './manifest';
import { damaged } from './open';
import { columnsOf, type Column } from './write';

/** Rows that go in at once, and their characters. */
const ROWS_AT_ONCE = 400;
const CHARACTERS_AT_ONCE = 4 * 1024 * 1024;
/** Blobs go in together as far as this; one alone may be larger. */
const BYTES_AT_ONCE = 8 * 1024 * 1024;

/**
 * Puts a backup's rows into a fresh database whose tables were made by our own migrations, through our own inserts. Values
 * are only ever values; tables and columns that the database does not have are refused.
 *
 * @param connection - an account that reaches this database and no other
 * @throws CoreError `malformed` with the table and the row
 */
export async function loadBackup(
  connection: Connection,
  database: string,
  source: BackupSource,
  onProgress: (done: number, total: number) => void,
): Promise<void> {
  // What points where is held against each other at the end: the file's order is its own.
  await connection.query('SET SESSION foreign_key_checks = 0, unique_checks = 0');
  const tables = new Map<string, Column[]>();
  const [names] = await connection.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ?',
    [database],
  );
  for (const { name } of names)
    if (name !== JOURNAL) tables.set(String(name), await columnsOf(connection, database, String(name)));

  const counts: Record<string, number> = {};
  let done = 0;
  const told = (bytes: number) => onProgress((done += bytes), source.totalBytes);
  for await (const part of source.contents()) {
    if ('blobs' in part) {
      counts[BLOB_TABLE] = (counts[BLOB_TABLE] ?? 0) + (await putBlobs(connection, part.blobs, told));
      continue;
    }
    const columns = tables.get(part.table);
    if (!columns) throw damaged(`there is no table ${part.table}`);
    counts[part.table] = (counts[part.table] ?? 0) + (await putRows(connection, part, columns, told));
  }
  for (const table of tables.keys()) {
    // A dump says nothing of a table without rows; that it is empty is held against its checksum.
    const expected = source.counts[table] ?? (source.checksums ? 0 : null);
    if (expected === null) throw damaged(`the rows of ${table} are missing`);
    if ((counts[table] ?? 0) !== expected) throw damaged(`${table} has ${counts[table] ?? 0} rows instead of ${expected}`);
  }
  if (source.checksums) await requireChecksums(connection, [...tables.keys()], source.checksums);
  await requireParents(connection, database);
}

async function putRows(
  connection: Connection,
  { table, columns, rows }: TableRows,
  all: Column[],
  told: (bytes: number) => void,
): Promise<number> {
  const wanted = (columns ?? all.map(({ name }) => name)).map((name) => {
    const column = all.find((one) => one.name === name);
    if (!column) throw damaged(`the table ${table} has no column ${name}`);
    return column;
  });
  const names = wanted.map(({ name }) => name);
  let count = 0;
  let batch: (string | Buffer | null)[][] = [];
  let characters = 0;
  const flush = async () => {
    if (batch.length === 0) return;
    await connection.query('INSERT INTO ?? (??) VALUES ?', [table, names, batch]).catch((error: { sqlMessage?: string }) => {
      throw damaged(
        `among rows ${count - batch.length + 1} to ${count} of ${table} is one that cannot be stored (${(error.sqlMessage ?? 'refused').slice(0, 200)})`,
      );
    });
    batch = [];
    characters = 0;
  };
  for await (const row of rows) {
    count += 1;
    if (row.length !== wanted.length)
      throw damaged(`row ${count} of ${table} has ${row.length} fields instead of ${wanted.length}`);
    batch.push(row.map((field, i) => stored(field, wanted[i]!, table, count)));
    const size = row.reduce((sum, field) => sum + (field?.length ?? 0), 0);
    characters += size;
    told(size);
    if (batch.length >= ROWS_AT_ONCE || characters >= CHARACTERS_AT_ONCE) await flush();
  }
  await flush();
  return count;
}

function stored(field: RowTexts[number], { binary, name }: Column, table: string, row: number): string | Buffer | null {
  if (field === null || !binary) return field;
  if (!/^([0-9a-f]{2})*$/i.test(field)) throw damaged(`${name} in row ${row} of ${table} are no bytes`);
  return Buffer.from(field, 'hex');
}

async function putBlobs(connection: Connection, blobs: AsyncIterable<Blob>, told: (bytes: number) => void): Promise<number> {
  let count = 0;
  let batch: Blob[] = [];
  let size = 0;
  const flush = async () => {
    if (batch.length === 0) return;
    const places = batch.map(() => '(?, ?, ?)').join(', ');
    const values = batch.flatMap(({ sha, bytes }) => [
      Buffer.from(sha, 'hex'),
      bytes.length,
      Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length),
    ]);
    // As a prepared statement bytes go as they are, not as twice as many digits.
    await connection.execute<ResultSetHeader>(`INSERT INTO \`${BLOB_TABLE}\` (sha, size, bytes) VALUES ${places}`, values);
    batch = [];
    size = 0;
  };
  for await (const blob of blobs) {
    if (createHash('sha256').update(blob.bytes).digest('hex') !== blob.sha)
      throw damaged('the checksum of a blob does not agree');
    if (size + blob.bytes.length > BYTES_AT_ONCE) await flush();
    batch.push(blob);
    size += blob.bytes.length;
    count += 1;
    told(blob.bytes.length);
    // Prepared statements are kept by their text, so batches are of few different lengths.
    if (batch.length === 16) await flush();
  }
  await flush();
  return count;
}

/** The database's own checksums of the tables, as a dump of the first kind carries them. */
async function requireChecksums(connection: Connection, tables: string[], expected: Record<string, string>): Promise<void> {
  for (const table of tables) {
    const [[sum]] = await connection.query<RowDataPacket[]>('CHECKSUM TABLE ?? EXTENDED', [table]);
    const wanted = expected[table];
    if (wanted === undefined) throw damaged(`the rows of ${table} are missing`);
    if (String(sum!.Checksum) !== wanted) throw damaged(`the checksum of ${table} does not agree`);
  }
}

/** Everything that points to a row finds it. */
async function requireParents(connection: Connection, database: string): Promise<void> {
  const [links] = await connection.query<RowDataPacket[]>(
    `SELECT table_name AS child, column_name AS field, referenced_table_name AS parent, referenced_column_name AS target
     FROM information_schema.key_column_usage WHERE table_schema = ? AND referenced_table_name IS NOT NULL`,
    [database],
  );
  for (const { child, field, parent, target } of links) {
    const [[found]] = await connection.query<RowDataPacket[]>(
      'SELECT COUNT(*) AS n FROM ?? AS c LEFT JOIN ?? AS p ON p.?? = c.?? WHERE c.?? IS NOT NULL AND p.?? IS NULL',
      [child, parent, target, field, field, target],
    );
    if (Number(found!.n) > 0) throw damaged(`${found!.n} rows of ${child} belong to something that is not there (${field})`);
  }
}

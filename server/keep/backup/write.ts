import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { open, rm } from 'node:fs/promises';
import { Readable } from 'node:stream';
import { finished } from 'node:stream/promises';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { ZipFile } from 'yazl';
import { appliedMigrations, JOURNAL } from '../migrations';
import { BACKUP_FORMAT, BACKUP_VERSION, BLOB_TABLE, MANIFEST, type Manifest } from './manifest';

/** Rows that are asked for at once. */
const ROWS_AT_ONCE = 500;

/**
 * Writes everything of a database into a file that only its owner reads, as of one moment, while others go on working.
 *
 * @param connection - its own, on that database; it reads one snapshot until it ends
 * @param file - does not exist yet; what is written when this throws is removed
 */
export async function writeBackup(
  connection: Connection,
  database: string,
  file: string,
  madeAt: Date,
  onProgress: (done: number, total: number) => void,
): Promise<void> {
  await connection.query('SET SESSION TRANSACTION ISOLATION LEVEL REPEATABLE READ');
  await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY');
  const manifest: Manifest = {
    format: BACKUP_FORMAT,
    version: BACKUP_VERSION,
    madeAt: madeAt.toISOString(),
    migrations: await appliedMigrations(connection, database),
    tables: {},
    blobs: { count: 0, bytes: 0 },
  };
  const zip = new ZipFile();
  const failed = new Promise<never>((_, reject) => zip.on('error', reject));
  const stored = { compress: false, mtime: madeAt };
  const add = (name: string, make: () => Readable | Promise<Readable>) =>
    zip.addReadStreamLazy(name, stored, (take) => {
      Promise.resolve(make()).then(
        (stream) => {
          stream.on('error', (error) => zip.emit('error', error));
          take(null, stream);
        },
        (error: Error) => zip.emit('error', error),
      );
    });

  for (const table of await tablesOf(connection, database)) {
    if (table !== BLOB_TABLE) add(`rows/${table}.ndjson`, () => Readable.from(rowLines(connection, database, table, manifest)));
  }
  const [blobs] = await connection.query<RowDataPacket[]>('SELECT HEX(sha) AS sha, size FROM ?? ORDER BY sha', [BLOB_TABLE]);
  const total = blobs.reduce((sum, { size }) => sum + Number(size), 0);
  for (const { sha } of blobs) {
    add(`blobs/${String(sha).toLowerCase()}`, async () => {
      const bytes = await blobBytes(connection, String(sha));
      manifest.blobs.count += 1;
      manifest.blobs.bytes += bytes.length;
      onProgress(manifest.blobs.bytes, total);
      return Readable.from([bytes], { objectMode: false });
    });
  }
  add(MANIFEST, () => Readable.from([Buffer.from(JSON.stringify(manifest))], { objectMode: false }));
  zip.end();

  const out = createWriteStream(file, { flags: 'wx', mode: 0o600 });
  try {
    zip.outputStream.pipe(out);
    await Promise.race([finished(out), failed]);
    const handle = await open(file, 'r');
    await handle.sync().finally(() => handle.close());
  } catch (error) {
    out.destroy();
    await rm(file, { force: true });
    throw error;
  }
}

async function tablesOf(connection: Connection, database: string): Promise<string[]> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? ORDER BY table_name',
    [database],
  );
  return rows.map(({ name }) => String(name)).filter((name) => name !== JOURNAL);
}

export interface Column {
  name: string;
  /** Bytes of a fixed length. */
  binary: boolean;
}

export async function columnsOf(connection: Connection, database: string, table: string): Promise<Column[]> {
  const [rows] = await connection.query<RowDataPacket[]>(
    'SELECT column_name AS name, data_type AS type FROM information_schema.columns WHERE table_schema = ? AND table_name = ? ORDER BY ordinal_position',
    [database, table],
  );
  return rows.map(({ name, type }) => ({ name: String(name), binary: String(type).endsWith('binary') }));
}

/** Rows of a table, a line each, and their count and checksum into the manifest at the end. */
async function* rowLines(connection: Connection, database: string, table: string, manifest: Manifest): AsyncGenerator<Buffer> {
  const columns = await columnsOf(connection, database, table);
  // As text of the database itself: what it wrote it reads back the same, every digit of it.
  const asked = columns.map(({ binary }) => (binary ? 'LOWER(HEX(??))' : 'CONVERT(?? USING utf8mb4)')).join(', ');
  const names = columns.map(({ name }) => name);
  const hash = createHash('sha256');
  const told = { columns: names, rows: 0, bytes: 0, sha256: '' };
  for (let from = 0; ; from += ROWS_AT_ONCE) {
    // Paged by the primary key's order, which is a row's id.
    const [rows] = await connection.query<RowDataPacket[][]>({
      sql: connection.format(`SELECT ${asked} FROM ?? ORDER BY ?? LIMIT ${ROWS_AT_ONCE} OFFSET ${from}`, [
        ...names,
        table,
        names[0],
      ]),
      rowsAsArray: true,
    });
    if (rows.length === 0) break;
    const text = Buffer.from(rows.map((row) => `${JSON.stringify(row)}\n`).join(''));
    hash.update(text);
    told.rows += rows.length;
    told.bytes += text.length;
    yield text;
  }
  manifest.tables[table] = { ...told, sha256: hash.digest('hex') };
}

async function blobBytes(connection: Connection, sha: string): Promise<Buffer> {
  const [rows] = await connection.query<RowDataPacket[]>('SELECT bytes FROM ?? WHERE sha = UNHEX(?)', [BLOB_TABLE, sha]);
  return rows[0]!.bytes as Buffer;
}

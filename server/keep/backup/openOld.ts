import { createReadStream } from 'node:fs';
import { createGunzip } from 'node:zlib';
import { CoreError } from '@core/ground/errors';
import { JOURNAL, knownMigrations } from '../migrations';
import { BLOB_TABLE, type BackupSource, type Blob, type RowTexts, type TableRows } from './manifest';
import { damaged } from './open';
import { statementsOf, valuesOf } from './oldStatements';

/** The last line of a backup of the first kind: the database's checksums of its tables. */
const CHECKSUM_MARK = '-- glow den checksums ';
/** Packed statements grow, but not without end: more than this is no backup, but meant to fill the disk. */
const LARGEST_GROWTH = 60;
const ALWAYS_ALLOWED = 1024 * 1024 * 1024;

/** What stands before the values of a row; everything else in such a file is passed over and never carried out. */
const INSERT = /^INSERT INTO `([a-z_]{1,64})` VALUES\s/;

/**
 * Opens a backup of the first kind: a database's dump, packed. Only the values of its rows are read from it; none of its
 * statements is ever carried out. What it says of tables is not needed, because they are made by our own migrations.
 */
export async function openOldBackup(
  file: string,
  packedBytes: number,
  onProgress: (done: number, total: number) => void,
): Promise<BackupSource> {
  const limit = Math.max(ALWAYS_ALLOWED, packedBytes * LARGEST_GROWTH);
  const counts: Record<string, number> = {};
  const migrations: string[] = [];
  let checksums: Record<string, string> | null = null;
  let done = 0;
  for await (const { text, size } of statementsOf(unpacked(file, limit))) {
    onProgress(Math.min(packedBytes, (done += size) / 2), packedBytes);
    if (text.startsWith(CHECKSUM_MARK)) {
      checksums = checksumsIn(text);
      continue;
    }
    // Nothing may stand behind the checksums: the file is what they were written for.
    if (checksums) throw damaged('there is more behind its checksums');
    const table = INSERT.exec(text)?.[1];
    if (table === undefined) continue;
    for (const row of rowsIn(text, table)) {
      if (table === JOURNAL) migrations.push(row[1] ?? '');
      else counts[table] = (counts[table] ?? 0) + 1;
    }
  }
  if (!checksums) throw damaged('it is not whole: its checksums are missing');
  const known = new Set(knownMigrations().map(({ hash }) => hash));
  if (migrations.length === 0) throw damaged('it does not say which version of Glow Den it is of');
  if (migrations.some((hash) => !known.has(hash)))
    throw new CoreError('unsupported', 'The backup was made by another version of Glow Den.', {}, 'Restore it with that one.');
  const { [JOURNAL]: _journal, ...ofRows } = checksums;
  return {
    migrations,
    totalBytes: packedBytes,
    counts,
    checksums: ofRows,
    contents: () => contentsOf(file, limit),
    close: () => undefined,
  };
}

async function* unpacked(file: string, limit: number): AsyncGenerator<Buffer> {
  const input = createReadStream(file);
  const stream = input.pipe(createGunzip());
  input.on('error', (error) => stream.destroy(error));
  let total = 0;
  try {
    for await (const chunk of stream as AsyncIterable<Buffer>) {
      total += chunk.length;
      if (total > limit) throw damaged('it becomes far larger than any backup');
      yield chunk;
    }
  } catch (error) {
    throw error instanceof CoreError ? error : damaged('it is damaged, or no backup');
  } finally {
    input.destroy();
    stream.destroy();
  }
}

function checksumsIn(line: string): Record<string, string> {
  const text = Buffer.from(line.slice(CHECKSUM_MARK.length), 'base64').toString('utf8');
  const pairs = text.split('\n').map((pair) => pair.split('\t'));
  if (!pairs.every(([table, sum]) => /^[a-z_]{1,64}$/.test(table ?? '') && /^\d{1,20}$/.test(sum ?? '')))
    throw damaged('its checksums cannot be read');
  return Object.fromEntries(pairs as [string, string][]);
}

function* rowsIn(text: string, table: string): Generator<RowTexts> {
  const start = text.indexOf('VALUES') + 'VALUES'.length;
  try {
    yield* valuesOf(text, start);
  } catch (error) {
    throw damaged(`rows of ${table} cannot be read (${error instanceof Error ? error.message : 'damaged'})`);
  }
}

/** A table's rows may come in several statements, one after the other; each is told as a table of its own. */
async function* contentsOf(file: string, limit: number): AsyncGenerator<TableRows | { blobs: AsyncIterable<Blob> }> {
  for await (const { text } of statementsOf(unpacked(file, limit))) {
    const table = INSERT.exec(text)?.[1];
    if (table === undefined || table === JOURNAL) continue;
    if (table === BLOB_TABLE) yield { blobs: blobsIn(text) };
    else yield { table, columns: null, rows: only(rowsIn(text, table)) };
  }
}

async function* only<T>(items: Iterable<T>): AsyncGenerator<T> {
  yield* items;
}

async function* blobsIn(text: string): AsyncGenerator<Blob> {
  for (const [sha, , bytes] of rowsIn(text, BLOB_TABLE)) {
    if (typeof sha !== 'string' || typeof bytes !== 'string') throw damaged('a blob cannot be read');
    yield { sha, bytes: Buffer.from(bytes, 'hex') };
  }
}

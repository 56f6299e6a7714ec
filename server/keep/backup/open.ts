import { createHash, type Hash } from 'node:crypto';
import { statSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { crc32 } from 'node:zlib';
import { open as openZip, type Entry, type ZipFile } from 'yauzl';
import { CoreError } from '@core/ground/errors';
import {
  BACKUP_VERSION,
  BLOB_TABLE,
  MANIFEST,
  manifestSchema,
  type BackupSource,
  type Blob,
  type Manifest,
  type RowTexts,
} from './manifest';

/** What a manifest may take up, and one blob: more is no backup of ours. */
const LARGEST_MANIFEST = 8 * 1024 * 1024;
const LARGEST_BLOB = 64 * 1024 * 1024;
/** The longest line of rows; a week of a logger has a tenth of that. */
const LONGEST_LINE = 16 * 1024 * 1024;
const MOST_ENTRIES = 5_000_000;

const ENTRY = /^(manifest\.json|rows\/[a-z_]{1,64}\.ndjson|blobs\/[0-9a-f]{64})$/;

export function damaged(why: string): CoreError {
  return new CoreError(
    'malformed',
    `The backup cannot be used: ${why}.`,
    {},
    'Your data is as it was. Take another copy of the backup.',
  );
}

/**
 * Opens a backup and holds all of it against its manifest: every row is counted and can be read, every checksum agrees, no
 * byte is there twice. Nothing of it is kept meanwhile, so memory does not grow with the file.
 *
 * @throws CoreError `malformed`, `unsupported` for one that a newer Glow Den made
 */
export async function openBackup(file: string, onProgress: (done: number, total: number) => void): Promise<BackupSource> {
  const zip = await openFile(file);
  try {
    const entries = await entriesOf(zip, statSync(file).size);
    const manifest = await manifestOf(zip, entries);
    requireAll(entries, manifest);
    const totalBytes = Object.values(manifest.tables).reduce((sum, { bytes }) => sum + bytes, 0) + manifest.blobs.bytes;
    let done = 0;
    for (const [table, { rows, bytes, sha256, columns }] of Object.entries(manifest.tables)) {
      const hash = createHash('sha256');
      let there = 0;
      for await (const row of rowsOf(chunksOf(zip, entries.get(`rows/${table}.ndjson`)!, hash), table)) {
        there += 1;
        if (row.length !== columns.length) {
          throw damaged(`row ${there} of ${table} has ${row.length} fields instead of ${columns.length}`);
        }
      }
      if (there !== rows) throw damaged(`${table} has ${there} rows where its list says ${rows}`);
      if (hash.digest('hex') !== sha256) throw damaged(`the checksum of ${table} does not agree`);
      onProgress((done += bytes), totalBytes);
    }
    for await (const { bytes } of blobsOf(zip, entries)) onProgress((done += bytes.length), totalBytes);
    return {
      migrations: manifest.migrations,
      totalBytes,
      counts: {
        ...Object.fromEntries(Object.entries(manifest.tables).map(([table, { rows }]) => [table, rows])),
        [BLOB_TABLE]: manifest.blobs.count,
      },
      checksums: null,
      contents: () => contentsOf(zip, entries, manifest),
      close: () => zip.close(),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}

async function* contentsOf(zip: ZipFile, entries: Map<string, Entry>, manifest: Manifest) {
  for (const [table, { columns }] of Object.entries(manifest.tables)) {
    yield { table, columns, rows: rowsOf(chunksOf(zip, entries.get(`rows/${table}.ndjson`)!), table) };
  }
  yield { blobs: blobsOf(zip, entries) };
}

function openFile(file: string): Promise<ZipFile> {
  return new Promise((resolve, reject) => {
    openZip(file, { lazyEntries: true, autoClose: false, validateEntrySizes: true }, (error, zip) => {
      if (error) reject(damaged(error.message.toLowerCase()));
      else resolve(zip);
    });
  });
}

/** The file's table of contents. Entries that are packed, locked, doubled or larger together than the file are refused. */
function entriesOf(zip: ZipFile, fileSize: number): Promise<Map<string, Entry>> {
  return new Promise((resolve, reject) => {
    const entries = new Map<string, Entry>();
    let total = 0;
    zip.on('error', (error: Error) => reject(damaged(error.message)));
    zip.on('entry', (entry: Entry) => {
      total += entry.uncompressedSize;
      const problem = !ENTRY.test(entry.fileName)
        ? `it holds something that no backup holds, “${entry.fileName.slice(0, 80)}”`
        : entries.has(entry.fileName)
          ? `it holds ${entry.fileName} twice`
          : entry.compressionMethod !== 0 ||
              entry.compressedSize !== entry.uncompressedSize ||
              (entry.generalPurposeBitFlag & 1) === 1
            ? `${entry.fileName} is packed or locked, which no backup of Glow Den is`
            : total > fileSize || entries.size > MOST_ENTRIES
              ? 'its parts lie over one another'
              : null;
      if (problem) return reject(damaged(problem));
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.on('end', () => resolve(entries));
    zip.readEntry();
  });
}

async function manifestOf(zip: ZipFile, entries: Map<string, Entry>): Promise<Manifest> {
  const entry = entries.get(MANIFEST);
  if (!entry) throw damaged('it has no list of what is in it');
  if (entry.uncompressedSize > LARGEST_MANIFEST) throw damaged('the list of what is in it is too long');
  let said: unknown;
  const bytes = await bytesOf(zip, entry);
  try {
    said = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw damaged('the list of what is in it cannot be read');
  }
  // Rows and blobs have checksums in the list; the list itself has that of the archive only.
  if (crc32(bytes) !== entry.crc32) throw damaged('the checksum of the list of what is in it does not agree');
  const checked = manifestSchema.safeParse(said);
  if (!checked.success) {
    const { path, message } = checked.error.issues[0]!;
    throw damaged(`the list of what is in it says something else than it should (${path.join('.')}: ${message})`);
  }
  if (checked.data.version > BACKUP_VERSION) {
    throw new CoreError(
      'unsupported',
      'The backup was made by a newer Glow Den than this one.',
      { value: checked.data.version, range: `up to ${BACKUP_VERSION}` },
      'Your data is as it was. Restore it with the newer one.',
    );
  }
  return checked.data;
}

/** What the manifest lists and what the file holds are the same. */
function requireAll(entries: Map<string, Entry>, manifest: Manifest): void {
  for (const [table, { bytes }] of Object.entries(manifest.tables)) {
    const entry = entries.get(`rows/${table}.ndjson`);
    if (!entry) throw damaged(`the rows of ${table} are missing`);
    if (entry.uncompressedSize !== bytes) throw damaged(`the rows of ${table} are not as long as they should be`);
  }
  const blobs = [...entries.values()].filter(({ fileName }) => fileName.startsWith('blobs/'));
  const size = blobs.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0);
  if (blobs.length !== manifest.blobs.count || size !== manifest.blobs.bytes) {
    throw damaged(
      `it holds ${blobs.length} blobs of ${size} bytes where its list says ${manifest.blobs.count} of ${manifest.blobs.bytes}`,
    );
  }
  const listed = Object.keys(manifest.tables).length + blobs.length + 1;
  if (listed !== entries.size) throw damaged('it holds rows that its list does not know');
}

/** An entry's bytes as they come, and into a hash. */
async function* chunksOf(zip: ZipFile, entry: Entry, hash?: Hash): AsyncGenerator<Buffer> {
  const stream = await new Promise<Readable>((resolve, reject) => {
    zip.openReadStream(entry, (error, opened) => (error ? reject(damaged(error.message)) : resolve(opened)));
  });
  try {
    for await (const chunk of stream as AsyncIterable<Buffer>) {
      hash?.update(chunk);
      yield chunk;
    }
  } catch (error) {
    throw error instanceof CoreError ? error : damaged(`${entry.fileName} cannot be read`);
  } finally {
    stream.destroy();
  }
}

async function bytesOf(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of chunksOf(zip, entry)) chunks.push(chunk);
  return Buffer.concat(chunks);
}

async function* blobsOf(zip: ZipFile, entries: Map<string, Entry>): AsyncGenerator<Blob> {
  for (const entry of entries.values()) {
    if (!entry.fileName.startsWith('blobs/')) continue;
    const sha = entry.fileName.slice('blobs/'.length);
    if (entry.uncompressedSize > LARGEST_BLOB) throw damaged(`${entry.fileName} is too large`);
    const bytes = await bytesOf(zip, entry);
    if (createHash('sha256').update(bytes).digest('hex') !== sha)
      throw damaged(`the checksum of ${entry.fileName} does not agree`);
    yield { sha, bytes };
  }
}

/** A table's rows as far as the bytes come; refused as soon as one is no row. */
async function* rowsOf(bytes: AsyncIterable<Buffer>, table: string): AsyncGenerator<RowTexts> {
  let number = 0;
  for await (const line of linesOf(bytes, table)) {
    number += 1;
    let row: unknown;
    try {
      row = JSON.parse(line.toString('utf8'));
    } catch {
      throw damaged(`row ${number} of ${table} cannot be read`);
    }
    if (!Array.isArray(row) || row.some((field) => field !== null && typeof field !== 'string')) {
      throw damaged(`row ${number} of ${table} is no list of texts`);
    }
    yield row as RowTexts;
  }
}

/** Lines by their end, counted while they grow: one without an end does not fill the memory. */
async function* linesOf(bytes: AsyncIterable<Buffer>, table: string): AsyncGenerator<Buffer> {
  let rest: Buffer[] = [];
  let length = 0;
  for await (const chunk of bytes) {
    let from = 0;
    for (let end = chunk.indexOf(10); end >= 0; end = chunk.indexOf(10, from)) {
      yield Buffer.concat([...rest, chunk.subarray(from, end)]);
      rest = [];
      length = 0;
      from = end + 1;
    }
    rest.push(chunk.subarray(from));
    length += chunk.length - from;
    if (length > LONGEST_LINE) throw damaged(`a row of ${table} is too long`);
  }
  if (length > 0) yield Buffer.concat(rest);
}

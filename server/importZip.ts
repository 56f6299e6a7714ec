import { rm } from 'node:fs/promises';
import { crc32 } from 'node:zlib';
import type { Readable } from 'node:stream';
import * as yauzl from 'yauzl';
import { CoreError, type CoreErrorData } from '@core/ground/errors';
import { MAX_FILE_BYTES } from '@core/work/visit/limits';
import type { Asking } from '@data/asking';
import { asCoreError, forLog } from '@data/databaseError';
import { withBody } from './bodies';
import { importFile, type ImportOutcome, type IncomingFile } from './importFile';

/** What became of one file of a ZIP, or that it was refused. */
export type ZipLine = { total: number } | ({ fileName: string } & ImportOutcome) | { fileName: string; error: CoreErrorData };

/** A card has hundreds; a ZIP of this many files means harm. */
const MAX_ENTRIES = 5000;
/** What all files of a ZIP may become together. */
const MAX_TOTAL_BYTES = 6 * 1024 * 1024 * 1024;

/** Files that systems leave behind and nobody put there. */
const LEFT_BEHIND = /(^|\/)(__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$|\._)/i;

/**
 * Takes the files of a ZIP into a visit, one after the other, as if they had been dropped. Names are only names: nothing is
 * ever written under them. What each file becomes is counted while it is expanded, so that a bomb ends at the limit.
 *
 * @param zipFile - path of the uploaded ZIP; removed at the end
 * @param place - where its files belong
 * @returns first the number of files, then a line for each as it comes
 * @throws CoreError `malformed` when it is no whole ZIP, `too_large` for too many files
 */
export async function* importZip(
  asking: Asking,
  visitId: string,
  zipFile: string,
  place: Omit<IncomingFile, 'fileName' | 'takenAt' | 'bytes'>,
  signal: AbortSignal,
): AsyncGenerator<ZipLine> {
  let zip: yauzl.ZipFile | null = null;
  try {
    zip = await open(zipFile);
    if (zip.entryCount > MAX_ENTRIES) {
      throw new CoreError(
        'too_large',
        `The ZIP holds ${zip.entryCount} files; at most ${MAX_ENTRIES} are taken at once.`,
        { range: `up to ${MAX_ENTRIES} files` },
        'Add them in smaller parts.',
      );
    }
    const entries = await entriesOf(zip);
    yield { total: entries.length };
    let left = MAX_TOTAL_BYTES;
    for (const entry of entries) {
      if (signal.aborted) return;
      const fileName = nameOf(entry);
      try {
        requireTame(entry, fileName);
        const outcome = await withBody(async () => {
          const bytes = await contentOf(zip!, entry, Math.min(MAX_FILE_BYTES, left));
          left -= bytes.length;
          const file = { ...place, fileName: fileName.split('/').at(-1)!, takenAt: momentOf(entry), bytes };
          return importFile(asking, visitId, file, signal);
        }, signal);
        yield { fileName, ...outcome };
      } catch (caught) {
        // Whatever befell one file, the others are taken in.
        const error = asCoreError(caught) ?? failedInside(caught);
        if (error.code === 'cancelled') return;
        yield { fileName, error: error.toJSON() };
      }
    }
  } finally {
    zip?.close();
    await rm(zipFile, { force: true });
  }
}

function failedInside(error: unknown): CoreError {
  console.error(forLog(error));
  return new CoreError(
    'malformed',
    'It could not be taken in: something went wrong inside Glow Den.',
    {},
    'Unpack the ZIP and add this file by itself.',
  );
}

/** Before this no camera wrote ZIPs; a moment after tomorrow is nobody's either. */
const EARLIEST = Date.UTC(1980, 0, 1);
const TOMORROW_MS = 36 * 3_600_000;

/** When a file was last changed, as the ZIP says; now, where that cannot be. */
function momentOf(entry: yauzl.Entry): Date {
  const said = entry.getLastModDate().getTime();
  const now = Date.now();
  return new Date(said >= EARLIEST && said <= now + TOMORROW_MS ? said : now);
}

function damaged(why: string): CoreError {
  return new CoreError('malformed', `The ZIP cannot be read: ${why}.`, {}, 'Make it again, or unpack it and add the folder.');
}

function open(zipFile: string): Promise<yauzl.ZipFile> {
  return new Promise((resolve, reject) => {
    yauzl.open(zipFile, { lazyEntries: true, autoClose: false, decodeStrings: false, validateEntrySizes: true }, (error, zip) => {
      if (error) reject(damaged(error.message));
      else resolve(zip);
    });
  });
}

/**
 * All files of the ZIP but folders and what systems left behind.
 *
 * @throws CoreError `malformed` where two of them share bytes: a small ZIP would become very much
 */
function entriesOf(zip: yauzl.ZipFile): Promise<yauzl.Entry[]> {
  return new Promise((resolve, reject) => {
    const entries: yauzl.Entry[] = [];
    zip.on('entry', (entry: yauzl.Entry) => {
      const name = nameOf(entry);
      if (!name.endsWith('/') && !LEFT_BEHIND.test(name)) entries.push(entry);
      zip.readEntry();
    });
    zip.on('end', () => (liesOver(entries) ? reject(damaged('its files lie over one another')) : resolve(entries)));
    zip.on('error', (error: Error) => reject(damaged(error.message)));
    zip.readEntry();
  });
}

/** A file's own head is at least so long. */
const HEAD_BYTES = 30;

function liesOver(entries: yauzl.Entry[]): boolean {
  const places = entries
    .map(({ relativeOffsetOfLocalHeader: at, compressedSize }) => ({ from: at, to: at + HEAD_BYTES + compressedSize }))
    .sort((a, b) => a.from - b.from);
  return places.some(({ from }, i) => i > 0 && from < places[i - 1]!.to);
}

/**
 * With names left as bytes the reader does not judge them; they are decoded here, whatever they hold. Tools of old write
 * backslashes between folders.
 */
function nameOf(entry: yauzl.Entry): string {
  const raw = entry.fileName as unknown as Buffer | string;
  return (typeof raw === 'string' ? raw : raw.toString('utf8')).replaceAll('\\', '/');
}

/** @throws CoreError for names that leave the folder, and for what cannot be expanded here */
function requireTame(entry: yauzl.Entry, name: string): void {
  if (/^(\/|[A-Za-z]:)|\0/.test(name) || name.split('/').includes('..')) {
    throw new CoreError(
      'bad_input',
      'Its name leads out of the ZIP’s own folder; such a file is not touched.',
      { value: name.slice(0, 200) },
      'Do not trust this ZIP. Unpack what you know and add that.',
    );
  }
  if ((entry.generalPurposeBitFlag & 1) === 1) {
    throw new CoreError('unsupported', 'It is locked with a password.', {}, 'Unpack the ZIP and add the folder.');
  }
  if (entry.uncompressedSize > MAX_FILE_BYTES) throw tooLarge();
}

function tooLarge(): CoreError {
  return new CoreError(
    'too_large',
    `It becomes larger than ${MAX_FILE_BYTES / 1024 / 1024} MB, the limit for a frame or photo.`,
    { range: `up to ${MAX_FILE_BYTES} bytes` },
    'Bring a smaller part of it.',
  );
}

/** A file's content; counted while it grows, whatever the ZIP says of its size. */
async function contentOf(zip: yauzl.ZipFile, entry: yauzl.Entry, limit: number): Promise<Uint8Array> {
  const stream = await new Promise<Readable>((resolve, reject) => {
    zip.openReadStream(entry, (error, opened) => (error ? reject(damaged(error.message)) : resolve(opened)));
  });
  const chunks: Buffer[] = [];
  let size = 0;
  let sum = 0;
  try {
    for await (const chunk of stream as AsyncIterable<Buffer>) {
      size += chunk.length;
      if (size > limit) throw tooLarge();
      sum = crc32(chunk, sum);
      chunks.push(chunk);
    }
    if (sum !== entry.crc32) throw new Error('its checksum does not agree');
  } catch (error) {
    if (error instanceof CoreError) throw error;
    throw new CoreError(
      'malformed',
      `It cannot be expanded (${error instanceof Error ? error.message : 'damaged'}).`,
      {},
      'Copy the ZIP again.',
    );
  } finally {
    stream.destroy();
  }
  return Buffer.concat(chunks, size);
}

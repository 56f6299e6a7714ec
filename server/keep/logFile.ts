import { closeSync, fchmodSync, fstatSync, openSync, renameSync, writeSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { createInterface } from 'node:readline';

/** More of a line is nobody's message. */
const LONGEST_LINE = 1000;
/** A file of this size becomes the old one, and a new one begins. */
const LARGEST_BYTES = 4 * 1024 * 1024;

/**
 * Writes what a process says into a log that only its owner reads: long lines cut, at most two files of 4 MB. Times are
 * put before lines.
 */
export function logTo(file: string, streams: (Readable | null)[]): void {
  let handle = openLog(file);
  let size = fstatSync(handle).size;
  for (const stream of streams) {
    if (!stream) continue;
    createInterface({ input: stream, crlfDelay: Infinity }).on('line', (line) => {
      if (line.trim() === '') return;
      const text = `${new Date().toISOString()} ${line.length > LONGEST_LINE ? `${line.slice(0, LONGEST_LINE)} …` : line}\n`;
      try {
        if (size > LARGEST_BYTES) {
          closeSync(handle);
          renameSync(file, `${file}.old`);
          handle = openLog(file);
          size = 0;
        }
        size += writeSync(handle, text);
      } catch {
        // A full disk costs lines of the log, and not what runs.
      }
    });
  }
}

function openLog(file: string): number {
  const handle = openSync(file, 'a', 0o600);
  // One that an older version began may be open to others.
  fchmodSync(handle, 0o600);
  return handle;
}

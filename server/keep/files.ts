import { closeSync, existsSync, fsyncSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import path from 'node:path';
import type * as z from 'zod';

/** Writes a small file that is there whole or not at all, also after a power cut; only its owner reads it. */
export function writeWhole(file: string, text: string): void {
  const part = `${file}.part`;
  const handle = openSync(part, 'w', 0o600);
  try {
    writeSync(handle, text);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(part, file);
  syncFolderOf(file);
}

/** Makes a rename in a folder last. */
export function syncFolderOf(file: string): void {
  const folder = openSync(path.dirname(path.resolve(file)), 'r');
  try {
    fsyncSync(folder);
  } finally {
    closeSync(folder);
  }
}

/** A small file of ours, checked; null when it is not there or says something else. */
export function readChecked<S extends z.ZodType>(file: string, schema: S): z.infer<S> | null {
  if (!existsSync(file)) return null;
  try {
    const checked = schema.safeParse(JSON.parse(readFileSync(file, 'utf8')));
    return checked.success ? checked.data : null;
  } catch {
    return null;
  }
}

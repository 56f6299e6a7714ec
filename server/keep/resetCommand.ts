import { existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { endLeftOvers } from './application';
import { requireYes } from './ask';
import type { DataFolder } from './folder';
import { ownFolder } from './own';
import { say } from './say';

/** `./den reset`: throws all data away. */
export async function resetCommand(folder: DataFolder, words: string[]): Promise<void> {
  const lock = await ownFolder(folder, 'reset');
  try {
    await requireYes(words, `This throws away all visits, frames, findings under ${folder.root}.`);
    await endLeftOvers(folder);
    rmSync(folder.live, { force: true });
    // Moved away in one go: a half-removed database must not look like one. Cut off here, the next command removes the rest.
    mkdirSync(folder.work, { recursive: true, mode: 0o700 });
    if (existsSync(folder.database)) renameSync(folder.database, path.join(folder.work, 'gone'));
    for (const name of [folder.work, `${folder.database}.new`, folder.secrets, folder.running, folder.uploads]) {
      rmSync(name, { recursive: true, force: true });
    }
  } finally {
    await lock.release();
  }
  say('The data is gone; ./den start begins anew.');
}

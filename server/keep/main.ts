import path from 'node:path';
import { backupCommand } from './backupCommand';
import { folderAt, type DataFolder } from './folder';
import { resetCommand } from './resetCommand';
import { restoreCommand } from './restoreCommand';
import { complain } from './say';
import { startCommand } from './startCommand';
import { stopCommand } from './stopCommand';
import { tidyCommand } from './tidyCommand';

/** What ./den does with the data and with what runs on it. */
const COMMANDS: Record<string, (folder: DataFolder, words: string[]) => Promise<void>> = {
  start: startCommand,
  stop: stopCommand,
  reset: resetCommand,
  backup: backupCommand,
  restore: restoreCommand,
  tidy: tidyCommand,
};

// Whatever is made from here on is its owner's alone.
process.umask(0o077);
const [, , word = '', ...words] = process.argv;
const command = COMMANDS[word];
if (!command) throw new Error(`there is no command ${word}`);
try {
  await command(folderAt(path.resolve(process.env.DEN_DATA!)), words);
  process.exit(0);
} catch (error) {
  complain(error);
  process.exit(1);
}

import { existsSync } from 'node:fs';
import path from 'node:path';
import { withConnection } from './access';
import type { DataFolder } from './folder';
import { findLive } from './live';
import { runningIn, withDatabase } from './own';
import { refusal, say } from './say';
import { dropLooseBytes, dropOldRecords, findLeftover, type Leftover } from './tidy';

/** `./den tidy`: shows what nothing needs any more, and removes it. */
export async function tidyCommand(folder: DataFolder, words: string[]): Promise<void> {
  if (words.length > 0) throw refusal('tidy takes no words: ./den tidy');
  if (!existsSync(path.join(folder.database, 'mysql'))) throw refusal('There is no data yet; ./den start makes some.');
  await withDatabase(folder, 'tidy', (access) =>
    withConnection(access, 'root', undefined, async (root) => {
      const live = await findLive(root, folder);
      if (!live) throw refusal('There is no data yet; ./den start makes some.');
      const found = await findLeftover(root, live.database);
      for (const line of told(found)) say(line);
      await dropOldRecords(root, live.database);
      // An import that is under way has its bytes before its rows.
      const running = runningIn(folder) !== null;
      if (!running) await dropLooseBytes(root, live.database);
      say(
        running && found.blobs > 0
          ? 'Bytes are removed only while Glow Den does not run: ./den stop, then ./den tidy. The next start does it as well.'
          : 'Removed.',
      );
    }),
  );
}

function told({ blobs, bytes, commands, changes }: Leftover): string[] {
  const megabytes = (bytes / 1024 / 1024).toFixed(1);
  return [
    `Bytes that nothing points to: ${blobs} (${megabytes} MB)`,
    `Records of old commands: ${commands}`,
    `Records of old changes: ${changes}`,
  ];
}

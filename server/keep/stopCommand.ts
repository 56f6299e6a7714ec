import { setTimeout as pause } from 'node:timers/promises';
import { endLeftOvers } from './application';
import type { DataFolder } from './folder';
import { holderOf, takeLock } from './lock';
import { HOLDS } from './own';
import { isAlive, signal } from './processes';
import { refusal, say } from './say';

/** Ending in order takes as long as a backup that is being written. */
const END_WITHIN_MS = 660_000;

/** `./den stop`: asks the `start` of this folder to end; clears up after one that died. Leaves other commands alone. */
export async function stopCommand(folder: DataFolder): Promise<void> {
  const lock = await takeLock(folder.lock, HOLDS.start, 0);
  if (lock) {
    await endLeftOvers(folder);
    await lock.release();
    return say('Glow Den is stopped.');
  }
  const holder = holderOf(folder.lock);
  if (holder && holder.what !== HOLDS.start)
    throw refusal(`${holder.what} (process ${holder.process.pid}).`, 'It ends by itself.');
  if (holder) {
    signal(holder.process, 'SIGTERM');
    for (const until = Date.now() + END_WITHIN_MS; isAlive(holder.process) && Date.now() < until;) await pause(50);
  }
  const free = await takeLock(folder.lock, HOLDS.start, 30);
  if (!free) throw refusal('Glow Den did not end.', 'Try again; if it happens again, end its process by hand.');
  await endLeftOvers(folder);
  await free.release();
  say('Glow Den is stopped.');
}

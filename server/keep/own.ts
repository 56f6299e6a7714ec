import { existsSync, readdirSync, rmSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import * as z from 'zod';
import { withConnection, passwordsIn, type DatabaseAccess } from './access';
import { DatabaseServer } from './databaseServer';
import type { DataFolder } from './folder';
import { readChecked } from './files';
import { dropLeftOver, findLive } from './live';
import { holderOf, takeLock, type Lock } from './lock';
import { isAlive, processSchema } from './processes';
import { refusal, say } from './say';

/** What a running `start` says of itself. */
export const runningSchema = z.object({
  keeper: processSchema,
  app: processSchema,
  database: processSchema,
  databasePort: z.number().int(),
  address: z.string(),
});
export type Running = z.infer<typeof runningSchema>;

/** A `start` that is up, with what it said of itself. */
export function runningIn(folder: DataFolder): Running | null {
  const running = readChecked(folder.running, runningSchema);
  return running && isAlive(running.keeper) ? running : null;
}

/** What holds the data folder's lock, in words. */
export const HOLDS = {
  start: 'Glow Den is running',
  backup: 'A backup is being written',
  restore: 'A backup is being restored',
  reset: 'The data is being thrown away',
  tidy: 'The data is being tidied',
} as const;
type Holding = keyof typeof HOLDS;

const PATIENCE_S = 3600;

/**
 * Takes the data folder for this command alone.
 *
 * @throws CoreError while Glow Den runs; anything else that holds it is waited for
 */
export async function ownFolder(folder: DataFolder, what: Holding): Promise<Lock> {
  for (let told = false; ; told = true) {
    const lock = await takeLock(folder.lock, HOLDS[what], told ? 5 : 0);
    if (lock) {
      clearWork(folder);
      return lock;
    }
    const holder = holderOf(folder.lock);
    if (holder?.what === HOLDS.start) {
      throw refusal(
        `Glow Den is running already (process ${holder.process.pid})${runningIn(folder) ? ` at ${runningIn(folder)!.address}` : ''}.`,
        'Stop it with ./den stop.',
      );
    }
    if (!told && holder) say(`${holder.what} (process ${holder.process.pid}); waiting for it …`);
  }
}

/** Runs the rest with the database of a folder that this command owns. */
export async function withOwnDatabase<T>(folder: DataFolder, run: (access: DatabaseAccess) => Promise<T>): Promise<T> {
  const server = await DatabaseServer.start(folder);
  const stop = () => void server.stop().finally(() => process.exit(130));
  process.once('SIGINT', stop).once('SIGTERM', stop);
  try {
    await withConnection(server.access, 'root', undefined, async (root) => dropLeftOver(root, await findLive(root, folder)));
    return await run(server.access);
  } finally {
    process.off('SIGINT', stop).off('SIGTERM', stop);
    await server.stop();
  }
}

/** Runs the rest with the database, whether Glow Den runs or not; one such task at a time. */
export async function withDatabase<T>(
  folder: DataFolder,
  what: Holding,
  run: (access: DatabaseAccess) => Promise<T>,
): Promise<T> {
  for (let told = false; ; told = true) {
    const lock = await takeLock(folder.lock, HOLDS[what], 0);
    if (lock) {
      clearWork(folder);
      try {
        return await withOwnDatabase(folder, run);
      } finally {
        await lock.release();
      }
    }
    const running = runningIn(folder);
    if (running) {
      const task = await takeLock(folder.taskLock, HOLDS[what], PATIENCE_S);
      if (task) {
        try {
          return await run({ port: running.databasePort, passwords: passwordsIn(folder) });
        } finally {
          await task.release();
        }
      }
    }
    const holder = holderOf(folder.lock);
    if (!told && holder) {
      say(
        holder.what === HOLDS.start
          ? 'Glow Den is just starting or ending; waiting …'
          : `${holder.what} (process ${holder.process.pid}); waiting …`,
      );
    }
    await pause(200);
  }
}

/** Something that a command makes at a place of the user's: it is known here until it is whole, and removed after a kill. */
export function partNote(folder: DataFolder, id: string): string {
  return path.join(folder.work, `${id}.part.json`);
}

/** Removes what a command that was cut off left behind. */
function clearWork(folder: DataFolder): void {
  for (const name of existsSync(folder.work) ? readdirSync(folder.work) : []) {
    const note = readChecked(path.join(folder.work, name), z.object({ file: z.string() }));
    if (note?.file.endsWith('.part')) rmSync(note.file, { force: true });
  }
  rmSync(folder.work, { recursive: true, force: true });
}

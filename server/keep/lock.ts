import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import * as z from 'zod';
import { readChecked, writeWhole } from './files';
import { isAlive, nameOf, processSchema } from './processes';

const holderSchema = z.object({ process: processSchema, what: z.string() });
/** Who holds a lock, and for what. */
export type Holder = z.infer<typeof holderSchema>;

export interface Lock {
  release(): Promise<void>;
}

/** Who holds the lock now; null when nobody that is alive does. */
export function holderOf(file: string): Holder | null {
  const holder = readChecked(`${file}.json`, holderSchema);
  return holder && isAlive(holder.process) ? holder : null;
}

/**
 * Takes a lock on a file. The system lets go of it when this process ends, however it ends: the lock is held by a helper
 * that lives as long as its standard input does.
 *
 * @param what - what for, in words: "a backup is being written"
 * @param seconds - how long to wait for it; 0 takes it at once or not at all
 * @returns null when somebody else has it
 */
export async function takeLock(file: string, what: string, seconds: number): Promise<Lock | null> {
  const patience = seconds === 0 ? ['--nonblock'] : ['--wait', String(seconds)];
  // A session of its own, so that Ctrl-C in the terminal reaches us and not the lock.
  const helper = spawn('flock', ['--exclusive', ...patience, file, 'sh', '-c', 'echo held; exec cat'], {
    stdio: ['pipe', 'pipe', 'ignore'],
    detached: true,
  });
  const gone = new Promise<void>((resolve) => helper.on('exit', () => resolve()));
  const held = await new Promise<boolean>((resolve, reject) => {
    helper.stdout.once('data', () => resolve(true));
    helper.on('error', reject);
    void gone.then(() => resolve(false));
  });
  if (!held) return null;
  try {
    writeWhole(`${file}.json`, JSON.stringify({ process: nameOf(process.pid)!, what } satisfies Holder));
  } catch {
    // On a full disk nobody is told who holds it; it is held all the same.
  }
  helper.unref();
  return {
    async release() {
      rmSync(`${file}.json`, { force: true });
      helper.ref();
      helper.stdin.end();
      await gone;
    },
  };
}

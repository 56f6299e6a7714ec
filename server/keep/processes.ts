import { readdirSync, readFileSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import * as z from 'zod';

/** A process by number and the moment it began: numbers are given anew, both together are not. */
export const processSchema = z.object({ pid: z.number().int().positive(), began: z.string() });
export type ProcessName = z.infer<typeof processSchema>;

/** Clock ticks since the machine's start at which a process began; null when it is gone or only waits to be buried. */
function beganAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'latin1');
    // The name in brackets may hold anything, so counting starts behind it.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' || fields[0] === 'X' ? null : fields[19]!;
  } catch {
    return null;
  }
}

/** @returns null when there is no such process (any more) */
export function nameOf(pid: number): ProcessName | null {
  const began = beganAt(pid);
  return began === null ? null : { pid, began };
}

export function isAlive({ pid, began }: ProcessName): boolean {
  return beganAt(pid) === began;
}

/** What a process was started with, as far as this user may see it. */
function wordsOf(pid: string, file: 'cmdline' | 'environ'): string[] {
  try {
    return readFileSync(`/proc/${pid}/${file}`, 'utf8').split('\0');
  } catch {
    return [];
  }
}

/**
 * Processes of this user that were started with a word on their command line or in their environment. Nothing is told from
 * files that may be stale: a process that does not carry the word is somebody else's.
 */
export function processesWith(file: 'cmdline' | 'environ', word: string): ProcessName[] {
  return readdirSync('/proc')
    .filter((entry) => /^\d+$/.test(entry) && Number(entry) !== process.pid && wordsOf(entry, file).includes(word))
    .flatMap((entry) => nameOf(Number(entry)) ?? []);
}

/** Asks a process to end and waits; ends it by force when it takes longer than that. */
export async function endProcess(which: ProcessName, graceMs: number): Promise<void> {
  signal(which, 'SIGTERM');
  const until = Date.now() + graceMs;
  while (isAlive(which) && Date.now() < until) await pause(50);
  if (!isAlive(which)) return;
  signal(which, 'SIGKILL');
  while (isAlive(which)) await pause(20);
}

export function signal(which: ProcessName, name: NodeJS.Signals): void {
  if (!isAlive(which)) return;
  try {
    process.kill(which.pid, name);
  } catch {
    // It ended between the look and the signal.
  }
}

import { setTimeout as pause } from 'node:timers/promises';
import { inRoot } from '../root';
import type { DatabaseAccess } from './access';
import { endLeftOver } from './databaseServer';
import type { DataFolder } from './folder';
import { OwnProcess } from './ownProcess';
import { endProcess, processesWith } from './processes';
import { refusal } from './say';

const END_WITHIN_MS = 15_000;
const READY_WITHIN_MS = 120_000;

/** By this word in its environment an application of a data folder is known, whoever started it. */
const wordOf = (folder: DataFolder) => `DEN_APP_OF=${folder.root}`;

/** Ends an application and a database of this folder that an ended ./den left behind. */
export async function endLeftOvers(folder: DataFolder): Promise<void> {
  for (const name of processesWith('environ', wordOf(folder))) await endProcess(name, END_WITHIN_MS);
  await endLeftOver(folder);
}

/** The application in front of the database, as a process of ours. */
export class Application {
  private process: OwnProcess;

  constructor(
    private readonly folder: DataFolder,
    private readonly access: DatabaseAccess,
    private readonly database: string,
    readonly port: number,
  ) {
    this.process = this.launch();
  }

  get pid(): number {
    return this.process.pid;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  ended(): Promise<string> {
    return this.process.ended();
  }

  /** Waits until it answers and its database does. @throws CoreError when it does not */
  async ready(): Promise<void> {
    const until = Date.now() + READY_WITHIN_MS;
    while (Date.now() < until && !this.process.hasEnded) {
      const answer = await fetch(`${this.address}/api/health`, { signal: AbortSignal.timeout(5000) }).catch(() => null);
      if (answer?.status === 200) return;
      await pause(100);
    }
    throw refusal('The application does not start.', `See ${this.folder.applicationLog}.`);
  }

  async bringBack(): Promise<void> {
    this.process = this.launch();
    await this.ready();
  }

  /** Ends it at once. */
  kill(): void {
    this.process.kill();
  }

  stop(): Promise<void> {
    return this.process.stop(END_WITHIN_MS);
  }

  private launch(): OwnProcess {
    const next = inRoot('node_modules', 'next', 'dist', 'bin', 'next');
    return OwnProcess.start(process.execPath, [next, 'start', '--hostname=127.0.0.1', `--port=${this.port}`], {
      cwd: inRoot(),
      log: this.folder.applicationLog,
      env: {
        ...process.env,
        ...databaseEnvironment(this.access.port, 'den', this.access.passwords.den, this.database),
        DEN_APP_OF: this.folder.root,
        // Memory that was let go of goes back to the system, not into a heap for each thread.
        MALLOC_ARENA_MAX: '2',
        // A file's bytes lie in pages of their own, however many came before: they are given back whole.
        MALLOC_MMAP_THRESHOLD_: String(256 * 1024),
        MALLOC_TRIM_THRESHOLD_: String(256 * 1024),
      },
    });
  }
}

/** How the application and the demo are told of their database. */
export function databaseEnvironment(port: number, user: string, password: string, name: string) {
  return { DEN_DB_PORT: String(port), DEN_DB_USER: user, DEN_DB_PASSWORD: password, DEN_DB_NAME: name };
}

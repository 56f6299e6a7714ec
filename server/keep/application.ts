import { spawn, type ChildProcess } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { inRoot } from '../root';
import type { DatabaseAccess } from './access';
import { endLeftOver } from './databaseServer';
import type { DataFolder } from './folder';
import { logTo } from './logFile';
import { endProcess, nameOf, processesWith, signal } from './processes';
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
  private child: ChildProcess;

  constructor(
    private readonly folder: DataFolder,
    private readonly access: DatabaseAccess,
    private readonly database: string,
    readonly port: number,
  ) {
    this.child = this.launch();
  }

  get pid(): number {
    return this.child.pid!;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  ended(): Promise<string> {
    const { child } = this;
    if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve('ended');
    return new Promise((resolve) => child.once('exit', (code, name) => resolve(name ?? `code ${code}`)));
  }

  /** Waits until it answers and its database does. @throws CoreError when it does not */
  async ready(): Promise<void> {
    const until = Date.now() + READY_WITHIN_MS;
    while (Date.now() < until && this.child.exitCode === null && this.child.signalCode === null) {
      const answer = await fetch(`${this.address}/api/health`, { signal: AbortSignal.timeout(5000) }).catch(() => null);
      if (answer?.status === 200) return;
      await pause(100);
    }
    throw refusal('The application does not start.', `See ${this.folder.applicationLog}.`);
  }

  async bringBack(): Promise<void> {
    this.child = this.launch();
    await this.ready();
  }

  /** Ends it at once. */
  kill(): void {
    const name = nameOf(this.pid);
    if (name) signal(name, 'SIGKILL');
  }

  async stop(): Promise<void> {
    const name = nameOf(this.pid);
    if (name) await endProcess(name, END_WITHIN_MS);
  }

  private launch(): ChildProcess {
    const child = spawn(
      'setpriv',
      [
        '--pdeathsig=TERM',
        process.execPath,
        inRoot('node_modules', 'next', 'dist', 'bin', 'next'),
        'start',
        '--hostname=127.0.0.1',
        `--port=${this.port}`,
      ],
      {
        cwd: inRoot(),
        stdio: ['ignore', 'pipe', 'pipe'],
        detached: true,
        env: {
          ...process.env,
          ...databaseEnvironment(this.access.port, 'den', this.access.passwords.den, this.database),
          DEN_APP_OF: this.folder.root,
          // Memory that was let go of goes back to the system, not into a heap for each thread.
          MALLOC_ARENA_MAX: '2',
        },
      },
    );
    logTo(this.folder.applicationLog, [child.stdout, child.stderr]);
    return child;
  }
}

/** How the application and the demo are told of their database. */
export function databaseEnvironment(port: number, user: string, password: string, name: string) {
  return { DEN_DB_PORT: String(port), DEN_DB_USER: user, DEN_DB_PASSWORD: password, DEN_DB_NAME: name };
}

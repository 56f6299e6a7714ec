import { spawn, type ChildProcess } from 'node:child_process';
import { logTo } from './logFile';
import { endProcess, nameOf, signal, type ProcessName } from './processes';

/** A process that ./den started and answers for. */
export class OwnProcess {
  private constructor(private readonly child: ChildProcess) {}

  /**
   * Starts a program in a session of its own, so that Ctrl-C reaches ./den, which then ends it in order; should ./den die,
   * the system ends it. What it says goes into a log.
   */
  static start(program: string, words: string[], options: { env: NodeJS.ProcessEnv; log: string; cwd?: string }): OwnProcess {
    const { log, ...rest } = options;
    const child = spawn('setpriv', ['--pdeathsig=TERM', program, ...words], {
      ...rest,
      stdio: ['ignore', 'pipe', 'pipe'],
      detached: true,
    });
    logTo(log, [child.stdout, child.stderr]);
    return new OwnProcess(child);
  }

  get pid(): number {
    return this.child.pid!;
  }

  get hasEnded(): boolean {
    return this.child.exitCode !== null || this.child.signalCode !== null;
  }

  /** Resolves with the reason when it ends. */
  ended(): Promise<string> {
    if (this.hasEnded) return Promise.resolve('ended');
    return new Promise((resolve) => this.child.once('exit', (code, name) => resolve(name ?? `code ${code}`)));
  }

  /** Ends it at once. */
  kill(): void {
    const name = this.name();
    if (name) signal(name, 'SIGKILL');
  }

  /** Ends it in order, or at once when that takes longer than so many ms. */
  async stop(graceMs: number): Promise<void> {
    const name = this.name();
    if (name) await endProcess(name, graceMs);
  }

  private name(): ProcessName | null {
    return this.hasEnded ? null : nameOf(this.pid);
  }
}

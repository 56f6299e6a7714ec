import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';

/** Tests run in the project's root. */
const root = process.cwd();

async function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });
}

/** A Glow Den of its own: own data folder, own ports, through ./den as people start it. */
export class Den {
  private process: ChildProcess | null = null;
  address = '';

  constructor(readonly data: string) {}

  static fresh(name: string): Den {
    const data = path.join(root, '.den', 'test', name);
    rmSync(data, { recursive: true, force: true });
    mkdirSync(data, { recursive: true });
    return new Den(data);
  }

  private environment(port?: number): NodeJS.ProcessEnv {
    return { ...process.env, DEN_DATA: this.data, ...(port ? { PORT: String(port) } : {}) };
  }

  /** Starts and waits for the printed address. */
  async start(...options: string[]): Promise<void> {
    const port = await freePort();
    const started = spawn('./den', ['start', ...options], {
      cwd: root,
      env: this.environment(port),
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.process = started;
    let printed = '';
    this.address = await new Promise<string>((resolve, reject) => {
      const read = (chunk: Buffer) => {
        printed += chunk.toString();
        const found = /Glow Den: (http:\/\/\S+)/.exec(printed);
        if (found) resolve(found[1]!);
      };
      started.stdout.on('data', read);
      started.stderr.on('data', read);
      started.on('exit', (code) => reject(new Error(`./den start ended with ${code}:\n${printed}`)));
    });
  }

  /** Ctrl-C, and waits until everything is down. */
  async interrupt(): Promise<void> {
    const running = this.process;
    if (!running || running.exitCode !== null) return;
    const gone = new Promise<void>((resolve) => running.on('exit', () => resolve()));
    running.kill('SIGINT');
    await gone;
  }

  /** kill -9 of database and application, as a power cut would. */
  crash(): void {
    for (const file of ['db/den.pid', 'app.pid'])
      process.kill(Number(readFileSync(path.join(this.data, file), 'utf8')), 'SIGKILL');
  }

  alive(file: 'db/den.pid' | 'app.pid'): boolean {
    try {
      process.kill(Number(readFileSync(path.join(this.data, file), 'utf8')), 0);
      return true;
    } catch {
      return false;
    }
  }

  /** Runs another verb to its end. */
  run(...words: string[]): { status: number | null; output: string } {
    const { status, stdout, stderr } = spawnSync('./den', words, { cwd: root, env: this.environment(), encoding: 'utf8' });
    return { status, output: stdout + stderr };
  }
}

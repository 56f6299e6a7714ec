import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import net from 'node:net';
import path from 'node:path';
import type { Running } from '../../server/keep/own';
import { isAlive as lives } from '../../server/keep/processes';

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

export function isAlive(pid: number): boolean {
  try {
    return !readFileSync(`/proc/${pid}/stat`, 'latin1').includes(') Z ');
  } catch {
    return false;
  }
}

/** A visit as the first page names it. */
const VISIT = /"id":"([0-9a-f-]{36})","version":\d+,"value":\{"archived":\w+,"practice"/g;

/** A Glow Den of its own: own data folder, own ports, through ./den as people start it. */
export class Den {
  private process: ChildProcess | null = null;
  private printed = '';
  private port = 0;
  address = '';

  constructor(readonly data: string) {}

  static fresh(name: string): Den {
    const data = path.join(root, '.den', 'test', name);
    rmSync(data, { recursive: true, force: true });
    mkdirSync(data, { recursive: true });
    return new Den(data);
  }

  /** Ids of all visits, the latest first, from what the first page is made of. */
  async visits(): Promise<string[]> {
    // A connection that lay idle while this process was busy may be closed at the other side: then a new one is made.
    const page = await (await fetch(this.address).catch(() => fetch(this.address))).text();
    return [...page.replaceAll('\\"', '"').matchAll(VISIT)].map((match) => match[1]!);
  }

  /** Every command knows the same free port: the usual one may be another Glow Den's. */
  environment(): NodeJS.ProcessEnv {
    return { ...process.env, DEN_DATA: this.data, ...(this.port ? { PORT: String(this.port) } : {}) };
  }

  /** Everything that it printed since it was started last. */
  get output(): string {
    return this.printed;
  }

  /** Starts without waiting for anything. */
  async launch(...options: string[]): Promise<ChildProcess> {
    this.port = await freePort();
    this.printed = '';
    const started = spawn('./den', ['start', ...options], {
      cwd: root,
      env: this.environment(),
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const read = (chunk: Buffer) => (this.printed += chunk.toString());
    started.stdout.on('data', read);
    started.stderr.on('data', read);
    this.process = started;
    return started;
  }

  /** Starts and waits for the printed address. */
  async start(...options: string[]): Promise<void> {
    const started = await this.launch(...options);
    this.address = await new Promise<string>((resolve, reject) => {
      const look = () => {
        const found = /Glow Den: (http:\/\/\S+)/.exec(this.printed);
        if (found) resolve(found[1]!);
      };
      started.stdout!.on('data', look);
      started.on('exit', (code) => reject(new Error(`./den start ended with ${code}:\n${this.printed}`)));
    });
  }

  /** Ctrl-C, and waits until everything is down. */
  async interrupt(): Promise<void> {
    const running = this.process;
    if (!running || running.exitCode !== null || running.signalCode !== null) return;
    const gone = new Promise<void>((resolve) => running.on('exit', () => resolve()));
    running.kill('SIGINT');
    await gone;
  }

  /** What it says of itself; null when it is not up. */
  running(): Running | null {
    const file = path.join(this.data, 'running.json');
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Running) : null;
  }

  kill(what: 'keeper' | 'app' | 'database', name: NodeJS.Signals = 'SIGKILL'): void {
    process.kill(this.running()![what].pid, name);
  }

  /** Everything at once, as a power cut would. */
  async crash(): Promise<void> {
    const all = this.running()!;
    const started = this.process!;
    const gone = new Promise<void>((resolve) => started.on('exit', () => resolve()));
    for (const what of ['keeper', 'database', 'app'] as const) process.kill(all[what].pid, 'SIGKILL');
    await gone;
  }

  /** Databases on this data folder, by what they were started with. */
  databases(): number[] {
    const { stdout } = spawnSync('pgrep', ['-f', '--', `--datadir=${path.join(this.data, 'db')}`], { encoding: 'utf8' });
    return stdout.split('\n').filter(Boolean).map(Number);
  }

  /** Processes of this data folder that are still there. */
  leftOver(): number[] {
    const app = this.running()?.app;
    return [...this.databases(), ...(app && lives(app) ? [app.pid] : [])];
  }

  /** Runs another verb to its end. */
  run(...words: string[]): { status: number | null; output: string } {
    const { status, stdout, stderr } = spawnSync('./den', words, {
      cwd: root,
      env: this.environment(),
      encoding: 'utf8',
      input: '',
    });
    return { status, output: stdout + stderr };
  }

  /** Runs another verb beside what goes on here. */
  async beside(...words: string[]): Promise<{ status: number | null; output: string }> {
    const child = spawn('./den', words, { cwd: root, env: this.environment(), stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (output += chunk.toString()));
    const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
    return { status, output };
  }
}

import { spawn } from 'node:child_process';
import { readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { isAlive } from '../../e2e/support/den';
import { newVisit, put, sendChange } from './api';
import { attack, seen, type Attack } from './case';

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function answersWithin(address: string, ms: number): Promise<number | null> {
  const began = Date.now();
  while (Date.now() - began < ms) {
    const response = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(3000) }).catch(() => null);
    if (response?.status === 200) return Date.now() - began;
    await pause(50);
  }
  return null;
}

/** Start, stop, backup in any order, twice and at once. */
export const FOLDER: Attack[] = [
  attack('start a second time while the first one starts', 'the second is refused, the first comes up', async (den) => {
    await den.interrupt();
    const first = den.start();
    await pause(1200);
    const second = await den.beside('start');
    await first;
    const up = await answersWithin(den.address, 5000);
    return seen(
      second.output.trim().slice(0, 70),
      second.status === 1 && up !== null && second.output.includes('running already'),
    );
  }),
  attack('a backup that begins while Glow Den starts', 'both work', async (den) => {
    await den.interrupt();
    const file = path.join(den.data, 'early.backup');
    const starting = den.start();
    await pause(700);
    const backup = await den.beside('backup', file);
    await starting;
    const up = await answersWithin(den.address, 5000);
    rmSync(file, { force: true });
    return seen(backup.output.trim().split('\n').at(-1)!.slice(0, 60), backup.status === 0 && up !== null);
  }),
  attack('start while a backup of a stopped Glow Den is written', 'both work', async (den) => {
    await den.interrupt();
    const file = path.join(den.data, 'stopped.backup');
    const backup = den.beside('backup', file);
    await pause(400);
    await den.start();
    const { status } = await backup;
    const up = await answersWithin(den.address, 5000);
    rmSync(file, { force: true });
    return seen(`backup ended with ${status}, ${up === null ? 'down' : 'up'}`, status === 0 && up !== null);
  }),
  attack('two backups at once', 'both are written', async (den) => {
    const files = ['one.backup', 'two.backup'].map((name) => path.join(den.data, name));
    const both = await Promise.all(files.map((file) => den.beside('backup', file)));
    for (const file of files) rmSync(file, { force: true });
    return seen(
      both.map(({ status }) => `ended with ${status}`).join(', '),
      both.every(({ status }) => status === 0),
    );
  }),
  attack('stale files that name a stranger’s process', 'the stranger lives on, start works', async (den) => {
    await den.interrupt();
    const stranger = spawn('sleep', ['300'], { stdio: 'ignore' });
    const name = { pid: stranger.pid!, began: '1' };
    writeFileSync(path.join(den.data, 'lock.json'), JSON.stringify({ process: name, what: 'Glow Den is running' }));
    writeFileSync(
      path.join(den.data, 'running.json'),
      JSON.stringify({ keeper: name, app: name, database: name, databasePort: 1, address: 'x' }),
    );
    for (const file of ['app.pid', 'start.pid', 'db/den.pid']) writeFileSync(path.join(den.data, file), String(stranger.pid));
    const stopped = den.run('stop');
    await den.start();
    const lives = isAlive(stranger.pid!);
    stranger.kill();
    return seen(lives ? 'lives, started' : 'ENDED', lives && stopped.status === 0);
  }),
  attack('Ctrl-C twice', 'nothing is left behind', async (den) => {
    const before = den.leftOver();
    const pid = den.running()!.keeper.pid;
    process.kill(pid, 'SIGINT');
    await pause(20);
    if (isAlive(pid)) process.kill(pid, 'SIGINT');
    while (isAlive(pid)) await pause(20);
    await pause(300);
    const left = before.filter(isAlive);
    await den.start();
    return seen(`${left.length} processes left of ${before.length}`, left.length === 0 && before.length >= 2);
  }),
  attack('PORT=none, PORT=0, PORT=99999', 'a sentence each', async (den) => {
    const said: string[] = [];
    for (const port of ['none', '0', '99999']) {
      const child = spawn('./den', ['start'], { env: { ...den.environment(), PORT: port }, stdio: ['ignore', 'ignore', 'pipe'] });
      let text = '';
      child.stderr.on('data', (chunk: Buffer) => (text += chunk.toString()));
      const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
      said.push(
        status === 1 && text.includes('PORT must be a number from 1 to 65535') ? 'said' : `${status}: ${text.slice(0, 60)}`,
      );
    }
    return seen(
      said.join(', '),
      said.every((one) => one === 'said'),
    );
  }),
  attack('kill -9 of the database', 'busy meanwhile, back by itself, pages too', async (den) => {
    den.kill('database');
    await pause(30);
    const meanwhile = await fetch(`${den.address}/api/health`);
    const back = await answersWithin(den.address, 30_000);
    const page = (await fetch(den.address)).status;
    return seen(
      `${meanwhile.status} meanwhile, back after ${back} ms, page ${page}`,
      [200, 503].includes(meanwhile.status) && back !== null && page === 200,
    );
  }),
  attack('a database that hangs', 'ended and brought back', async (den) => {
    den.kill('database', 'SIGSTOP');
    await pause(1000);
    const meanwhile = (await fetch(`${den.address}/api/health`)).status;
    const back = await answersWithin(den.address, 60_000);
    return seen(`${meanwhile} meanwhile, back after ${back} ms`, meanwhile === 503 && back !== null && back > 500);
  }),
  attack('kill -9 of the application', 'brought back', async (den) => {
    den.kill('app');
    await pause(100);
    const back = await answersWithin(den.address, 30_000);
    return seen(`back after ${back} ms`, back !== null);
  }),
  attack('kill -9 of ./den itself', 'nothing is left running, the next start works', async (den) => {
    const before = den.leftOver();
    const { keeper } = den.running()!;
    process.kill(keeper.pid, 'SIGKILL');
    const began = Date.now();
    while (before.some(isAlive) && Date.now() - began < 60_000) await pause(50);
    const left = before.filter(isAlive).length;
    await den.start();
    return seen(`${left} left after ${Date.now() - began} ms, started`, left === 0);
  }),
  attack('the log after values that cannot be stored', 'no value of anybody’s in it, 0600', async (den) => {
    const mark = 'what somebody typed and nobody else should read';
    const visit = await newVisit(den);
    const kit = () => put('kit', { visitId: visit, items: [{ name: mark, packed: false }] });
    const codes = [await sendChange(den, kit()), await sendChange(den, kit())].map(({ status }) => status);
    const logs = readdirSync(den.data)
      .filter((name) => name.startsWith('app.log') || name.startsWith('database.log'))
      .map((name) => path.join(den.data, name));
    const text = logs.map((file) => readFileSync(file, 'utf8')).join('');
    const modes = new Set(logs.map((file) => (statSync(file).mode & 0o777).toString(8)));
    return seen(
      `answered ${codes.join(', ')}; ${Math.ceil(text.length / 1024)} kB of logs, ${[...modes].join(', ')}`,
      codes.join() === '200,409' &&
        !text.includes(mark) &&
        !/params:|Failed query/.test(text) &&
        modes.size === 1 &&
        modes.has('600'),
    );
  }),
];

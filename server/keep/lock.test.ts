import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { holderOf, takeLock } from './lock';
import { endProcess, isAlive, nameOf, processesWith } from './processes';

const folder = mkdtempSync(path.join(os.tmpdir(), 'den-lock-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('a lock on a file', () => {
  test('is had by one, who is known, until it is let go of', async () => {
    const file = path.join(folder, 'one');
    const lock = (await takeLock(file, 'a test', 0))!;
    expect(holderOf(file)).toMatchObject({ process: { pid: process.pid }, what: 'a test' });
    expect(await takeLock(file, 'another', 0)).toBeNull();
    const waiting = takeLock(file, 'waited for', 10);
    await lock.release();
    const next = await waiting;
    expect(holderOf(file)!.what).toBe('waited for');
    await next!.release();
    expect(holderOf(file)).toBeNull();
  });

  test('is let go of by the system when its holder is killed', async () => {
    const file = path.join(folder, 'killed');
    const holder = spawn('flock', ['--no-fork', file, 'sleep', '60'], { stdio: 'ignore' });
    const isFree = async () => {
      const lock = await takeLock(file, 'a look', 0);
      await lock?.release();
      return lock !== null;
    };
    while (await isFree()) await new Promise((resolve) => setTimeout(resolve, 20));
    holder.kill('SIGKILL');
    const lock = await takeLock(file, 'after', 5);
    expect(lock).not.toBeNull();
    await lock!.release();
  });

  test('a file that names a process of another beginning names nobody', () => {
    const file = path.join(folder, 'stale');
    writeFileSync(`${file}.json`, JSON.stringify({ process: { pid: process.pid, began: '1' }, what: 'x' }));
    expect(holderOf(file)).toBeNull();
    writeFileSync(`${file}.json`, 'no JSON');
    expect(holderOf(file)).toBeNull();
  });
});

describe('processes', () => {
  test('are known by a word of theirs, whole, and by nothing that resembles it', async () => {
    const word = `DEN_TEST_WORD=${process.pid}`;
    const child = spawn('sleep', ['60'], { env: { ...process.env, DEN_TEST_WORD: String(process.pid) }, stdio: 'ignore' });
    const name = nameOf(child.pid!)!;
    while (processesWith('environ', word).length === 0) await new Promise((r) => setTimeout(r, 10));
    expect(processesWith('environ', word)).toEqual([name]);
    expect(processesWith('environ', word.slice(0, -1))).toEqual([]);
    expect(processesWith('cmdline', '60').map(({ pid }) => pid)).toContain(child.pid);
    await endProcess({ ...name, began: '1' }, 100);
    expect(isAlive(name)).toBe(true);
    await endProcess(name, 5000);
    expect(isAlive(name)).toBe(false);
    expect(nameOf(child.pid!)).toBeNull();
  });

  test('one that does not listen is ended by force', async () => {
    const child = spawn('sh', ['-c', 'trap "" TERM; echo ready; while :; do sleep 1; done'], {
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    await new Promise((resolve) => child.stdout.once('data', resolve));
    const name = nameOf(child.pid!)!;
    await endProcess(name, 200);
    expect(isAlive(name)).toBe(false);
  });
});

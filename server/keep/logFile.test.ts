import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { PassThrough } from 'node:stream';
import { logTo } from './logFile';

const folder = mkdtempSync(path.join(os.tmpdir(), 'den-log-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const settled = () => new Promise((resolve) => setTimeout(resolve, 50));
const modeOf = (file: string) => statSync(file).mode & 0o777;

test('lines get their time, long ones are cut, empty ones left out; only the owner reads it', async () => {
  const file = path.join(folder, 'a.log');
  const stream = new PassThrough();
  logTo(file, [stream, null]);
  stream.write(`short\n\n${'x'.repeat(50_000)}\n`);
  await settled();
  const lines = readFileSync(file, 'utf8').trim().split('\n');
  expect(lines).toHaveLength(2);
  expect(lines[0]).toMatch(/^\d{4}-\d\d-\d\dT\S+Z short$/);
  expect(lines[1]!.length).toBeLessThan(1100);
  expect(modeOf(file)).toBe(0o600);
});

test('one that an older version left open to others is closed', () => {
  const file = path.join(folder, 'old.log');
  writeFileSync(file, 'before\n');
  chmodSync(file, 0o644);
  logTo(file, []);
  expect(modeOf(file)).toBe(0o600);
  expect(readFileSync(file, 'utf8')).toBe('before\n');
});

test('it never takes more than two files of four megabytes', async () => {
  const file = path.join(folder, 'full.log');
  const stream = new PassThrough();
  logTo(file, [stream]);
  const line = `${'y'.repeat(900)}\n`;
  for (let i = 0; i < 12_000; i += 1) stream.write(line);
  await settled();
  expect(statSync(file).size + statSync(`${file}.old`).size).toBeLessThan(8.1 * 1024 * 1024);
  expect(modeOf(`${file}.old`)).toBe(0o600);
});

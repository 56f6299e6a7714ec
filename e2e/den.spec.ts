import { spawnSync } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { expect, test } from '@playwright/test';
import { fixture, interchange } from './support/pages';

/** ./den as people and scripts call it. */
function den(words: string[], env: Record<string, string> = {}, cwd = process.cwd()) {
  const { status, stdout, stderr } = spawnSync(`${process.cwd()}/den`, words, {
    cwd,
    env: { ...process.env, ...env },
    encoding: 'utf8',
  });
  return { status, stdout, stderr };
}

test('without a word it says what it can do; a wrong word is wrong use', () => {
  expect(den([])).toMatchObject({ status: 0, stderr: '' });
  expect(den(['help']).stdout).toContain('./den backup FILE');
  const wrong = den(['strat']);
  expect(wrong.status).toBe(2);
  expect(wrong.stderr).toContain('./den start');
});

test('read prints one JSON document and nothing else, from any folder', () => {
  const read = den(['read', fixture('wall-with-bare-bay.tif'), '--pixel', '0,0'], {}, '/');
  expect(read.status).toBe(0);
  const { files } = JSON.parse(read.stdout) as { files: { width: number; pixels: { value: number }[] }[] };
  expect(files[0]!.width).toBe(320);
  expect(files[0]!.pixels[0]!.value).toBeGreaterThan(10);
});

test('a refusal is JSON too, with exit code 2', () => {
  const refused = den(['read', interchange('bad-nan.tif')]);
  expect(refused.status).toBe(2);
  const { error } = JSON.parse(refused.stdout) as {
    error: { code: string; message: string; where: { file: string }; hint: string };
  };
  expect(error).toMatchObject({ code: 'not_finite', where: { file: interchange('bad-nan.tif') } });
  expect(error.hint.length).toBeGreaterThan(10);
});

test('a taken port is named, with the way out', async () => {
  const taken = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => taken.once('listening', resolve));
  const { port } = taken.address() as AddressInfo;
  const started = den(['start'], { PORT: String(port), DEN_DATA: `${process.cwd()}/.den/test/taken` });
  taken.close();
  expect(started.status).toBe(1);
  expect(started.stderr).toContain(`Port ${port} is taken`);
  expect(started.stderr).toContain(`PORT=${port + 1} ./den start`);
});

test('what is missing is said: no data to back up, no file to restore', () => {
  const nowhere = { DEN_DATA: `${process.cwd()}/.den/test/nowhere` };
  expect(den(['backup'], nowhere).stderr).toContain('./den backup FILE');
  expect(den(['backup', '/tmp/x.backup'], nowhere).stderr).toContain('There is no data yet');
  expect(den(['restore', '/tmp/no-such.backup'], nowhere).stderr).toContain('There is no file');
  expect(den(['start', '--ful'], nowhere).stderr).toContain('--empty');
});

import { readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import type { VisitDocument } from '@core/model/document';
import { packedDocumentSchema } from '@core/model/packedDocument';
import { Den } from './support/den';
import { interchange } from './support/pages';

test.describe.configure({ mode: 'serial', timeout: 180_000 });

const den = Den.fresh('keep');
test.afterAll(() => den.interrupt());

async function wholeVisit(id: string): Promise<VisitDocument> {
  return { ...packedDocumentSchema.parse(await (await fetch(`${den.address}/api/visits/${id}/document`)).json()), readAt: 0 };
}

test('the passwords lie in a file that only its owner reads, everything listens on loopback', async () => {
  await den.start();
  expect(statSync(path.join(den.data, 'database.env')).mode & 0o777).toBe(0o600);
  const listening = readFileSync('/proc/net/tcp', 'utf8')
    .split('\n')
    .map((line) => line.trim().split(/\s+/))
    .filter((cells) => cells[3] === '0A')
    .map((cells) => cells[1]!.split(':') as [string, string]);
  const ours = [Number(new URL(den.address).port), den.running()!.databasePort];
  for (const port of ours) {
    const found = listening.filter(([, hex]) => parseInt(hex, 16) === port);
    expect(found.map(([address]) => address)).toEqual(['0100007F']);
  }
});

test('backup, reset, restore: the same data, bytes and all', async () => {
  const visits = await den.visits();
  const [visit] = visits;
  expect(visits).toHaveLength(6);
  const before = await wholeVisit(visit!);
  const file = path.join(den.data, 'all.backup');
  const backup = den.run('backup', file);
  expect(backup.output).toContain('written and read back');
  await den.interrupt();
  expect(den.leftOver()).toEqual([]);

  expect(den.run('reset', '--yes').status).toBe(0);
  await den.start('--empty');
  expect(await den.visits()).toEqual([]);
  await den.interrupt();
  const restored = den.run('restore', file, '--yes');
  expect(restored.output).toContain('Restored from');
  expect(restored.status).toBe(0);
  await den.start();
  expect(await den.visits()).toEqual(visits);
  expect(await wholeVisit(visit!)).toEqual(before);
  const again = path.join(den.data, 'again.backup');
  expect(den.run('backup', again).status).toBe(0);
  await den.interrupt();
});

test('a damaged backup changes nothing', async () => {
  const file = path.join(den.data, 'damaged.backup');
  const whole = readFileSync(path.join(den.data, 'all.backup'));
  writeFileSync(file, whole.subarray(0, Math.round(whole.length / 2)));
  const restored = den.run('restore', file, '--yes');
  expect(restored.status).toBe(1);
  expect(restored.output).toContain('Your data is as it was');
  await den.start();
  expect(await den.visits()).toHaveLength(6);
});

test('killed in the middle of an import, it comes up with everything that was reported saved and nothing half-written', async () => {
  const [visit] = await den.visits();
  const known = Object.keys((await wholeVisit(visit!)).rows.frame).length;
  const grid = readFileSync(interchange('csv-comma.csv'), 'utf8');
  const reported: string[] = [];
  let sending = true;
  const importing = (async () => {
    for (let i = 0; sending && i < 500; i += 1) {
      const body = `Title,number ${i}\n\n${grid}`;
      const answer = await fetch(`${den.address}/api/visits/${visit}/files?name=${i}.csv`, { method: 'POST', body }).catch(
        () => null,
      );
      if (!answer) return;
      reported.push(((await answer.json()) as { id: string }).id);
    }
  })();
  while (reported.length < 12) await new Promise((resolve) => setTimeout(resolve, 20));
  await den.crash();
  sending = false;
  await importing;

  await den.start();
  const after = await wholeVisit(visit!);
  const frames = Object.keys(after.rows.frame);
  for (const id of reported) expect(frames).toContain(id);
  // The one that was on its way may have been stored without its answer having come through; no more than that.
  expect(frames.length - known - reported.length).toBeLessThanOrEqual(1);
  for (const id of frames) {
    for (const kind of ['pixels', 'thumb', 'file'])
      expect((await fetch(`${den.address}/api/frames/${id}/${kind}`)).status).toBe(200);
  }
  await den.interrupt();
});

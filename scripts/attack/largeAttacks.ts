import { rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { readFileSync } from 'node:fs';
import { spawn } from 'node:child_process';
import type { Den } from '../../e2e/support/den';
import { documentOf, newVisit, put, sendChange, settingsOf, upload } from './api';
import { attack, megabytes, seen, type Attack } from './case';
import { pagePixels, stackOf } from './files';
import { peakOf } from './memory';

/** A command of ./den with the seconds it took and the most memory that its own process had. */
async function measured(den: Den, words: string[]): Promise<{ status: number | null; seconds: number; peak: number }> {
  const began = Date.now();
  const child = spawn('./den', words, { env: den.environment(), stdio: 'ignore' });
  let peak = 0;
  const look = setInterval(() => {
    try {
      peak = Math.max(peak, Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) * 1024);
    } catch {
      // It has just ended.
    }
  }, 50);
  const status = await new Promise<number | null>((resolve) => child.on('close', resolve));
  clearInterval(look);
  return { status, seconds: (Date.now() - began) / 1000, peak };
}

/** What takes minutes: a full recording, a gigabyte of frames. */
export const LARGE: Attack[] = [
  attack('a stack of 300 pages and 24 MB, while a second tab edits', '≤ 30 s, edits ≤ 200 ms', async (den) => {
    const visit = await newVisit(den);
    const stack = stackOf(300, 160, 125, (page) => pagePixels(page, 160, 125), false);
    const settings = put('settings', settingsOf('visit', visit));
    await sendChange(den, settings);
    let going = true;
    let slowest = 0;
    let edits = 0;
    const tab = (async () => {
      for (let version = 1; going; version += 1) {
        const began = Date.now();
        const { status } = await sendChange(
          den,
          put('settings', settingsOf('visit', visit, 0.5 + (version % 50) / 100), settings.rowId, version),
        );
        if (status !== 200) throw new Error(`an edit was answered ${status}`);
        slowest = Math.max(slowest, Date.now() - began);
        edits += 1;
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    })();
    const began = Date.now();
    const { body } = await upload(den, visit, 'stack.tif', stack);
    const seconds = (Date.now() - began) / 1000;
    going = false;
    await tab;
    const stored = Object.keys((await documentOf(den, visit)).rows.frame).length;
    return seen(
      `${megabytes(stack.length)}, ${body.pages} pages in ${seconds.toFixed(1)} s, ${edits} edits, slowest ${slowest} ms, peak ${megabytes(peakOf(den))}`,
      body.pages === 300 && stored === 300 && seconds <= 30 && slowest <= 200,
    );
  }),
  attack('a gigabyte of frames: backup, restore, backup', '≤ 60 s each way, ≤ 300 MB, the same data', async (den) => {
    const visit = await newVisit(den, 'A gigabyte');
    for (let i = 0; i < 60; i += 1)
      await upload(
        den,
        visit,
        `${i}.tif`,
        stackOf(1, 1480, 1480, () => pagePixels(i, 1480, 1480), false),
      );
    const files = ['first.backup', 'second.backup'].map((name) => path.join(den.data, name)) as [string, string];
    await den.interrupt();
    const backup = await measured(den, ['backup', files[0]]);
    const restore = await measured(den, ['restore', files[0], '--yes']);
    const again = await measured(den, ['backup', files[1]]);
    const { entriesIn } = await import('./restoreAttacks');
    const rows = files.map((file) =>
      entriesIn(readFileSync(file))
        .get('manifest.json')!
        .toString()
        .replace(/"madeAt":"[^"]*"/, ''),
    );
    const size = statSync(files[0]).size;
    for (const file of files) rmSync(file);
    await den.start();
    const said = [backup, restore, again].map(({ seconds, peak }) => `${seconds.toFixed(1)} s and ${megabytes(peak)}`).join(', ');
    return seen(
      `${megabytes(size)}: ${said}; ${rows[0] === rows[1] ? 'the same' : 'OTHER DATA'}`,
      size > 1e9 &&
        rows[0] === rows[1] &&
        [backup, restore, again].every(({ status, seconds, peak }) => status === 0 && seconds <= 60 && peak <= 300 * 1024 * 1024),
    );
  }),
];

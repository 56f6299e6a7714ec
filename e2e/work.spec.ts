import { writeFileSync } from 'node:fs';
import { Worker as Thread } from 'node:worker_threads';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { NOTHING_TYPED, type PhotoValue } from '../core/model/photoRow';
import { visitDocument } from '../core/testing/visit';
import type { ReportJob, ReportMade } from '../server/report/job';
import type { WorkerMessage } from '../server/workers/protocol';
import { frameFile, inBox, photoFile, visitWith } from './support/card';
import { signalVisit } from './support/heat';
import { pdfText } from './support/pdf';
import { dropFiles, expect, fixture, newVisit, saved, stageOf, test } from './support/pages';

/**
 * What is computed beside a page can break, be refused by the browser, or fall silent. Each place says so within its limit, and
 * trying again works as soon as threads work.
 */
type Threads = 'broken' | 'refused' | 'silent' | 'well';

/** Threads as the test says, in the place of the browser's. */
async function stubThreads(page: Page): Promise<void> {
  await page.clock.install();
  await page.addInitScript(() => {
    const Real = window.Worker;
    const state = window as unknown as { threads: string };
    state.threads = 'broken';
    class Bad extends EventTarget {
      onerror: ((event: Event) => void) | null = null;
      onmessageerror = null;
      postMessage() {
        if (state.threads === 'broken') queueMicrotask(() => this.onerror?.(new Event('error')));
      }
      terminate() {}
    }
    window.Worker = function made(url: URL, options: WorkerOptions) {
      if (state.threads === 'refused') throw new DOMException('No threads here.', 'SecurityError');
      return state.threads === 'well' ? new Real(url, options) : new Bad();
    } as unknown as typeof Worker;
  });
}

const threadsAre = (page: Page, threads: Threads) =>
  page.evaluate((how) => void ((window as unknown as { threads: string }).threads = how), threads);

const BROKEN = /this could not be computed\./i;

/** Goes through all that can be wrong at the place whose problem begins with these words, and ends well. */
async function everyTrouble(page: Page, place: string | RegExp): Promise<void> {
  const problem = page.getByRole('alert').filter({ hasText: place });
  const again = problem.getByRole('button', { name: 'Try again' });
  await expect(problem).toContainText(BROKEN);
  await threadsAre(page, 'silent');
  await again.click();
  await expect(problem).toHaveCount(0);
  // The limit begins with the piece of work, a moment after the button.
  await expect(async () => {
    await page.clock.fastForward(121_000);
    await expect(problem).toContainText(/no answer came for (60|120) s\./i, { timeout: 1000 });
  }).toPass();
  await threadsAre(page, 'refused');
  await again.click();
  await expect(problem).toContainText(BROKEN);
  await threadsAre(page, 'well');
  await again.click();
  await expect(problem).toHaveCount(0);
}

test('what deserves a look', async ({ page }) => {
  await stubThreads(page);
  await newVisit(page, 'Looks without threads');
  await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
  await page.getByRole('button', { name: "Close the import's summary" }).click();
  await page.keyboard.press('w');
  await everyTrouble(page, 'What deserves a look');
  await expect(
    page.getByRole('complementary', { name: 'What deserves a look' }).getByRole('status').filter({ hasText: 'look' }),
  ).toContainText(/deserves? a look/);
});

test('whether a photo lies over its frame', async ({ page }) => {
  await stubThreads(page);
  const visit = await newVisit(page, 'Lines without threads');
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [48, 24, 95, 71]) ? 11 : null));
  await visitWith(page, visit, [
    { name: 'pair.npy', bytes },
    { name: 'pair.jpg', bytes: await photoFile(0.38, 0.28) },
  ]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await page.keyboard.press('v');
  await everyTrouble(page, 'Whether the photo lies over its frame');
  await expect(page.getByText(/The photo seems to lie \d+ pixels beside the frame/)).toBeVisible();
});

test('the walk of balancing', async ({ page }) => {
  await stubThreads(page);
  await page.goto(`/visits/${await signalVisit(page, 'Balance without threads')}/heat/balance`);
  await page.getByRole('button', { name: 'Begin turning at once, without a before' }).click();
  await everyTrouble(page, 'The walk');
  await expect(page.getByRole('heading', { name: /^Walk 1 · 0 of \d/ })).toBeVisible();
});

test('a proof on its page and in the report', async ({ page }) => {
  await stubThreads(page);
  await page.goto('/');
  await page.getByRole('link', { name: /After the works/ }).click();
  await page.getByRole('link', { name: 'Proof' }).click();
  const finding = page
    .getByRole('navigation', { name: 'Findings to prove' })
    .getByRole('button', { name: /Bay left of the window/ });
  await finding.click();
  await expect(finding).toHaveAttribute('aria-current', 'true');
  const offer = page.getByRole('button', { name: /^Compare with/ }).first();
  const problem = page.getByRole('alert').filter({ hasText: 'The comparison' });
  await expect(offer.or(problem)).toBeVisible();
  if (await offer.isVisible()) await offer.click();
  await everyTrouble(page, 'The comparison');
  await expect(page.getByRole('complementary', { name: 'What changed' })).toContainText(/Laid on each other[^]*Better/);
  await saved(page);
  await page.getByRole('link', { name: 'Report' }).click();
  await page.waitForURL(/\/report/);
  // What was found out on its own page is kept: the report says it without a thread.
  await page.reload();
  await expect(page.getByText('The same places were looked at before and after.')).toBeVisible();
  await expect(
    page
      .getByRole('cell', { name: 'Better' })
      .or(page.getByText('Better', { exact: true }))
      .first(),
  ).toBeVisible();
  await page.route('**/api/kept/**', (route) => route.fulfill({ json: { value: null } }));
  await page.reload();
  const missing = page.getByRole('alert').filter({ hasText: /could not be computed and (is|are) missing below/ });
  await expect(missing).toBeVisible();
  await threadsAre(page, 'well');
  await missing.getByRole('button', { name: 'Try again' }).click();
  await expect(missing).toHaveCount(0);
});

test('a leak’s series, and the sharing of a camera', async ({ page }) => {
  await stubThreads(page);
  await page.goto('/');
  await page.getByRole('link', { name: /Wet floor/ }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await everyTrouble(page, 'The series');
  await expect(page.getByRole('status').filter({ hasText: 'It comes out in the circle' })).toBeVisible();
  await page.goto('/loans');
  await page.getByRole('link', { name: /Row camera, second week/ }).click();
  await everyTrouble(page, /This could not|No answer/);
  await expect(page.getByRole('heading', { name: 'Who has it when' })).toBeVisible();
});

test('a damaged photo and a frame whose bytes are gone are named in a report, which is made all the same', async ({}, info) => {
  const document = visitDocument();
  const [frame] = Object.values(document.rows.frame);
  const photo: PhotoValue = {
    frameId: null,
    name: 'kitchen.jpg',
    role: 'view',
    stopKey: null,
    discarded: false,
    evidence: true,
    typed: NOTHING_TYPED,
    alignment: null,
    quarters: 0,
    mirrored: false,
  };
  const job = {
    document: { ...document, rows: { ...document.rows, photo: { p1: { id: 'p1', version: 1, value: photo } } } },
    earlier: [],
    unit: 'C',
    paper: 'report',
    pixels: {},
    photos: { p1: Buffer.from('no picture') },
    had: [],
  } as unknown as ReportJob;
  const worker = new Thread(path.resolve('.den/bundle/report.mjs'));
  try {
    const answer = await new Promise<WorkerMessage<ReportMade, never>>((resolve, reject) => {
      worker.on('error', reject);
      worker.on('message', (message: WorkerMessage<ReportMade, never>) => message.kind !== 'progress' && resolve(message));
      worker.postMessage({ id: 1, kind: 'job', job });
    });
    if (answer.kind === 'crashed') throw new Error(answer.message);
    expect(answer).toMatchObject({ kind: 'result' });
    const file = info.outputPath('gaps.pdf');
    writeFileSync(file, (answer as { result: ReportMade }).result.pdf);
    const text = (await pdfText(file)).text.replaceAll(/\s+/g, ' ');
    expect(text).toContain(
      `Missing in this paper, because the bytes are missing or damaged: frame “${frame!.value.name}”, photo “kitchen.jpg”.`,
    );
  } finally {
    await worker.terminate();
  }
});

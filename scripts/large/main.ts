import { readdirSync, readFileSync } from 'node:fs';
import { chromium, type CDPSession, type Page } from '@playwright/test';
import { v7 as newId } from 'uuid';
import { NO_SETTINGS } from '../../core/method/radiometry/settings';
import { settingsIdOf } from '../../core/ground/rowId';
import { Den } from '../../e2e/support/den';
import { documentOf, post } from '../attack/api';
import { fillVisit } from './fillVisit';

/** What a visit of thousands of frames costs, on a Glow Den of its own: ./den bench --large [FRAMES]. Prints JSON. */
const FRAMES = Number(process.argv[2] ?? 5000);
const LOOKED_AT = 300;
const STEP = 500;

const median = (all: number[]) => [...all].sort((a, b) => a - b)[all.length >> 1]!;
const round = (value: number) => Math.round(10 * value) / 10;

/** The longest stretches of the main thread's work while something is done, ms, the longest first. */
async function tasksDuring(cdp: CDPSession, work: () => Promise<void>): Promise<number[]> {
  const events: { name: string; dur?: number; tid: number; args?: { data?: unknown; name?: string } }[] = [];
  const collect = ({ value }: { value: unknown[] }) => events.push(...(value as typeof events));
  cdp.on('Tracing.dataCollected', collect as never);
  await cdp.send('Tracing.start', {
    transferMode: 'ReportEvents',
    categories: 'toplevel,disabled-by-default-devtools.timeline,__metadata',
  } as never);
  await work();
  const done = new Promise<void>((resolve) => cdp.once('Tracing.tracingComplete', () => resolve()));
  await cdp.send('Tracing.end');
  await done;
  cdp.off('Tracing.dataCollected', collect as never);
  const main = new Set(
    events.filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain').map(({ tid }) => tid),
  );
  return events
    .filter(
      ({ name, tid, dur }) =>
        (name === 'RunTask' || name === 'ThreadControllerImpl::RunTask') && main.has(tid) && dur !== undefined,
    )
    .map(({ dur }) => dur! / 1000)
    .sort((a, b) => b - a);
}

/** Bytes that came over the wire while something is done, headers and packing included. */
async function wireDuring(cdp: CDPSession, work: () => Promise<void>): Promise<number> {
  let bytes = 0;
  const count = ({ encodedDataLength }: { encodedDataLength: number }) => (bytes += encodedDataLength);
  cdp.on('Network.loadingFinished', count);
  await work();
  cdp.off('Network.loadingFinished', count);
  return bytes;
}

async function firstLoad(page: Page, cdp: CDPSession, address: string) {
  let seconds = 0;
  const wire = await wireDuring(cdp, async () => {
    const began = Date.now();
    await page.goto(address);
    await page.getByRole('application').waitFor();
    seconds = (Date.now() - began) / 1000;
  });
  return { seconds, wire };
}

const settled = (page: Page) => page.getByText('Saved', { exact: true }).waitFor();

async function measure(den: Den, page: Page, cdp: CDPSession, visit: string) {
  const address = `${den.address}/visits/${visit}/bench`;
  await page.goto(den.address);
  const load = await firstLoad(page, cdp, address);
  // Once more with what the browser keeps: scripts and styles are there.
  const again = await firstLoad(page, cdp, address);
  await page.waitForTimeout(2000);

  // An edit: the first region of the frame moves by a key.
  await page.getByRole('button', { name: /box 1/ }).first().click();
  await page.getByRole('application').focus();
  const edits: number[] = [];
  let sent = 0;
  let received = 0;
  page.on('request', (request) => {
    if (request.url().endsWith('/api/commands')) sent = Math.max(sent, request.postDataBuffer()?.length ?? 0);
  });
  page.on('response', (response) => {
    if (response.url().endsWith('/api/commands'))
      void response.body().then((body) => (received = Math.max(received, body.length)));
  });
  for (let i = 0; i < 8; i += 1) {
    const tasks = await tasksDuring(cdp, async () => {
      await page.keyboard.press(i % 2 ? 'ArrowLeft' : 'ArrowRight');
      await page.waitForTimeout(250);
    });
    edits.push(tasks[0] ?? 0);
  }
  await settled(page);

  const looked = await lookAt(page);
  return { load, again, edits, sent, received, looked };
}

/** Goes through frames and reads the memory of the page's process, MB. */
async function lookAt(page: Page): Promise<number> {
  for (let i = 0; i < LOOKED_AT; i += 1) {
    await page.keyboard.press('n');
    if (i % 10 === 0) await page.waitForTimeout(150);
  }
  await page.waitForTimeout(1500);
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('HeapProfiler.collectGarbage');
  await page.waitForTimeout(1500);
  return residentMb();
}

/** What the page's process has in memory, MB: the largest of the browser's renderers. */
function residentMb(): number {
  const renderers = readdirSync('/proc').filter((pid) => {
    if (!/^\d+$/.test(pid)) return false;
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer');
    } catch {
      return false;
    }
  });
  const sizes = renderers.map((pid) => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0));
  return Math.max(0, ...sizes) / 1024;
}

/** One step over many frames, straight at the server. */
async function bigStep(den: Den, visit: string): Promise<number[]> {
  const { rows } = await documentOf(den, visit);
  const frames = Object.keys(rows.frame).slice(0, STEP);
  const took: number[] = [];
  for (let version = 0; version < 5; version += 1) {
    const changes = frames.map((ownerId) => ({
      action: 'put',
      entity: 'settings',
      rowId: settingsIdOf(ownerId),
      version,
      value: { ...NO_SETTINGS, level: 'frame', ownerId, emissivity: 0.9 - version / 100 },
    }));
    const began = performance.now();
    const { status } = await post(den, '/api/commands', { id: newId(), changes });
    took.push(performance.now() - began);
    if (status !== 200) throw new Error(`a step was answered ${status}`);
  }
  return took;
}

const den = Den.fresh('bench-large');
await den.start('--empty');
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});
try {
  const { visit } = await fillVisit(den, FRAMES);
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Network.enable');
  const { load, again, edits, sent, received, looked } = await measure(den, page, cdp, visit);
  const steps = await bigStep(den, visit);
  console.log(
    JSON.stringify(
      {
        frames: FRAMES,
        firstLoadS: round(load.seconds),
        firstLoadKb: Math.round(load.wire / 1024),
        loadAgainS: round(again.seconds),
        loadAgainKb: Math.round(again.wire / 1024),
        editTaskMsMedian: round(median(edits)),
        editTaskMsLongest: round(Math.max(...edits)),
        editSentBytes: sent,
        editReceivedBytes: received,
        memoryMbAfter300Frames: Math.round(looked),
        stepOf500FramesMs: steps.map(round),
      },
      null,
      2,
    ),
  );
} finally {
  await browser.close();
  await den.interrupt();
}

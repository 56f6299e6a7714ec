// Measures what loading each page costs in headless Chromium, with the production build and the demo:
// node scripts/measure-pages.mjs ADDRESS [TIMES] [PART OF A PATH]
// Prints JSON, medians: first byte; first paint with content that somebody can read; whatever the page is for being there
// (ready); the longest task of the main thread, all in ms; and the script that came over the wire until then, kB.
import { chromium } from '@playwright/test';

const [address = 'http://127.0.0.1:3000', times = '7', part = ''] = process.argv.slice(2);
const median = (all) => [...all].sort((a, b) => a - b)[all.length >> 1];

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});

/** The address of the visit behind a link of the first page, without its stage. */
async function baseOf(page, name) {
  const link = page.getByRole('link', { name }).first();
  return (await link.getAttribute('href')).replace(/\/[a-z]+$/, '');
}

const first = await browser.newPage();
await first.goto(address);
const home = await baseOf(first, /Old Kiln Row · No\. 2/);
const heating = await baseOf(first, /Season start/);
const wet = await baseOf(first, /Wet floor/);
const works = await baseOf(first, /After the works/);
await first.goto(`${address}/loans`);
const loan = await first.locator('a[href^="/loans/"]').first().getAttribute('href');
await first.close();

/** Paths with what each of them is for. */
const PAGES = {
  '/': 'a[href^="/visits/"]',
  '/shelf': 'main h2',
  '/loans': 'a[href^="/loans/"]',
  [loan]: 'main h2',
  ...Object.fromEntries(
    Object.entries({
      question: 'main h2',
      hours: 'main h2',
      kit: 'main h2',
      round: 'main h1, main h2',
      'round/house': 'main h1, main h2',
      'round/card': '[data-testid=card-frame]',
      bench: 'main canvas',
      findings: '[data-testid=difference]',
      report: 'main h1',
    }).map(([stage, ready]) => [`${home}/${stage}`, ready]),
  ),
  ...Object.fromEntries(
    ['', 'radiators', 'balance', 'given', 'pipes', 'floor', 'flush', 'boiler'].map((heat) => [
      `${heating}/heat${heat && `/${heat}`}`,
      'main h1',
    ]),
  ),
  [`${wet}/water`]: 'main h1',
  [`${works}/proof`]: 'main nav button',
};

const found = {};
for (const [path, ready] of Object.entries(PAGES)) {
  if (!path.includes(part)) continue;
  const seen = [];
  for (let i = 0; i < Number(times); i += 1) {
    // A context of its own: nothing is in its cache, as on somebody's first visit.
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await page.addInitScript(() => {
      window.tasks = [];
      new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({
        type: 'longtask',
        buffered: true,
      });
    });
    await page.goto(`${address}${path}`, { waitUntil: 'commit' });
    const readyMs = await page
      .waitForFunction((selector) => document.querySelector(selector)?.checkVisibility() && performance.now(), ready, {
        timeout: 20_000,
      })
      .then((handle) => handle.jsonValue());
    await page.waitForTimeout(1500);
    seen.push({
      ready: readyMs,
      ...(await page.evaluate(() => {
        const { requestStart, responseStart } = performance.getEntriesByType('navigation')[0];
        const scripts = performance
          .getEntriesByType('resource')
          .filter(({ initiatorType, name }) => initiatorType === 'script' || /\.js(\?|$)/.test(name));
        return {
          firstByte: responseStart - requestStart,
          firstPaint: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
          longest: Math.max(0, ...window.tasks),
          script: scripts.reduce((sum, { encodedBodySize }) => sum + encodedBodySize, 0) / 1024,
        };
      })),
    });
    await context.close();
  }
  const of = (name) => Math.round(median(seen.map((one) => one[name])));
  const name = path.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/, '…');
  found[name] = {
    firstByteMs: of('firstByte'),
    firstPaintMs: of('firstPaint'),
    readyMs: of('ready'),
    longestTaskMs: of('longest'),
    scriptKB: of('script'),
  };
  if (process.stderr.isTTY) console.error(name, JSON.stringify(found[name]));
}
await browser.close();
console.log(JSON.stringify(found, null, 2));

// Measures what loading each page costs in headless Chromium, with the production build and the demo: node scripts/measure-pages.mjs ADDRESS
// Prints JSON: for each page the first byte and the longest task of the main thread while it loads, ms, medians of five.
import { chromium } from '@playwright/test';

const [address = 'http://127.0.0.1:3000'] = process.argv.slice(2);
const TIMES = 5;
const median = (all) => [...all].sort((a, b) => a - b)[all.length >> 1];

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => {
  window.tasks = [];
  new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({
    type: 'longtask',
    buffered: true,
  });
});
await page.goto(address);
const visit = await page
  .getByRole('link', { name: /Old Kiln Row · No\. 2/ })
  .first()
  .getAttribute('href');
const base = visit.replace(/\/[a-z]+$/, '');
const stages = ['question', 'hours', 'kit', 'round', 'round/house', 'bench', 'findings', 'report'];
const paths = ['/', '/shelf', '/loans', ...stages.map((stage) => `${base}/${stage}`)];
const found = {};
for (const path of paths) {
  const firstBytes = [];
  const longest = [];
  for (let i = 0; i < TIMES; i += 1) {
    await page.goto(`${address}${path}`);
    await page.waitForTimeout(1500);
    const seen = await page.evaluate(() => ({
      firstByte: performance.getEntriesByType('navigation')[0].responseStart,
      longest: Math.max(0, ...window.tasks),
    }));
    firstBytes.push(seen.firstByte);
    longest.push(seen.longest);
  }
  found[path.replace(base, '/visits/…')] = {
    firstByteMs: Math.round(median(firstBytes)),
    longestTaskMs: Math.round(median(longest)),
  };
}
await browser.close();
console.log(JSON.stringify(found, null, 2));

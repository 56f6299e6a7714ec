// Measures what dragging the scale costs in headless Chromium: node scripts/measure-drag.mjs http://127.0.0.1:3000 [frame file]
// Prints JSON: longest task on the main thread and median redraw, in ms. With a file, that frame is measured instead of the demo's.
import { chromium } from '@playwright/test';

const [address = 'http://127.0.0.1:3000', file] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(address);
await page
  .getByRole('link', { name: /Old Kiln Row · No\. 2/ })
  .first()
  .click();
await page.getByRole('application').waitFor();
if (file) {
  await page.getByLabel('Files to add').setInputFiles(file);
  await page
    .getByRole('region', { name: 'Import' })
    .getByText(/1 frame|already here/)
    .waitFor();
}
await page.waitForTimeout(2000);
const knob = await page.getByRole('slider', { name: 'Warm end of the colours' }).boundingBox();
await page.evaluate(() => {
  window.tasks = [];
  window.redraws = [];
  new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({
    type: 'longtask',
  });
  new PerformanceObserver((list) =>
    window.redraws.push(...list.getEntriesByName('den:redraw').map((entry) => entry.duration)),
  ).observe({
    type: 'measure',
  });
});
const [x, y] = [knob.x + 30, knob.y + knob.height / 2];
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 0; i < 120; i += 1) {
  await page.mouse.move(x, y + 50 * Math.sin(i / 8));
  await page.waitForTimeout(16);
}
await page.waitForTimeout(200);
const { tasks, redraws } = await page.evaluate(() => ({ tasks: window.tasks, redraws: window.redraws }));
await page.mouse.up();
redraws.sort((a, b) => a - b);
console.log(
  JSON.stringify({
    redraws: redraws.length,
    medianRedraw: redraws[redraws.length >> 1],
    slowestRedraw: redraws.at(-1),
    tasksOver50: tasks.length,
    longestTask: Math.max(0, ...tasks),
  }),
);
await browser.close();

// Drops a card of 300 frames (320 × 240, 92 MB as float32) on the bench in Chromium, on a Glow Den of its own: ./den bench --import
// Prints JSON: seconds until all are in and shown, the longest task of the page's main thread in ms, the server's peak memory in MB.
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

const FRAMES = 300;
const den = spawn('./den', ['start', '--empty'], { env: { ...process.env, PORT: '3407' }, stdio: ['ignore', 'pipe', 'inherit'] });
const address = await new Promise((resolve, reject) => {
  den.stdout.on('data', (chunk) => {
    process.stderr.write(chunk);
    const found = /Glow Den: (http:\/\/\S+)/.exec(chunk.toString());
    if (found) resolve(found[1]);
  });
  den.on('exit', (code) => reject(new Error(`./den start ended with ${code}`)));
});
const { pid } = JSON.parse(readFileSync(path.join(process.env.DEN_DATA, 'running.json'), 'utf8')).app;

const post = async (path, body) => {
  const response = await fetch(`${address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return response.json();
};

const { visitId } = await post('/api/visits', {
  site: { name: 'Bench', address: '', timeZone: 'Europe/London', latitude: 51, longitude: 1, facades: [] },
  kind: 'heat-loss',
  title: 'A full card',
  question: '',
  startedAt: Date.now(),
  insideC: 20,
  outsideC: 2,
  humidityPct: 50,
  rooms: ['Front room'],
});

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/visits/${visitId}/bench`);
  await page.getByRole('button', { name: /files/i }).first().waitFor();
  const transfer = await page.evaluateHandle((count) => {
    const [width, height] = [320, 240];
    const text = `{'descr': '<f4', 'fortran_order': False, 'shape': (${height}, ${width}), }`.padEnd(117) + '\n';
    const header = new Uint8Array(128);
    header.set([0x93, 0x4e, 0x55, 0x4d, 0x50, 0x59, 1, 0, 118, 0]);
    header.set(new TextEncoder().encode(text), 10);
    const data = new DataTransfer();
    for (let n = 0; n < count; n += 1) {
      // Noise that no frame shares with another, so that nothing is a duplicate.
      const pixels = Float32Array.from({ length: width * height }, (_, i) => 18 + Math.sin(i / 900 + n) + Math.random() / 10);
      const name = `card_${String(n).padStart(3, '0')}.npy`;
      data.items.add(new File([header, pixels], name, { lastModified: Date.now() - (count - n) * 60_000 }));
    }
    window.tasks = [];
    return data;
  }, FRAMES);
  await page.waitForTimeout(1000);
  await page.evaluate(() =>
    new PerformanceObserver((list) => window.tasks.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    }),
  );
  const begun = performance.now();
  await page.locator('main > div').first().dispatchEvent('drop', { dataTransfer: transfer });
  await page.getByRole('region', { name: 'Import' }).getByText(`${FRAMES} frames`).waitFor({ timeout: 300_000 });
  const seconds = (performance.now() - begun) / 1000;
  await page.waitForTimeout(500);
  // The film strip under the hand, from end to end.
  const strip = page.getByRole('navigation', { name: 'Frames of this visit' });
  for (let i = 0; i < 10; i += 1) {
    await strip.hover();
    await page.mouse.wheel(2500, 0);
    await page.waitForTimeout(60);
  }
  const tasks = await page.evaluate(() => window.tasks);
  const peak = Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1024;
  const round = (value) => Math.round(value * 10) / 10;
  console.log(
    JSON.stringify({
      import: {
        frames: FRAMES,
        seconds: round(seconds),
        longestTaskMs: round(Math.max(0, ...tasks)),
        tasksOver50Ms: tasks.length,
        serverPeakMb: round(peak),
      },
    }),
  );
} finally {
  await browser.close();
  den.removeAllListeners('exit');
  den.kill('SIGINT');
  await new Promise((resolve) => den.on('exit', resolve));
}

import type { Page } from '@playwright/test';
import { writeNpy } from '../core/method/formats/npy/write';
import { floorSeries } from '../core/method/simulate/series/floorSeries';
import { SHED_LEAK } from '../data/demo/shedLeak';
import { documentOf, expect, saved, test, violations } from './support/pages';
import { folderToWatch, write } from './support/folder';
import { pdfText } from './support/pdf';

/** The demo's wet floor. */
async function openWater(page: Page): Promise<string> {
  await page.goto('/');
  await page.getByRole('link', { name: /Wet floor/ }).click();
  await page.waitForURL(/visits\/[0-9a-f-]+/);
  await page.getByRole('link', { name: 'Water' }).click();
  await page.waitForURL(/\/water/);
  await expect(page.getByRole('heading', { level: 1, name: 'Water' })).toBeVisible();
  return /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

const step = (page: Page, name: string) => page.getByRole('group', { name });
const says = (page: Page) => page.getByRole('status').filter({ hasText: /circle|leak|enough|beside/ });

test('from the wet floor to the mark and what was found', async ({ page }) => {
  const visit = await openWater(page);
  await step(page, 'Does the meter stand still?').getByRole('button', { name: 'No' }).click();
  await step(page, 'Does it stop when the hot side is shut?').getByRole('button', { name: 'Yes' }).click();
  await expect(page.getByRole('region', { name: 'What it may be' }).getByRole('listitem').first()).toContainText(
    'Hot water pipe',
  );
  await expect(page.getByRole('region', { name: 'Will it show?' })).toContainText(/A usual leak shows after \d+ min/);
  await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
  await step(page, 'Does a place warm when hot water runs?').getByRole('button', { name: 'Yes' }).click();

  // The circle holds the truth.
  const picture = page.getByRole('img', { name: /a circle marks where the water comes out/ });
  const size = (await picture.boundingBox())!;
  const zoom = size.width / SHED_LEAK.series.columns;
  const circle = page.locator('main svg circle[class*="_circle"]');
  const [cx, cy, r] = await Promise.all(['cx', 'cy', 'r'].map(async (name) => Number(await circle.getAttribute(name)) / zoom));
  expect(Math.hypot(cx! - 0.5 - SHED_LEAK.source.x, cy! - 0.5 - SHED_LEAK.source.y)).toBeLessThan(r! + 0.5);

  await page.getByLabel('Away from it').fill('1.62');
  await page.getByLabel('Away from it').press('Enter');
  await page.getByLabel('Away from that').fill('0.88');
  await page.getByLabel('Away from that').press('Enter');
  await page.getByRole('button', { name: 'It was opened' }).click();
  // That it was opened says nothing of what was found.
  await saved(page);
  expect(Object.values((await documentOf(page, visit)).rows.hunt)[0]!.value.found!.cause).toBeNull();
  await page.getByRole('combobox', { name: 'Cause that was found' }).click();
  await page.getByTitle('Hot water pipe', { exact: true }).click();
  await page.getByLabel('Depth').fill('42');
  await page.getByLabel('Depth').press('Enter');
  await expect
    .poll(async () => {
      const [row] = Object.values((await documentOf(page, visit)).rows.hunt);
      const { mark, found, steps } = row!.value;
      return [mark?.aM, mark?.bM, found?.cause, found?.depthMm, Object.keys(steps).length];
    })
    .toEqual([1.62, 0.88, 'hot-pipe', 42, 3]);
});

test('what the series says moves what it may be, and the case goes on paper with what it costs', async ({ page }) => {
  await openWater(page);
  await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
  await expect(page.getByRole('listitem', { name: 'Does a place warm when hot water runs?' })).toContainText(
    /The series says so\.|Speaks for/,
  );
  for (const [label, value] of [
    ['Loss by bucket or meter', '0.5'],
    ['Price of a m³ of water', '4'],
    ['Price of a kWh of heat', '0.1'],
  ] as const) {
    await page.getByLabel(label).fill(value);
    await page.getByLabel(label).press('Enter');
  }
  // 720 l of 45 °C: 28.5 kWh over the mains.
  await expect(
    page.getByText('A day takes 720 ± 140 litres and 28 ± 8 kWh of heat (mains taken as 11 °C): costs 5.68 ±'),
  ).toBeVisible();
  const [paper] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /The case as PDF$/ }).click(),
  ]);
  const { text: words } = await pdfText(await paper.path());
  expect(words).toContain('It comes out in the circle');
  expect(words).toContain('720 ± 140 litres');
  expect(words).toContain('Gas pipes');
});

test('a step that takes its time has a clock', async ({ page }) => {
  await openWater(page);
  const listen = page.getByRole('listitem', { name: 'Is water heard?' });
  await listen.getByRole('button', { name: /Start 5 min$/ }).click();
  await expect(listen.getByRole('timer')).toHaveText('0 of 5 min');
  await listen.getByRole('button', { name: /Stop the clock$/ }).click();
  await expect(listen.getByRole('timer')).toHaveCount(0);
});

test('a place is held against the dew point and what a wet place could be, and the meter is read day by day', async ({
  page,
}) => {
  const visit = await openWater(page);
  await page.getByText('Wet or not?', { exact: true }).click();
  const picture = page.getByRole('img', { name: 'The damp place' });
  const { x, y, width, height } = (await picture.boundingBox())!;
  await page.mouse.click(x + 0.2 * width, y + 0.3 * height);
  await expect(
    page.getByText(/against a dew point of 10\.\d °C ± \d\.\d K; a wet place here is at most 1\d\.\d °C ± \d\.\d K/),
  ).toBeVisible();
  // What it belongs to decides what cools it from behind; heated from behind it dries though it is warm.
  await expect(page.getByLabel('What it belongs to')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Heated from behind' }).check();
  await expect(page.getByText(/a wet place here is at most [2-4]\d\.\d °C/)).toBeVisible();
  await page.getByLabel('Meter reads').fill('48');
  await page.getByRole('button', { name: 'Add the reading' }).click();
  await expect(page.getByRole('table', { name: 'Meter readings by day' })).toContainText('48');
  await expect
    .poll(async () => Object.values((await documentOf(page, visit)).rows.hunt)[0]!.value.meter.map(({ value }) => value))
    .toEqual([48]);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('table', { name: 'Meter readings by day' })).toHaveCount(0);
});

test('along a drain its width is measured between two ends', async ({ page }) => {
  await openWater(page);
  await page.getByText('Along a drain', { exact: true }).click();
  const { x, y, width, height } = (await page.getByRole('img', { name: 'The floor over the drain' }).boundingBox())!;
  const [u, v] = [SHED_LEAK.source.x / SHED_LEAK.series.columns, SHED_LEAK.source.y / ((3 * SHED_LEAK.series.columns) / 4)];
  await page.mouse.click(x + (u - 0.03) * width, y + v * height);
  await page.mouse.click(x + (u + 0.06) * width, y + v * height);
  await expect(page.getByText(/As wide everywhere|Wider than usual/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'Width along the drain' })).toBeVisible();
  await page.getByRole('button', { name: 'Other ends' }).click();
  // Across bare floor nothing stands out.
  await page.mouse.click(x + 0.1 * width, y + 0.15 * height);
  await page.mouse.click(x + 0.35 * width, y + 0.15 * height);
  await expect(page.getByText('Hardly anything along this line stands out')).toBeVisible();
});

test('frames are played, and a place asked for its curve', async ({ page }) => {
  await openWater(page);
  await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
  const scrubber = page.getByRole('slider', { name: 'Frame' });
  await scrubber.fill('4');
  await expect(page.getByText(/^5 of 16 · 6 min$/)).toBeVisible();
  const picture = page.getByRole('img', { name: /a circle marks/ });
  const { x, y, width, height } = (await picture.boundingBox())!;
  await page.mouse.click(x + 0.2 * width, y + 0.2 * height);
  await expect(page.getByText(/Rise at the chosen place in K over minutes/)).toBeVisible();
});

test('a folder is watched while the series is taken: frames go into it, other files are said', async ({ page }) => {
  await folderToWatch(page);
  const visit = await openWater(page);
  await expect(page.getByTitle(/· 16 frames$/)).toBeVisible();
  await page.getByRole('button', { name: /Watch a folder$/ }).click();
  await expect(page.getByRole('button', { name: /Watching “card”/ })).toBeVisible();
  const { frames } = floorSeries(SHED_LEAK.seed + 1, { ...SHED_LEAK.series, source: SHED_LEAK.source });
  await write(page, 'floor-17.npy', Buffer.from(writeNpy(frames.at(-1)!.frame)));
  await expect(page.getByTitle(/· 17 frames$/)).toBeVisible();
  await saved(page);
  const stops = Object.values((await documentOf(page, visit)).rows.frame).map(({ value }) => value.stopKey);
  expect(stops).toHaveLength(17);
  expect(new Set(stops).size).toBe(1);
  await write(page, 'notes.txt', Buffer.from('not a picture'));
  await expect(page.getByText(/^notes\.txt: /)).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByTitle(/· 16 frames$/)).toBeVisible();
  await page.getByRole('button', { name: /Watching “card”/ }).click();
  await expect(page.getByRole('button', { name: /Watch a folder$/ })).toBeVisible();
});

test('the cold side is another question, asked at once', async ({ page }) => {
  await openWater(page);
  await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
  await page.getByText('Cold side', { exact: true }).click();
  await expect(says(page)).toContainText(/Nothing here behaves like a leak|Not long enough/, { timeout: 60_000 });
  await page.getByText('Hot side', { exact: true }).click();
  await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
] as const)
  test(`nothing hides and all can be read at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await openWater(page);
    await expect(says(page)).toContainText('It comes out in the circle', { timeout: 60_000 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expect(await violations(page)).toEqual([]);
  });

import type { Page } from '@playwright/test';
import { put, stepOf } from './support/commands';
import { documentOf, expect, houseVisit, saved, test } from './support/pages';
import { frameFile } from './support/card';
import { folderToWatch, write } from './support/folder';

test.use({
  permissions: ['camera'],
  launchOptions: {
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-background-networking',
      '--disable-quic',
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
    ],
  },
});

/** The visit's camera is one of the shelf, not the stand-in. */
async function withOwnCamera(page: Page, id: string): Promise<void> {
  const { rows } = await documentOf(page, id);
  const [own] = Object.entries(rows.camera).filter(([, { value }]) => value.name.startsWith('Row camera'));
  const visit = rows.visit[id]!;
  const change = put('visit', { ...visit.value, cameraId: own![0] }, id, visit.version);
  const sent = await page.request.post('/api/commands', { data: stepOf(change) });
  expect(sent.status()).toBe(200);
}

const own = (page: Page) => page.getByRole('region', { name: 'Own camera' });

for (const viewport of [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
]) {
  test(`a live picture with last time over it is kept without data, and taken back, ${viewport.width}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    const first = await houseVisit(page, `Twice seen ${viewport.width}`);
    await page.goto(`/visits/${first}/round`);
    await page.getByRole('button', { name: /Capture$/ }).click();
    await expect(page.getByTestId('stop-record')).toContainText('Seen');
    await saved(page);
    await page.getByRole('link', { name: 'All visits' }).click();
    await page.getByRole('button', { name: `Visit Twice seen ${viewport.width}` }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Begin the visit' }).click();
    await page.waitForURL(/\/question/);
    const id = /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
    await withOwnCamera(page, id);
    await page.goto(`/visits/${id}/round`);
    // Beside: last time's frame, to aim by.
    await expect(own(page).getByRole('img', { name: 'The same stop last time' })).toBeVisible();
    await own(page).getByRole('button', { name: 'Live picture' }).click();
    await expect(own(page).getByText('Live, without data')).toBeVisible();
    await expect(own(page).getByRole('img', { name: 'The same stop last time' })).toBeVisible();
    await own(page).getByRole('button', { name: 'Hide last time' }).click();
    await expect(own(page).getByRole('img', { name: 'The same stop last time' })).toHaveCount(0);
    await expect
      .poll(() => page.getByLabel('Live picture', { exact: true }).evaluate((video) => (video as HTMLVideoElement).videoWidth))
      .toBeGreaterThan(100);
    await own(page).getByRole('button', { name: 'Keep this picture' }).click();
    await expect(page.getByTestId('stop-record')).toContainText('Seen');
    await saved(page);
    const kept = Object.values((await documentOf(page, id)).rows.photo);
    expect(kept).toMatchObject([{ value: { evidence: true, discarded: false, frameId: null } }]);
    expect(kept[0]!.value.stopKey).toMatch(/:/);
    await page.getByRole('button', { name: /^Undo/ }).click();
    await saved(page);
    expect(Object.values((await documentOf(page, id)).rows.photo)).toMatchObject([{ value: { discarded: true } }]);
    await own(page).getByRole('button', { name: 'End live picture' }).click();
    await expect(page.getByLabel('Live picture', { exact: true })).toHaveCount(0);
  });
}

test('a device that is refused is said, and nothing is lost', async ({ page }) => {
  const id = await houseVisit(page, 'Refused device');
  await withOwnCamera(page, id);
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await page.goto(`/visits/${id}/round`);
  await own(page).getByRole('button', { name: 'Live picture' }).click();
  await expect(page.getByText('The browser was not allowed to use a camera.')).toBeVisible();
});

test('a camera that is unplugged ends its picture and says so', async ({ page }) => {
  const id = await houseVisit(page, 'Unplugged');
  await withOwnCamera(page, id);
  await page.goto(`/visits/${id}/round`);
  await own(page).getByRole('button', { name: 'Live picture' }).click();
  const video = page.getByLabel('Live picture', { exact: true });
  await expect(video).toBeVisible();
  await video.evaluate((element) => {
    const [track] = ((element as HTMLVideoElement).srcObject as MediaStream).getVideoTracks();
    track!.stop();
    track!.dispatchEvent(new Event('ended'));
  });
  await expect(page.getByText('The video device was unplugged.')).toBeVisible();
});

test('a watched folder puts three files on three stops; other files are said', async ({ page }) => {
  const id = await houseVisit(page, 'Watched folder');
  await withOwnCamera(page, id);
  await folderToWatch(page);
  await page.goto(`/visits/${id}/round`);
  await write(page, 'before.tif', frameFile(90));
  await own(page).getByRole('button', { name: 'Watch a folder' }).click();
  await expect(own(page).getByRole('button', { name: /Watching “card”/ })).toBeVisible();
  const frames = async () => Object.values((await documentOf(page, id)).rows.frame);
  const heading = page.locator('main').getByRole('heading', { level: 1 });
  const titles: string[] = [];
  for (const n of [1, 2, 3]) {
    titles.push((await heading.textContent())!);
    await write(page, `own-${n}.tif`, frameFile(90 + n));
    await expect(page.getByTestId('stop-record')).toContainText('Seen', { timeout: 10_000 });
    await saved(page);
    expect(await frames()).toHaveLength(n);
    await page.getByRole('button', { name: 'Next', exact: false }).first().click();
    await expect(heading).not.toHaveText(titles.at(-1)!);
  }
  const stored = await frames();
  expect(new Set(stored.map(({ value }) => value.stopKey)).size).toBe(3);
  expect(stored.map(({ value }) => value.name).sort()).toEqual(['own-1', 'own-2', 'own-3']);
  // What is no picture is refused with its reason; the folder goes on being watched.
  await write(page, 'notes.txt', Buffer.from('not a picture'));
  await expect(page.getByText(/notes\.txt/)).toBeVisible();
  expect(await frames()).toHaveLength(3);
  // The folder goes: it is said, and what came stays.
  await page.evaluate(async () => (await navigator.storage.getDirectory()).removeEntry('card', { recursive: true }));
  await expect(page.getByText('The folder “card” cannot be read any more.')).toBeVisible();
  expect(await frames()).toHaveLength(3);
});

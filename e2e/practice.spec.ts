import type { Page } from '@playwright/test';
import { frameFile, visitWith } from './support/card';
import { documentOf, expect, makeVisit, saved, test } from './support/pages';
import { pdfText } from './support/pdf';

const STAGES = ['question', 'hours', 'kit', 'round', 'bench', 'findings', 'report'];
const FILES = [1, 2, 3].map((n) => ({ name: `${n}.npy`, bytes: frameFile(n) }));

async function reportOf(page: Page, visit: string) {
  await page.goto(`/visits/${visit}/report`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download PDF' }).click();
  const file = await download;
  return { ...(await pdfText(await file.path())), fileName: file.suggestedFilename() };
}

test('a real visit with own files: no stand-in camera, no made-up weather, and it asks once which camera', async ({ page }) => {
  const visit = await makeVisit(page, 'A real house', ['Kitchen']);
  await visitWith(page, visit, FILES);
  for (const stage of STAGES) {
    await page.goto(`/visits/${visit}/${stage}`);
    await expect(page.getByRole('form', { name: 'Which camera' }).first()).toContainText('Which camera took these 3 frames?');
    await expect(page.locator('body')).not.toContainText(/stand-in|simulated|made up|practice/i);
  }
  expect((await reportOf(page, visit)).text).toContain('not noted: usual ± taken');

  // Two fields are enough; all frames have it, and what was not said is named as assumed.
  const asked = page.getByRole('form', { name: 'Which camera' });
  await asked.getByLabel('What the camera is called').fill('Grey one');
  await asked.getByLabel('Field of view across').fill('42');
  await asked.getByRole('button', { name: 'Keep' }).click();
  await expect(asked).toHaveCount(0);
  await saved(page);
  const { rows, frameFacts } = await documentOf(page, visit);
  const camera = rows.camera[rows.visit[visit]!.value.cameraId!]!.value;
  expect(camera).toMatchObject({ name: 'Grey one', fieldDeg: 42, columns: 160, rows: 120 });
  expect(camera.assumed).toHaveLength(7);
  expect(Object.values(frameFacts).map(({ cameraId }) => cameraId)).toEqual([null, null, null]);
  const { text } = await reportOf(page, visit);
  expect(text).toContain('Grey one (assumed, as usual: noise, calibration');
  expect(text).not.toMatch(/practice|simulated|stand-in/i);

  // No picture of its rooms can be taken by anybody.
  const [surface] = Object.keys(rows.surface);
  const answer = await page.request.post(`/api/visits/${visit}/captures`, {
    data: {
      frameId: '01999999-0000-7000-8000-000000000001',
      surfaceId: surface ?? '01999999-0000-7000-8000-000000000002',
      stopKey: 'x:wall',
      name: 'x',
      at: 1,
      pose: { aim: { x: 1, y: 1 }, distance: 2, aside: 0 },
      shot: 1,
      since: 1,
      closing: 30,
    },
  });
  expect(answer.status()).toBe(404);
});

test('“Not now” is heard once for all pages, and Kit still asks', async ({ page }) => {
  const visit = await makeVisit(page, 'Camera later', ['Kitchen']);
  await visitWith(page, visit, FILES.slice(0, 1));
  await page.getByRole('button', { name: 'Not now' }).click();
  await page.goto(`/visits/${visit}/findings`);
  await expect(page.getByRole('heading', { name: /Findings/ })).toBeVisible();
  await expect(page.getByRole('form', { name: 'Which camera' })).toHaveCount(0);
  await page.goto(`/visits/${visit}/kit`);
  await expect(page.getByRole('form', { name: 'Which camera' })).toHaveCount(1);
});

test('practice says so in the strip, on every page of its paper and in the name of every file', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Practise on a made-up house' }).click();
  await page.waitForURL(/\/round/);
  const visit = /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await expect(page.locator('header').first().getByText('Practice', { exact: true })).toBeVisible();
  await expect(page.getByText('Practice: an invented room')).toBeVisible();
  const [frame] = await visitWith(page, visit, FILES);
  for (const format of ['picture', 'csv']) {
    const answer = await page.request.get(`/api/frames/${frame!}/export?format=${format}`);
    expect(answer.status()).toBe(200);
    expect(answer.headers()['content-disposition']).toContain('Practice');
  }
  const { pages, text, fileName } = await reportOf(page, visit);
  expect(fileName).toMatch(/^Practice /);
  expect(text.match(/Practice: a made-up house, no evidence of a real one/g)).toHaveLength(pages);
  // The next visit of a made-up house is one for practice too.
  const { siteId } = await documentOf(page, visit);
  const answer = await page.request.post('/api/visits', {
    data: {
      site: { id: siteId },
      kind: 'drafts',
      title: 'again',
      question: '',
      startedAt: 1,
      insideC: null,
      outsideC: null,
      humidityPct: null,
      rooms: [],
    },
  });
  const again = ((await answer.json()) as { visitId: string }).visitId;
  expect((await documentOf(page, again)).rows.visit[again]!.value.practice).toBe(true);
});

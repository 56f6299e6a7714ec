import type { Page } from '@playwright/test';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import type { VisitDocument } from '../core/visit/document';
import { manifest } from '../core/testing/material';
import { dropFiles, expect, fixture, interchange, newVisit, test } from './support/pages';

const document = async (page: Page, visit: string) =>
  (await (await page.request.get(`/api/visits/${visit}/document`)).json()) as VisitDocument;

test('a mixed drop: every malformed file is refused with its reason, the others go in', async ({ page }) => {
  const names = Object.keys(manifest);
  const bad = names.filter((name) => manifest[name]!.refuse && !name.endsWith('.jpg'));
  const good = names.filter((name) => !manifest[name]!.refuse);
  expect(bad.length).toBeGreaterThanOrEqual(11);
  const visit = await newVisit(page, 'Mixed drop');
  await dropFiles(page, [...bad, ...good, 'bad-photo-rgb.jpg'].map(interchange));
  const panel = page.getByRole('region', { name: 'Import' });
  await expect(panel).toContainText(`${good.length} frames · 1 photo · ${bad.length} refused`, { timeout: 60_000 });
  for (const name of bad) await expect(panel.getByRole('listitem').filter({ hasText: name })).toContainText(/refused: .{20,}/);
  const stored = await document(page, visit);
  expect(Object.keys(stored.rows.frame)).toHaveLength(good.length);
  expect(Object.keys(stored.rows.photo)).toHaveLength(1);
});

test('the same file again is noticed and not stored twice', async ({ page }) => {
  const visit = await newVisit(page, 'Twice');
  await dropFiles(page, [interchange('csv-comma.csv')]);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('1 frame');
  await dropFiles(page, [interchange('csv-comma.csv')]);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('Already here as “csv-comma”');
  expect(Object.keys((await document(page, visit)).rows.frame)).toHaveLength(1);
});

test('a photo finds its frame by name, whichever comes first', async ({ page }) => {
  const visit = await newVisit(page, 'Pairs');
  const upload = (name: string, file: string) =>
    page.request.post(`/api/visits/${visit}/files?name=${name}`, {
      data: readFileSync(file),
      headers: { 'content-type': 'application/octet-stream' },
    });
  await upload('A-7.jpg', interchange('bad-photo-rgb.jpg'));
  const { id } = (await (await upload('a-7.tif', fixture('wall-with-bare-bay.tif'))).json()) as { id: string };
  expect(Object.values((await document(page, visit)).rows.photo).map((row) => row.value.frameId)).toEqual([id]);
});

test('the original comes back byte for byte, the pixels as they were read', async ({ page }) => {
  const visit = await newVisit(page, 'Bytes');
  const file = readFileSync(fixture('wall-with-bare-bay.tif'));
  const answer = await page.request.post(`/api/visits/${visit}/files?name=${encodeURIComponent('wall “1”; näh.tif')}`, {
    data: file,
  });
  const { id } = (await answer.json()) as { id: string };
  const original = await page.request.get(`/api/frames/${id}/file`);
  expect(
    createHash('sha256')
      .update(await original.body())
      .digest('hex'),
  ).toBe(createHash('sha256').update(file).digest('hex'));
  expect(original.headers()['content-disposition']).toContain('attachment');
  const pixels = await page.request.get(`/api/frames/${id}/pixels?v=1`);
  expect((await pixels.body()).length).toBe(320 * 240 * 4);
  expect(pixels.headers()['cache-control']).toContain('immutable');
  const again = await page.request.get(`/api/frames/${id}/pixels`, { headers: { 'if-none-match': pixels.headers().etag! } });
  expect(again.status()).toBe(304);
});

test('an import can be cancelled; what had gone in stays', async ({ page }) => {
  await newVisit(page, 'Cancelled');
  // Held back on their way, so that there is something to cancel.
  await page.route('**/files?*', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1500));
    await route.continue().catch(() => undefined);
  });
  await dropFiles(page, ['csv-comma.csv', 'csv-fahrenheit.csv', 'csv-meta-header.csv', 'csv-index-labels.csv'].map(interchange));
  const panel = page.getByRole('region', { name: 'Import' });
  await panel.getByRole('button', { name: 'Cancel' }).click();
  await expect(panel).toContainText(/Cancelled: \d files? w(as|ere) not taken in/);
});

test('a file over the limit is refused with the limit named, before it is read', async ({ page }, info) => {
  const visit = await newVisit(page, 'Limit');
  const large = info.outputPath('large.tif');
  writeFileSync(large, Buffer.alloc(25 * 1024 * 1024));
  await page.getByLabel('Files to add').setInputFiles(large);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('the limit for a frame or photo is 24 MB');
  const answer = await page.request.post(`/api/visits/${visit}/files?name=large.tif`, { data: Buffer.alloc(25 * 1024 * 1024) });
  expect(answer.status()).toBe(413);
  expect(await answer.text()).toContain('24 MB');
});

test('a core error crosses the worker with code and place', async ({ page }) => {
  const visit = await newVisit(page, 'Worker');
  const answer = await page.request.post(`/api/visits/${visit}/files?name=x.csv`, {
    data: readFileSync(interchange('bad-text-cell.csv')),
  });
  expect(answer.status()).toBe(400);
  expect(await answer.json()).toMatchObject({ error: { code: 'not_a_number', where: { line: 13, column: 6 } } });
});

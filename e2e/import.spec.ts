import type { Page } from '@playwright/test';
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { zipSync } from 'fflate';
import { readFrame } from '../core/method/formats/readFrame';
import { manifest, testCodecs } from '../core/testing/material';
import { dropFiles, expect, fixture, interchange, newVisit, test, documentOf } from './support/pages';

test('a mixed drop: every malformed file is refused with its reason, the others go in', async ({ page }) => {
  const names = Object.keys(manifest);
  const bad = names.filter((name) => manifest[name]!.refuse && !name.endsWith('.jpg'));
  const good = names.filter((name) => !manifest[name]!.refuse);
  expect(bad.length).toBeGreaterThanOrEqual(14);
  const visit = await newVisit(page, 'Mixed drop');
  await dropFiles(page, [...bad, ...good, 'bad-photo-rgb.jpg'].map(interchange));
  const panel = page.getByRole('region', { name: 'Import' });
  const frames = good.reduce((sum, name) => sum + (manifest[name]!.pages ?? 1), 0);
  await expect(panel).toContainText(`${frames} frames · 1 photo · ${bad.length} refused`, { timeout: 60_000 });
  for (const name of bad) await expect(panel.getByRole('listitem').filter({ hasText: name })).toContainText(/refused: .{20,}/);
  const stored = await documentOf(page, visit);
  expect(Object.keys(stored.rows.frame)).toHaveLength(frames);
  expect(Object.keys(stored.rows.photo)).toHaveLength(1);
});

test('the same file again is noticed and not stored twice', async ({ page }) => {
  const visit = await newVisit(page, 'Twice');
  await dropFiles(page, [interchange('csv-comma.csv')]);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('1 frame');
  await dropFiles(page, [interchange('csv-comma.csv')]);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('Already here as “csv-comma”');
  expect(Object.keys((await documentOf(page, visit)).rows.frame)).toHaveLength(1);
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
  expect(Object.values((await documentOf(page, visit)).rows.photo).map((row) => row.value.frameId)).toEqual([id]);
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

/** Puts a ZIP on the bench as a hand would. */
async function addZip(page: Page, name: string, bytes: Uint8Array): Promise<void> {
  await page.getByLabel('Files to add').setInputFiles({ name, mimeType: 'application/zip', buffer: Buffer.from(bytes) });
}

const bytesOf = (name: string) => new Uint8Array(readFileSync(interchange(name)));

test('a ZIP is taken file by file: good ones go in, bad ones are refused, names that climb are not touched', async ({ page }) => {
  const names = Object.keys(manifest);
  const bad = names.filter((name) => manifest[name]!.refuse && !name.endsWith('.jpg'));
  const good = names.filter((name) => !manifest[name]!.refuse);
  const zip = zipSync({
    ...Object.fromEntries([...bad, ...good].map((name) => [`card/${name}`, bytesOf(name)])),
    '../climbs.csv': bytesOf('csv-comma.csv'),
    '/etc/absolute.csv': bytesOf('csv-comma.csv'),
    'back\\slash.csv': bytesOf('csv-comma.csv'),
    '__MACOSX/card/._x': Uint8Array.of(1),
    'inner.zip': zipSync({ 'a.csv': bytesOf('csv-comma.csv') }),
    // Thirty megabytes of nothing in thirty kilobytes.
    'bomb.csv': new Uint8Array(30 * 1024 * 1024),
  });
  const visit = await newVisit(page, 'A ZIP');
  await addZip(page, 'card.zip', zip);
  const panel = page.getByRole('region', { name: 'Import' });
  const frames = good.reduce((sum, name) => sum + (manifest[name]!.pages ?? 1), 0);
  // The one with a backslash is a file of an old tool, in a folder: the same bytes as another.
  await expect(panel).toContainText(`${frames} frames · 1 already here · ${bad.length + 4} refused`, { timeout: 60_000 });
  for (const [name, reason] of [
    ['../climbs.csv', /leads out of the ZIP/],
    ['/etc/absolute.csv', /leads out of the ZIP/],
    ['inner.zip', /is a ZIP/],
    ['bomb.csv', /larger than 24 MB/],
  ] as const) {
    await expect(panel.getByRole('listitem').filter({ hasText: name })).toContainText(reason);
  }
  expect(Object.keys((await documentOf(page, visit)).rows.frame)).toHaveLength(frames);
});

test('a ZIP that lies about its sizes, is cut off or is none is refused, and nothing is left of it', async ({ page }) => {
  const honest = zipSync({ 'a.csv': bytesOf('csv-comma.csv'), 'b.csv': new Uint8Array(26 * 1024 * 1024) });
  // The second file says that it becomes a hundred bytes, here and in the directory.
  const lying = honest.slice();
  const view = new DataView(lying.buffer);
  for (let at = 0; at + 46 < lying.length; at += 1) {
    const signature = view.getUint32(at, true);
    const field = signature === 0x04034b50 ? 22 : signature === 0x02014b50 ? 24 : 0;
    if (field > 0 && view.getUint32(at + field, true) > 1e6) view.setUint32(at + field, 100, true);
  }
  const visit = await newVisit(page, 'Bad ZIPs');
  const panel = page.getByRole('region', { name: 'Import' });
  await addZip(page, 'lying.zip', lying);
  await expect(panel).toContainText('1 frame · 1 refused');
  await expect(panel.getByRole('listitem').filter({ hasText: 'b.csv' })).toContainText(/refused: .{20,}/);
  await panel.getByRole('button', { name: /Close the import/ }).click();
  await page.getByLabel('Files to add').setInputFiles([
    { name: 'cut.zip', mimeType: 'application/zip', buffer: Buffer.from(honest.slice(0, -30)) },
    { name: 'none.zip', mimeType: 'application/zip', buffer: Buffer.from('PK\x03\x04 and nothing more') },
  ]);
  await expect(panel).toContainText('2 refused');
  await expect(panel.getByRole('listitem').filter({ hasText: 'cut.zip' })).toContainText('The ZIP cannot be read');
  expect(Object.keys((await documentOf(page, visit)).rows.frame)).toHaveLength(1);
});

test('pages become a sequence; pages of another size begin another, and a bad page refuses the whole file', async ({ page }) => {
  const visit = await newVisit(page, 'Pages');
  const upload = async (name: string, bytes: Uint8Array) =>
    (await (await page.request.post(`/api/visits/${visit}/files?name=${name}`, { data: Buffer.from(bytes) })).json()) as {
      pages?: number;
      error?: { code: string };
      warnings: { code: string }[];
    };
  expect(await upload('three.tif', bytesOf('tiff-f32-3pages.tif'))).toMatchObject({ pages: 3, warnings: [] });
  const stored = await documentOf(page, visit);
  expect(Object.values(stored.rows.sequence).map(({ value }) => value.name)).toEqual(['three']);
  expect(
    Object.values(stored.frameFacts)
      .map(({ page: number }) => number)
      .sort(),
  ).toEqual([0, 1, 2]);

  // Two pages joined by hand: the second has half the width.
  const joined = joinedPages(bytesOf('tiff-f32-le-plain.tif'), 40);
  expect((await upload('two-sizes.tif', joined)).warnings.map(({ code }) => code)).toEqual(['sequence_split']);
  expect(Object.keys((await documentOf(page, visit)).rows.sequence)).toHaveLength(3);

  // The last page says nothing finite: nothing of the file stays.
  const before = Object.keys((await documentOf(page, visit)).rows.frame).length;
  const broken = bytesOf('tiff-f32-3pages.tif');
  broken.fill(0xff, broken.length - 4000);
  expect((await upload('broken.tif', broken)).error).toBeDefined();
  const after = await documentOf(page, visit);
  expect(Object.keys(after.rows.frame)).toHaveLength(before);
  expect(Object.keys(after.rows.sequence)).toHaveLength(3);
});

/** A TIFF with its only page once more behind it, described with another width. */
function joinedPages(tiff: Uint8Array, width: number): Uint8Array {
  const view = new DataView(tiff.buffer, tiff.byteOffset);
  const first = view.getUint32(4, true);
  const count = view.getUint16(first, true);
  const length = 2 + 12 * count + 4;
  const at = tiff.length + (tiff.length % 2);
  const out = new Uint8Array(at + length);
  out.set(tiff);
  out.set(tiff.subarray(first, first + length), at);
  const copy = new DataView(out.buffer);
  copy.setUint32(first + 2 + 12 * count, at, true);
  copy.setUint32(at + 2 + 12 * count, 0, true);
  for (let i = 0; i < count; i += 1) {
    const entry = at + 2 + 12 * i;
    if (copy.getUint16(entry, true) !== 256) continue;
    if (copy.getUint16(entry + 2, true) === 3) copy.setUint16(entry + 8, width, true);
    else copy.setUint32(entry + 8, width, true);
  }
  return out;
}

test('a frame goes out in every format and comes back as it was', async ({ page }) => {
  const visit = await newVisit(page, 'Out and in');
  await page.request.post(`/api/visits/${visit}/files?name=wall.tif`, { data: readFileSync(fixture('wall-with-bare-bay.tif')) });
  const [id] = Object.keys((await documentOf(page, visit)).rows.frame);
  const taken: Record<string, Buffer> = {};
  for (const format of ['tif', 'npy', 'csv', 'png', 'json', 'picture']) {
    const answer = await page.request.get(`/api/frames/${id}/export?format=${format}`);
    expect(answer.headers()['content-disposition']).toContain('attachment');
    taken[format] = await answer.body();
  }
  const read = (format: string) => readFrame(new Uint8Array(taken[format]!), testCodecs).values;
  const [tif, npy, csv, png] = ['tif', 'npy', 'csv', 'png'].map(read) as [Float32Array, Float32Array, Float32Array, Float32Array];
  expect(Buffer.compare(Buffer.from(npy.buffer), Buffer.from(tif.buffer))).toBe(0);
  expect(Buffer.compare(Buffer.from(csv.buffer), Buffer.from(tif.buffer))).toBe(0);
  const worst = png.reduce((most, value, i) => Math.max(most, Math.abs(value - tif[i]!)), 0);
  expect(worst).toBeLessThanOrEqual(0.0051);
  const json = JSON.parse(taken.json!.toString()) as { width: number; rows: number[][] };
  expect(json.rows[0]).toHaveLength(json.width);
  expect(taken.picture!.subarray(1, 4).toString()).toBe('PNG');
});

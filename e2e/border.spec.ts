import { NO_SETTINGS } from '../core/method/radiometry/settings';
import type { Page } from '@playwright/test';
import http from 'node:http';
import { v7 as newId } from 'uuid';
import { regionPut, stepOf } from './support/commands';
import { expect, fixture, newVisit, test, documentOf } from './support/pages';
import { readFileSync } from 'node:fs';

async function visitWithFrame(page: Page) {
  const visit = await newVisit(page, 'Border');
  const answer = await page.request.post(`/api/visits/${visit}/files?name=a.tif`, {
    data: readFileSync(fixture('wall-with-bare-bay.tif')),
  });
  return { visit, frame: ((await answer.json()) as { id: string }).id };
}

test('commands are checked, carried out once, and refused when stale', async ({ page }) => {
  const { frame, visit } = await visitWithFrame(page);
  const send = async (change: Parameters<typeof stepOf>[0]) => {
    const response = await page.request.post('/api/commands', { data: stepOf(change) });
    return {
      status: response.status(),
      body: (await response.json()) as { versions?: Record<string, number>; error?: { code: string }; stale?: unknown[] },
    };
  };
  const first = regionPut(frame);
  expect(await send(first)).toEqual({ status: 200, body: { versions: { [first.rowId]: 1 } } });
  expect(await send(first)).toEqual({ status: 200, body: { versions: { [first.rowId]: 1 } } });
  const stale = await send({ ...first, id: newId() });
  expect(stale).toMatchObject({
    status: 409,
    body: { error: { code: 'stale' }, stale: [{ rowId: first.rowId, stored: { version: 1, value: { name: 'a' } } }] },
  });
  expect((await send(regionPut(frame, { value: { ...first.value, name: '' } }))).body.error!.code).toBe('bad_input');
  expect(await send(regionPut(newId()))).toMatchObject({ status: 404, body: { error: { code: 'not_found' } } });
  expect((await page.request.post('/api/commands', { data: 'nonsense' })).status()).toBe(400);
  const settings = { ...NO_SETTINGS, level: 'visit', ownerId: visit, emissivity: 7 };
  expect(
    (await send({ id: newId(), action: 'put', entity: 'settings', rowId: newId(), version: 0, value: settings })).body.error!
      .code,
  ).toBe('bad_input');
  const stored = await documentOf(page, visit);
  expect(Object.keys(stored.rows.region)).toEqual([first.rowId]);
  expect(Object.keys(stored.rows.settings)).toEqual([]);
});

test('what does not exist is said so', async ({ page }) => {
  for (const address of [
    `/api/frames/${newId()}/pixels`,
    `/api/photos/${newId()}/file`,
    '/api/jobs/x',
    `/api/visits/${newId()}/document`,
  ]) {
    const response = await page.request.get(address);
    expect(response.status()).toBe(404);
    expect(((await response.json()) as { error: { code: string } }).error.code).toBe('not_found');
  }
  await page.goto(`/visits/${newId()}/bench`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});

test('weather, calendars and handouts are checked at the border', async ({ page }) => {
  const refused = async (response: { status(): number; json(): Promise<unknown> }, code: string) => {
    expect(response.status()).toBe(code === 'not_found' ? 404 : 400);
    expect(((await response.json()) as { error: { code: string } }).error.code).toBe(code);
  };
  const { request } = page;
  await refused(await request.get('/api/practice/weather?latitude=91&longitude=0&from=0&hours=10'), 'bad_input');
  await refused(await request.get('/api/practice/weather?latitude=51&longitude=0&from=0&hours=100000'), 'bad_input');
  await refused(await request.get('/api/timezone?latitude=51&longitude=here'), 'bad_input');
  await refused(await request.get(`/api/weather/${newId()}`), 'not_found');
  await refused(await request.post('/api/weather?name=a.csv', { data: 'no weather at all' }), 'malformed');
  await refused(await request.post('/api/weather?name=', { data: 'x' }), 'bad_input');
  await refused(
    await request.post('/api/handouts', { data: { title: '', subtitle: '', fileName: 'x', blocks: [] } }),
    'bad_input',
  );
  const event = { uid: 'a', from: 2000, to: 1000, title: 'x', description: '', location: '' };
  await refused(await request.post('/api/calendar', { data: { name: 'x', events: [event] } }), 'bad_input');
  const kept = `/api/kept/answer/${'0'.repeat(64)}`;
  const answer = { kind: 'answer', value: { problem: 'The air is not known.' } };
  await refused(await request.get('/api/kept/answer/0123'), 'not_found');
  await refused(await request.get(`/api/kept/page/${'0'.repeat(64)}`), 'not_found');
  await refused(await request.put(kept, { data: { ...answer, value: { problem: 7 } } }), 'bad_input');
  await refused(await request.put(kept.replace('answer', 'leak'), { data: answer }), 'bad_input');
  expect((await (await request.get(kept)).json()) as unknown).toEqual({ value: null });
  expect((await request.put(kept, { data: answer })).status()).toBe(200);
  expect((await (await request.get(kept)).json()) as unknown).toEqual({ value: answer.value });
  const first = await (await request.get('/api/practice/weather?latitude=51&longitude=0&from=0&hours=24')).json();
  expect(first).toMatchObject({ simulated: true, start: 0 });
  expect(await (await request.get('/api/practice/weather?latitude=51&longitude=0&from=0&hours=24')).json()).toEqual(first);
});

test('requests of other pages do not reach the data', async ({ page }) => {
  const { frame } = await visitWithFrame(page);
  for (const headers of [{ origin: 'http://elsewhere.example' }, { 'sec-fetch-site': 'cross-site' }] as Record<
    string,
    string
  >[]) {
    const response = await page.request.post('/api/commands', { data: stepOf(regionPut(frame)), headers });
    expect(response.status()).toBe(400);
  }
  // A foreign name that was made to resolve to loopback.
  const { port } = new URL(process.env.DEN_TEST_ADDRESS!);
  const status = await new Promise<number>((resolve, reject) => {
    http
      .get({ host: '127.0.0.1', port, path: `/api/frames/${frame}/pixels`, headers: { host: 'elsewhere.example' } }, (r) =>
        resolve(r.statusCode!),
      )
      .on('error', reject);
  });
  expect(status).toBe(400);
});

test('every answer carries its security headers', async ({ page }) => {
  const response = await page.request.get('/');
  const headers = response.headers();
  expect(headers['content-security-policy']).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/);
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers['x-content-type-options']).toBe('nosniff');
  expect(headers['referrer-policy']).toBe('no-referrer');
  expect(headers['x-powered-by']).toBeUndefined();
  const second = await page.request.get('/');
  expect(second.headers()['content-security-policy']).not.toBe(headers['content-security-policy']);
});

test('nothing is fetched from anywhere else', async ({ page }) => {
  const hosts = new Set<string>();
  page.on('request', (request) => hosts.add(new URL(request.url()).host));
  await page.goto('/');
  await page.getByRole('link', { name: /Old Kiln Row · No\. 2/ }).click();
  await expect(page.getByRole('application')).toBeVisible();
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByRole('button', { name: 'Download PDF' })).toBeVisible();
  expect([...hosts].filter((host) => host !== '' && host !== new URL(process.env.DEN_TEST_ADDRESS!).host)).toEqual([]);
});

import { readFileSync } from 'node:fs';
import path from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import type { VisitDocument } from '@core/model/document';
import { packedDocumentSchema } from '@core/model/packedDocument';
import { madeVisitSchema, type NewVisit } from '@core/work/visit/newVisit';

export const fixture = (name: string) => path.resolve('e2e/fixtures', name);
export const interchange = (name: string) => path.resolve('core/testing/interchange', name);

/** Every page is held to its own console: no errors, no violation of the content security policy. */
export const test = base.extend<{ quiet: void }>({
  baseURL: async ({}, use) => use(process.env.DEN_TEST_ADDRESS!),
  quiet: [
    async ({ page }, use, info) => {
      const noise: string[] = [];
      page.on('pageerror', (error) => noise.push(error.message));
      // A refused request is told by the browser too; refusals are what some tests are about.
      page.on(
        'console',
        (line) => line.type() === 'error' && !line.text().startsWith('Failed to load resource') && noise.push(line.text()),
      );
      await use();
      if (info.status !== info.expectedStatus) console.log(await shown(page));
      expect(noise).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** Where a page is and what can be read on it, for whoever looks for why a test failed. */
async function shown(page: Page): Promise<string> {
  const text = await page
    .locator('body')
    .innerText({ timeout: 2000 })
    .catch(() => 'nothing can be read');
  return `At ${page.url()}: ${text.replaceAll(/\s+/g, ' ').slice(0, 1500)}`;
}

/** What a visit of the tests begins with. */
const BEGINNING = { insideC: 20.1, outsideC: 0.8, humidityPct: 49 };
const ROOMS = ['Front room', 'Stairs'];

/** A new, empty visit begun in the interface, as a user begins one; its bench is open. */
export async function beginVisit(page: Page, name: string): Promise<string> {
  await page.goto('/');
  await page
    .getByRole('button', { name: /New visit|Begin a visit/ })
    .first()
    .click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Place', { exact: true }).fill(name);
  await dialog.getByLabel('Rooms, in the order of the round').fill(ROOMS.join(', '));
  await dialog.getByLabel('Air inside, °C').fill(String(BEGINNING.insideC));
  await dialog.getByLabel('Air outside, °C').fill(String(BEGINNING.outsideC));
  await dialog.getByLabel('Humidity inside, %').fill(String(BEGINNING.humidityPct));
  await dialog.getByRole('button', { name: 'Begin the visit' }).click();
  await page.waitForURL(/\/visits\/[0-9a-f-]+\/question/);
  const id = /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.waitForURL(/\/bench/);
  return id;
}

/** The same visit without the interface; no page of it is open. */
export async function makeVisit(page: Page, name: string, rooms: string[] = ROOMS, practice = false): Promise<string> {
  const visit: NewVisit = {
    ...BEGINNING,
    practice,
    site: { name, address: '', timeZone: 'Europe/London', latitude: null, longitude: null, facades: [] },
    kind: 'heat-loss',
    title: 'First visit',
    question: '',
    startedAt: Date.now(),
    rooms,
  };
  const answer = await page.request.post('/api/visits', { data: visit });
  return madeVisitSchema.parse(await answer.json()).visitId;
}

/** A new, empty visit with its bench open. */
export async function newVisit(page: Page, name: string, rooms?: string[]): Promise<string> {
  const id = await makeVisit(page, name, rooms);
  await page.goto(`/visits/${id}/bench`);
  return id;
}

/** A new practice visit of a house from a template, with the page of the house open; its name is that of its site too. */
export async function houseVisit(page: Page, name: string, template: RegExp = /Garage/): Promise<string> {
  const id = await makeVisit(page, name, [], true);
  await page.goto(`/visits/${id}/round/house`);
  await page.getByRole('button', { name: template }).click();
  await expect(page.getByTestId('house-summary')).toContainText('stops');
  await saved(page);
  return id;
}

/** A visit as it is stored now. */
export async function documentOf(page: Page, visit: string): Promise<VisitDocument> {
  return packedDocumentSchema.parse(await (await page.request.get(`/api/visits/${visit}/document`)).json());
}

/** Drops files on the bench as a hand would. */
export async function dropFiles(page: Page, files: string[]): Promise<void> {
  const content = files.map((file) => ({ name: path.basename(file), base64: readFileSync(file).toString('base64') }));
  const transfer = await page.evaluateHandle((list) => {
    const data = new DataTransfer();
    for (const { name, base64 } of list) {
      const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
      data.items.add(new File([bytes], name, { lastModified: Date.UTC(2026, 1, 11, 19, 14) }));
    }
    return data;
  }, content);
  const bench = page.locator('main > div').first();
  await bench.dispatchEvent('dragover', { dataTransfer: transfer });
  await bench.dispatchEvent('drop', { dataTransfer: transfer });
}

export const stageOf = (page: Page): Locator => page.getByRole('application');

/** Where pixels of a frame lie on the screen while the whole of it is shown. */
export async function screenOf(
  page: Page,
  frame: { width: number; height: number },
): Promise<(pixel: readonly [number, number]) => [number, number]> {
  const box = (await stageOf(page).boundingBox())!;
  const zoom = Math.min(box.width / frame.width, box.height / frame.height);
  const left = box.x + (box.width - frame.width * zoom) / 2;
  const top = box.y + (box.height - frame.height * zoom) / 2;
  return ([x, y]) => [left + (x + 0.5) * zoom, top + (y + 0.5) * zoom];
}

/** Takes a tool by its key and drags it between two pixels of a frame. */
export async function drawWith(
  page: Page,
  key: string,
  frame: { width: number; height: number },
  from: readonly [number, number],
  to: readonly [number, number],
): Promise<void> {
  await page.keyboard.press(key);
  const point = await screenOf(page, frame);
  await page.mouse.move(...point(from));
  await page.mouse.down();
  await page.mouse.move(...point([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]));
  await page.mouse.move(...point(to));
  await page.mouse.up();
}

/** Draws a box between two pixels of a frame, with the pointer. */
export async function drawBox(
  page: Page,
  frame: { width: number; height: number },
  from: [number, number],
  to: [number, number],
): Promise<void> {
  await drawWith(page, 'b', frame, from, to);
}

/** Everything is in the database. */
export async function saved(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();
}

/**
 * What keeps somebody from using the page as it stands, by rule and element. Only what is wrong is asked for, and no page
 * holds another one: both spare seconds on every look.
 */
export async function violations(page: Page): Promise<string[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations: found } = await axe.analyze();
  return found.map(({ impact, id, nodes }) => `${impact} · ${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}

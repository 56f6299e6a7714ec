import path from 'node:path';
import type { Command } from '@core/model/command';
import { fillVisit } from '../scripts/large/fillVisit';
import { Den } from './support/den';
import { expect, saved, stageOf, test, documentOf } from './support/pages';

const FRAMES = 500;

test('a step over five hundred frames is one request, and one undo takes it back', async ({ page }) => {
  const den = new Den(path.resolve('.den', 'test', 'browser'));
  den.address = process.env.DEN_TEST_ADDRESS!;
  const { visit } = await fillVisit(den, FRAMES);
  const settings = async () => {
    const stored = await documentOf(page, visit);
    return Object.values(stored.rows.settings).map(({ value }) => value.emissivity);
  };
  await page.goto(`/visits/${visit}/bench`);
  await expect(stageOf(page)).toBeVisible();
  const emissivity = page.getByRole('spinbutton', { name: 'Emissivity', exact: true });
  await emissivity.fill('0.88');
  await emissivity.press('Enter');
  await saved(page);

  const steps: Command[] = [];
  page.on('request', (request) => {
    if (request.url().endsWith('/api/commands')) steps.push(request.postDataJSON() as Command);
  });
  const strip = page.getByRole('navigation', { name: 'Frames of this visit' });
  await strip
    .getByRole('button')
    .first()
    .click({ modifiers: ['ControlOrMeta'] });
  await strip.evaluate((element) => element.scrollTo({ left: element.scrollWidth }));
  // Those that came as files have no room yet, and stand last.
  await strip.getByRole('button', { name: /large-059/ }).click({ modifiers: ['Shift'] });
  const bar = page.getByRole('region', { name: 'Chosen frames' });
  await expect(bar).toContainText(`${FRAMES} frames chosen`);
  await bar.getByRole('button', { name: /Apply settings/ }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Apply' }).click();
  await saved(page);
  // The frame that they come from has them already.
  expect(steps.map(({ changes }) => changes.length)).toEqual([FRAMES - 1]);
  expect(await settings()).toEqual(Array(FRAMES).fill(0.88));

  await page.keyboard.press('Control+z');
  await saved(page);
  expect(steps.map(({ changes }) => changes.length)).toEqual([FRAMES - 1, FRAMES - 1]);
  expect(await settings()).toEqual([0.88]);
});

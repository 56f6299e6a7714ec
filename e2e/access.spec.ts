import type { Page } from '@playwright/test';
import { expect, test, violations } from './support/pages';

const shutOut = async (page: Page): Promise<string[]> =>
  (await violations(page)).filter((one) => /^(serious|critical) /.test(one));

const openDemo = (page: Page) => page.getByRole('link', { name: /Old Kiln Row · No\. 2/ }).click();

/** Every view, and how to get there from the list of sites; it may show more than one thing to look at. */
const VIEWS: Record<string, (page: Page, look: () => Promise<void>) => Promise<void>> = {
  async 'sites and a new visit'(page, look) {
    await look();
    await page.getByRole('button', { name: 'New visit' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await look();
  },
  async 'a site and its compass'(page, look) {
    await page.getByRole('button', { name: 'Change Signal House' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await look();
  },
  async 'the question'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Question/ }).click();
    await expect(page.getByRole('heading', { name: 'What follows from it' })).toBeVisible();
    await look();
  },
  async 'hours as chart and table'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Hours/ }).click();
    await expect(page.getByRole('heading', { name: 'Best slots' })).toBeVisible();
    await look();
    await page.getByText('Table', { exact: true }).click();
    await expect(page.getByRole('columnheader', { name: 'Reasons' })).toBeVisible();
    await look();
  },
  async 'the letter'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Hours/ }).click();
    await page.getByRole('link', { name: 'Letter to the householder' }).click();
    await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/Please do:/);
    await look();
  },
  async 'kit and what is to be put back'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Kit/ }).click();
    await expect(page.getByRole('heading', { name: 'Air during the round' })).toBeVisible();
    await look();
  },
  async 'the round, its end, the house and the card'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Round/ }).click();
    await expect(page.getByRole('img', { name: 'What the stand-in camera sees' })).toBeVisible();
    await look();
    await page.getByRole('button', { name: /End of the round/ }).click();
    await expect(page.getByRole('heading', { name: /stops are answered/ })).toBeVisible();
    await look();
    await page.getByRole('link', { name: /House/ }).click();
    await expect(page.getByTestId('house-summary')).toBeVisible();
    await look();
    await page.goBack();
    await page.getByRole('link', { name: /Card to stops/ }).click();
    await expect(page.getByTestId('card-frame').first()).toBeVisible();
    await look();
  },
  async 'heating work, part by part'(page, look) {
    await page
      .getByRole('link', { name: /Season start/ })
      .first()
      .click();
    await page.getByRole('link', { name: 'Heat', exact: false }).first().click();
    for (const part of ['Radiators', 'Balance', 'Heat given', 'Pipes and valves', 'Floor', 'Flush', 'Boiler', 'Start']) {
      await page.getByRole('navigation', { name: 'Heating work' }).getByRole('link', { name: part, exact: true }).click();
      await expect(page.getByRole('link', { name: part, exact: true })).toHaveAttribute('aria-current', 'page');
      await look();
    }
  },
  async 'the shelf'(page, look) {
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.getByTestId('offset-offer')).toBeVisible();
    await look();
  },
  async 'the bench and a new finding'(page, look) {
    await openDemo(page);
    await page.getByRole('button', { name: /sill, left/ }).click();
    await expect(page.getByTestId('difference')).toBeVisible();
    await look();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeVisible();
    await look();
  },
  async 'charts, colours, photo and experiments of the bench'(page, look) {
    await openDemo(page);
    await page.getByRole('button', { name: /sill, left/ }).click();
    await page.keyboard.press('c');
    await page.keyboard.press('a');
    await page.keyboard.press('v');
    await expect(page.getByRole('region', { name: /Chart of sill/ })).toBeVisible();
    await look();
    await page.getByRole('button', { name: 'Colours' }).click();
    await expect(page.getByText('Shade everything beyond a mark')).toBeVisible();
    await look();
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: /Find by experiment/ }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await look();
  },
  async findings(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Findings/ }).click();
    await expect(page.getByTestId('difference')).toBeVisible();
    await look();
  },
  async 'the report'(page, look) {
    await openDemo(page);
    await page.getByRole('link', { name: /Report/ }).click();
    await expect(page.getByRole('heading', { name: 'Limits of the method' })).toBeVisible();
    await look();
  },
  async 'a loan'(page, look) {
    await page.getByRole('link', { name: 'Shared camera' }).click();
    await expect(page.getByRole('link', { name: /Row camera/ })).toBeVisible();
    await look();
    await page.getByRole('link', { name: /Row camera/ }).click();
    await expect(page.getByRole('heading', { name: 'Who has it when' })).toBeVisible();
    await look();
  },
};

const SIZES = [
  { width: 820, height: 1180 },
  { width: 1280, height: 800 },
];

for (const [name, walk] of Object.entries(VIEWS)) {
  test(`${name}: nobody is shut out, at the desk and on a tablet`, async ({ page }) => {
    await page.setViewportSize(SIZES.at(-1)!);
    await page.goto('/');
    await walk(page, async () => {
      for (const size of SIZES) {
        await page.setViewportSize(size);
        expect(await shutOut(page)).toEqual([]);
      }
    });
  });
}

test('on a phone nothing breaks out of the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto('/');
  await page.getByRole('link', { name: /Old Kiln Row · No\. 2/ }).click();
  for (const stage of ['Question', 'Hours', 'Kit', 'Round', 'Bench', 'Findings', 'Report']) {
    await page.getByRole('link', { name: new RegExp(stage) }).click();
    await page.waitForTimeout(500);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).toBeLessThanOrEqual(0);
  }
});

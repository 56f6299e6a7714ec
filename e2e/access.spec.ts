import type { Page } from '@playwright/test';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './support/pages';

async function violations(page: Page): Promise<string[]> {
  const { violations: found } = await new AxeBuilder({ page }).analyze();
  return found
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.target.join(' ')).join(', ')}`);
}

for (const size of [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
]) {
  test(`no page shuts anybody out at ${size.width} × ${size.height}`, async ({ page }) => {
    await page.setViewportSize(size);
    await page.goto('/');
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'New visit' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /Old Kiln Row/ }).click();
    await page.getByRole('button', { name: /sill, left/ }).click();
    await expect(page.getByTestId('difference')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /Findings/ }).click();
    await expect(page.getByTestId('difference')).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: /Report/ }).click();
    await expect(page.getByRole('heading', { name: 'Limits of the method' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: /Question/ }).click();
    await expect(page.getByRole('heading', { name: 'What follows from it' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: /Hours/ }).click();
    await expect(page.getByRole('heading', { name: 'Best slots' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByText('Table', { exact: true }).click();
    await expect(page.getByRole('columnheader', { name: 'Reasons' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.getByRole('link', { name: 'Letter to the householder' }).click();
    await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/Please do:/);
    expect(await violations(page)).toEqual([]);
    await page.goto('/loans');
    await page.getByRole('link', { name: /Row camera/ }).click();
    await expect(page.getByRole('heading', { name: 'Who has it when' })).toBeVisible();
    expect(await violations(page)).toEqual([]);
    await page.goto('/');
    await page.getByRole('button', { name: 'Change Signal House' }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(await violations(page)).toEqual([]);
  });
}

test('on a phone nothing breaks out of the page', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 800 });
  await page.goto('/');
  await page.getByRole('link', { name: /Old Kiln Row/ }).click();
  for (const stage of ['Question', 'Hours', 'Bench', 'Findings', 'Report']) {
    await page.getByRole('link', { name: new RegExp(stage) }).click();
    await page.waitForTimeout(500);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).toBeLessThanOrEqual(0);
  }
});

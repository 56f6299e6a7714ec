import type { Page } from '@playwright/test';
import { drawBox, expect, interchange, dropFiles, newVisit, saved, stageOf, test } from './support/pages';

const FRAME = { width: 80, height: 60 };

test.beforeEach(async ({ page }) => {
  await newVisit(page, 'Bench test');
  await dropFiles(page, [interchange('tiff-f32-le-plain.tif')]);
  await expect(page.getByRole('img', { name: /80 by 60 pixels/ })).toBeVisible();
});

const regions = (page: Page) => page.getByRole('complementary', { name: 'Ledger' }).getByRole('listitem');

test('everything is drawn, moved and removed by the keyboard alone', async ({ page }) => {
  await stageOf(page).focus();
  await page.keyboard.press('s');
  await page.keyboard.press('Space');
  await expect(regions(page)).toHaveCount(1);
  await expect(regions(page)).toContainText('9 px');
  await page.keyboard.press('b');
  await page.keyboard.press('Space');
  for (const key of ['Shift+ArrowRight', 'Shift+ArrowDown', 'ArrowDown']) await page.keyboard.press(key);
  await page.keyboard.press('Space');
  await expect(regions(page)).toHaveCount(2);
  await expect(regions(page).nth(1)).toContainText('132 px');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(regions(page).nth(1)).toContainText('144 px');
  const before = await regions(page).nth(1).locator('b').first().innerText();
  await page.keyboard.press('Shift+ArrowLeft');
  await page.keyboard.press('Shift+ArrowUp');
  await expect(regions(page).nth(1).locator('b').first()).not.toHaveText(before);
  await page.keyboard.press('Delete');
  await expect(regions(page)).toHaveCount(1);
});

test('undo and redo go over drawing, and survive a reload', async ({ page }) => {
  await drawBox(page, FRAME, [10, 10], [29, 29]);
  await expect(regions(page)).toHaveCount(1);
  await drawBox(page, FRAME, [40, 30], [49, 39]);
  await expect(regions(page)).toHaveCount(2);
  await saved(page);
  await page.reload();
  await expect(regions(page)).toHaveCount(2);
  await page.keyboard.press('Control+z');
  await expect(regions(page)).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(regions(page)).toHaveCount(0);
  await page.keyboard.press('Control+Shift+z');
  await expect(regions(page)).toHaveCount(1);
  await saved(page);
  await page.reload();
  await expect(regions(page)).toHaveCount(1);
});

test.describe('on a touch screen', () => {
  test.use({ hasTouch: true });

  test('a finger draws a box, two fingers zoom', async ({ page }) => {
    const client = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', touchPoints: { x: number; y: number; id: number }[]) =>
      client.send('Input.dispatchTouchEvent', { type, touchPoints });
    await page.keyboard.press('b');
    const box = (await stageOf(page).boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await touch('touchStart', [{ x, y, id: 1 }]);
    for (const step of [20, 40, 60]) await touch('touchMove', [{ x: x + step, y: y + step, id: 1 }]);
    await touch('touchEnd', []);
    await expect(regions(page)).toHaveCount(1);

    await page.keyboard.press('Escape');
    const width = async () => (await page.locator('svg path[class*="over"]').first().boundingBox())!.width;
    const before = await width();
    await touch('touchStart', [
      { x: x - 30, y, id: 1 },
      { x: x + 30, y, id: 2 },
    ]);
    for (const spread of [40, 60, 80, 100, 120, 140]) {
      await touch('touchMove', [
        { x: x - spread, y, id: 1 },
        { x: x + spread, y, id: 2 },
      ]);
      // Fingers are slower than a script: each move is seen for itself.
      await page.waitForTimeout(40);
    }
    await touch('touchEnd', []);
    await expect.poll(width).toBeGreaterThan(before * 1.5);
    await page.keyboard.press('0');
    await expect.poll(width).toBeCloseTo(before, 0);
  });
});

test('impossible settings are refused at the field, and the old value stays in force', async ({ page }) => {
  const emissivity = page.getByRole('spinbutton', { name: 'Emissivity' });
  await emissivity.fill('1.4');
  await emissivity.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'Emissivity must not exceed 1' })).toBeVisible();
  await emissivity.fill('0.9');
  await emissivity.press('Enter');
  await expect(page.getByLabel('Settings').getByText('of this frame')).toBeVisible();
  await page.getByRole('button', { name: 'Take Emissivity from above' }).click();
  await expect(page.getByLabel('Settings').getByText('of this frame')).toHaveCount(0);
});

test('a frame gets its name, its room and its side, and goes to its place in the strip', async ({ page }) => {
  await page.getByRole('button', { name: 'Change what this frame is' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Ceiling corner');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await page.getByRole('combobox', { name: 'Room' }).click();
  await page.getByTitle('Stairs').click();
  await page.getByText('outside', { exact: true }).last().click();
  await expect(page.getByText('Ceiling corner · Stairs · outside')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Frames of this visit' })).toContainText('Stairs');
  await saved(page);
  await page.reload();
  await expect(page.getByText('Ceiling corner · Stairs · outside')).toBeVisible();
});

test('an empty name is refused and the old one comes back', async ({ page }) => {
  await drawBox(page, FRAME, [10, 10], [29, 29]);
  const name = page.getByLabel('Name');
  await name.fill('   ');
  await expect(page.getByRole('alert').filter({ hasText: 'must not be empty' })).toBeVisible();
  await name.blur();
  await expect(page.getByLabel('Name')).toHaveValue('box 1');
});

test('letters typed into a field are no tools', async ({ page }) => {
  await drawBox(page, FRAME, [10, 10], [29, 29]);
  await page.getByLabel('Name').fill('');
  await page.getByLabel('Name').pressSequentially('sbrf[n');
  await expect(page.getByLabel('Name')).toHaveValue('sbrf[n');
  await expect(page.getByRole('button', { name: /^Spot/ })).toHaveAttribute('aria-pressed', 'false');
  await expect(page.getByText(/Stretched over/)).toHaveCount(0);
});

test('typed text is never markup', async ({ page }) => {
  await drawBox(page, FRAME, [10, 10], [29, 29]);
  await page.getByLabel('Name').fill('<img src=x onerror=alert(1)>');
  await page.getByLabel('Name').press('Enter');
  await expect(regions(page)).toContainText('<img src=x onerror=alert(1)>');
  expect(await page.locator('aside img').count()).toBe(0);
});

test('a region of a finding is not removed under it', async ({ page }) => {
  await drawBox(page, FRAME, [10, 10], [19, 19]);
  await page.keyboard.press('r');
  await drawBox(page, FRAME, [50, 30], [59, 39]);
  await page.keyboard.press('Enter');
  await page.getByRole('dialog').getByLabel('What is it?').fill('Kept');
  await page.getByRole('dialog').getByRole('button', { name: 'Record finding' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('Delete');
  await expect(page.getByText(/Still needed by 1 finding \(“Kept”\)/)).toBeVisible();
  await expect(regions(page)).toHaveCount(2);
});

test('two tabs on one region: the later change is held back, both values are shown', async ({ page, context }) => {
  await drawBox(page, FRAME, [10, 10], [29, 29]);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await other.getByRole('button', { name: /box 1/ }).click();
  await other.getByLabel('Name').fill('named in the other tab');
  await other.getByLabel('Name').press('Enter');
  await saved(other);

  await page.getByLabel('Name').fill('named here');
  await page.getByLabel('Name').press('Enter');
  const dialog = page.getByRole('dialog', { name: /changed elsewhere/ });
  await expect(dialog).toContainText('named here');
  await expect(dialog).toContainText('named in the other tab');
  await dialog.getByRole('button', { name: 'Keep what is stored' }).click();
  await expect(regions(page)).toContainText('named in the other tab');

  await other.close();
});

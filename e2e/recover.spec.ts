import { expect, test } from '@playwright/test';
import { Den } from './support/den';

test.describe.configure({ mode: 'serial', timeout: 180_000 });

const den = Den.fresh('recover');
test.beforeAll(() => den.start());
test.afterAll(() => den.interrupt());

test('while the database is away pages say so and keep what is changed; when it is back they go on by themselves', async ({
  page,
  context,
}) => {
  await page.goto(den.address);
  const bench = (await page.getByRole('link', { name: /Old Kiln Row · No. 2/ }).getAttribute('href'))!;
  await page.goto(new URL(bench.replace(/\w+$/, 'question'), den.address).href);
  const question = page.getByRole('textbox', { name: /question/i }).first();
  await expect(question).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

  // Whoever would bring it back is held as well, for as long as this looks.
  den.kill('keeper', 'SIGSTOP');
  den.kill('database');
  await question.fill('Why is the back bedroom cold, asked while nothing answered?');
  await question.blur();
  await expect(page.getByRole('alert').filter({ hasText: 'The database does not answer just now.' })).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: /^1 change waits, trying again$/ })).toBeVisible();
  const other = await context.newPage();
  await other.goto(den.address);
  await expect(other.getByRole('heading', { name: 'This page could not be shown' })).toBeVisible();

  den.kill('keeper', 'SIGCONT');
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('alert').filter({ hasText: 'The database does not answer' })).toBeHidden();
  await expect(other.getByRole('link', { name: /Old Kiln Row · No. 2/ })).toBeVisible({ timeout: 60_000 });
  await page.reload();
  await expect(question).toHaveValue('Why is the back bedroom cold, asked while nothing answered?');
});

test('files that are dropped while the application is away go in when it is back', async ({ page }) => {
  await page.goto(den.address);
  await page.getByRole('link', { name: /Old Kiln Row · No. 2/ }).click();
  await expect(page.getByRole('application')).toBeVisible();
  den.kill('app');
  const grid = Array.from({ length: 12 }, (_, y) => Array.from({ length: 16 }, (_, x) => 18 + ((x * y) % 7) / 10).join(',')).join(
    '\n',
  );
  await page.getByLabel('Files to add').setInputFiles({ name: 'late.csv', mimeType: 'text/csv', buffer: Buffer.from(grid) });
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('1 frame', { timeout: 60_000 });
});

import { dropFiles, expect, interchange, newVisit, saved, stageOf, test, documentOf } from './support/pages';

test('frames are deleted for good, with what lies on them', async ({ page }) => {
  const id = await newVisit(page, 'House of deleted frames');
  await dropFiles(page, [interchange('csv-semicolon-decimal-comma.csv'), interchange('png16-ck-pillow.png')]);
  const strip = page.getByRole('navigation', { name: 'Frames of this visit' });
  await expect(strip.getByRole('button')).toHaveCount(2);
  await expect(stageOf(page)).toBeVisible();
  const gone = Object.values((await documentOf(page, id)).rows.frame).map((row) => row.id);
  await strip
    .getByRole('button')
    .first()
    .click({ modifiers: ['ControlOrMeta'] });
  await page.getByRole('region', { name: 'Chosen frames' }).getByRole('button', { name: 'Delete …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Delete 1 frame for good?' });
  await expect(dialog).toContainText('There is no undo.');
  await dialog.getByRole('button', { name: 'Delete for good' }).click();
  await expect(strip.getByRole('button')).toHaveCount(1);
  await saved(page);
  const left = Object.keys((await documentOf(page, id)).rows.frame);
  expect(left).toHaveLength(1);
  const [deleted] = gone.filter((one) => !left.includes(one));
  expect((await page.request.get(`/api/frames/${deleted!}/pixels`)).status()).toBe(404);
  await expect(page.getByRole('button', { name: 'Undo', exact: true })).toBeDisabled();
});

test('a visit that was put away is deleted for good, by its name', async ({ page }) => {
  const id = await newVisit(page, 'House to forget');
  await dropFiles(page, [interchange('csv-semicolon-decimal-comma.csv')]);
  await expect(stageOf(page)).toBeVisible();
  const [frame] = Object.keys((await documentOf(page, id)).rows.frame);
  await page.goto('/');
  await page.getByRole('button', { name: 'Put away: House to forget' }).click();
  await page.getByRole('switch', { name: /put away/i }).click();
  await page.getByRole('button', { name: 'Delete for good: House to forget' }).click();
  const dialog = page.getByRole('dialog', { name: 'Delete House to forget for good?' });
  await expect(dialog).toContainText('1 visit');
  await expect(dialog).toContainText('1 frame');
  const go = dialog.getByRole('button', { name: 'Delete for good' });
  await expect(go).toBeDisabled();
  await dialog.getByRole('textbox').fill('House to forget');
  await go.click();
  await expect(page.getByRole('heading', { name: 'House to forget' })).toBeHidden();
  expect((await page.request.get(`/api/visits/${id}/document`)).status()).toBe(404);
  expect((await page.request.get(`/api/frames/${frame!}/file`)).status()).toBe(404);
});

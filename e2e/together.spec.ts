import { dropFiles, expect, interchange, newVisit, saved, stageOf, test, documentOf, makeVisit } from './support/pages';

test('two tabs give one frame its first settings: the second is shown both values', async ({ page, context }) => {
  const id = await newVisit(page, 'Two hands on settings');
  await dropFiles(page, [interchange('csv-semicolon-decimal-comma.csv')]);
  await expect(stageOf(page)).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(stageOf(other)).toBeVisible();
  const emissivity = (tab: typeof page) => tab.getByRole('spinbutton', { name: 'Emissivity', exact: true });
  await emissivity(other).fill('0.8');
  await emissivity(other).press('Enter');
  await saved(other);
  await emissivity(page).fill('0.7');
  await emissivity(page).press('Enter');
  const dialog = page.getByRole('dialog', { name: /changed elsewhere/ });
  await expect(dialog.getByRole('row', { name: /emissivity/ }).first()).toContainText(/0\.7.*0\.8/);
  await dialog.getByRole('button', { name: 'Use mine instead' }).click();
  await saved(page);
  const stored = Object.values((await documentOf(page, id)).rows.settings);
  expect(stored.map(({ value }) => value.emissivity)).toEqual([0.7]);
  await other.close();
});

test('two tabs name one room: the second is shown both names, and keeps what is stored', async ({ page, context }) => {
  const id = await makeVisit(page, 'Two hands on rooms', ['Kitchen']);
  await page.goto(`/visits/${id}/round/house`);
  const other = await context.newPage();
  await other.goto(page.url());
  const name = (tab: typeof page) => tab.getByRole('textbox', { name: 'Name of the room', exact: true });
  for (const tab of [page, other]) await tab.getByRole('button', { name: /^Kitchen, / }).click();
  await name(other).fill('Scullery');
  await name(other).blur();
  await saved(other);
  await name(page).fill('Galley');
  await name(page).blur();
  const dialog = page.getByRole('dialog', { name: 'This room was changed elsewhere' });
  await expect(dialog.getByRole('row', { name: /^name/ })).toContainText(/Galley.*Scullery/);
  await dialog.getByRole('button', { name: 'Keep what is stored' }).click();
  await expect(page.getByRole('button', { name: /^Scullery, / })).toBeVisible();
  expect(Object.values((await documentOf(page, id)).rows.room).map(({ value }) => value.name)).toEqual(['Scullery']);
  await other.close();
});

test('a step over several rows that were changed elsewhere is asked for row by row, and sent as one', async ({
  page,
  context,
}) => {
  const id = await makeVisit(page, 'Two hands on two rooms', ['Kitchen', 'Hall']);
  await page.goto(`/visits/${id}/round/house`);
  const box = (tab: typeof page, name: string) => tab.getByRole('button', { name: new RegExp(`^${name}, `) });
  await expect(box(page, 'Hall')).toBeVisible();
  const other = await context.newPage();
  await other.goto(page.url());
  // Both rooms are laid on each other, and another tab moves them.
  await box(page, 'Hall').focus();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowLeft');
  await saved(page);
  await other.reload();
  await expect(box(other, 'Hall')).toBeVisible();
  for (const name of ['Kitchen', 'Hall']) {
    await box(other, name).focus();
    await other.keyboard.press('ArrowDown');
  }
  await saved(other);
  let steps = 0;
  page.on('request', (request) => (steps += request.url().endsWith('/api/commands') ? 1 : 0));
  await page.getByRole('button', { name: 'Lay them side by side' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toBeVisible();
  await dialog.getByRole('button', { name: /Use (all of )?mine instead/ }).click();
  await saved(page);
  expect(steps).toBe(2);
  await other.close();
});

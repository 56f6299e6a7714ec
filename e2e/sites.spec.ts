import { expect, newVisit, saved, test, documentOf } from './support/pages';

test('a site is made, turned on the compass, put away and taken out again', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New site' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('button', { name: 'Keep the site' }).click();
  await expect(dialog.getByText('must not be empty')).toBeVisible();
  await dialog.getByLabel('Place', { exact: true }).fill('Toll cottage');
  await dialog.getByRole('button', { name: 'Four sides' }).click();
  const first = dialog.getByRole('slider', { name: 'Façade 1 faces' });
  await first.focus();
  for (let i = 0; i < 4; i += 1) await first.press('ArrowRight');
  await expect(first).toHaveAttribute('aria-valuetext', '20°, north');
  await dialog.getByRole('button', { name: 'Remove façade 4' }).click();
  await dialog.getByRole('button', { name: 'Keep the site' }).click();
  await expect(page.getByRole('heading', { name: 'Toll cottage' })).toBeVisible();

  await page.getByRole('button', { name: 'Change Toll cottage' }).click();
  await expect(dialog.getByRole('spinbutton', { name: 'Façade 1, degrees from north' })).toHaveValue('20');
  await expect(dialog.getByRole('slider')).toHaveCount(3);
  const compass = (await dialog.getByRole('group', { name: 'Compass of façades' }).boundingBox())!;
  const handle = (await dialog.getByRole('slider', { name: 'Façade 2 faces' }).boundingBox())!;
  await page.mouse.move(handle.x + handle.width - 6, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(compass.x + compass.width / 2 + 55, compass.y + compass.height / 2 + 55, { steps: 4 });
  await page.mouse.up();
  await expect(dialog.getByRole('slider', { name: 'Façade 2 faces' })).toHaveAttribute('aria-valuetext', '135°, south-east');
  await dialog.getByRole('button', { name: 'Keep the site' }).click();
  await expect(dialog).toBeHidden();

  await page.getByRole('button', { name: 'Put away: Toll cottage' }).click();
  await expect(page.getByRole('heading', { name: 'Toll cottage' })).toBeHidden();
  await page.getByRole('switch').click();
  await page.getByRole('button', { name: 'Take out again: Toll cottage' }).click();
  await expect(page.getByRole('button', { name: 'Put away: Toll cottage' })).toBeVisible();
});

test('a seasonal repeat takes over the last visit of the site', async ({ page }) => {
  const first = await newVisit(page, 'House of seasons');
  await page.getByRole('link', { name: /Question/ }).click();
  await page.getByRole('textbox', { name: 'The question' }).fill('Is the loft still tight?');
  await page.getByRole('combobox', { name: 'Room' }).fill('Front room');
  await page.getByRole('textbox', { name: 'Complaint', exact: true }).fill('Draught');
  await page.getByRole('button', { name: 'Add a complaint' }).click();
  await saved(page);
  await page.getByRole('link', { name: 'All visits' }).click();
  await page.getByRole('button', { name: 'Visit House of seasons' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Why' }).click();
  await page.getByTitle('Seasonal repeat').click();
  await expect(dialog.getByLabel('Visit', { exact: true })).toHaveValue('Seasonal repeat');
  await dialog.getByLabel('Rooms, in the order of the round').fill('Stairs, Loft');
  await dialog.getByRole('button', { name: 'Begin the visit' }).click();
  await page.waitForURL(/\/question/);
  expect(page.url()).not.toContain(first);
  await expect(page.getByRole('textbox', { name: 'The question' })).toHaveValue('Is the loft still tight?');
  await expect(page.getByRole('textbox', { name: 'Complaint, line 1' })).toHaveValue('Draught');
  const id = /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const document = await documentOf(page, id);
  expect(
    Object.values(document.rows.room)
      .sort((a, b) => a.value.ordinal - b.value.ordinal)
      .map(({ value }) => value.name),
  ).toEqual(['Front room', 'Stairs', 'Loft']);
  expect(Object.keys(document.rows.frame)).toEqual([]);
});

test('a visit gets another name and day, and is put away', async ({ page }) => {
  const id = await newVisit(page, 'House with a wrong name');
  await page.getByRole('link', { name: 'All visits' }).click();
  await page.getByRole('button', { name: 'Change First visit of House with a wrong name' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Visit', { exact: true }).fill(' ');
  await expect(dialog.getByRole('button', { name: 'Keep the visit' })).toBeDisabled();
  await dialog.getByLabel('Visit', { exact: true }).fill('Blower door evening');
  await dialog.getByLabel('Day and hour').fill('2027-02-11T20:00');
  await dialog.getByRole('button', { name: 'Keep the visit' }).click();
  const line = page.getByRole('link', { name: /Blower door evening/ });
  await expect(line).toContainText('11 Feb 2027');
  await page.goto(`/visits/${id}/report`);
  await expect(page.getByText(/Blower door evening · 11 Feb 2027/).first()).toBeVisible();
  await page.goto('/');
  await page.getByRole('button', { name: 'Put away: Blower door evening' }).click();
  await expect(line).toBeHidden();
});

import { dropFiles, documentOf, expect, fixture, interchange, newVisit, saved, test } from './support/pages';

test.describe.configure({ timeout: 120_000 });

for (const size of [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
]) {
  test(`from a key to a candidate, its causes, a check and the report, ${size.width}×${size.height}`, async ({ page }) => {
    await page.setViewportSize(size);
    const id = await newVisit(page, `Cottage of the candidates ${size.width}`);
    await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
    await page.getByRole('button', { name: "Close the import's summary" }).click();
    await expect(page.getByRole('img', { name: /wall-with-bare-bay: 320 by 240 pixels/ })).toBeVisible();

    await page.keyboard.press('w');
    const panel = page.getByRole('complementary', { name: 'What deserves a look' });
    await expect(panel.getByRole('status')).toContainText(/deserves? a look/);
    const first = panel.getByRole('listitem').filter({ hasText: 'Missing insulation' }).first();
    await first
      .getByRole('button', { name: /Missing insulation/ })
      .first()
      .click();
    await expect(panel.getByText('For', { exact: true }).first()).toBeVisible();
    await expect(panel.getByText(/Its sides are straight|lines of the framing/).first()).toBeVisible();
    await expect(panel.getByRole('heading', { name: 'What would settle it' })).toBeVisible();

    await panel.getByRole('button', { name: 'Record as finding' }).click();
    await expect(first).toContainText('Recorded as a finding');
    await saved(page);
    const { rows } = await documentOf(page, id);
    const [finding] = Object.values(rows.finding);
    expect(finding!.value).toMatchObject({ basis: 'pair', argued: { outcomes: [] } });
    expect(Object.keys(rows.region)).toHaveLength(2);

    // The check that would settle it says what each outcome would mean; its outcome moves the ranking.
    await panel.getByRole('link', { name: 'Open the finding' }).click();
    await page.waitForURL(/\/findings\//);
    const causes = page.getByRole('region', { name: 'What it probably is' });
    await expect(causes.getByRole('button', { name: /^Missing insulation \d+ %/ })).toBeVisible();
    const score = async () =>
      Number(/(\d+) %/.exec((await causes.getByRole('button', { name: /^Missing insulation \d+ %/ }).textContent())!)![1]);
    const before = await score();
    await causes
      .getByRole('button', { name: /Frame from the other side|Look into the wall/ })
      .first()
      .click();
    const nothing = causes.getByRole('button', { name: /Nothing stands out there|It is filled/ }).first();
    if (!(await nothing.isVisible()))
      await causes
        .getByRole('button', { name: /Frame from the other side|Look into the wall/ })
        .first()
        .click();
    await nothing.click();
    await expect(causes.getByText('Checked', { exact: true })).toBeVisible();
    await saved(page);
    // It is believed less; where it fell so far that it is not named any more, that is less too.
    const named = await causes.getByRole('button', { name: /^Missing insulation \d+ %/ }).count();
    expect(named === 0 ? 0 : await score()).toBeLessThan(before);

    await page.getByRole('link', { name: 'Report' }).click();
    const report = page.locator('main');
    await expect(report.getByText('What it probably is')).toBeVisible();
    await expect(report.getByText('Likely cause')).toBeVisible();
    await expect(report.getByText('Checked', { exact: true })).toBeVisible();
  });
}

test('all frames are looked through; a dismissal is remembered, taken back and undone', async ({ page }) => {
  const id = await newVisit(page, 'Cottage of the dismissals');
  await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
  await page.getByRole('button', { name: "Close the import's summary" }).click();
  await page.keyboard.press('w');
  const panel = page.getByRole('complementary', { name: 'What deserves a look' });
  await panel.getByRole('link', { name: 'All frames of the visit' }).click();
  await page.waitForURL(/findings\/candidates/);
  const place = page.locator('main').getByRole('link', { name: /Missing insulation/ });
  await expect(place).toBeVisible();
  await place.click();
  await page.waitForURL(/\/bench\/.*\/look-\d+/);
  await panel.getByRole('button', { name: /Dismiss/ }).click();
  await page.getByRole('menuitem', { name: 'Known and meant' }).click();
  await expect(panel.getByText('Dismissed: Known and meant')).toBeVisible();
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.ruling).map(({ value }) => value.reason)).toEqual(['Known and meant']);

  await panel.getByRole('button', { name: 'Ask again' }).click();
  await expect(panel.getByRole('button', { name: 'Record as finding' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(panel.getByText('Dismissed: Known and meant')).toBeVisible();
  await panel.getByRole('link', { name: 'All frames of the visit' }).click();
  await page.getByText(/^Answered \d/).click();
  await expect(page.locator('main').getByRole('link', { name: /Dismissed: Known and meant/ })).toBeVisible();
});

test('after a card was dropped, looking it through is offered', async ({ page }) => {
  await newVisit(page, 'Cottage of the card');
  await dropFiles(page, [fixture('wall-with-bare-bay.tif'), interchange('csv-comma.csv')]);
  const summary = page.getByRole('region', { name: 'Import' });
  await expect(summary).toContainText('2 frames');
  await summary.getByRole('link', { name: 'What deserves a look in them' }).click();
  await page.waitForURL(/findings\/candidates/);
  await expect(
    page
      .locator('main')
      .getByRole('link', { name: /Missing insulation/ })
      .first(),
  ).toBeVisible();
});

test('a greater least difference leaves less; the choice is kept', async ({ page }) => {
  await newVisit(page, 'Cottage of the least difference');
  await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
  await page.getByRole('button', { name: "Close the import's summary" }).click();
  await page.keyboard.press('w');
  const panel = page.getByRole('complementary', { name: 'What deserves a look' });
  await expect(panel.getByText('Missing insulation').first()).toBeVisible();
  await panel.getByRole('combobox', { name: 'Least difference' }).click();
  await page.getByTitle('2.0 K', { exact: true }).click();
  await expect(panel.getByRole('status')).toContainText(/Nothing stands out|deserves? a look/);
  await page.reload();
  await expect(page.getByRole('img', { name: /wall-with-bare-bay: 320 by 240 pixels/ })).toBeVisible();
  await page.keyboard.press('w');
  await expect(panel.getByTitle('2.0 K', { exact: true })).toBeVisible();
});

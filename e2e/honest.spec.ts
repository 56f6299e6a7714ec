import type { Page } from '@playwright/test';
import { frameFile, inBox, SIZE, visitWith } from './support/card';
import { drawBox, dropFiles, expect, fixture, newVisit, saved, test, makeVisit } from './support/pages';

const FRAME = { width: 320, height: 240 };

/** A visit with one frame, sound wall as its reference, and a cold bay chosen against it. */
async function coldBay(page: Page, name: string) {
  const id = await newVisit(page, name);
  await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
  await page.getByRole('button', { name: "Close the import's summary" }).click();
  await drawBox(page, FRAME, [135, 190], [164, 219]);
  await page.keyboard.press('r');
  await drawBox(page, FRAME, [100, 85], [137, 164]);
  const ledger = page.getByRole('complementary', { name: 'Ledger' });
  return { id, ledger };
}

/** Half of a ± as it is written, K. */
const half = async (text: string | null) => Number(/± ([\d.]+)/.exec(text ?? '')![1]);

test('what a difference takes as common is said, and the same material makes it surer', async ({ page }) => {
  const { ledger } = await coldBay(page, 'Same material');
  // A surface that mirrors: there its emissivity matters.
  await page.getByText('visit', { exact: true }).click();
  for (const [name, value] of [
    ['Emissivity', '0.7'],
    ['Reflected', '0'],
  ] as const) {
    await page.getByRole('spinbutton', { name }).fill(value);
    await page.getByRole('spinbutton', { name }).press('Enter');
  }
  await expect(page.getByLabel('Settings').getByText('of the visit')).toHaveCount(2);
  await expect(ledger).toContainText('Each has its own: emissivity');
  const before = await half(await ledger.getByTestId('difference').textContent());
  await ledger.getByRole('checkbox', { name: 'Same material' }).check();
  await expect(ledger).toContainText('their emissivity, of one material');
  await expect.poll(async () => half(await ledger.getByTestId('difference').textContent())).toBeLessThan(before);
  await saved(page);
  await page.reload();
  await ledger.getByRole('button', { name: /box 2/ }).first().click();
  await expect(ledger.getByRole('checkbox', { name: 'Same material' })).toBeChecked();
  await ledger.getByRole('checkbox', { name: 'Same material' }).uncheck();
  await expect(ledger).toContainText('Each has its own: emissivity');
  await page.keyboard.press('Control+z');
  await expect(ledger.getByRole('checkbox', { name: 'Same material' })).toBeChecked();
});

test('a cold place says what it means for moisture, against a limit to choose, as far as the report', async ({ page }) => {
  const { id, ledger } = await coldBay(page, 'Moisture');
  await expect(ledger).toContainText(/Humidity at the surface now \d+ % \(\d+ … \d+\):/);
  await expect(ledger).toContainText(/Temperature factor 0\.\d\d \(0\.\d\d … [01]\.\d\d\) against 0\.70 \(assumed, as usual\):/);
  await ledger.getByRole('combobox', { name: 'Limit of the temperature factor' }).click();
  await page.getByTitle(/Limit 0\.65/).click();
  await expect(ledger).toContainText(/against 0\.65:/);
  await saved(page);
  await page.getByRole('button', { name: /Record finding/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What is it?').fill('Cold bay');
  await dialog.getByRole('button', { name: 'Record finding' }).click();
  await saved(page);
  await page.goto(`/visits/${id}/report`);
  await expect(page.getByRole('heading', { name: /^Moisture at/ })).toBeVisible();
  await expect(page.locator('main')).toContainText(/against 0\.65/);
});

test('conditions are judged side by side, by the rules of Hours and in words', async ({ page }) => {
  await newVisit(page, 'Judged once');
  const chip = page.getByRole('button', { name: /^Conditions:/ });
  await expect(chip).toHaveAccessibleName(/Good to read/);
  await chip.click();
  const form = page.getByRole('tooltip').or(page.locator('.ant-popover')).first();
  await form.getByRole('spinbutton', { name: 'Wind' }).fill('12');
  await form.getByRole('spinbutton', { name: 'Cloud' }).fill('100');
  await form.getByRole('combobox', { name: 'Wind from' }).click();
  await page.getByTitle('south-west').click();
  await form.getByRole('button', { name: 'Keep conditions' }).click();
  await saved(page);
  await chip.click();
  await expect(page.getByRole('list', { name: 'Judged by the rules of Hours' })).toContainText(
    /inside\s*wind 12\.0 m\/s: drafts come and go/,
  );
});

test('nothing that is hidden in a simulated house reaches the browser', async ({ page }) => {
  const seen: string[] = [];
  page.on('response', async (response) => {
    const type = response.headers()['content-type'] ?? '';
    if (/json/.test(type)) seen.push(await response.text().catch(() => ''));
  });
  const id = await makeVisit(page, 'Hidden', [], true);
  await page.goto(`/visits/${id}/round`);
  await page.getByRole('button', { name: 'Build the house' }).click();
  await page.getByRole('button', { name: /Hall or workshop/ }).click();
  await saved(page);
  await page.locator('main').getByRole('link', { name: /Round/ }).click();
  const picture = page.getByRole('img', { name: 'What the stand-in camera sees' });
  await expect(picture).toBeVisible();
  await page.getByRole('button', { name: /Capture$/ }).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  expect(seen.length).toBeGreaterThan(2);
  for (const word of ['"hidden"', '"described"', '"features"', '"strength"', '"scene"'])
    expect(seen.filter((text) => text.includes(word))).toEqual([]);
});

test('a leak that the mean of its box hides is stated by its coldest part, as far as the report', async ({ page }) => {
  const visit = await newVisit(page, 'Hidden by the mean');
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [74, 54, 84, 64]) ? 10 : null));
  await visitWith(page, visit, [{ name: 'leak.npy', bytes }]);
  await expect(page.getByRole('application')).toBeVisible();
  await drawBox(page, SIZE, [10, 10], [40, 40]);
  await page.keyboard.press('r');
  await drawBox(page, SIZE, [64, 44], [94, 74]);
  const ledger = page.getByRole('complementary', { name: 'Ledger' });
  await expect(ledger).toContainText(/Whole frame: coldest \d+\.\d, hottest \d+\.\d °C/);
  await expect(ledger).toContainText(/The mean hides its coldest part: −8\.\d K/);
  await ledger.getByRole('button', { name: 'State that' }).click();
  await expect(ledger.getByRole('heading', { name: /coldest part of box 2 against/ })).toBeVisible();
  await expect(ledger.getByTestId('difference')).toContainText('−8.');
  await ledger.getByRole('button', { name: /Record finding/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What is it?').fill('Water behind the tiles');
  await dialog.getByRole('button', { name: 'Record finding' }).click();
  await saved(page);
  await page.goto(`/visits/${visit}/report`);
  await expect(page.locator('main')).toContainText(/The coldest part of “box 2” is colder than “box 1”, outside the noise\./);
});

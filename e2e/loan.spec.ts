import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './support/pages';
import { weatherFile } from './support/weather';
import { pdfText } from './support/pdf';

const HOMES: [string, string, ...string[]] = [
  'Old Kiln Row · No. 1',
  'Old Kiln Row · No. 2',
  'Old Kiln Row · No. 3',
  'Old Kiln Row · drying shed',
  'Signal House',
];

async function newLoan(page: Page, name: string): Promise<void> {
  await page.goto('/loans');
  await page.getByRole('button', { name: 'New loan' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByRole('combobox', { name: 'Weather near' }).fill(HOMES[1]);
  await dialog.getByRole('combobox', { name: 'Weather near' }).press('Enter');
  await dialog.getByLabel('From', { exact: true }).fill('2027-01-11T09:00');
  await dialog.getByLabel('To', { exact: true }).fill('2027-01-10T20:00');
  await dialog.getByRole('button', { name: 'Make the loan' }).click();
  await expect(dialog.getByText('must be after its begin')).toBeVisible();
  await dialog.getByLabel('To', { exact: true }).fill('2027-01-17T20:00');
  await dialog.getByRole('button', { name: 'Make the loan' }).click();
  await page.waitForURL(/\/loans\/[0-9a-f-]+$/);
}

const turns = (page: Page) => page.getByRole('region', { name: 'Who has it when' });
const kept = (page: Page) => expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();

test('a loan of five homes, from its list to its sheet', async ({ page }) => {
  await newLoan(page, 'Row camera in January');
  await expect(turns(page)).toContainText('No weather yet');

  await test.step('five homes, each with evenings on which somebody is in', async () => {
    for (const [i, home] of HOMES.entries()) {
      await page.getByRole('combobox', { name: 'Add a home' }).fill(home);
      await page.getByRole('combobox', { name: 'Add a home' }).press('Enter');
      for (const day of [`${11 + i}`, `${12 + i}`])
        await page.getByRole('button', { name: new RegExp(`^${home}, \\w+ ${day}: nobody in`) }).click();
    }
    await expect(page.getByRole('button', { name: /: 17:30–22:00$/ })).toHaveCount(10);
    await kept(page);
  });

  await test.step('without weather nobody is told an hour; a file is brought', async () => {
    await expect(turns(page)).toContainText('No weather yet');
    await page.locator('input[type=file]').setInputFiles(weatherFile('2027-01-11', 51.2, 1));
    await expect(page.getByText(/^week-2027-01-11\.csv: /)).toBeVisible();
  });

  await test.step('every home is served or told why not', async () => {
    for (const home of HOMES) await expect(turns(page)).toContainText(home);
  });

  await test.step('a home that nobody is in waits, with the reason; it survives a reload', async () => {
    const home = HOMES[4]!;
    for (const day of ['15', '16']) {
      await page.getByRole('button', { name: new RegExp(`^${home}, \\w+ ${day}: 17:30`) }).click();
      await page.getByRole('button', { name: 'Nobody in', exact: true }).click();
    }
    await expect(turns(page)).toContainText('Nobody is in while the camera is there.');
    await kept(page);
    await page.reload();
    await expect(turns(page)).toContainText('Nobody is in while the camera is there.');
  });

  await test.step('its calendar and its sheet', async () => {
    const calendar = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Put in calendar' }).click();
    const text = readFileSync(await (await calendar).path(), 'utf8').replace(/\r\n[ \t]/g, '');
    expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThanOrEqual(3);
    expect(text).toContain('SUMMARY:Row camera in January: Old Kiln Row · No. 1');
    const sheet = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Sheet to print' }).click();
    const pdf = await pdfText(await (await sheet).path());
    expect(pdf.text).toContain('Row camera in January');
    for (const home of HOMES) expect(pdf.text).toContain(home);
    expect(pdf.text).toContain('Waiting for the next loan');
    expect(pdf.text).toContain('the card emptied');
    expect(pdf.text).toContain('By the weather file week-2027-01-11.csv');
  });
});

test('impossible days are refused at the field and the old ones stay', async ({ page }) => {
  await newLoan(page, 'Loan with a wrong end');
  await page.getByLabel('To', { exact: true }).fill('2027-01-09T20:00');
  await expect(page.getByText('To must be after its begin')).toBeVisible();
  await page.getByLabel('To', { exact: true }).fill('2027-02-09T20:00');
  await expect(page.getByText('To must be within seven days of its begin')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('To', { exact: true })).toHaveValue('2027-01-17T20:00');
});

test('times of an evening and the order of the list are kept', async ({ page }) => {
  await newLoan(page, 'Loan with times');
  for (const home of HOMES.slice(0, 2)) {
    await page.getByRole('combobox', { name: 'Add a home' }).fill(home);
    await page.getByRole('combobox', { name: 'Add a home' }).press('Enter');
  }
  const cell = page.getByRole('button', { name: /^Old Kiln Row · No\. 1, Tue 12/ });
  await cell.click();
  await cell.click();
  await page.getByLabel('until').fill('17:00');
  await expect(page.getByText('The end must be after its begin.')).toBeVisible();
  await page.getByLabel('until').fill('20:00');
  await page.getByRole('button', { name: 'Keep times' }).click();
  await expect(cell).toHaveAccessibleName(/17:30–20:00/);
  await page.getByRole('button', { name: 'Old Kiln Row · No. 2: earlier in the order' }).click();
  await page.getByRole('spinbutton', { name: 'Old Kiln Row · No. 1: minutes needed' }).fill('45');
  await kept(page);
  await page.reload();
  await expect(cell).toHaveAccessibleName(/17:30–20:00/);
  await expect(
    page.getByRole('region', { name: 'Homes that wait' }).locator('b', { hasText: 'Old Kiln Row' }).first(),
  ).toHaveText(HOMES[1]!);
  await expect(page.getByRole('spinbutton', { name: 'Old Kiln Row · No. 1: minutes needed' })).toHaveValue('45');
});

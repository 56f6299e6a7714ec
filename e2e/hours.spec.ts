import { readFileSync } from 'node:fs';
import path from 'node:path';
import type { Page } from '@playwright/test';
import { expect, saved, test, documentOf } from './support/pages';
import { pdfText } from './support/pdf';
import { weatherFile } from './support/weather';

const WEEK = path.resolve('core/testing/weather-february.csv');

/** A visit of a new place with four façades, by the dialog. */
async function visitOfPlace(page: Page, name: string): Promise<string> {
  await page.goto('/');
  await page.getByRole('button', { name: 'New visit' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Place', { exact: true }).fill(name);
  await dialog.getByLabel('Latitude').fill('38.3');
  await dialog.getByLabel('Longitude').fill('-6.5');
  await dialog.getByLabel('Longitude').blur();
  await expect(dialog.getByTitle('Europe/Madrid')).toBeVisible();
  await dialog.getByRole('button', { name: 'Four sides' }).click();
  await dialog.getByLabel('Rooms, in the order of the round').fill('Kitchen, Hall');
  await dialog.getByRole('button', { name: 'Begin the visit' }).click();
  await page.waitForURL(/\/question/);
  return /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

async function lookAt(page: Page, day: string): Promise<void> {
  await page.getByLabel('Week from').fill(day);
  await expect(page.getByRole('heading', { name: 'Best slots' })).toBeVisible();
}

/** Brings a weather file for a week and looks at it. */
async function withWeather(page: Page, day: string): Promise<void> {
  await page.locator('input[type=file]').setInputFiles(weatherFile(day, 38.3, -6.5));
  await expect(page.getByText(new RegExp(`^week-${day}\\.csv: `))).toBeVisible();
  await lookAt(page, day);
}

test('from the question to the hours, a slot for the calendar, and a letter', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const visit = await visitOfPlace(page, 'House of the hours test');

  await test.step('take the question in', async () => {
    await page.getByText('Drafts', { exact: true }).click();
    await page.getByRole('textbox', { name: 'The question' }).fill('Where does the cold air come from?');
    await page.getByRole('combobox', { name: 'Room' }).fill('Kitchen');
    await page.getByRole('textbox', { name: 'Complaint', exact: true }).fill('Cold feet at the sink');
    await page.getByRole('button', { name: 'Add a complaint' }).click();
    await page.getByRole('textbox', { name: 'Removed, boarded' }).fill('Chimney taken out');
    await page.getByRole('textbox', { name: 'When', exact: true }).fill('2019');
    await page.getByRole('button', { name: 'Add to the history' }).click();
    await page.getByRole('textbox', { name: 'People and pets' }).fill('a baby sleeps from seven');
    await page.getByRole('textbox', { name: 'Access' }).fill('Key next door');
    await page.getByRole('textbox', { name: 'Access' }).blur();
    const follows = page.getByRole('complementary', { name: 'What follows from it' });
    await expect(follows).toContainText('Smoke pen');
    await expect(follows).toContainText('Kitchen, because of the complaint');
    await saved(page);
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Complaint, line 1' })).toHaveValue('Cold feet at the sink');
  });

  const slot = page.getByRole('region', { name: 'Best slots' }).getByRole('listitem').first();
  await test.step('choose the hours by a weather file', async () => {
    await page.getByRole('link', { name: 'Choose the hours' }).click();
    await withWeather(page, '2027-01-11');
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(
      /^\w+day from \d\d:00 is the (morning|afternoon|evening) to go$/,
    );
    await expect(page.getByRole('button', { name: /^West, Sun 17 Jan/ })).toHaveCount(8);
    await slot.getByRole('button', { name: /Settle on/ }).click();
    await expect(slot.getByRole('button', { name: /Settle on/ })).toHaveText('Settled');
    await expect(page.getByRole('button', { name: /your slot/ }).first()).toBeVisible();
    await saved(page);
  });

  await test.step('put the slot in the calendar', async () => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Put in calendar' }).click();
    const file = await download;
    expect(file.suggestedFilename()).toMatch(/\.ics$/);
    const text = readFileSync(await file.path(), 'utf8').replace(/\r\n[ \t]/g, '');
    const { from } = (await documentOf(page, visit)).rows.plan[Object.keys((await documentOf(page, visit)).rows.plan)[0]!]!.value
      .slot!;
    const stamp = new Date(from).toISOString().replace(/[-:]|\.000/g, '');
    expect(text).toContain(`DTSTART:${stamp}`);
    expect(text).toContain('SUMMARY:Thermal survey: House of the hours test');
    expect(text).toContain('Key next door');
    expect(text).toContain('Chosen by the weather file week-2027-01-11.csv');
  });

  await test.step('write the letter', async () => {
    await page.getByRole('link', { name: 'Letter to the householder' }).click();
    const letter = page.getByRole('textbox', { name: 'Letter' });
    await expect(letter).toHaveValue(/Heating on and steady as you usually have it from \w+day/);
    await expect(letter).toHaveValue(/a baby sleeps from seven/);
    await expect(letter).toHaveValue(/The hour was chosen by the weather file week-2027-01-11\.csv, 5 Jan 2027 to 20 Jan 2027\./);
    await letter.fill(`${await letter.inputValue()}\n\nCall me: <b>Ada</b>`);
    await letter.blur();
    await expect(page.getByText('Changed by hand')).toBeVisible();
    await saved(page);
    await page.getByRole('button', { name: 'Copy text' }).click();
    await expect.poll(() => page.evaluate(() => navigator.clipboard.readText())).toContain('Call me: <b>Ada</b>');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Download PDF' }).click();
    const { text } = await pdfText(await (await download).path());
    expect(text).toContain('Before the thermal survey of House of the hours test');
    expect(text).toContain('Call me: <b>Ada</b>');
    await page.getByRole('button', { name: 'Write it anew from the plan' }).click();
    await expect(letter).not.toHaveValue(/Ada/);
  });
});

test('strictness and warmth inside change the hours; the reasons are there as chart and table', async ({ page }) => {
  await visitOfPlace(page, 'House of what if');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await withWeather(page, '2027-01-11');
  const go = page.getByRole('button', { name: /: A, go/ });
  await expect(go.first()).toBeVisible();
  const usual = await go.count();
  await page.getByText('Strict: dark, 15 K').click();
  await expect.poll(() => go.count()).toBeLessThan(usual);
  await page.getByText('Usual', { exact: true }).click();
  await expect.poll(() => go.count()).toBe(usual);
  const warmth = page.getByRole('slider', { name: 'Expected temperature inside, °C' });
  await warmth.focus();
  await warmth.press('Home');
  await expect(page.getByText('5.0 °C', { exact: true })).toBeVisible();
  await expect.poll(() => go.count()).toBeLessThan(usual);

  await page.getByRole('button', { name: /^South, Mon 11 Jan 12:00/ }).click();
  await expect(page.getByRole('region', { name: 'Why, hour by hour' })).toContainText('Monday 11 January · South, brick');
  await page.getByText('Table', { exact: true }).click();
  const rows = page.getByRole('region', { name: 'Why, hour by hour' }).getByRole('row');
  await expect(rows).toHaveCount(25);
  await page.getByRole('textbox', { name: /^Filter/ }).fill('13:00');
  await expect(rows).toHaveCount(2);
  await expect(rows.nth(1)).toContainText(/south wall|sun|between inside and outside/);
});

test('arrow keys walk over the board', async ({ page }) => {
  await visitOfPlace(page, 'House of keys');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await withWeather(page, '2027-01-11');
  await page.getByRole('button', { name: /^Inside, Mon 11 Jan 0:00/ }).focus();
  for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Why, hour by hour' })).toContainText('Monday 11 January · North, brick');
});

test('a weather file takes the place of the forecast; beyond its end nothing is claimed', async ({ page }) => {
  await visitOfPlace(page, 'House of the file');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  const input = page.locator('input[type=file]');
  await input.setInputFiles(WEEK);
  await expect(page.getByText('weather-february.csv: 8 Feb 2027 to 15 Feb 2027')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Inside, Mon 8 Feb/ })).toHaveCount(8);
  await lookAt(page, '2027-02-12');
  await expect(page.getByRole('button', { name: /^Inside, Wed 17 Feb .*no weather/ })).toHaveCount(8);
  await page.getByRole('button', { name: /^Inside, Wed 17 Feb 12:00/ }).click();
  await expect(page.getByText('There is no weather for this day.')).toBeVisible();
  await saved(page);

  await test.step('a malformed file is refused with its line, and the other stays', async () => {
    const broken = readFileSync(WEEK, 'utf8').replace('2027-02-08T03:00:00Z,-0.2', '2027-02-08T03:00:00Z,273.1');
    await input.setInputFiles({ name: 'kelvin.csv', mimeType: 'text/csv', buffer: Buffer.from(broken) });
    await expect(page.getByText(/kelvin\.csv: The temperature in line 5 is 273\.1/)).toBeVisible();
    await expect(page.getByText('weather-february.csv: 8 Feb 2027 to 15 Feb 2027')).toBeVisible();
  });
  await page.reload();
  await expect(page.getByText('weather-february.csv: 8 Feb 2027 to 15 Feb 2027')).toBeVisible();
});

test('a site without a place asks for it, and goes on from there', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'New visit' }).click();
  await page.getByRole('dialog').getByLabel('Place', { exact: true }).fill('House without a place');
  await page.getByRole('button', { name: 'Begin the visit' }).click();
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await page.getByRole('button', { name: 'Set the place' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Latitude').fill('95');
  await dialog.getByLabel('Longitude').fill('1');
  await dialog.getByRole('button', { name: 'Keep the site' }).click();
  await expect(dialog.getByText('must not exceed 90°')).toBeVisible();
  await dialog.getByLabel('Latitude').fill('-36.8');
  await dialog.getByLabel('Longitude').fill('174.8');
  await dialog.getByLabel('Longitude').blur();
  await expect(dialog.getByTitle('Pacific/Auckland')).toBeVisible();
  await dialog.getByRole('button', { name: 'Keep the site' }).click();
  // Nothing is judged without weather: no letters, no hour proposed.
  await expect(page.getByText('No weather yet')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Best slots' })).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Which hours are worth driving out for?');
  await expect(page.getByRole('button', { name: 'Put in calendar' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Add façades' })).toBeVisible();
  await page.getByRole('link', { name: 'Letter to the householder' }).click();
  await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/We come on a day and hour that we will tell you/);
});

/** A year in the EPW format, hour by hour, cold and still. */
function epwYear(): Buffer {
  const head = [
    'LOCATION,Hill Town,-,XX,synthetic,000000,38.3,-6.5,1.0,180',
    ...Array.from({ length: 7 }, (_, i) => `HEAD ${i}`),
  ];
  const hours = Array.from({ length: 8760 }, (_, i) => {
    const time = new Date(Date.UTC(2025, 0, 1, i));
    const fields = Array<string>(35).fill('9999');
    fields.splice(
      0,
      6,
      '2025',
      String(time.getUTCMonth() + 1),
      String(time.getUTCDate()),
      String(time.getUTCHours() + 1),
      '60',
      '?',
    );
    fields[6] = '2.0';
    fields[8] = '80';
    fields[21] = '1.0';
    fields[22] = '10';
    fields[30] = '999';
    fields[33] = '0.0';
    return fields.join(',');
  });
  return Buffer.from([...head, ...hours].join('\n'));
}

test('of a year in the EPW format the week is picked', async ({ page }) => {
  await visitOfPlace(page, 'House of the year');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await page.locator('input[type=file]').setInputFiles({ name: 'hill.epw', mimeType: 'text/plain', buffer: epwYear() });
  await expect(page.getByText('hill.epw: 1 Jan 2025 to 31 Dec 2025')).toBeVisible();
  await expect(page.getByLabel('Week from')).toHaveValue('2025-01-01');
  await lookAt(page, '2025-11-03');
  await expect(page.getByRole('button', { name: /^North, Sun 9 Nov .*A, go/ }).first()).toBeVisible();
  await page.getByLabel('Without this file').click();
  await expect(page.getByText('No weather yet')).toBeVisible();
});

test('the current hour is framed, and the week begins today', async ({ page }) => {
  await page.clock.setFixedTime(new Date('2027-01-13T15:30:00Z'));
  await visitOfPlace(page, 'House of now');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await page.locator('input[type=file]').setInputFiles(weatherFile('2027-01-13', 38.3, -6.5));
  // Half past four in the afternoon in Madrid.
  await expect(page.getByRole('button', { name: /^Inside, Wed 13 Jan 15:00.*, now$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /, now/ })).toHaveCount(5);
  await expect(page.getByLabel('Week from')).toHaveValue('2027-01-13');
});

test('a hot week turns the season round, in the board and in the letter', async ({ page }) => {
  await visitOfPlace(page, 'House of August');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await withWeather(page, '2027-08-02');
  await expect(page.getByText('Cooled house: faults show warm inside')).toBeVisible();
  await page.getByRole('button', { name: 'Temperatures in °C; change' }).click();
  await expect(page.getByText('68.0 °F', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Letter to the householder' }).click();
  await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/Cooling on and steady/);
});

test('a look at solar gain wants sunny hours', async ({ page }) => {
  await visitOfPlace(page, 'House of the sun');
  await page.getByText('Solar gain look', { exact: true }).click();
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await withWeather(page, '2027-06-14');
  await expect(page.getByText('Solar gain: sunny hours wanted')).toBeVisible();
  await expect(page.getByRole('button', { name: /^North, .* 0:00: –, no/ })).toHaveCount(7);
  await expect(page.getByRole('button', { name: /^(East|South|West), .*: A, go/ }).first()).toBeVisible();
});

test('how long walls keep the sun can be changed, and the hours follow', async ({ page }) => {
  await visitOfPlace(page, 'House of thick walls');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await withWeather(page, '2027-01-11');
  const south = page.getByRole('button', { name: /^South, .*: (A, go|B, with care)/ });
  await expect(south.first()).toBeVisible();
  const before = await south.count();
  await page.getByRole('button', { name: 'How long walls keep the sun' }).click();
  await page.getByRole('spinbutton', { name: /^brick/ }).fill('20');
  await page.getByRole('spinbutton', { name: /^brick/ }).press('Enter');
  await expect.poll(() => south.count()).toBeLessThan(before);
  await page.getByRole('button', { name: 'Usual values' }).click();
  await expect.poll(() => south.count()).toBe(before);
});

test('three numbers a night are enough to compare nights; nothing is claimed of the others', async ({ page }) => {
  await visitOfPlace(page, 'House of typed nights');
  await page.getByRole('link', { name: 'Choose the hours' }).click();
  await page.getByLabel('Week from').fill('2027-01-11');
  const add = async (day: string, low: string, wind: string, sky: string) => {
    await page.getByLabel('Night of', { exact: true }).fill(day);
    await page.getByLabel('Low of the night').fill(low);
    await page.getByLabel('Wind of the night').fill(wind);
    await page.getByRole('region', { name: 'Nights' }).getByText(sky, { exact: true }).click();
    await page.getByRole('button', { name: 'Add the night' }).click();
  };
  await add('2027-01-11', '1', '1', 'Covered');
  await add('2027-01-14', '-2', '9', 'Clear');
  await expect(page.getByText(/^Typed nights; assumed: /)).toBeVisible();
  const inside = (day: string) => page.getByRole('button', { name: new RegExp(`^Inside, ${day} .*: [ABC–], `) });
  await expect(inside('Tue 12 Jan').first()).toBeVisible();
  // The evening of the eleventh and the morning after it; of Wednesday nobody said anything.
  await expect(inside('Mon 11 Jan')).toHaveCount(3);
  await expect(inside('Wed 13 Jan')).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Best slots' })).not.toContainText(/dry/i);
  await saved(page);
  await page.getByRole('link', { name: 'Letter to the householder' }).click();
  await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(
    /The hour was chosen by nights that were typed \(assumed: /,
  );
});

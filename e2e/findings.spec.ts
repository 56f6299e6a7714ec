import type { Page } from '@playwright/test';
import { pdfText } from './support/pdf';
import { documentOf, dropFiles, expect, fixture, houseVisit, interchange, newVisit, saved, test } from './support/pages';

/** A new site with the small house of a template, and the page of its round. */
async function withHouse(page: Page, name: string, complaint?: [room: string, what: string]): Promise<string> {
  const id = await houseVisit(page, name);
  if (complaint) {
    await page.goto(`/visits/${id}/question`);
    await page.getByText('Damp or leak', { exact: true }).click();
    await page.getByRole('combobox', { name: 'Room', exact: true }).fill(complaint[0]);
    await page.getByRole('textbox', { name: 'Complaint', exact: true }).fill(complaint[1]);
    await page.getByRole('textbox', { name: 'Complaint', exact: true }).press('Enter');
    await saved(page);
  }
  await page.goto(`/visits/${id}/round`);
  return id;
}

const findings = async (page: Page, id: string) => Object.values((await documentOf(page, id)).rows.finding);
const undo = (page: Page) => page.getByRole('button', { name: /^Undo/ }).click();
const found = (page: Page) => page.getByRole('region', { name: 'Findings at this stop' });

for (const viewport of [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
]) {
  const size = `${viewport.width}×${viewport.height}`;

  test(`a damp visit from the complaint over a finding without regions to the answer in the PDF, ${size}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    const id = await withHouse(page, `Damp house ${viewport.width}`, ['Garage', 'Wet patch behind the shelf']);
    await page.getByRole('button', { name: /^Garage/ }).click();
    await expect(page.getByRole('heading', { name: 'Complaint: Wet patch behind the shelf' })).toBeVisible();
    // One tap, and one back.
    await found(page)
      .getByRole('button', { name: /Damp patch$/ })
      .click();
    await expect(found(page).getByRole('article', { name: 'Damp patch' })).toBeVisible();
    await saved(page);
    expect(await findings(page, id)).toMatchObject([
      { value: { basis: 'shape', title: 'Damp patch', frameId: null, thisRegionId: null, state: 'open' } },
    ]);
    await undo(page);
    await expect(found(page).getByRole('article')).toHaveCount(0);
    await saved(page);
    expect(await findings(page, id)).toEqual([]);
    // With a value off an instrument; what is unsolved needs its next check.
    await found(page)
      .getByRole('button', { name: /Another finding/ })
      .click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Damp patch' }).click();
    await dialog.getByText('Unsolved', { exact: true }).click();
    await dialog.getByRole('button', { name: 'Record finding' }).click();
    await expect(dialog.getByRole('alert')).toHaveText('What is unsolved needs the check that would settle it.');
    await dialog.getByText('A value that was typed', { exact: true }).click();
    await dialog.getByRole('button', { name: 'Record finding' }).click();
    await expect(dialog.getByText('A typed finding needs a value.')).toBeVisible();
    await dialog.getByLabel('Read here, °C').fill('12.4');
    await dialog.getByLabel('Sound place, °C').fill('16.9');
    await dialog.getByLabel('With', { exact: true }).fill('Contact thermometer');
    await dialog.getByLabel('Next check').fill('Moisture meter');
    await dialog.getByRole('button', { name: 'Record finding' }).click();
    await expect(dialog).toBeHidden();
    await expect(found(page).getByText('−4.5 K, typed')).toBeVisible();
    await saved(page);
    const [finding] = await findings(page, id);
    const { complaints } = Object.values((await documentOf(page, id)).rows.intake)[0]!.value;
    expect(finding!.value).toMatchObject({
      complaintId: complaints[0]!.id,
      typed: { celsius: 12.4, againstC: 16.9, with: 'Contact thermometer' },
    });

    await page.getByRole('link', { name: /Report/ }).click();
    const answer = page.getByRole('textbox', { name: 'Garage: Wet patch behind the shelf' });
    await expect(answer).toHaveValue('Found: “Damp patch” (−4.5 K, typed), next: Moisture meter.');
    // In somebody's own words, and back to what is proposed.
    await answer.fill('Water stands behind the shelf.');
    await answer.blur();
    await saved(page);
    await page.getByRole('button', { name: 'As proposed: Garage: Wet patch behind the shelf' }).click();
    await expect(answer).toHaveValue(/^Found: /);
    await answer.fill('Water stands behind the shelf.');
    await answer.blur();
    await saved(page);
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Download PDF' }).click(),
    ]);
    const { text } = await pdfText((await download.path())!);
    expect(text).toContain('Garage: Wet patch behind the shelf Water stands behind the shelf.');
    expect(text).toContain('By a value that was typed from an instrument.');
    expect(text).toContain('Sound place beside it 16.9 °C, Contact thermometer');
    expect(text).toContain('Next check: Moisture meter');
  });

  test(`a draught is closed and looked at again on the round, ${size}`, async ({ page }) => {
    await page.setViewportSize(viewport);
    const id = await withHouse(page, `Draughty house ${viewport.width}`);
    await page.getByRole('button', { name: /^Garage/ }).click();
    await page.getByRole('button', { name: /Capture$/ }).click();
    await expect(page.getByTestId('stop-record')).toContainText('Seen');
    await found(page)
      .getByRole('button', { name: /Air comes in/ })
      .first()
      .click();
    const one = found(page).getByRole('article').first();
    await one.getByRole('button', { name: 'Closed now' }).click();
    await expect(one).toContainText('closed now');
    await one.getByRole('button', { name: 'Look again' }).click();
    await expect(one).toContainText('Looked at again');
    await saved(page);
    const { rows } = await documentOf(page, id);
    expect(Object.values(rows.exhibit)).toMatchObject([{ value: { role: 'after' } }]);
    expect(Object.values(rows.frame).filter(({ value }) => !value.discarded)).toHaveLength(2);
    // One step back: the second picture and what it belongs to.
    await undo(page);
    await expect(one).not.toContainText('Looked at again');
    await saved(page);
    const after = await documentOf(page, id);
    expect(after.rows.exhibit).toEqual({});
    expect(Object.values(after.rows.frame).filter(({ value }) => !value.discarded)).toHaveLength(1);
    // Back to open, with what it takes: it stands at the end of the round.
    await one.getByRole('button', { name: 'Open again' }).click();
    await one.getByRole('link').click();
    await page.waitForURL(/\/findings\//);
    await page.getByLabel('Length to seal, m').fill('2.4');
    await page.getByLabel('Length to seal, m').blur();
    await page.getByLabel('Material').fill('foam strip');
    await page.getByLabel('Material').blur();
    await saved(page);
    await page.goto(`/visits/${id}/round/end`);
    await expect(page.getByText('To bring: 2.4 m of foam strip')).toBeVisible();
  });
}

test('the demo’s closed draught states before and after in one scale, and by how much it is better', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Old Kiln Row · No. 2/ }).click();
  await page.getByRole('link', { name: /Findings/ }).click();
  await page.getByRole('button', { name: /Air comes in under the front door/ }).click();
  const again = page.getByRole('region', { name: 'Further pictures' });
  await expect(again).toContainText(/Before −\d\.\d K, after −?\+?\d\.\d K: better by \d\.\d K ± \d\.\d K/);
  await expect(again.getByText('In the colours of the first picture.')).toBeVisible();
});

test('something is tried: a clock, what makes it void, and no claim of a fault', async ({ page }) => {
  const id = await withHouse(page, 'House of trials');
  await page.getByRole('button', { name: /^Garage/ }).click();
  await page.getByRole('button', { name: /Capture$/ }).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await found(page).getByRole('button', { name: 'Try something …' }).click();
  await page.getByRole('menuitem', { name: 'Door kept shut' }).click();
  await expect(page.getByRole('timer')).toHaveText(/^Wait 14:5\d$/);
  await expect(found(page)).toContainText('Void if somebody opens it');
  await saved(page);
  await page.goto(`/visits/${id}/report`);
  await expect(page.getByRole('textbox', { name: 'The answer' })).toHaveValue('Tried: “Door kept shut” (by shape).');
});

test('the next round is due: in the list of sites, and in the calendar', async ({ page }) => {
  const id = await withHouse(page, 'House with a next round');
  await page.goto(`/visits/${id}/round/end`);
  await page.getByLabel('Next round due on').fill('2031-11-12');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Into the calendar' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('House with a next round next round.ics');
  await saved(page);
  await page.goto('/');
  await expect(page.getByText('Next round 12 Nov 2031')).toBeVisible();
  await page.goto(`/visits/${id}/round/end`);
  await page.getByLabel('Next round due on').fill('2025-11-12');
  await saved(page);
  await page.goto('/');
  await expect(page.getByText('Next round due since 12 Nov 2025')).toBeVisible();
});

test('who surveys their own home is spoken to as such', async ({ page }) => {
  const id = await withHouse(page, 'Own home');
  await page.goto(`/visits/${id}/question`);
  await page.getByLabel('Who lives there surveys it').check();
  await saved(page);
  await page.goto(`/visits/${id}/hours/letter`);
  await expect(page.getByRole('textbox', { name: 'Letter' })).toHaveValue(/^Before you survey Own home/);
});

test('a camera has a guide of one page to take along', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: /Row camera, 320/ }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Guide to take along' }).click(),
  ]);
  const { pages, text } = await pdfText((await download.path())!);
  expect(pages).toBe(1);
  expect(text).toContain('What comes back');
  expect(text).toContain('Wrist strap');
  expect(text).toContain('Hold to state');
});

test('services stand on the plan, are moved by keys, and are stops of their question', async ({ page }) => {
  const id = await houseVisit(page, 'House with services', /Terrace/);
  await expect(page.getByTestId('house-summary')).toContainText('8 rooms');
  await page.getByRole('button', { name: 'Kitchen', exact: true }).click();
  const sink = page.getByRole('button', { name: /^Sink, / });
  await expect(sink).toBeVisible();
  const before = (await sink.getAttribute('aria-label'))!;
  await sink.focus();
  await page.keyboard.press('ArrowDown');
  await expect(sink).not.toHaveAttribute('aria-label', before);
  await saved(page);
  // Two of one name are said, and nothing is lost.
  await page.getByRole('combobox', { name: 'Add a service' }).click();
  await page.keyboard.type('Sink');
  await page.keyboard.press('Enter');
  await page.getByLabel('Name of Sink 2').fill('Sink');
  await page.getByLabel('Name of Sink 2').press('Enter');
  await expect(page.getByText('Two services here are called “Sink”.')).toBeVisible();
  await undo(page);
  await expect(page.getByText('Two services here are called “Sink”.')).toHaveCount(0);
  await saved(page);
  await page.goto(`/visits/${id}/question`);
  await page.getByText('Damp or leak', { exact: true }).click();
  await saved(page);
  await page.goto(`/visits/${id}/round`);
  await page.getByRole('button', { name: /^Kitchen/ }).click();
  const heading = page.locator('main').getByRole('heading', { level: 1 });
  for (let i = 0; i < 12 && (await heading.textContent()) !== 'Sink'; i += 1)
    await page.locator('main header').getByRole('button').last().click();
  await expect(heading).toHaveText('Sink');
  await expect(page.getByRole('note')).toContainText('Hot water scalds');
});

test('where any weather will do, Hours asks for a time only', async ({ page }) => {
  const id = await withHouse(page, 'Any weather', ['Garage', 'Drips']);
  await page.goto(`/visits/${id}/hours`);
  const any = page.getByRole('region', { name: 'A time of your own' });
  await any.getByLabel('From').fill('2031-03-04T10:30');
  await any.getByRole('button', { name: 'Settle on it' }).click();
  await saved(page);
  const [plan] = Object.values((await documentOf(page, id)).rows.plan);
  expect(plan!.value.slot).toEqual({ from: Date.UTC(2031, 2, 4, 10, 30), to: Date.UTC(2031, 2, 4, 12) });
  await any.getByRole('button', { name: 'Give it up' }).click();
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.plan)[0]!.value.slot).toBeNull();
});

test('stops are added and struck off by hand, and come back', async ({ page }) => {
  const id = await withHouse(page, 'House with own stops');
  const coverage = page.getByTestId('coverage');
  const before = Number(/of (\d+)/.exec((await coverage.textContent())!)![1]);
  await page.getByRole('button', { name: 'Add a stop' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('What is to be looked at?').fill('Meter cupboard');
  await dialog.getByLabel('What is to be looked at?').press('Enter');
  await expect(coverage).toContainText(`of ${before + 1} stops`);
  await page.getByRole('button', { name: /^The house/ }).click();
  await expect(page.getByRole('heading', { name: 'Meter cupboard' })).toBeVisible();
  await page.getByRole('button', { name: 'Strike off' }).click();
  await expect(coverage).toContainText(`of ${before} stops`);
  // One with a picture asks, and keeps it.
  await page.getByRole('button', { name: /^Garage/ }).click();
  await page.getByRole('button', { name: /Capture$/ }).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await page.getByRole('button', { name: 'Strike off' }).click();
  await expect(page.getByText('It holds 2 pictures; they stay on the bench.')).toBeVisible();
  await page.getByRole('tooltip').getByRole('button', { name: 'Strike off' }).click();
  await expect(coverage).toContainText(`of ${before - 1} stops`);
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.frame)).toHaveLength(1);
  await page.getByRole('button', { name: /End of the round/ }).click();
  await page.getByRole('button', { name: 'Take in again' }).first().click();
  await expect(coverage).toContainText(`of ${before} stops`);
  await page.goBack();
});

test('a finding by its shape alone on the bench, and frames side by side', async ({ page }) => {
  const id = await newVisit(page, 'Compared');
  await dropFiles(page, [fixture('wall-with-bare-bay.tif'), interchange('tiff-f32-le-plain.tif')]);
  await expect(page.getByRole('navigation', { name: 'Frames of this visit' }).getByRole('button')).toHaveCount(2);
  await page.getByRole('application').focus();
  await page.keyboard.press('Enter');
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('By its shape alone');
  await dialog.getByLabel('What is it?').fill('A straight field');
  await dialog.getByRole('button', { name: 'Record finding' }).click();
  await expect(dialog).toBeHidden();
  await saved(page);
  expect(await findings(page, id)).toMatchObject([{ value: { basis: 'shape', thisRegionId: null } }]);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect(await findings(page, id)).toEqual([]);

  const strip = page.getByRole('navigation', { name: 'Frames of this visit' }).getByRole('button');
  for (const i of [0, 1]) await strip.nth(i).click({ modifiers: ['Control'] });
  await page.getByRole('button', { name: 'Side by side' }).click();
  const pictures = page.getByRole('dialog').getByRole('img', { name: /^Thermal frame/ });
  await expect(pictures).toHaveCount(2);
  await pictures.first().hover({ position: { x: 120, y: 90 } });
  const readings = page.getByTestId('beside-reading');
  await expect(readings.first()).toHaveText(/^-?−?\d+\.\d °C$/);
  await expect(readings.last()).toHaveText(/°C · [+−]\d+\.\d K$/);
  // The wheel enlarges both.
  await page.mouse.wheel(0, -300);
  await expect(page.getByRole('button', { name: 'Whole frames' })).toBeEnabled();
  await page.getByLabel('What the comparison shows').fill('Old wall beside new');
  await page.getByRole('button', { name: 'Keep as a finding' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await saved(page);
  const kept = await documentOf(page, id);
  expect(Object.values(kept.rows.finding)).toMatchObject([{ value: { basis: 'side-by-side', title: 'Old wall beside new' } }]);
  expect(Object.values(kept.rows.exhibit)).toMatchObject([{ value: { role: 'beside' } }]);
  await page.keyboard.press('Control+z');
  await saved(page);
  expect((await documentOf(page, id)).rows.exhibit).toEqual({});
});

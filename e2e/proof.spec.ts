import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { put, stepOf } from './support/commands';
import { documentOf, expect, test, violations } from './support/pages';
import { pdfText } from './support/pdf';

/** The demo's home that was worked on, at the visit after the works. */
async function openProof(page: Page): Promise<string> {
  await page.goto('/');
  await page.getByRole('link', { name: /After the works/ }).click();
  await page.waitForURL(/visits\/[0-9a-f-]+/);
  await page.getByRole('link', { name: 'Proof' }).click();
  await page.waitForURL(/\/proof/);
  await expect(page.getByRole('navigation', { name: 'Findings to prove' })).toBeVisible();
  return /visits\/([0-9a-f-]+)/.exec(page.url())![1]!;
}

const item = (page: Page, name: RegExp) =>
  page.getByRole('navigation', { name: 'Findings to prove' }).getByRole('button', { name });
const place = (page: Page, name: string) => page.getByRole('listitem', { name });
const closed = (page: Page) =>
  page.getByRole('group', { name: 'What it comes to' }).getByRole('button', { name: 'Proven, closed' });

/** Makes the pair of a finding where it is not made yet. */
async function compare(page: Page, finding: RegExp): Promise<void> {
  await item(page, finding).click();
  await expect(item(page, finding)).toHaveAttribute('aria-current', 'true');
  const offer = page.getByRole('button', { name: /^Compare with/ }).first();
  const ledger = page.getByRole('complementary', { name: 'What changed' });
  // Opening a finding may show what is there already once more: the offer can go away and come back.
  await expect(async () => {
    if (await offer.isVisible()) await offer.click();
    await expect(ledger).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expect(ledger).toContainText(/Laid on each other/, { timeout: 30_000 });
}

// First: what another visit proves is not come back to.
test('a re-visit: from what was left open, by the ghost, to the page and the closed finding', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Visit Old Kiln Row · No. 3' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Why' }).click();
  await page.getByTitle('Seasonal repeat').click();
  await dialog.getByLabel('Air inside, °C').fill('19.6');
  await dialog.getByLabel('Air outside, °C').fill('2.1');
  await dialog.getByRole('button', { name: 'Begin the visit' }).click();
  await page.waitForURL(/\/question/);
  await page.getByRole('link', { name: /Round/ }).click();
  await page.waitForURL(/\/round/);
  const first = page.getByRole('navigation', { name: 'Come back to' }).getByRole('button').first();
  await expect(first).toContainText('Bay left of the window holds no insulation');
  await expect(first).toHaveAttribute('aria-current', 'true');
  await expect(page.getByRole('img', { name: 'The same stop last time' })).toBeVisible();
  const aim = page.getByRole('status').filter({ hasText: /as last time/ });
  await expect(aim).toContainText(/\d+ % as last time: step back/, { timeout: 60_000 });
  await page.getByRole('button', { name: 'Farther' }).click();
  await expect(aim).toHaveAttribute('data-good', 'true', { timeout: 60_000 });
  await page.getByRole('button', { name: /Capture$/ }).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');

  await page.getByRole('link', { name: 'Proof' }).click();
  await page.waitForURL(/\/proof/);
  await expect(page.getByText('10 Feb 2026 · Before the works · 2 open')).toBeVisible();
  await compare(page, /Bay left of the window/);
  await expect(place(page, 'bay left of the window')).toContainText('Better');
  const course = page.getByRole('figure').filter({ hasText: 'over 3 visits' });
  await expect(course).toContainText(/bay left of the window over 3 visits: temperature factor 0\.\d\d on 10 Feb 2026/);
  await expect(course.getByRole('listitem')).toHaveText([/^10 Feb 20260\.\d{3}$/, /± 0\.0\d\d$/, /± 0\.0\d\d$/]);
  await closed(page).click();
  await expect(item(page, /Bay left of the window/)).toContainText('Proven, closed');
  const [paper] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: /Page for the householder$/ }).click(),
  ]);
  expect(paper.suggestedFilename()).toMatch(/^Practice Old Kiln Row · No\. 3 what the works changed .*\.pdf$/);
  const { text: words } = await pdfText(await paper.path());
  expect(words).toContain('The place is better than before.');
  expect(words).toContain('Proven, closed');
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByRole('heading', { name: 'The place is better than before.' })).toBeVisible({ timeout: 60_000 });

  // What was proven is not come back to any more.
  await page.getByRole('link', { name: /Round/ }).click();
  await page.waitForURL(/\/round/);
  await expect(page.getByTestId('coverage')).toBeVisible();
  await page.reload();
  const left = page.getByRole('navigation', { name: 'Come back to' }).getByRole('button');
  await expect(left).toHaveText(/Insulation has slumped/);
});

test('a bay that was filled is proven and closed, one that was left is not', async ({ page }) => {
  const visit = await openProof(page);
  await compare(page, /Bay left of the window/);
  const filled = place(page, 'bay left of the window');
  await expect(filled).toContainText('Better');
  await expect(filled).toContainText('This place loses less heat than before.');
  await expect(place(page, 'sound wall')).toContainText('Same as before');
  await expect(page.getByText(/^What is left: [−+]0\.\d K against sound wall.*it was −2\.\d K\.$/)).toBeVisible();
  await closed(page).click();
  await expect(item(page, /Bay left of the window/)).toContainText('Proven, closed');

  await compare(page, /slumped/);
  await expect(place(page, 'top of the bay')).toContainText('Same as before');
  await expect(closed(page)).toBeDisabled();
  await page.getByLabel('Next round due on').fill('2031-03-03');
  await expect(page.getByRole('button', { name: 'Into the calendar' })).toBeVisible();
  await expect.poll(async () => (await documentOf(page, visit)).rows.visit[visit]!.value.nextDay).toBe('2031-03-03');
  await page.getByRole('button', { name: 'Accepted as it is' }).click();
  await expect(page.getByLabel('Next round due on')).toBeHidden();
  await expect(page.getByText('2 of 2 settled')).toBeVisible();
  await expect
    .poll(async () =>
      Object.values((await documentOf(page, visit)).rows.pair)
        .map(({ value }) => value.outcome)
        .sort(),
    )
    .toEqual(['accepted', 'closed']);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('1 of 2 settled')).toBeVisible();
});

test('what the wall stood in, how it is built and what was done decide with what may be said', async ({ page }) => {
  const visit = await openProof(page);
  await compare(page, /Bay left of the window/);
  await expect(page.getByText('Steady for 48 h, as was said.')).toHaveCount(2);
  const filled = place(page, 'bay left of the window');
  await expect(filled).toContainText('Better');
  await page.getByRole('combobox', { name: 'What was done' }).click();
  await page.getByTitle('the wall as a whole').click();
  await page.getByRole('combobox', { name: 'How the wall is built' }).click();
  await page.getByTitle('thick stone or concrete').click();
  await expect(filled).toContainText('Better');
  const pairs = async () => Object.values((await documentOf(page, visit)).rows.pair).map(({ value }) => [value.wall, value.work]);
  await expect.poll(pairs).toContainEqual(['stone', 'whole-wall']);

  // Nobody knows any more what it stood in: of stone nothing is said then.
  const chip = page.getByRole('button', { name: /^Conditions:/ });
  await chip.click();
  const form = page.locator('.ant-popover').first();
  await form.getByRole('spinbutton', { name: 'Heating as now for' }).fill('');
  await form.getByRole('button', { name: 'Keep conditions' }).click();
  await expect(
    page.getByText(/What the wall stood in before is not known: how long the heating has been as it is/),
  ).toBeVisible();
  await expect(chip).toHaveAccessibleName(/[Dd]ays before not noted/);
  const sound = place(page, 'sound wall');
  await expect(sound).toContainText('Cannot say');
  await expect(sound).toContainText('heat is stored in it');
  for (let step = 0; step < 3; step += 1) await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(sound).toContainText('Same as before');
  await expect.poll(pairs).toContainEqual([null, null]);
});

test('a surface that was changed itself proves nothing', async ({ page }) => {
  await openProof(page);
  await compare(page, /Bay left of the window/);
  await page.getByRole('combobox', { name: 'Surface of bay left of the window' }).click();
  await page.getByTitle('foil on it').click();
  const filled = place(page, 'bay left of the window');
  await expect(filled).toContainText('Cannot say');
  await expect(filled).toContainText('The surface itself was changed');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(filled).toContainText('Better');
});

test('a place that looks different in the photos is asked about before anything is said of it', async ({ page }) => {
  const visit = await openProof(page);
  await compare(page, /Bay left of the window/);
  const filled = place(page, 'bay left of the window');
  await expect(filled).toContainText('Better');
  const { rows } = await documentOf(page, visit);
  const pair = Object.values(rows.pair).find(({ value }) => value.title.startsWith('Bay left'))!;
  const old = Object.values(rows.photo).find(({ value }) => value.frameId === pair.value.afterFrameId)!;
  // The same photo, with a sheet of dark board before the bay.
  const plain = sharp(await (await page.request.get(`/api/photos/${old.id}/file`)).body());
  const { width } = await plain.metadata();
  const part = (pixels: number) => Math.round((pixels / 320) * width);
  const board = { create: { width: part(44), height: part(90), channels: 3 as const, background: '#6b5a48' } };
  const papered = await plain
    .composite([{ input: board, left: part(66), top: part(36) }])
    .jpeg()
    .toBuffer();
  const answer = await page.request.post(`/api/visits/${visit}/files?name=papered.jpg`, { data: papered });
  const { id } = (await answer.json()) as { id: string };
  const stored = (await documentOf(page, visit)).rows.photo;
  const swap = async (shown: string, hidden: string) => {
    const now = (await documentOf(page, visit)).rows.photo;
    for (const [photo, frameId] of [
      [hidden, null],
      [shown, pair.value.afterFrameId],
    ] as const) {
      const change = put('photo', { ...now[photo]!.value, frameId }, photo, now[photo]!.version);
      expect((await page.request.post('/api/commands', { data: stepOf(change) })).status()).toBe(200);
    }
    await page.reload();
  };
  expect(stored[id]!.value.frameId).not.toBe(pair.value.afterFrameId);
  await swap(id, old.id);
  await expect(filled).toContainText('Cannot say');
  await expect(filled).toContainText('It looks different in the photos');
  await expect(place(page, 'sound wall')).toContainText('Same as before');
  await expect(page.getByText('A finding is closed by proof')).toBeVisible();
  await page.getByRole('button', { name: 'I looked: the surface is the same' }).click();
  await expect(filled).toContainText('Better');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(filled).toContainText('Cannot say');
  await swap(old.id, id);
  await expect(filled).toContainText('Better');
});

test('another place is compared by dragging a box over it; swiped, blinked, and as a change', async ({ page }) => {
  await openProof(page);
  await compare(page, /Bay left of the window/);
  const before = page.getByRole('img', { name: 'Before: thermal frame' });
  const { x, y, width, height } = (await before.boundingBox())!;
  await page.mouse.move(x + 0.55 * width, y + 0.55 * height);
  await page.mouse.down();
  await page.mouse.move(x + 0.63 * width, y + 0.66 * height, { steps: 4 });
  await page.mouse.up();
  const added = place(page, 'Place 3');
  await expect(added).toContainText(/Same as before|Better|Worse|Cannot say/);
  await added.getByRole('button', { name: 'Take Place 3 away' }).click();
  await expect(added).toHaveCount(0);
  for (const way of ['Swipe', 'Blink']) {
    await page.getByText(way, { exact: true }).click();
    await expect(page.getByRole('img', { name: 'After: thermal frame' })).toHaveCount(1);
  }
  await page.getByText('Change', { exact: true }).click();
  await expect(page.getByRole('img', { name: 'Change: thermal frame' })).toBeVisible();
});

test('frames are laid on each other by points marked in both, and back by the computer', async ({ page }) => {
  await openProof(page);
  await compare(page, /Bay left of the window/);
  await page.getByRole('button', { name: 'They do not lie right: mark points by hand' }).click();
  const click = async (name: string, [u, v]: readonly [number, number]) => {
    const box = (await page.getByRole('img', { name: new RegExp(`^${name}:`) }).boundingBox())!;
    await page.mouse.click(box.x + u * box.width, box.y + v * box.height);
  };
  for (const at of [
    [0.3, 0.3],
    [0.8, 0.7],
  ] as const) {
    await click('Before', at);
    await click('After', at);
  }
  await expect(page.getByText('2 points; four or more take perspective in')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  const ledger = page.getByRole('complementary', { name: 'What changed' });
  await expect(ledger).toContainText('Laid on each other by hand');
  await page.getByRole('button', { name: '2 points by hand' }).click();
  await page.getByRole('button', { name: 'Let the computer find it' }).click();
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(ledger).toContainText(/Laid on each other to/);
});

for (const [width, height] of [
  [1280, 800],
  [820, 1180],
] as const)
  test(`nothing hides and all can be read at ${width} × ${height}`, async ({ page }) => {
    await page.setViewportSize({ width, height });
    await openProof(page);
    await compare(page, /Bay left of the window/);
    await expect(place(page, 'sound wall')).toContainText('Same as before');
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    expect(await violations(page)).toEqual([]);
  });

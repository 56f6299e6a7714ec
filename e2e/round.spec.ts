import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { roundOf, stopRowOf } from '../core/work/round/round';
import { put, stepOf } from './support/commands';
import { documentOf, expect, fixture, houseVisit, makeVisit, saved, test } from './support/pages';

test.use({ viewport: { width: 820, height: 1180 } });

const coverage = (page: Page) => page.getByTestId('coverage');
const capture = (page: Page) => page.getByRole('button', { name: /Capture$/ });

async function toRound(page: Page): Promise<void> {
  await page.locator('main').getByRole('link', { name: /Round/ }).click();
  await page.waitForURL(/\/round$/);
}
/** The viewfinder shows something. */
const live = (page: Page) => expect(page.getByRole('img', { name: 'What the stand-in camera sees' })).toBeVisible();

test('template, house, a round of three rooms with the stand-in camera, every stop answered, all put back', async ({ page }) => {
  const id = await houseVisit(page, 'Round test', /Hall or workshop/);
  // Three rooms, one of them renamed and one wall corrected.
  await page.getByRole('button', { name: 'Office', exact: true }).last().click();
  const name = page.getByRole('textbox', { name: 'Name of the room' });
  await name.fill('Paper office');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: /Paper office, 4 by 6 m/ })).toBeVisible();
  await saved(page);
  await toRound(page);
  await expect(coverage(page)).toContainText('0 of');
  const stops = Number(/of (\d+)/.exec((await coverage(page).textContent())!)![1]);
  expect(stops).toBeGreaterThan(20);

  let captured = 0;
  for (let i = 0; i < stops; i += 1) {
    const here = page.url();
    if (i % 8 === 0 || i === stops - 1) {
      await live(page);
      await capture(page).click();
      captured += 1;
      await expect(page.getByTestId('stop-record')).toContainText('Seen');
      await page.locator('main header').getByRole('button').last().click();
    } else if (i % 8 === 5) {
      await page.getByRole('button', { name: 'Could not reach', exact: true }).click();
      await page.getByRole('button', { name: 'Too high', exact: true }).click();
    } else {
      await page.getByRole('button', { name: 'Nothing to see', exact: true }).click();
    }
    await expect(coverage(page)).toContainText(`${i + 1} of ${stops}`);
    // The next stop is there when its address is.
    if (i < stops - 1) await expect.poll(() => page.url()).not.toBe(here);
  }
  await page.getByRole('button', { name: /End of the round/ }).click();
  await expect(page.getByRole('heading', { name: `All ${stops} stops are answered` })).toBeVisible();

  // A vent that was covered stays in view, with its caution, until it is open again.
  await page.getByRole('combobox', { name: 'Kind of change' }).click();
  await page.getByTitle('Vent', { exact: true }).click();
  await page.getByRole('button', { name: 'I changed something' }).click();
  await expect(page.getByRole('note')).toContainText('Carbon monoxide');
  await expect(page.getByRole('link', { name: 'Put back: 1' })).toBeVisible();
  await page.getByRole('button', { name: /Put back$/ }).click();
  await expect(page.getByRole('link', { name: 'Put back: 1' })).toBeHidden();
  await saved(page);

  const { rows } = await documentOf(page, id);
  const frames = Object.values(rows.frame);
  expect(frames).toHaveLength(captured);
  expect(
    Object.values(rows.stop).filter(({ value }) => value.answer === 'unreached' && value.reason === 'Too high').length,
  ).toBeGreaterThan(1);
  // Frames lie on the bench under their rooms, with the settings of their surface.
  for (const { value } of frames) {
    expect(value.stopKey).not.toBeNull();
    expect(rows.surface[value.surfaceId!]!.value.roomId).toBe(value.roomId);
  }
  await page.getByRole('button', { name: 'Read the frames on the bench' }).click();
  await page.waitForURL(/\/bench/);
  const strip = page.getByRole('navigation', { name: 'Frames of this visit' });
  await expect(strip.getByRole('heading', { name: 'Main hall' })).toBeVisible();
  const outside = frames.find(({ value }) => rows.surface[value.surfaceId!]!.value.roomId === null)!;
  expect(Object.values(rows.settings).find(({ value }) => value.ownerId === outside.value.surfaceId)!.value.emissivity).toBe(0.9);
  // The strip shows what is in view; the frame outside is opened by its address.
  await page.goto(`${page.url().replace(/\/bench.*/, '/bench')}/${outside.id}`);
  await expect(page.getByText('of this surface').first()).toBeVisible();
});

test('one stop takes at most two taps, without typing, on targets of 44 pixels', async ({ page }) => {
  await houseVisit(page, 'Cold hands', /Garage/);
  await toRound(page);
  await live(page);
  let taps = 0;
  const tap = async (button: string) => {
    taps += 1;
    await page.getByRole('button', { name: new RegExp(`\\b${button}\\b`) }).click();
  };
  const answers = [['Nothing to see'], ['Could not reach', 'Not safe'], ['Capture', 'Next'], ['Unsolved', 'Next']];
  for (const [i, path] of answers.entries()) {
    taps = 0;
    for (const button of path) await tap(button);
    expect(taps).toBeLessThanOrEqual(2);
    await expect(coverage(page)).toContainText(`${i + 1} of`);
  }
  const small = await page.evaluate(() =>
    [...document.querySelectorAll('main button, nav[aria-label="Stages of the work"] a')]
      .map((element) => ({
        words: element.getAttribute('aria-label') ?? element.textContent,
        box: element.getBoundingClientRect(),
      }))
      .filter(({ box }) => box.width > 0 && (box.width < 43.5 || box.height < 43.5))
      .map(({ words }) => words),
  );
  expect(small).toEqual([]);
});

test('undo takes a capture back, and redo brings it again', async ({ page }) => {
  const id = await houseVisit(page, 'Undo test', /Garage/);
  await toRound(page);
  await live(page);
  await capture(page).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await saved(page);
  await page.getByRole('button', { name: /^Undo: Captured/ }).click();
  await expect(coverage(page)).toContainText('0 of');
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.frame).map(({ value }) => value.discarded)).toEqual([true]);
  await page.getByRole('button', { name: /^Redo: Captured/ }).click();
  await expect(coverage(page)).toContainText('1 of');
});

test('the camera turns, steps aside, holds its range and wanders without its shutter', async ({ page }) => {
  await houseVisit(page, 'Viewfinder test', /Garage/);
  await toRound(page);
  await live(page);
  const finder = page.getByRole('region', { name: 'Stand-in camera' });
  await expect(finder).toContainText('Stretched: all colours within');
  const before = await finder.textContent();
  await page.getByRole('button', { name: 'Step right' }).click();
  await expect(finder).toContainText(/m right|m left|1\.\d m/);
  await page.getByRole('button', { name: 'Nearer' }).click();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('h');
  await expect(finder).toContainText('Held:');
  await page.getByRole('button', { name: 'Shutter on' }).click();
  await expect(finder).toContainText('values wander');
  expect(await finder.textContent()).not.toBe(before);
  for (let i = 0; i < 12; i += 1) await page.getByRole('button', { name: 'Nearer' }).click();
  await expect(finder).toContainText('too near, not sharp');
});

/** When forty frames were truly taken: ten stops, four frames each. */
const HEAPS = 10;
function cardTimes(): number[] {
  let at = Date.UTC(2026, 1, 11, 19, 0);
  return Array.from({ length: 4 * HEAPS }, (_, i) => (at += i % 4 === 0 ? 300_000 + i * 1000 : 30_000));
}

test('forty frames from a card whose clock is an hour off are laid on stops by time, and two of them corrected', async ({
  page,
}) => {
  const id = await houseVisit(page, 'Card test', /Terrace/);
  const times = cardTimes();
  await page.goto(`/visits/${id}/round/card`);
  // The same picture forty times, each with another last number, half a minute to five minutes apart.
  const base = readFileSync(fixture('wall-with-bare-bay.tif'));
  const files = Array.from({ length: 40 }, (_, i) => ({
    name: `card-${String(i).padStart(2, '0')}.csv`,
    text: csvOf(base, i),
    at: times[i]! + 3_600_000,
  }));
  await page.locator('input[aria-label="Frames from a card"]').waitFor({ state: 'attached' });
  await page.evaluate(async (list) => {
    const transfer = new DataTransfer();
    list.forEach(({ name, text, at }) => transfer.items.add(new File([text], name, { lastModified: at })));
    const input = document.querySelector<HTMLInputElement>('input[aria-label="Frames from a card"]')!;
    input.files = transfer.files;
    // Outside of this call, so that the page runs under its own rules.
    setTimeout(() => input.dispatchEvent(new Event('change', { bubbles: true })));
  }, files);
  await expect(page.getByRole('region', { name: 'Import' })).toContainText('40 frames', { timeout: 90_000 });
  // As long as no stop has a time nothing is laid: an order says nothing.
  await page.getByRole('button', { name: 'Lay 40 on stops' }).click();
  await expect(page.getByText('drag each frame to where it belongs')).toBeVisible();
  await expect(page.getByRole('group', { name: 'No stop yet · 40', exact: true })).toBeVisible();
  await saved(page);
  const stored = await documentOf(page, id);
  const stops = roundOf(stored).stops.filter(({ surfaceId }) => surfaceId !== null);
  for (let heap = 0; heap < HEAPS; heap += 1) {
    const { id: rowId, value } = stopRowOf(stored, stops[heap]!.key);
    const spell = { openedAt: times[4 * heap]! - 10_000, answeredAt: times[4 * heap + 3]! + 10_000 };
    const sent = await page.request.post('/api/commands', {
      data: stepOf(put('stop', { ...value, answer: 'seen', ...spell }, rowId)),
    });
    expect(sent.status()).toBe(200);
  }
  await page.reload();
  await page.getByLabel('Camera clock is ahead by, minutes').fill('60');
  await page.getByLabel('Camera clock is ahead by, minutes').press('Enter');
  await page.getByRole('button', { name: 'Lay 40 on stops' }).click();
  await expect(page.getByRole('group', { name: 'No stop yet · 0', exact: true })).toBeVisible();
  await saved(page);

  const places = page.getByRole('group').filter({ has: page.getByTestId('card-frame') });
  const first = places.nth(0);
  const second = places.nth(1);
  const [one, two] = [await first.getAttribute('aria-label'), await second.getAttribute('aria-label')];
  const inFirst = await first.getByTestId('card-frame').count();
  // By keys: the first frame goes one stop on; by hand: it comes back.
  await first.getByTestId('card-frame').first().focus();
  await page.keyboard.press('ArrowRight');
  const place = (name: string | null) => page.getByRole('group', { name: name!, exact: true });
  await expect(place(one).getByTestId('card-frame')).toHaveCount(inFirst - 1);
  const inSecond = await place(two).getByTestId('card-frame').count();
  const from = (await place(two).getByTestId('card-frame').last().boundingBox())!;
  const to = (await place(one).boundingBox())!;
  await page.mouse.move(from.x + 30, from.y + 30);
  await page.mouse.down();
  await page.mouse.move(from.x + 45, from.y + 45, { steps: 4 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(place(two).getByTestId('card-frame')).toHaveCount(inSecond - 1);
  await expect(place(one).getByTestId('card-frame')).toHaveCount(inFirst);
  await saved(page);
  const { rows } = await documentOf(page, id);
  expect(Object.values(rows.frame).filter(({ value }) => value.stopKey !== null && value.surfaceId !== null)).toHaveLength(40);
});

/** A small frame whose pixels are a little different each time, so that none is taken for a duplicate. */
function csvOf(seed: Buffer, i: number): string {
  return Array.from({ length: 24 }, (_, y) =>
    Array.from({ length: 32 }, (__, x) => (18 + (seed[(x * y) % seed.length]! % 7) / 10 + i / 100).toFixed(2)).join(','),
  ).join('\n');
}

test('a room with frames asks before it goes, and its frames stay without a place', async ({ page }) => {
  const id = await houseVisit(page, 'Remove test', /Garage/);
  await toRound(page);
  await live(page);
  await capture(page).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await page.getByRole('button', { name: 'House' }).click();
  await page.getByRole('button', { name: 'Remove room' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Remove room' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByTestId('house-summary')).toContainText('0 rooms');
  await saved(page);
  const { rows } = await documentOf(page, id);
  expect(Object.values(rows.frame).map(({ value }) => [value.roomId, value.surfaceId, value.discarded])).toEqual([
    [null, null, false],
  ]);
  // One step back, and all is there again.
  await page.getByRole('button', { name: /^Undo: Room removed/ }).click();
  await expect(page.getByTestId('house-summary')).toContainText('1 rooms');
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.frame)[0]!.value.roomId).not.toBeNull();
});

test('two tabs on one stop: the second is shown both answers', async ({ page, context }) => {
  const id = await houseVisit(page, 'Two hands', /Garage/);
  await page.goto(`/visits/${id}/round`);
  await expect(coverage(page)).toBeVisible();
  const other = await context.newPage();
  await other.goto(`/visits/${id}/round`);
  await expect(coverage(other)).toContainText('0 of');
  await other.getByRole('button', { name: 'Nothing to see', exact: true }).click();
  await expect(coverage(other)).toContainText('1 of');
  await saved(other);
  await page.getByRole('button', { name: 'Could not reach', exact: true }).click();
  await page.getByRole('button', { name: 'Too high', exact: true }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('This stop was changed elsewhere');
  await expect(dialog).toContainText('unreached');
  await expect(dialog).toContainText('nothing');
  await dialog.getByRole('button', { name: 'Use mine instead' }).click();
  await saved(page);
  expect(Object.values((await documentOf(page, id)).rows.stop).map(({ value }) => value.answer)).toEqual(['unreached']);
  await other.close();
});

test('the next visit shows the last one’s frame at the same stop, and what is gone since', async ({ page }) => {
  await houseVisit(page, 'House of two rounds', /Garage/);
  await toRound(page);
  await live(page);
  await capture(page).click();
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await saved(page);
  await page.getByRole('link', { name: 'All visits' }).click();
  await page.getByRole('button', { name: 'Visit House of two rounds' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'Why' }).click();
  await page.getByTitle('Seasonal repeat').click();
  await dialog.getByRole('button', { name: 'Begin the visit' }).click();
  await page.waitForURL(/\/question/);
  await page.getByRole('link', { name: /Round/ }).click();
  await page.waitForURL(/\/round/);
  await expect(coverage(page)).toContainText('0 of');
  await expect(page.getByText(/Last time, .*: seen/)).toBeVisible();
  await expect(page.getByRole('img', { name: 'The same stop last time' })).toBeVisible();
  await page.getByRole('button', { name: 'Nothing to see', exact: true }).click();
  await page.getByRole('button', { name: 'Previous stop' }).click();
  await expect(page.getByText('Gone since then.')).toBeVisible();
});

test('a spoken note is kept with its stop and can be heard', async ({ page }) => {
  const id = await houseVisit(page, 'Spoken test', /Garage/);
  await toRound(page);
  await page.getByRole('button', { name: 'Nothing to see', exact: true }).click();
  await saved(page);
  const key = Object.values((await documentOf(page, id)).rows.stop)[0]!.value.key;
  const spoken = (query: Record<string, string>, data: Buffer) =>
    page.request.post(`/api/visits/${id}/recordings?${new URLSearchParams(query)}`, { data });
  const query = { id: '0192f0a0-0000-7000-8000-0000000000f1', stop: key, seconds: '2', type: 'audio/webm' };
  expect((await spoken(query, Buffer.from('webm-bytes'))).status()).toBe(200);
  expect((await spoken({ ...query, type: 'text/html' }, Buffer.from('x'))).status()).toBe(400);
  expect((await spoken({ ...query, id: '0192f0a0-0000-7000-8000-0000000000f2' }, Buffer.alloc(0))).status()).toBe(400);
  const heard = await page.request.get(`/api/recordings/${query.id}`);
  expect(heard.headers()['content-type']).toBe('audio/webm');
  expect((await heard.body()).toString()).toBe('webm-bytes');
  await page.reload();
  await page.getByRole('button', { name: 'Previous stop' }).click();
  await expect(page.getByLabel('Spoken note, 2 s')).toBeAttached();
});

test('a house by hand: rooms dragged and moved by keys, walls that know what lies behind them', async ({ page }) => {
  const id = await makeVisit(page, 'Plan test', ['Kitchen', 'Stairs']);
  await page.goto(`/visits/${id}/round/house`);
  const box = (name: string) => page.getByRole('button', { name: new RegExp(`^${name}, `) });
  await expect(box('Kitchen')).toBeVisible();
  // By hand three metres down, by keys one metre left and one metre wider.
  const from = (await box('Stairs').boundingBox())!;
  const metre = from.width / 4;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height * 0.8);
  await page.mouse.down();
  await page.mouse.move(from.x + from.width / 2, from.y + from.height * 0.8 + 1.5 * metre, { steps: 4 });
  await page.mouse.move(from.x + from.width / 2, from.y + from.height * 0.8 + 3 * metre, { steps: 4 });
  await page.mouse.up();
  await box('Stairs').focus();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowRight');
  await expect(box('Stairs')).toHaveAccessibleName('Stairs, 5 by 4 m');
  await saved(page);
  const planOf = async () =>
    Object.values((await documentOf(page, id)).rows.room).find(({ value }) => value.name === 'Stairs')!.value.plan;
  expect(await planOf()).toEqual({ x: 3, y: 3, width: 5, depth: 4 });
  await expect(page.getByText(/Two rooms of one storey lie on each other/)).toBeVisible();
  await page.getByRole('button', { name: 'Lay them side by side' }).click();
  await expect(page.getByText(/Two rooms of one storey lie on each other/)).toBeHidden();
  await page.getByRole('textbox', { name: 'Name of a new room' }).fill('Pantry');
  await page.getByRole('button', { name: /Add room/ }).click();
  await page.getByRole('button', { name: 'Make surfaces from the plan' }).click();
  await expect(page.getByTestId('house-summary')).toContainText('3 rooms, 22 surfaces');
  await saved(page);
  const { rows } = await documentOf(page, id);
  const between = Object.values(rows.surface).filter(({ value }) => value.kind === 'wall' && value.behind === 'room');
  expect(between).toHaveLength(4);
  for (const { id: surfaceId, value } of between) expect(rows.surface[value.otherSideId!]!.value.otherSideId).toBe(surfaceId);
  // What the plan cannot know is said by hand, and holds from both sides.
  const front = page.getByRole('combobox', { name: 'Other side of Front wall' });
  await box('Kitchen').click();
  await front.click();
  await front.fill('Pantry, floor');
  await front.press('Enter');
  await saved(page);
  const linked = Object.values((await documentOf(page, id)).rows.surface);
  const floor = linked.find(({ value }) => value.name === 'Floor' && value.otherSideId !== null)!;
  expect(linked.find(({ id: other }) => other === floor.value.otherSideId)!.value.name).toBe('Front wall');
  // One surface more, and gone again.
  await page.getByRole('button', { name: /Add a surface/ }).click();
  await expect(page.getByTestId('house-summary')).toContainText('23 surfaces');
  await page.getByRole('spinbutton', { name: 'Azimuth of Another wall' }).fill('45');
  await expect(page.getByText(/looks north-east/)).toBeVisible();
  await page.getByRole('button', { name: 'Remove Another wall' }).click();
  await expect(page.getByTestId('house-summary')).toContainText('22 surfaces');
});

test('a hint after a capture is off until somebody wants it, says what stands out or that nothing does, and is remembered', async ({
  page,
}) => {
  await houseVisit(page, 'Hints', /Hall or workshop/);
  await toRound(page);
  await live(page);
  const hints = page.getByRole('button', { name: 'Hints off' });
  await expect(hints).toHaveAttribute('aria-pressed', 'false');
  await capture(page).click();
  await expect(page.getByRole('link', { name: /^Read .* on the bench$/ }).first()).toBeVisible();
  await expect(page.getByRole('status', { name: 'Hint' })).toHaveCount(0);

  await hints.click();
  const hint = page.getByRole('status', { name: 'Hint' });
  await expect(hint).toHaveText(/Nothing stands out in the last frame\.|deserves? a look, first: [a-z]/);
  await saved(page);
  await page.reload();
  // The walk goes on at the next stop, which has no frame yet: nothing is said there.
  await expect(page.getByRole('button', { name: 'Hints on' })).toHaveAttribute('aria-pressed', 'true');
  await expect(hint).toHaveCount(0);
  await page.getByRole('button', { name: 'Previous stop' }).click();
  await expect(hint).toHaveText(/Nothing stands out in the last frame\.|deserves? a look, first: [a-z]/);
});

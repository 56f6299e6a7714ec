import type { Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { writeNpy } from '../core/method/formats/npy/write';
import { APPARENT } from '@core/ground/basis';
import { radianceLine, throughLine } from '../core/method/radiometry/measurement';
import type { VisitDocument } from '@core/model/document';
import {
  BARE,
  BARE_EMISSIVITY,
  cardFolder,
  colouredFile,
  experimentFile,
  FOIL,
  frameFile,
  inBox,
  photoFile,
  SIZE,
  SURROUNDINGS_C,
  TAPE,
  visitWith,
  type CardFile,
} from './support/card';
import { drawBox, drawWith, expect, interchange, newVisit, saved, screenOf, stageOf, test, documentOf } from './support/pages';

const ledger = (page: Page) => page.getByRole('complementary', { name: 'Ledger' });
const difference = (page: Page) => page.getByTestId('difference');
const differenceK = async (page: Page) =>
  Number(/[−+]?[\d.]+(?= K)/.exec(await difference(page).innerText())![0].replace('−', '-'));
const strip = (page: Page) => page.getByRole('navigation', { name: 'Frames of this visit' });

/** A card of sixty files: single shots and their photos, a recording, pages, coloured pictures, and what is damaged. */
async function card(): Promise<CardFile[]> {
  const files: CardFile[] = [];
  const add = (name: string, bytes: Buffer) => files.push({ name, bytes, at: 60 * files.length });
  for (let n = 0; n < 34; n += 1) add(`shot_${n}a.npy`, frameFile(n));
  for (let n = 0; n < 8; n += 1) add(`shot_${n}a.jpg`, await photoFile(0.3, 0.2, 180 + n));
  for (let n = 0; n < 3; n += 1) add(`coloured ${n}.png`, await colouredFile(n));
  for (const name of [
    'tiff-f32-3pages.tif',
    'png16-ck-pillow.png',
    'csv-semicolon-decimal-comma.csv',
    'tiff-u16ck-le-plain.tif',
  ]) {
    add(name, readFileSync(interchange(name)));
  }
  for (const name of ['bad-nan.tif', 'bad-truncated.npy', 'bad-text-cell.csv', 'bad-deflate-bomb.tif', 'bad-zero-size.npy']) {
    add(name, readFileSync(interchange(name)));
  }
  const start = 60 * files.length;
  for (let n = 1; n <= 6; n += 1) {
    files.push({ name: `floor_00${n}.npy`, bytes: frameFile(100 + n), at: start + 5 * n });
  }
  return files;
}

test('a whole card: summary, recording, evidence, settings for many with one undo', async ({ page }) => {
  test.setTimeout(120_000);
  const files = await card();
  expect(files).toHaveLength(60);
  const { folder, remove } = cardFolder(files);
  try {
    const visit = await newVisit(page, 'A card');
    await page.getByLabel('Folder to add').setInputFiles(folder);
    const panel = page.getByRole('region', { name: 'Import' });
    await expect(panel).toContainText('46 frames · 8 photos · 3 pictures without data · 5 refused', { timeout: 60_000 });
    for (const { name } of files.filter(({ name }) => name.startsWith('bad-'))) {
      await expect(panel.getByRole('listitem').filter({ hasText: name })).toContainText(/refused: .{20,}/);
    }
    // What has pixels without a value comes in after all, when somebody says so.
    await panel.getByRole('button', { name: 'Add where it is 1 % at most' }).click();
    await expect(panel).toContainText('1 frame');
    await panel.getByRole('button', { name: /Close the import/ }).click();

    const stored = await documentOf(page, visit);
    const photos = Object.values(stored.rows.photo);
    expect(photos.filter(({ value }) => value.evidence)).toHaveLength(3);
    for (const { value } of photos.filter(({ value }) => !value.evidence)) {
      expect(stored.rows.frame[value.frameId!]!.value.name).toBe(value.name);
    }
    expect(Object.values(stored.rows.sequence)).toHaveLength(1);

    // Settings of the shown frame go to ten others at once, and come back at once.
    const emissivity = page.getByRole('spinbutton', { name: 'Emissivity', exact: true });
    await emissivity.fill('0.88');
    await emissivity.press('Enter');
    const pictures = strip(page).getByRole('button');
    await pictures.nth(1).click({ modifiers: ['Control'] });
    await pictures.nth(5).click({ modifiers: ['Shift'] });
    const bar = page.getByRole('region', { name: 'Chosen frames' });
    await expect(bar).toContainText(/\d+ frames chosen/);
    const count = Number((await bar.innerText()).match(/(\d+) frames/)![1]);
    await bar.getByRole('button', { name: /Apply settings/ }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Apply' }).click();
    await saved(page);
    const of = (doc: VisitDocument) => Object.values(doc.rows.settings).filter(({ value }) => value.emissivity === 0.88).length;
    expect(of(await documentOf(page, visit))).toBe(count + 1);
    await page.keyboard.press('Control+z');
    await saved(page);
    expect(of(await documentOf(page, visit))).toBe(1);
  } finally {
    remove();
  }
});

test('a numbered run becomes a sequence that plays, and moments are picked out of it', async ({ page }) => {
  const { folder, remove } = cardFolder(
    Array.from({ length: 6 }, (_, n) => ({ name: `floor_${n + 1}.npy`, bytes: frameFile(n + 1), at: 5 * n })),
  );
  try {
    const visit = await newVisit(page, 'A recording');
    await page.getByLabel('Folder to add').setInputFiles(folder);
    const panel = page.getByRole('region', { name: 'Import' });
    await panel.getByRole('button', { name: 'Keep as a sequence' }).click();
    await panel.getByRole('button', { name: /Close the import/ }).click();
    await expect(strip(page).getByRole('button')).toHaveCount(1);
    const sequence = page.getByRole('group', { name: 'Sequence floor' });
    await expect(sequence).toContainText('1 of 6 · 0 s');
    await sequence.getByRole('slider').focus();
    await page.keyboard.press('ArrowRight');
    await expect(sequence).toContainText('2 of 6 · 5 s');
    await sequence.getByRole('button', { name: 'Pick this moment' }).click();
    await expect(strip(page).getByRole('button')).toHaveCount(2);
    await sequence.getByRole('button', { name: 'Play' }).click();
    await expect(sequence).toContainText('5 of 6');
    await sequence.getByRole('button', { name: 'Pause' }).click();
    await saved(page);
    expect(Object.values((await documentOf(page, visit)).rows.sequence)[0]!.value).toMatchObject({ name: 'floor', intervalS: 5 });
  } finally {
    remove();
  }
});

test('foil and tape find what the plate reflects and emits', async ({ page }) => {
  const visit = await newVisit(page, 'Experiments');
  await visitWith(page, visit, [{ name: 'plate.npy', bytes: experimentFile() }]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  for (const [box, name] of [
    [FOIL, 'foil'],
    [TAPE, 'tape'],
    [BARE, 'bare plate'],
  ] as const) {
    await drawBox(page, SIZE, [box[0] + 2, box[1] + 2], [box[2] - 2, box[3] - 2]);
    await page.getByLabel('Name', { exact: true }).fill(name);
    await page.getByLabel('Name', { exact: true }).press('Enter');
  }
  const choose = async (label: string, option: string) => {
    await page.getByRole('dialog').getByRole('combobox', { name: label }).click();
    await page.locator('.ant-select-dropdown:visible').getByTitle(option, { exact: true }).click();
  };
  await page.getByRole('button', { name: /Find by experiment/ }).click();
  await choose('The foil', 'foil');
  await expect(page.getByRole('dialog').getByRole('status')).toContainText(`Reflected ${SURROUNDINGS_C.toFixed(1)} °C`);
  await page.getByRole('button', { name: 'Keep the reflected temperature' }).click();

  await page.getByRole('button', { name: /Find by experiment/ }).click();
  await page.getByRole('dialog').getByText('Tape', { exact: true }).click();
  await choose('The tape', 'tape');
  await choose('The bare surface', 'bare plate');
  await expect(page.getByRole('dialog').getByRole('status')).toContainText(`Emissivity ${BARE_EMISSIVITY.toFixed(2)}`);
  await choose('It holds for', 'the region “bare plate”');
  await page.getByRole('button', { name: 'Keep the emissivity' }).click();
  // Under its own emissivity the bare plate has the temperature of the tape.
  const bare = ledger(page).getByRole('listitem').filter({ hasText: 'bare plate' });
  await expect(bare.locator('b').first()).toContainText(/5[45]\.\d °C/);
  await saved(page);
  const settings = Object.values((await documentOf(page, visit)).rows.settings).map(({ value }) => value);
  expect(settings.find(({ level }) => level === 'frame')).toMatchObject({
    reflectedFrom: expect.stringMatching(/^foil, \d\d:\d\d$/),
  });
  const own = settings.find(({ level }) => level === 'region')!;
  expect(own.emissivity).toBeCloseTo(BARE_EMISSIVITY, 1);
  expect(own.emissivityU).toBeGreaterThan(0);

  // A contrast that is too small is refused, and says why.
  await page.getByRole('button', { name: /Find by experiment/ }).click();
  await page.getByRole('dialog').getByText('Tape', { exact: true }).click();
  await choose('The tape', 'foil');
  await choose('The bare surface', 'bare plate');
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText(/differs from its surroundings by only/);
});

test('regions of every kind are drawn, read and changed', async ({ page }) => {
  const visit = await newVisit(page, 'Every kind');
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [90, 20, 130, 60]) ? 12 : inBox(x, y, [10, 90, 50, 115]) ? 45 : null));
  await visitWith(page, visit, [
    { name: 'wall.npy', bytes },
    { name: 'next.npy', bytes: frameFile(2) },
  ]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  const lines = ledger(page).getByRole('listitem');
  const point = await screenOf(page, SIZE);

  await page.keyboard.press('s');
  await page.mouse.click(...point([110, 40]));
  await expect(lines.filter({ hasText: 'spot 1' })).toContainText('11.');
  await drawWith(page, 'e', SIZE, [95, 25], [125, 55]);
  await expect(lines.filter({ hasText: 'ellipse 1' })).toContainText('11.');
  await drawWith(page, 'l', SIZE, [60, 40], [150, 40]);
  await expect(lines.filter({ hasText: 'line 1' })).toContainText('91 px');
  await page.keyboard.press('p');
  for (const corner of [
    [85, 15],
    [135, 15],
    [135, 65],
    [85, 65],
  ] as const)
    await page.mouse.click(...point(corner));
  await page.keyboard.press('Enter');
  await expect(lines.filter({ hasText: 'polygon 1' })).toContainText('It holds two things');

  // Lengths: a thing of known length sets the scale of the frame.
  await drawWith(page, 'm', SIZE, [90, 80], [130, 80]);
  await ledger(page).getByLabel('It is really').fill('0.8');
  await ledger(page).getByRole('button', { name: 'Set the scale' }).click();
  await expect(lines.filter({ hasText: 'length 1' })).toContainText('80 cm');
  await expect(ledger(page)).toContainText('One pixel covers 20 mm; nothing below 10 cm can be read.');

  // What is left out counts no longer, for colours or for what lies beyond a mark.
  await page.getByRole('button', { name: 'Colours' }).click();
  await page.getByRole('spinbutton', { name: 'Mark' }).fill('30');
  await page.getByText('warmer', { exact: true }).last().click();
  await page.getByRole('button', { name: 'Make a region' }).click();
  await expect(lines.filter({ hasText: 'all warmer' })).toContainText(/46\.\d °C/);
  await drawWith(page, 'x', SIZE, [5, 85], [55, 118]);
  await expect(lines.filter({ hasText: 'all warmer' })).toContainText('Nothing in the frame is warmer');
  await expect(page.getByText('Hatched: left out by hand.')).toBeVisible();

  // Turned, grown, moved, copied to the next frame.
  await lines.filter({ hasText: 'ellipse 1' }).getByRole('button').first().click();
  const shape = async () =>
    Object.values((await documentOf(page, visit)).rows.region).find(({ value }) => value.name === 'ellipse 1')!.value.shape;
  await page.keyboard.press('.');
  await page.keyboard.press('Alt+ArrowRight');
  await page.keyboard.press('ArrowRight');
  await saved(page);
  expect(await shape()).toMatchObject({ kind: 'ellipse', angle: 1, rx: 16, x: 111 });
  await page.keyboard.press('d');
  await page.keyboard.press('n');
  await expect(lines.filter({ hasText: 'ellipse 1' })).toContainText(/1[78]\.\d °C/);
});

test('a profile round an opening grades it, and the chart has its table', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const visit = await newVisit(page, 'Opening');
  // A window whose lower edge leaks.
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [60, 68, 110, 72]) ? 8 : null));
  await visitWith(page, visit, [{ name: 'window.npy', bytes }]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await drawBox(page, SIZE, [10, 10], [40, 40]);
  await page.keyboard.press('r');
  await drawBox(page, SIZE, [60, 30], [109, 70]);
  await page.keyboard.press('c');
  const chart = page.getByRole('region', { name: /Chart of box 2/ });
  await chart.getByText('Profile', { exact: true }).click();
  await expect(chart).toContainText(/Bad as the edge of an opening: to seal \d+ px bad/);
  await expect(chart.locator('.recharts-line-curve')).toBeVisible();
  expect(await chart.getByRole('row').count()).toBeGreaterThan(100);
  await chart.getByRole('button', { name: /Copy as CSV/ }).click();
  const csv = await page.evaluate(() => navigator.clipboard.readText());
  expect(csv.split('\n').length).toBeGreaterThan(170);
  expect(csv).toMatch(/^"?Way, px"?,"?Temperature, °C"?/);
  await chart.getByText('Histogram', { exact: true }).click();
  await expect(chart.locator('.recharts-area-curve')).toBeVisible();
});

test('photo and frame are brought in line by two places; a pair out of line is said', async ({ page }) => {
  const visit = await newVisit(page, 'In line');
  // The window at 0.30/0.20 of the frame lies at 0.38/0.28 of the photo.
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [48, 24, 95, 71]) ? 11 : null));
  const [frameId] = await visitWith(page, visit, [
    { name: 'pair.npy', bytes },
    { name: 'pair.jpg', bytes: await photoFile(0.38, 0.28) },
  ]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await page.keyboard.press('v');
  await expect(page.getByText(/The photo seems to lie \d+ pixels beside the frame/)).toBeVisible({ timeout: 15_000 });
  await page.getByRole('button', { name: 'Bring both in line' }).click();
  const photo = page.getByRole('img', { name: /Photo pair/ });
  const onPhoto = async ([u, v]: readonly [number, number]): Promise<[number, number]> => {
    const box = (await photo.boundingBox())!;
    const zoom = Math.min(box.width / 640, box.height / 480);
    return [box.x + (box.width - 640 * zoom) / 2 + u * 640 * zoom, box.y + (box.height - 480 * zoom) / 2 + v * 480 * zoom];
  };
  for (const [pixel, place] of [
    [
      [48, 24],
      [0.38, 0.28],
    ],
    [
      [95, 71],
      [0.68, 0.68],
    ],
  ] as const) {
    await page.mouse.click(...(await screenOf(page, SIZE))(pixel));
    await page.mouse.click(...(await onPhoto(place)));
  }
  await page.getByRole('button', { name: 'Bring in line by 2 places' }).click();
  // Over the frame now, and no longer out of line.
  await expect(page.getByRole('slider', { name: 'How much of the photo shows' })).toBeVisible();
  await expect(page.getByText(/seems to lie/)).toHaveCount(0);
  await saved(page);
  const stored = Object.values((await documentOf(page, visit)).rows.photo)[0]!.value;
  expect(stored.frameId).toBe(frameId);
  expect(stored.alignment![2]).toBeCloseTo(0.08, 1);
  expect(stored.alignment![0]).toBeCloseTo(1, 1);
});

test('a difference across two frames says so, and holds the camera’s repeatability', async ({ page }) => {
  const visit = await newVisit(page, 'Across');
  const cold = (x: number, y: number) => (inBox(x, y, [60, 40, 100, 80]) ? 12 : null);
  await visitWith(page, visit, [
    { name: 'one.npy', bytes: frameFile(1, cold) },
    { name: 'two.npy', bytes: frameFile(2) },
  ]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await drawBox(page, SIZE, [10, 10], [40, 40]);
  await page.keyboard.press('r');
  await drawBox(page, SIZE, [65, 45], [95, 75]);
  const parts = () =>
    ledger(page)
      .getByText(/made of/)
      .first();
  await expect(difference(page)).toContainText('−6.3 K');
  const within = Number(/± ([\d.]+)/.exec(await difference(page).innerText())![1]);
  await page.keyboard.press('n');
  await expect(page.getByRole('img', { name: /^two: 160 by 120/ })).toBeVisible();
  await drawBox(page, SIZE, [65, 45], [95, 75]);
  await page.getByLabel('Name', { exact: true }).fill('sound, elsewhere');
  await page.getByLabel('Name', { exact: true }).press('Enter');
  await page.keyboard.press('Shift+N');
  await expect(page.getByRole('img', { name: /^one: 160 by 120/ })).toBeVisible();
  await ledger(page).getByRole('button', { name: /box 2/ }).click();
  await ledger(page).getByRole('combobox', { name: 'Compare with' }).click();
  await page.locator('.ant-select-dropdown:visible').getByText('sound, elsewhere').click();
  await expect(ledger(page)).toContainText('Across two frames');
  const across = Number(/± ([\d.]+)/.exec(await difference(page).innerText())![1]);
  expect(across).toBeGreaterThan(within);
  await parts().click();
  await expect(ledger(page)).toContainText('from one frame to the next');
  // It can be stated as a finding, and the report says what it is.
  await page.keyboard.press('Enter');
  await page.getByRole('dialog').getByLabel('What is it?').fill('Colder than the other wall');
  await page.getByRole('dialog').getByRole('button', { name: 'Record finding' }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await saved(page);
  expect(Object.values((await documentOf(page, visit)).rows.finding)).toHaveLength(1);
  await page.getByRole('link', { name: /Findings/ }).click();
  await expect(difference(page)).toContainText(/−6\.\d K/);
  await expect(page.getByText(/lies on another frame/)).toBeVisible();
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByText(/lies on another frame/)).toBeVisible();
  // A link to a finding's region opens the bench with that region chosen.
  await page.getByRole('link', { name: /Findings/ }).click();
  await page.getByText('Open on the bench').click();
  await expect(ledger(page).getByRole('button', { name: /box 2/, pressed: true })).toBeVisible();
});

test('ten differences are read with at most 45 inputs', async ({ page }) => {
  const visit = await newVisit(page, 'Ten differences');
  const bytes = frameFile(1, (x, y) => (y > 60 ? 18 - 0.5 * (1 + Math.floor(x / 16)) : null));
  await visitWith(page, visit, [{ name: 'wall.npy', bytes }]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  const point = await screenOf(page, SIZE);
  let inputs = 0;
  const press = async (key: string) => {
    inputs += 1;
    await page.keyboard.press(key);
  };
  const drag = async (from: [number, number], to: [number, number]) => {
    inputs += 1;
    await page.mouse.move(...point(from));
    await page.mouse.down();
    await page.mouse.move(...point(to), { steps: 3 });
    await page.mouse.up();
  };
  await press('b');
  await drag([10, 10], [150, 50]);
  await press('r');
  for (let n = 0; n < 10; n += 1) {
    await press('b');
    await drag([16 * n + 3, 70], [16 * n + 12, 110]);
    // The emissivity of 0.95 widens a difference by about its twentieth.
    const wanted = (-0.5 * (n + 1)) / 0.95;
    await expect.poll(async () => Math.abs((await differenceK(page)) - wanted)).toBeLessThan(0.2);
  }
  expect(inputs).toBeLessThanOrEqual(45);
});

test('a picture without data takes typed values and is never measured on', async ({ page }) => {
  const visit = await newVisit(page, 'Evidence');
  const answer = await page.request.post(`/api/visits/${visit}/files?name=shown.png`, { data: await colouredFile(1) });
  expect(((await answer.json()) as { kind: string }).kind).toBe('evidence');
  await page.goto(`/visits/${visit}/bench`);
  const view = page.getByRole('region', { name: /Picture without data shown/ });
  await expect(view).toContainText('Nothing is measured on it');
  await view.getByRole('img', { name: /Picture/ }).click({ position: { x: 100, y: 80 } });
  await view.getByLabel('Name of typed spot 1').fill('sill');
  await view.getByLabel('Value of typed spot 1').fill('11.5');
  await view.getByLabel('Warm end of its scale').fill('24');
  await expect(view).toContainText('sill 11.5 °C typed');
  await expect(page.getByRole('button', { name: /^Spot/ })).toHaveCount(0);
  await saved(page);
  await page.reload();
  await expect(view).toContainText('sill 11.5 °C typed');
  const stored = Object.values((await documentOf(page, visit)).rows.photo)[0]!.value;
  expect(stored.typed).toMatchObject({ highC: 24, lowC: null });
  // The report shows it as what it is.
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByRole('heading', { name: 'Pictures without data' })).toBeVisible();
  await expect(page.getByText('11.5 °C, typed')).toBeVisible();
});

test('a frame is turned with its regions and its photo, and back', async ({ page }) => {
  const visit = await newVisit(page, 'Turned');
  const bytes = frameFile(1, (x, y) => (inBox(x, y, [20, 10, 49, 29]) ? 12 : null));
  await visitWith(page, visit, [
    { name: 'turned.npy', bytes },
    { name: 'turned.jpg', bytes: await photoFile(0.1, 0.1) },
  ]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await drawBox(page, SIZE, [20, 10], [49, 29]);
  await expect(ledger(page).getByRole('listitem')).toContainText('11.');
  await saved(page);
  await page.getByRole('button', { name: 'Change what this frame is' }).click();
  await page.getByRole('button', { name: 'Turn to the right' }).click();
  await expect(page.getByRole('img', { name: /120 by 160 pixels/ })).toBeVisible();
  await expect(ledger(page).getByRole('listitem')).toContainText('11.');
  // What was drawn before lies elsewhere now: undo does not reach behind a turn.
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  const turned = await documentOf(page, visit);
  expect(Object.values(turned.rows.region)[0]!.value.shape).toEqual({ kind: 'box', x: 90, y: 20, width: 20, height: 30 });
  expect(Object.values(turned.rows.photo)[0]!.value.quarters).toBe(1);
  const back = page.getByRole('button', { name: 'Turn to the left' });
  await expect(async () => {
    if (!(await back.isVisible())) await page.getByRole('button', { name: 'Change what this frame is' }).click();
    await back.click({ timeout: 2000 });
  }).toPass();
  await expect(page.getByRole('img', { name: /160 by 120 pixels/ })).toBeVisible();
  expect(Object.values((await documentOf(page, visit)).rows.region)[0]!.value.shape).toMatchObject({ x: 20, y: 10 });
});

test('the camera’s clock is set right once for all its frames', async ({ page }) => {
  const visit = await newVisit(page, 'Clock');
  const [first] = await visitWith(page, visit, [{ name: 'a.npy', bytes: frameFile(1) }]);
  const camera = Object.keys((await documentOf(page, visit)).rows.camera)[0]!;
  // Frames of the card say which camera took them.
  for (const n of [2, 3]) {
    await page.request.post(`/api/visits/${visit}/files?name=${n}.npy&camera=${camera}&taken=${Date.UTC(2026, 1, 11, 20, n)}`, {
      data: frameFile(n),
    });
  }
  await page.goto(`/visits/${visit}/bench/${first!}`);
  await strip(page)
    .getByRole('button', { name: /20:02 2/ })
    .click();
  await page.getByRole('button', { name: 'Files and more' }).click();
  await page.getByRole('menuitem', { name: /Clock of the camera/ }).click();
  await page.getByLabel('It was really').fill('2026-02-11T19:32');
  await expect(page.getByRole('dialog')).toContainText('The clock is 30 min ahead; 2 frames of this visit move with it.');
  await page.getByRole('button', { name: 'Set the clock right' }).click();
  await expect(strip(page)).toContainText('19:33 3');
  await page.keyboard.press('Control+z');
  await expect(strip(page)).toContainText('20:03 3');
});

/** Colour of a frame's pixel on a canvas that shows the whole frame, whatever its size. */
const canvasColour = (page: Page, canvas: ReturnType<Page['locator']>, [x, y]: readonly [number, number]) =>
  canvas.evaluate(
    (element: HTMLCanvasElement, [share, down, width, height]) => {
      const zoom = Math.min(element.width / width!, element.height / height!);
      const left = (element.width - width! * zoom) / 2;
      const top = (element.height - height! * zoom) / 2;
      const place = [left + (share! + 0.5) * zoom, top + (down! + 0.5) * zoom].map(Math.floor);
      return [...element.getContext('2d')!.getImageData(place[0]!, place[1]!, 1, 1).data.slice(0, 3)];
    },
    [x, y, SIZE.width, SIZE.height],
  );

test('bench, thumbnail, report, exported picture and command line give one frame the same colours', async ({ page }) => {
  const visit = await newVisit(page, 'Same colours');
  const blocks: Record<string, readonly [number, number]> = { mild: [60, 100], cold: [60, 60], warm: [120, 60] };
  const values = Float32Array.from({ length: SIZE.width * SIZE.height }, (_, i) => {
    const [x, y] = [i % SIZE.width, Math.floor(i / SIZE.width)];
    if (inBox(x, y, [40, 40, 79, 79])) return 14.5;
    if (inBox(x, y, [100, 40, 139, 79])) return 21.5;
    return inBox(x, y, [40, 90, 79, 115]) ? 16.3 : 18;
  });
  const bytes = Buffer.from(writeNpy({ ...SIZE, values }));
  const [frameId] = await visitWith(page, visit, [{ name: 'blocks.npy', bytes }]);
  await expect(stageOf(page).locator('canvas')).toBeVisible();
  await drawBox(page, SIZE, [5, 5], [35, 35]);
  await page.keyboard.press('r');
  await drawBox(page, SIZE, [45, 45], [75, 75]);
  await expect(difference(page)).toBeVisible();
  await page.keyboard.press('Enter');
  await page.getByRole('dialog').getByLabel('What is it?').fill('Cold block');
  await page.getByRole('dialog').getByRole('button', { name: 'Record finding' }).click();
  await saved(page);

  const bench = await Promise.all(Object.values(blocks).map((at) => canvasColour(page, stageOf(page).locator('canvas'), at)));
  expect(new Set(bench.map(String)).size).toBe(3);
  const thumb = strip(page).locator('canvas');
  await expect.poll(() => canvasColour(page, thumb, blocks.cold!)).toEqual(bench[1]);
  for (const [i, at] of Object.values(blocks).entries()) expect(await canvasColour(page, thumb, at)).toEqual(bench[i]);

  // The picture that goes out has a margin of 12 pixels, and each pixel of the frame three times.
  const colourIn = async (png: Buffer, [x, y]: readonly [number, number]) => {
    const { data, info } = await sharp(png).raw().toBuffer({ resolveWithObject: true });
    const zoom = Math.ceil(480 / SIZE.width);
    const at = ((12 + zoom * y + 1) * info.width + 12 + zoom * x + 1) * info.channels;
    return [...data.subarray(at, at + 3)];
  };
  const exported = await (await page.request.get(`/api/frames/${frameId}/export?format=picture`)).body();
  const settings = { emissivity: 0.95, reflected: 20.1, air: 20.1, transmittance: 1 };
  const reference = throughLine(18, radianceLine(APPARENT, settings));
  const { folder, remove } = cardFolder([{ name: 'blocks.npy', bytes, at: 0 }]);
  const picture = path.join(folder, 'blocks.png');
  execFileSync(path.resolve('den'), [
    'convert',
    path.join(folder, 'pictures', 'blocks.npy'),
    picture,
    '--picture',
    ...['--emissivity', '0.95', '--reflected', '20.1', '--air', '20.1'],
    ...['--low', String(reference - 6), '--high', String(reference + 6)],
  ]);
  const printed = readFileSync(picture);
  remove();
  for (const [i, at] of Object.values(blocks).entries()) {
    expect(await colourIn(exported, at)).toEqual(bench[i]);
    expect(await colourIn(printed, at)).toEqual(bench[i]);
  }

  await page.getByRole('link', { name: /Report/ }).click();
  const figure = page.locator('figure canvas').first();
  await expect(figure).toBeVisible();
  await expect.poll(() => canvasColour(page, figure, blocks.cold!)).toEqual(bench[1]);
  for (const [i, at] of Object.values(blocks).entries()) expect(await canvasColour(page, figure, at)).toEqual(bench[i]);
});

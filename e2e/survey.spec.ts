import { readFileSync } from 'node:fs';
import { readRegion, differenceOf } from '../core/method/frame/reading';
import { estimateNoise } from '../core/ground/noise';
import { readFrame } from '../core/method/formats/readFrame';
import { exact, uncertain } from '../core/method/radiometry/quantity';
import { USUAL_CAMERA, USUAL_UNCERTAINTY } from '../core/method/radiometry/uncertainty';
import { plusMinus, signedDifference } from '../core/ground/format';
import { nodeCodecs } from '../server/codecs';
import { drawBox, dropFiles, expect, fixture, interchange, beginVisit, saved, test } from './support/pages';
import { pdfText } from './support/pdf';

const FRAME = { width: 320, height: 240 };
const SUSPECT = { x: 100, y: 85, width: 38, height: 80 };
const SOUND = { x: 135, y: 190, width: 30, height: 30 };

/** What the core says of the same file, settings and regions: the interface must say the same. */
function expected(): { value: string; plusMinus: string } {
  const frame = readFrame(readFileSync(fixture('wall-with-bare-bay.tif')), nodeCodecs);
  const camera = { ...USUAL_CAMERA, camera: 'camera', frame: 'frame', noise: estimateNoise(frame) };
  const read = (id: string, box: typeof SOUND) =>
    readRegion(
      frame,
      { id, name: id, shape: { kind: 'box', ...box } },
      {
        // Nobody said that both are one material; both stand in one room.
        emissivity: uncertain(0.93, { name: `emissivity ${id}`, part: 'emissivity', u: USUAL_UNCERTAINTY.emissivity }),
        reflected: uncertain(19.7, { name: 'reflected', part: 'reflected', u: USUAL_UNCERTAINTY.reflected }),
        air: exact(20.1),
        transmittance: exact(1),
      },
      camera,
    );
  const difference = differenceOf(read('a', SUSPECT), read('b', SOUND));
  return { value: signedDifference(difference.value), plusMinus: plusMinus(difference.uncertainty.total) };
}

test('from a file to a report', async ({ page }) => {
  const wanted = expected();
  let factors = '';
  await beginVisit(page, 'Cottage of the survey test');

  await test.step('drop a radiometric file', async () => {
    await dropFiles(page, [fixture('wall-with-bare-bay.tif')]);
    await expect(page.getByRole('region', { name: 'Import' })).toContainText('1 frame');
    await expect(page.getByRole('img', { name: /wall-with-bare-bay: 320 by 240 pixels/ })).toBeVisible();
    await page.getByRole('button', { name: "Close the import's summary" }).click();
  });

  await test.step('set emissivity and reflected apparent temperature', async () => {
    await page.getByText('visit', { exact: true }).click();
    await page.getByRole('spinbutton', { name: 'Emissivity' }).fill('0.93');
    await page.getByRole('spinbutton', { name: 'Emissivity' }).press('Enter');
    await page.getByRole('spinbutton', { name: 'Reflected' }).fill('19.7');
    await page.getByRole('spinbutton', { name: 'Reflected' }).press('Enter');
    await expect(page.getByLabel('Settings').getByText('of the visit')).toHaveCount(2);
  });

  await test.step('mark sound wall as the reference, box the suspect, read the difference', async () => {
    await drawBox(page, FRAME, [SOUND.x, SOUND.y], [SOUND.x + SOUND.width - 1, SOUND.y + SOUND.height - 1]);
    await page.getByLabel('Name').fill('sound wall');
    await page.getByLabel('Name').press('Enter');
    await page.keyboard.press('r');
    await expect(page.getByRole('button', { name: /sound wall reference/ })).toBeVisible();
    await drawBox(page, FRAME, [SUSPECT.x, SUSPECT.y], [SUSPECT.x + SUSPECT.width - 1, SUSPECT.y + SUSPECT.height - 1]);
    await page.getByLabel('Name').fill('bay left of the pipe');
    await page.getByLabel('Name').press('Enter');
    const hero = page.getByRole('region', { name: 'bay left of the pipe against sound wall' });
    await expect(hero.getByTestId('difference')).toContainText(`${wanted.value} ${wanted.plusMinus}`);
    factors = await hero.getByText(/^Temperature factor 0\.\d\d against 0\.\d\d: 0\.\d{3} ± 0\.\d{3} lower\.$/).innerText();
    await expect(hero).toContainText('outside the noise', { ignoreCase: true });
  });

  await test.step('steer the colours', async () => {
    const warm = page.getByRole('slider', { name: 'Warm end of the colours' });
    await expect(warm).toHaveAttribute('aria-valuetext', '+6.0 K');
    const knob = (await warm.boundingBox())!;
    await page.mouse.move(knob.x + 30, knob.y + knob.height / 2);
    await page.mouse.down();
    await page.mouse.move(knob.x + 30, knob.y + knob.height / 2 + 60, { steps: 5 });
    await page.mouse.up();
    await expect(warm).not.toHaveAttribute('aria-valuetext', '+6.0 K');
    await page.keyboard.press('Control+z');
    await expect(warm).toHaveAttribute('aria-valuetext', '+6.0 K');
    await page.keyboard.press('f');
    await expect(page.getByText(/Stretched over this frame only: all colours within/)).toBeVisible();
    await page.keyboard.press('f');
    await expect(page.getByText(/Colours around the reference, sound wall/)).toBeVisible();
  });

  await test.step('record a finding with a photo and a note', async () => {
    await saved(page);
    await page.keyboard.press('Enter');
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('What is it?').fill('A bay without insulation');
    await dialog.getByLabel('Note').fill('Straight sides <b>between</b> two studs; =1+1');
    await dialog.getByLabel('Photo file').setInputFiles(interchange('bad-photo-rgb.jpg'));
    await expect(dialog.getByRole('img', { name: 'The chosen photo' })).toBeVisible();
    await dialog.getByRole('button', { name: 'Record finding' }).click();
    await expect(dialog).toBeHidden();
    await saved(page);
  });

  await test.step('it is there after a reload', async () => {
    await page.reload();
    await page.getByRole('link', { name: /Findings/ }).click();
    await expect(page.getByLabel('What is it?')).toHaveValue('A bay without insulation');
    await expect(page.getByTestId('difference')).toContainText(wanted.value);
    await expect(page.getByLabel('Note')).toHaveValue('Straight sides <b>between</b> two studs; =1+1');
    await expect(page.getByRole('img', { name: 'Photo of the same place' })).toBeVisible();
  });

  await test.step('the PDF states the difference', async () => {
    await page.getByRole('link', { name: /Report/ }).click();
    await expect(page.getByText(`${wanted.value} ${wanted.plusMinus}`).first()).toBeVisible();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Download PDF' }).click(),
    ]);
    expect(download.suggestedFilename()).toMatch(/^Cottage of the survey test .* \d{4}\.pdf$/);
    const { pages, text } = await pdfText((await download.path())!);
    expect(pages).toBe(3);
    expect(text).toContain(`${wanted.value} ${wanted.plusMinus}`);
    expect(text).toContain(factors);
    expect(text).toContain('bay left of the pipe against sound wall');
    expect(text).toContain('A bay without insulation');
    expect(text).toContain('Straight sides <b>between</b> two studs; =1+1');
    expect(text).toContain('0.93 (set for the visit)');
    expect(text).toContain('Page 3 of 3');
    expect(text).toContain('12.0 K around the reference, sound wall');
  });
});

test('the demo visit is there, with its findings, and its PDF in °F', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('link', { name: /Old Kiln Row · No. 2/ }).click();
  await expect(page.getByText(/17 frames/)).toBeVisible();
  await page.getByRole('button', { name: /Temperatures in °C/ }).click();
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByText(/° ?F ± /).first()).toBeVisible();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download PDF' }).click(),
  ]);
  const { text } = await pdfText((await download.path())!);
  expect(text).toContain('69.1 °F');
  expect(text).not.toContain('20.6 °C');
  await page.getByRole('button', { name: /Temperatures in °F/ }).click();
});

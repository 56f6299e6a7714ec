// Takes the current picture of each main view from the demo visit, or of some:
// node scripts/screenshots.mjs http://127.0.0.1:3000 [water …]
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';

const [address = 'http://127.0.0.1:3000', ...wanted] = process.argv.slice(2);
const folder = path.resolve('docs/screenshots');
mkdirSync(folder, { recursive: true });

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-background-networking', '--disable-quic'],
});

async function picture(name, size, walk) {
  if (wanted.length > 0 && !wanted.includes(name)) return;
  const page = await browser.newPage({ viewport: size, timezoneId: 'Europe/London', locale: 'en-GB', reducedMotion: 'reduce' });
  await page.goto(address);
  await walk(page);
  await page.waitForTimeout(600);
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  console.log(`docs/screenshots/${name}.png`);
  await page.close();
}

const desk = { width: 1280, height: 800 };
const tablet = { width: 820, height: 1180 };
const openDemo = async (page) => {
  await page.getByRole('link', { name: /Old Kiln Row · No. 2/ }).click();
  await page.getByRole('application').waitFor();
  await page.waitForTimeout(900);
};
const openSill = async (page) => {
  await openDemo(page);
  await page.getByRole('button', { name: /sill, left/ }).click();
};

await picture('sites', desk, async () => undefined);
const openStage = (stage, shows) => async (page) => {
  await openDemo(page);
  await page.getByRole('link', { name: stage }).click();
  await page.getByText(shows).first().waitFor();
  await page.waitForTimeout(900);
};
await picture('question', desk, openStage('Question', 'What follows from it'));
await picture('hours', desk, openStage('Hours', 'Best slots'));
await picture('loan', desk, async (page) => {
  await page.goto(`${address}/loans`);
  await page.getByRole('link', { name: /Row camera/ }).click();
  await page
    .getByText(/^Tuesday/)
    .first()
    .waitFor();
});
await picture('kit', desk, openStage('Kit', 'Air during the round'));
const openRound = async (page) => {
  await openStage('Round', 'End of the round')(page);
  await page.getByRole('button', { name: 'Back bedroom' }).click();
  // The stop before shows its own picture for a moment.
  await page.getByRole('heading', { level: 1, name: /sill/ }).waitFor();
  await page.waitForTimeout(1500);
  await page.getByText('Held', { exact: true }).click();
  await page.waitForTimeout(900);
};
await picture('round', desk, openRound);
await picture('round-tablet', tablet, openRound);
await picture('house', desk, async (page) => {
  await openStage('Round', 'End of the round')(page);
  await page.getByRole('link', { name: /House/ }).click();
  await page.getByText('Order of the round').waitFor();
});
await picture('card', desk, async (page) => {
  await openStage('Round', 'End of the round')(page);
  await page.getByRole('link', { name: /Card to stops/ }).click();
  await page.getByTestId('card-frame').first().waitFor();
});
await picture('shelf', desk, async (page) => {
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByTestId('offset-offer').waitFor();
});
await picture('bench', desk, openSill);
await picture('candidates', desk, async (page) => {
  await openStage('Findings', 'Add a finding')(page);
  await page.getByRole('link', { name: 'What deserves a look in all frames' }).click();
  await page.getByText(/^To judge/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
});
await picture('findings', desk, async (page) => {
  await openDemo(page);
  await page.getByRole('link', { name: /Findings/ }).click();
  await page.getByTestId('difference').waitFor();
});
await picture('report', desk, async (page) => {
  await openDemo(page);
  await page.getByRole('link', { name: /Report/ }).click();
  await page.getByText('In short').waitFor();
});
const proofOf = (act) => async (page) => {
  await page.getByRole('link', { name: /After the works/ }).click();
  await page.getByRole('link', { name: 'Proof' }).click();
  await act(page);
};
await picture(
  'proof',
  desk,
  proofOf(async (page) => {
    await page.getByRole('button', { name: /^Compare all/ }).click();
    await page.getByText(/^This place loses less heat/).waitFor({ timeout: 30_000 });
    await page.getByRole('button', { name: 'Proven, closed', exact: true }).click();
  }),
);
await picture('water', desk, async (page) => {
  await page.getByRole('link', { name: /Wet floor/ }).click();
  await page.getByRole('link', { name: 'Water' }).click();
  await page.getByText(/^It comes out/).waitFor({ timeout: 60_000 });
});
// The house whose heating answers: ten radiators found and read, on their way to the target.
const openHeat = (part) => async (page) => {
  await page.goto(address);
  const link = page.getByRole('link', { name: /Season start/ }).first();
  await page.goto(`${address}${(await link.getAttribute('href')).replace(/(visits\/[^/]+).*/, '$1')}/heat/${part}`);
  await page.getByRole('navigation', { name: 'Heating work' }).waitFor();
};
// Icons have names as well.
const button = (page, name) => page.getByRole('button', { name: new RegExp(`${name}$`) });
async function heatUp(page) {
  await openHeat('start')(page);
  await button(page, 'Heat on, now').click();
  for (let k = 0; k < 8; k += 1) await button(page, 'Let 5 minutes pass').click();
}
/** Reads every emitter that the next step asks for, and makes every turn, for so many steps. */
async function walk(page, steps) {
  for (let k = 0; k < steps;) {
    const read = page.getByRole('button', { name: /Capture and read$/ });
    const turned = button(page, 'Turned it').or(button(page, 'Taped both'));
    const waits = page.getByRole('timer', { name: 'Until readings count' });
    await read.or(turned).or(waits).first().waitFor();
    if (await waits.isVisible()) {
      await button(page, 'Let 5 minutes pass').click();
      continue;
    }
    const before = await page.locator('aside h2').first().innerText();
    await ((await turned.isVisible()) ? turned : read).click();
    await page.waitForFunction((words) => document.querySelector('aside h2')?.textContent !== words, before);
    k += 1;
  }
}
await picture('heat', desk, async (page) => {
  await heatUp(page);
  await openHeat('balance')(page);
  await button(page, 'Read all 10 as found').click();
  await walk(page, 31);
  await page.waitForTimeout(1500);
});
await picture('heat-tablet', tablet, async (page) => {
  await openHeat('radiators')(page);
  await page.getByRole('button', { name: /8 Back bedroom/ }).click();
  await page.getByRole('heading', { name: 'Cold along the top: air' }).waitFor();
});
await picture('flush', desk, async (page) => {
  await openHeat('flush')(page);
  await page.getByText('10 of 10 have a frame of this stage').waitFor();
});
await browser.close();

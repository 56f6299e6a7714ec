import { expect, saved, test, documentOf, makeVisit } from './support/pages';

test('the bag is packed, changed, and kept as the list for this kind of visit', async ({ page }) => {
  const id = await makeVisit(page, 'Kit test');
  await page.goto(`/visits/${id}/kit`);
  await page.getByRole('checkbox', { name: 'Tripod' }).check();
  await expect(page.getByRole('heading', { name: /1 of 6/ })).toBeVisible();
  await page.getByRole('button', { name: 'Leave out Tape measure' }).click();
  await page.getByRole('textbox', { name: 'Another thing' }).fill('Spare socks');
  await page.getByRole('textbox', { name: 'Another thing' }).press('Enter');
  await expect(page.getByRole('checkbox', { name: 'Spare socks' })).toBeVisible();
  await page.getByRole('button', { name: /Keep as the list for every/ }).click();
  await expect(page.getByRole('button', { name: /Keep as the list for every/ })).toBeHidden();
  await saved(page);
  const other = await makeVisit(page, 'Kit test, next time');
  await page.goto(`/visits/${other}/kit`);
  await expect(page.getByRole('checkbox', { name: 'Spare socks' })).not.toBeChecked();
  // Back to what it was, for whoever comes next.
  await page.goto(`/visits/${id}/kit`);
  await page.getByRole('button', { name: 'Leave out Spare socks' }).click();
  await page.getByRole('textbox', { name: 'Another thing' }).fill('Tape measure');
  await page.getByRole('textbox', { name: 'Another thing' }).press('Enter');
  await page.getByRole('button', { name: /Keep as the list for every/ }).click();
  await saved(page);
});

test('air is noted by hand and by a logger, and a frame takes the air of its own time', async ({ page }) => {
  const id = await makeVisit(page, 'Air test');
  await page.goto(`/visits/${id}/kit`);
  await page.getByRole('spinbutton', { name: 'Air inside' }).fill('19.5');
  await page.getByRole('spinbutton', { name: 'Humidity inside' }).fill('44');
  await page.getByRole('combobox', { name: 'Read with' }).click();
  await page.getByTitle('Hygrometer in the kit').click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Kept with +2.0 % of humidity added')).toBeVisible();
  await page.getByRole('button', { name: /Note for now/ }).click();
  await expect(page.getByText('By hand: 1 reading')).toBeVisible();
  const file = page.getByLabel('Logger file', { exact: true });
  const csv = (text: string) => ({ name: 'logger.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await file.setInputFiles(csv('time,inside\nyesterday,20\n'));
  await expect(page.getByText(/Line 2: “yesterday” is not a time/)).toBeVisible();
  await file.setInputFiles(csv('time,inside\n2020-01-01 20:00,20\n'));
  await expect(page.getByText(/None of the readings lies within the hours of the visit/)).toBeVisible();
  const now = Date.now();
  const lines = [-20, 0, 20].map((minutes) => `${new Date(now + minutes * 60_000).toISOString()},${21 + minutes / 20},46`);
  await file.setInputFiles(csv(`time,inside,humidity\n${lines.join('\n')}\n`));
  await expect(page.getByText('logger.csv: 3 readings')).toBeVisible();
  await expect(page.getByRole('table', { name: 'Air during the round' }).getByRole('row')).toHaveCount(5);
  await saved(page);
  const { rows } = await documentOf(page, id);
  expect(Object.values(rows.log).map(({ value }) => value.entries.length)).toEqual(expect.arrayContaining([1, 3]));
  const [byHand] = Object.values(rows.log).filter(({ value }) => value.name === 'By hand');
  expect(byHand!.value.entries[0]).toMatchObject({ insideC: 19.5, humidityPct: 46 });
  await page.getByRole('button', { name: 'Remove logger.csv' }).click();
  await expect(page.getByText('logger.csv: 3 readings')).toBeHidden();
});

test('a room with an air of its own is read there, and its frames stand in that air', async ({ page }) => {
  const id = await makeVisit(page, 'Loft air', ['Loft', 'Hall']);
  await page.goto(`/visits/${id}/kit`);
  await page.getByRole('combobox', { name: 'Air of' }).click();
  await page.getByTitle('Loft (own air)').click();
  await page.getByRole('spinbutton', { name: 'Air inside' }).fill('4');
  await page.getByRole('button', { name: /Note for now/ }).click();
  await expect(page.getByText('Loft: by hand: 1 reading')).toBeVisible();
  await saved(page);
  const { rows } = await documentOf(page, id);
  const loft = Object.values(rows.room).find(({ value }) => value.name === 'Loft')!;
  expect(Object.values(rows.log).map(({ value }) => [value.roomId, value.entries[0]!.insideC])).toEqual([[loft.id, 4]]);

  // Somebody heats it: then it is a room like any other.
  await page.goto(`/visits/${id}/round/house`);
  await page.getByRole('button', { name: /Loft/ }).first().click();
  await page.getByRole('combobox', { name: 'Air of the room' }).click();
  await page.getByTitle('heated or cooled with the house').click();
  await saved(page);
  expect((await documentOf(page, id)).rows.room[loft.id]!.value.heated).toBe(true);
});

test('a camera is checked in boiling water at its altitude, and its offset goes into new frames', async ({ page }) => {
  await page.goto('/shelf');
  await page.getByRole('button', { name: /Add a camera/ }).click();
  const name = page.getByRole('textbox', { name: 'Name of the camera' });
  await name.fill('Test camera');
  await name.press('Enter');
  await page.getByText('Boiling water', { exact: true }).click();
  await page.getByRole('spinbutton', { name: 'Altitude' }).fill('9000');
  await expect(page.getByText('The altitude must lie between −400 and 5000 m.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Keep check' })).toBeDisabled();
  await page.getByRole('spinbutton', { name: 'Altitude' }).fill('2000');
  await expect(page.getByText(/It should read 93\.3 °C: water at 93\.3 °C emits 0\.96/)).toBeVisible();
  // A camera that is set to 1 reads the room in the water.
  await page.getByRole('spinbutton', { name: 'Its emissivity is set to' }).fill('1');
  await expect(page.getByText(/It should read 9[01]\.\d °C/)).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Its emissivity is set to' }).fill('0.96');
  await page.getByRole('spinbutton', { name: 'Air pressure' }).fill('20');
  await expect(page.getByText(/The pressure must lie between/)).toBeVisible();
  await page.getByRole('spinbutton', { name: 'Air pressure' }).fill('');
  await page.getByRole('spinbutton', { name: 'The camera reads' }).fill('92.5');
  await page.getByRole('button', { name: 'Keep check' }).click();
  await expect(page.getByTestId('offset-offer')).toContainText('+0.8 K');
  await page.getByRole('button', { name: 'Add +0.8 K to new frames' }).click();
  await expect(page.getByRole('spinbutton', { name: 'Added to new frames' })).toHaveValue(/0\.7[5-9]|0\.8/);
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

  // On a visit with this camera the round takes files, and adds the offset to them.
  const id = await makeVisit(page, 'Offset test');
  await page.goto(`/visits/${id}/kit`);
  await page.getByRole('combobox', { name: 'Camera from the shelf' }).click();
  await page.getByTitle('Test camera').click();
  await expect(page.getByText('Nobody said yet: noise, calibration')).toBeVisible();
  await expect(page.getByText('Added to new frames')).toBeVisible();
  await saved(page);
  await page.goto(`/visits/${id}/round/house`);
  await page.getByRole('button', { name: 'Make surfaces from the plan' }).click();
  await saved(page);
  await page.goto(`/visits/${id}/round`);
  const grid = Array.from({ length: 12 }, (_, y) =>
    Array.from({ length: 16 }, (__, x) => (18 + x / 10 + y / 100).toFixed(2)).join(','),
  );
  await page
    .getByLabel('Files for this stop')
    .setInputFiles({ name: 'frame.csv', mimeType: 'text/csv', buffer: Buffer.from(grid.join('\n')) });
  await expect(page.getByTestId('stop-record')).toContainText('Seen');
  await saved(page);
  const { frameFacts } = await documentOf(page, id);
  const [facts] = Object.values(frameFacts);
  expect(facts!.offsetK).toBeCloseTo(0.78, 1);
  expect(facts!.minC).toBeCloseTo(18 + facts!.offsetK, 2);
});

test('a camera goes out with its parts and comes back without one', async ({ page }) => {
  await page.goto('/loans');
  await page.getByRole('link', { name: /Row camera, second week/ }).click();
  const desk = page.getByRole('region', { name: 'The camera itself' });
  await desk.getByRole('textbox', { name: 'Borrower' }).fill('Ola');
  await expect(desk).toContainText('Ola was not shown how to use this camera yet.');
  await expect(desk).toContainText('The card still holds pictures of the last home.');
  await desk.getByRole('textbox', { name: 'Borrower' }).fill('Ines at No. 2');
  await desk.getByRole('checkbox', { name: 'Card is empty' }).check();
  await desk.getByRole('spinbutton', { name: 'Charge' }).fill('100');
  await desk.getByRole('button', { name: /Hand out$/ }).click();
  await expect(desk.getByRole('button', { name: 'It is out already' })).toBeDisabled();
  await desk.getByRole('button', { name: 'Check in' }).click();
  const back = desk.getByRole('group', { name: 'Check in from Ines at No. 2' });
  await back.getByRole('checkbox', { name: 'Charger' }).uncheck();
  await back.getByRole('checkbox', { name: /copied and the card is empty/ }).check();
  await expect(back).toContainText('Charger did not come back.');
  await back.getByRole('button', { name: 'Keep check-in' }).click();
  await expect(desk.getByRole('article')).toContainText('Charger did not come back.');
  await page.reload();
  await expect(desk.getByRole('article')).toContainText('Ines at No. 2');
});

import type { Page } from '@playwright/test';
import { expect, newVisit, saved, test } from './support/pages';

test.beforeEach(async ({ page }) => {
  await newVisit(page, 'Question test');
  await page.getByRole('link', { name: /Question/ }).click();
  await page.waitForURL(/\/question/);
});

const complaint = (page: Page, line: number) => page.getByRole('textbox', { name: `Complaint, line ${line}` });

async function addComplaint(page: Page, room: string, what: string): Promise<void> {
  await page.getByRole('combobox', { name: 'Room' }).fill(room);
  await page.getByRole('textbox', { name: 'Complaint', exact: true }).fill(what);
  await page.getByRole('textbox', { name: 'Complaint', exact: true }).press('Enter');
}

test('complaints are added with Enter, changed, removed, and their rooms become first stops', async ({ page }) => {
  const follows = page.getByRole('complementary', { name: 'What follows from it' });
  await expect(page.getByRole('button', { name: 'Add a complaint' })).toBeDisabled();
  await addComplaint(page, 'Stairs', 'Draught from the loft hatch');
  await addComplaint(page, 'Front room', 'Never warm');
  await expect(follows).toContainText('Stairs, because of the complaint');
  await complaint(page, 2).fill('Never warm in an east wind');
  await complaint(page, 2).press('Enter');
  await page.getByRole('button', { name: 'Remove line 1: Stairs' }).click();
  await expect(follows).not.toContainText('Stairs');
  await saved(page);
  await page.reload();
  await expect(complaint(page, 1)).toHaveValue('Never warm in an east wind');
});

test('an empty complaint is refused where it stands and the old one stays', async ({ page }) => {
  await addComplaint(page, 'Stairs', 'Draught');
  await complaint(page, 1).fill('  ');
  await complaint(page, 1).blur();
  await expect(page.getByRole('alert').filter({ hasText: 'must not be empty' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(complaint(page, 1)).toHaveValue('Draught');
});

test('the kind of visit sets bag, hours and strictness; the other answers stay', async ({ page }) => {
  await addComplaint(page, 'Stairs', 'Draught');
  const follows = page.getByRole('complementary', { name: 'What follows from it' });
  await page.getByText('Acceptance after works', { exact: true }).click();
  await expect(follows).toContainText('Hours are judged strictly.');
  await expect(complaint(page, 1)).toHaveValue('Draught');
  await page.getByText('Heating does not warm', { exact: true }).click();
  await expect(follows).toContainText('Bleed key');
  await expect(follows).not.toContainText('Hours are judged strictly.');
});

test('typed text is never markup, here or in the report', async ({ page }) => {
  const nasty = '<img src=x onerror=document.title="broken">';
  await addComplaint(page, 'Stairs', nasty);
  await page.getByRole('textbox', { name: 'The question' }).fill(nasty);
  await page.getByRole('textbox', { name: 'The question' }).blur();
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByText(`Stairs: ${nasty}`)).toBeVisible();
  await expect(page.getByRole('textbox', { name: `Stairs: ${nasty}` })).toHaveValue('Not looked at.');
  expect(await page.title()).toBe('Glow Den');
});

test('the report says what was wanted and answers each complaint', async ({ page }) => {
  await page.getByText('Drafts', { exact: true }).click();
  await addComplaint(page, 'Stairs', 'Draught');
  await page.getByRole('link', { name: /Report/ }).click();
  await expect(page.getByText('The survey was wanted to find where cold air comes in.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Stairs: Draught' })).toHaveValue('Not looked at.');
  await expect(page.getByRole('textbox', { name: 'The answer' })).toHaveValue(
    'No finding was recorded. Not looked at, though asked about: Stairs.',
  );
});

test('two tabs on one question: the later change is held back, both values are shown', async ({ page, context }) => {
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(other.getByRole('textbox', { name: 'Access' })).toBeVisible();
  const kept = page.waitForResponse((response) => response.url().endsWith('/api/commands'));
  await page.getByRole('textbox', { name: 'Access' }).fill('Key with No. 1');
  await page.getByRole('textbox', { name: 'Access' }).blur();
  await kept;
  await other.getByRole('textbox', { name: 'Access' }).fill('Key under the pot');
  await other.getByRole('textbox', { name: 'Access' }).blur();
  const dialog = other.getByRole('dialog');
  await expect(dialog).toContainText('Key under the pot');
  await expect(dialog).toContainText('Key with No. 1');
  await dialog.getByRole('button', { name: 'Keep what is stored' }).click();
  await expect(other.getByRole('textbox', { name: 'Access' })).toHaveValue('Key with No. 1');
});

test('undo and redo go over answers, and a field keeps its own Ctrl Z', async ({ page }) => {
  await addComplaint(page, 'Stairs', 'Draught');
  await page.getByRole('button', { name: 'Undo: Complaints' }).click();
  await expect(complaint(page, 1)).toBeHidden();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+Shift+z');
  await expect(complaint(page, 1)).toHaveValue('Draught');
  await page.getByText('Drafts', { exact: true }).click();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('radio', { name: 'Heat loss' })).toBeChecked();
  await complaint(page, 1).press('Control+z');
  await expect(complaint(page, 1)).toHaveValue('Draught');
});

/** The whole way of a first day: a new design, four kinds, prices that move, a trace, tomorrow, and out as a file. */
import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { cell, COLUMN, expect, freshDesign, openDesign, saved, test, total } from './screen';

async function addComponent(page: Page, kind: string, name: string): Promise<void> {
  await page.getByRole('gridcell', { name: 'Next component' }).last().click();
  await page.getByRole('option', { name: new RegExp(`^${kind}`) }).click();
  const input = page.getByRole('textbox', { name: 'Component name' });
  await input.fill(name);
  await input.press('Enter');
}

async function choosePlace(page: Page, row: string, provider: string, region: string): Promise<void> {
  await cell(page, row, COLUMN.where).dblclick();
  await page.getByPlaceholder('Provider and region').fill(`${provider} ${region}`);
  await page.keyboard.press('Enter');
  await expect(cell(page, row, COLUMN.where)).toHaveText(`${provider}, ${region}`);
}

async function chooseOffer(page: Page, row: string, words: string): Promise<void> {
  await cell(page, row, COLUMN.what).dblclick();
  await page.getByRole('combobox', { name: /Find by words/ }).fill(words);
  await page.getByRole('listbox', { name: 'Offers' }).getByRole('option').first().click();
  await expect(page.getByRole('dialog')).toBeHidden();
}

async function type(page: Page, row: string, column: number, text: string): Promise<void> {
  await cell(page, row, column).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

test('from an empty design to a priced, explained, saved one, and out and in as a file', async ({ page }) => {
  const id = await freshDesign(page, 'Ferry tickets');
  await openDesign(page, `/designs/${id}`);
  expect(await total(page)).toBe(0);

  await addComponent(page, 'Server', 'Ticket servers');
  await expect(cell(page, 'Ticket servers', COLUMN.amount)).toContainText('not priced');
  await expect(page.getByTestId('total')).toContainText('incomplete');
  await choosePlace(page, 'Ticket servers', 'Norvane', 'Skagerrak');
  await chooseOffer(page, 'Ticket servers', 'bal-4-16');
  await expect(cell(page, 'Ticket servers', COLUMN.amount)).not.toContainText('not priced');
  const one = await total(page);
  expect(one).toBeGreaterThan(50);

  await type(page, 'Ticket servers', COLUMN.count, '3');
  await expect.poll(() => total(page)).toBeGreaterThan(one * 2.9);
  await cell(page, 'Ticket servers', COLUMN.paid).dblclick();
  await page.getByRole('option', { name: /36 months, part upfront \d/ }).click();
  await expect(page.getByText('Upfront', { exact: true }).locator('..')).not.toContainText(/^Upfront0\.00/);

  await addComponent(page, 'Block volume', 'Ticket disks');
  await chooseOffer(page, 'Ticket disks', 'even');
  await type(page, 'Ticket disks', COLUMN.use, '250 GiB');
  await addComponent(page, 'Object storage', 'Ticket archive');
  await chooseOffer(page, 'Ticket archive', 'near');
  await type(page, 'Ticket archive', COLUMN.use, '2 TB');
  await addComponent(page, 'Data transfer out', 'Tickets out');
  // A guess until somebody says better.
  await expect(cell(page, 'Tickets out', COLUMN.use)).toContainText('≈');
  await type(page, 'Tickets out', COLUMN.use, '12000');
  await expect(page.getByTestId('total')).not.toContainText('incomplete');

  await cell(page, 'Tickets out', COLUMN.amount).click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toContainText(/First 10\s000 GB/);
  await expect(margin).toContainText('Norvane book r2 · 2026-11-01 · NV-OUT · skagerrak-1');
  // 10 000 at 0.085652 and 1 900 at 0.081438, after 100 GB free of charge.
  await expect(margin).toContainText(/1\s011\.25/);

  await saved(page);
  const before = await total(page);
  await page.reload();
  await expect.poll(() => total(page)).toBe(before);

  const [csv] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: 'Export' })
      .click()
      .then(() => page.getByRole('menuitem', { name: /CSV/ }).click()),
  ]);
  expect(csv.suggestedFilename()).toBe('ferry-tickets.csv');
  const lines = fs
    .readFileSync(await csv.path(), 'utf8')
    .trim()
    .split('\r\n');
  expect(lines).toHaveLength(6);
  expect(lines[5]).toContain(before.toFixed(2));

  const [json] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('button', { name: 'Export' })
      .click()
      .then(() => page.getByRole('menuitem', { name: /JSON/ }).click()),
  ]);
  await page.goto('/designs');
  await page.getByLabel('Design file').setInputFiles(await json.path());
  await expect(page).toHaveURL(/\/designs\/[0-9a-f-]{36}$/);
  expect(page.url()).not.toContain(id);
  await expect.poll(() => total(page)).toBe(before);
});

test('the amount and the tally line move with each keystroke, before anything is saved', async ({ page }) => {
  const id = await freshDesign(page, 'Keystrokes');
  await openDesign(page, `/designs/${id}`);
  await addComponent(page, 'Server', 'Server');
  await choosePlace(page, 'Server', 'Norvane', 'Severn');
  await chooseOffer(page, 'Server', 'bal-2-8');
  const one = await total(page);
  await cell(page, 'Server', COLUMN.count).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('1');
  await page.keyboard.type('2');
  await expect.poll(() => total(page)).toBeCloseTo(one * 12, 0);
  await expect(page.locator('footer')).toContainText('+');
  await page.keyboard.press('Escape');
  await expect.poll(() => total(page)).toBe(one);
});

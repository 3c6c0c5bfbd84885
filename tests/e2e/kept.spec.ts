/** Questions that are kept with a design: kept, opened again, in the report and its files, removed and undone. */
import fs from 'node:fs';
import type { Page } from '@playwright/test';
import { copyOfMap, expect, openDesign, saved, take, test } from './screen';

const answer = (page: Page) => page.getByTestId('answer');
const keep = (page: Page) => page.getByRole('button', { name: 'Keep for the report' });

test('what is kept stands in the report with the same sentence, and in its Markdown', async ({ page }) => {
  const design = await copyOfMap(page);
  await openDesign(page, design);
  await page.goto(`${design}/load`);
  await expect(answer(page)).toContainText('costs least');
  const curve = await answer(page).innerText();
  await keep(page).click();
  await expect(page.getByRole('button', { name: 'Kept ✓' })).toBeVisible();
  await page.goto(`${design}/range?draws=1000`);
  await expect(page.getByText('1 000 draws from seed')).toBeVisible();
  const range = await answer(page).innerText();
  await keep(page).click();
  await page.goto(`${design}/paying?view=hours`);
  await expect(answer(page)).toContainText('for every hour');
  const hours = await answer(page).innerText();
  await keep(page).click();
  await saved(page);
  // The list opens each where it was kept, and what it is called can be changed.
  await page.getByRole('button', { name: '5 kept …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Kept with this design' });
  await dialog.getByRole('textbox', { name: 'Name of number 4' }).fill('How sure we are');
  await page.keyboard.press('Enter');
  await dialog.getByRole('link', { name: 'Open “How sure we are”' }).click();
  await expect(page).toHaveURL(/range\?seed=harbour&draws=1000/);
  await expect(page.getByRole('button', { name: 'Kept ✓' })).toBeVisible();
  await saved(page);
  await page.goto(`${design}/report`);
  const section = (name: string) => page.getByRole('region', { name, exact: true });
  await expect(section('How sure we are')).toContainText(range);
  await expect(section('The month over viewers in the month')).toContainText(curve);
  await expect(page.getByRole('article')).toContainText(hours);
  const file = await take(page, /Markdown/);
  const markdown = fs.readFileSync(file.path, 'utf8').replaceAll('\u00a0', ' ').replaceAll('\\', '');
  for (const sentence of [range, curve, hours]) {
    expect(markdown).toContain(sentence.replaceAll('\u00a0', ' '));
  }
});

test('what is kept can be removed and brought back', async ({ page }) => {
  const design = await copyOfMap(page);
  await page.goto(`${design}/load?view=ready`);
  await keep(page).click();
  await saved(page);
  await page.getByRole('button', { name: '3 kept …' }).click();
  await page
    .getByRole('button', { name: /^Remove “/ })
    .last()
    .click();
  await page.keyboard.press('Escape');
  await expect(keep(page)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('button', { name: 'Kept ✓' })).toBeVisible();
});

test('commitments of both kinds, and in steps, are taken on by one act', async ({ page }) => {
  const design = await copyOfMap(page);
  await page.goto(`${design}/paying?view=hours`);
  const both = page.getByRole('region', { name: 'Together with commitments by line', exact: true });
  await both.getByRole('button', { name: 'Take on: both together' }).click();
  await expect(page.getByText('It is committed so now.')).toBeVisible();
  await saved(page);
  const steps = page.getByRole('region', { name: 'At once or in steps', exact: true });
  await expect(steps.getByRole('row')).toHaveCount(4);
  await page.getByRole('link', { name: 'Ledger', exact: true }).click();
  await expect(page.getByText('Spend commitment').first()).toBeVisible();
});

test('an entry that follows a driver says so in the ledger, and typing over it says what it let go', async ({
  page,
}) => {
  const design = await copyOfMap(page);
  await openDesign(page, design);
  const row = page.getByRole('row').filter({ hasText: 'Tile servers' });
  await expect(row.getByLabel(/^follows /)).toBeVisible();
  await row.getByRole('gridcell').nth(5).dblclick();
  await page.keyboard.press('ControlOrMeta+a');
  await page.keyboard.type('5');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Count of “Tile servers”: follows its driver no more.')).toBeVisible();
  await expect(row.getByLabel(/^follows /)).toHaveCount(0);
});

/** Two people on one design: edits show in the other window, the same field is asked about, old revisions come back. */
import { cell, COLUMN, copyOfBooking, expect, openDesign, saved, test, total } from './screen';
import type { Page } from '@playwright/test';

async function setCount(page: Page, row: string, count: string): Promise<void> {
  await cell(page, row, COLUMN.count).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type(count);
  await page.keyboard.press('Enter');
}

test('both see each other’s edits without reloading', async ({ page, browser, baseURL }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  const context = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  await openDesign(other, design);
  await expect(page.getByText('2 have it open')).toBeVisible();

  await setCount(page, 'API servers', '5');
  await saved(page);
  await expect(cell(other, 'API servers', COLUMN.count)).toHaveText('5');
  await expect.poll(() => total(other)).toBeGreaterThan(before);
  expect(await total(other)).toBe(await total(page));

  await setCount(other, 'Front servers', '7');
  await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText('7');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(cell(other, 'API servers', COLUMN.count)).toHaveText('3');
  await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText('7');

  await context.close();
  await expect(page.getByText('2 have it open')).toBeHidden();
});

test('edits made without a connection come together with what others saved', async ({
  page,
  browser,
  baseURL,
}) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const context = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } });
  const other = await context.newPage();
  await openDesign(other, design);
  await context.setOffline(true);
  await setCount(other, 'API servers', '9');
  await setCount(other, 'Server disks', '2');
  await expect(other.getByTestId('saved')).toContainText('No connection');
  await setCount(page, 'API servers', '4');
  await saved(page);
  await context.setOffline(false);
  const dialog = other.getByRole('dialog', { name: 'The same thing was changed elsewhere' });
  await expect(dialog).toContainText('The count of “API servers”', { timeout: 30_000 });
  await dialog.getByRole('button', { name: 'Use mine' }).click();
  await expect(cell(page, 'API servers', COLUMN.count)).toHaveText('9');
  await expect(cell(page, 'Server disks', COLUMN.count)).toHaveText('2');
  await context.close();
});

test('two windows keep their edits while the server is away, and one that is closed meanwhile loses none', async ({
  page,
  context,
}) => {
  const design = await copyOfBooking(page);
  const second = await context.newPage();
  await openDesign(page, design);
  await openDesign(second, design);
  await context.setOffline(true);
  await setCount(page, 'API servers', '9');
  await setCount(second, 'Front servers', '8');
  for (const each of [page, second]) await expect(each.getByTestId('saved')).toContainText('are kept');
  await page.close();
  await context.setOffline(false);
  await saved(second);
  await second.bringToFront();
  await expect(cell(second, 'API servers', COLUMN.count)).toHaveText('9', { timeout: 30_000 });
  await saved(second);
  await second.reload();
  await expect(cell(second, 'API servers', COLUMN.count)).toHaveText('9');
  await expect(cell(second, 'Front servers', COLUMN.count)).toHaveText('8');
});

test('a window whose browser keeps nothing says so', async ({ page, context }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  await page.evaluate(() => {
    Storage.prototype.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await context.setOffline(true);
  await setCount(page, 'API servers', '9');
  await expect(page.getByTestId('saved')).toContainText('leave this page open');
  await context.setOffline(false);
  await expect(page.getByTestId('saved')).toContainText(/^Saved/, { timeout: 30_000 });
});

test('an earlier revision is looked at and gone back to, which can be undone', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await setCount(page, 'API servers', '6');
  await setCount(page, 'Front servers', '1');
  await saved(page);
  await page.getByRole('button', { name: 'Revisions' }).click();
  const dialog = page.getByRole('dialog', { name: 'Revisions' });
  await expect(dialog.getByRole('list', { name: 'Revisions' })).toContainText(
    'The count of “API servers”: 6',
  );
  await dialog.getByRole('button', { name: /Revision 0/ }).click();
  await expect(dialog).toContainText('The count of “Front servers”: 4, lean 3, heavy 6');
  await dialog.getByRole('button', { name: 'Go back to revision 0' }).click();
  await expect.poll(() => total(page)).toBe(before);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(cell(page, 'API servers', COLUMN.count)).toHaveText('6');
});

/** Many lines at once: pasted, selected, filled, filtered, copied as an environment, dragged; and the checklist. */
import { cell, COLUMN, copyOfBooking, expect, freshDesign, openDesign, saved, test, total } from './screen';
import type { Page } from '@playwright/test';

async function paste(page: Page, text: string): Promise<void> {
  await page.getByRole('grid').focus();
  await page.evaluate((pasted) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', pasted);
    const event = new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true });
    document.activeElement!.dispatchEvent(event);
  }, text);
}

test('sixty rows are pasted from a spreadsheet; faults are shown before anything changes', async ({
  page,
}) => {
  const id = await freshDesign(page, 'Pasted');
  await openDesign(page, `/designs/${id}`);
  const rows = Array.from({ length: 60 }, (_, at) =>
    at % 20 === 19
      ? `disk ${at}\tVolume, even\t2\tSevern\t${at} GiB`
      : `host ${at}\t${at === 7 ? 'no-such-size' : 'bal-4-16'}\t${(at % 4) + 1}\tSevern\t`,
  );
  await paste(page, ['Server name\tType\tQty\tLocation\tUse', ...rows].join('\n'));
  const dialog = page.getByRole('dialog', { name: 'Paste rows' });
  await expect(dialog.getByRole('status')).toContainText('59 of 60 rows can be added; 1 with faults');
  await expect(dialog.getByRole('row').nth(1)).toContainText('has no offer “no-such-size”');
  expect(await total(page)).toBe(0);
  await dialog.getByRole('button', { name: 'Add 59, leave out 1' }).click();
  await expect.poll(() => total(page)).toBeGreaterThan(5000);
  await expect(page.getByTestId('total')).not.toContainText('incomplete');
  await saved(page);
  const pasted = await total(page);

  // Everything that was pasted goes in one step.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(() => total(page)).toBe(0);
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect.poll(() => total(page)).toBe(pasted);

  // All of them are moved by one choice.
  await page.getByRole('grid').focus();
  await page.keyboard.press('Control+A');
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toContainText('59 lines selected');
  await margin.getByLabel('Where').selectOption({ label: 'Norvane, Tagus' });
  await expect(cell(page, 'host 3', COLUMN.where)).toHaveText('Norvane, Tagus');
  await expect.poll(() => total(page)).not.toBe(pasted);
  await page.getByRole('searchbox', { name: 'Filter lines' }).fill('disk tagus');
  await expect(page.getByText('3 lines; subtotals are of all')).toBeVisible();
});

test('a column is filled down, counts are multiplied, lines dragged, a section copied', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await cell(page, 'Front servers', COLUMN.count).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+d');
  await expect(cell(page, 'API servers', COLUMN.count)).toHaveText('4');
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await margin.getByLabel('Counts times').fill('2.5');
  await margin.getByRole('button', { name: 'Multiply' }).click();
  await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText('10');

  const names = page.locator('[data-level=line]');
  await expect(names.first()).toContainText('Front servers');
  const grip = names.first().locator('svg').first();
  await names.first().hover();
  const from = (await grip.boundingBox())!;
  const onto = (await names.nth(2).boundingBox())!;
  await page.mouse.move(from.x + 5, from.y + 5);
  await page.mouse.down();
  await page.mouse.move(onto.x + 60, onto.y - 20, { steps: 6 });
  await page.mouse.move(onto.x + 60, onto.y + 10, { steps: 6 });
  await page.mouse.up();
  await expect(names.first()).toContainText('API servers');

  await cell(page, 'Delivery', COLUMN.name).click();
  await margin.getByText('Copy as another environment').click();
  await margin.getByLabel('Name').fill('Delivery, test');
  await margin.getByLabel('Size of it, %').fill('10');
  await margin.getByRole('button', { name: 'Copy the section' }).click();
  await expect(cell(page, 'Delivery, test', COLUMN.name)).toBeVisible();
  await page.getByLabel('Jump to a section').selectOption({ label: 'Delivery, test (2)' });
  await expect(page.getByRole('complementary', { name: 'Margin' })).toContainText('Delivery, test');
});

test('the checklist adds what is missing, and prints what is not wanted', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await page.getByRole('link', { name: /Checklist/ }).click();
  await expect(page).toHaveURL(/\/checklist$/);
  const open = page.getByRole('region', { name: /^Open/ });
  const backup = open.getByRole('listitem').filter({ hasText: 'No backup' });
  await expect(backup).toContainText('a month, more');
  await backup.getByRole('button', { name: /Add: backup/ }).click();
  await expect.poll(() => total(page)).toBeGreaterThan(before + 100);
  await expect(open.getByRole('listitem').filter({ hasText: 'No backup' })).toHaveCount(0);
  const support = open.getByRole('listitem').filter({ hasText: 'No support plan' });
  await support.getByRole('button', { name: /Not wanted/ }).click();
  await support.getByRole('textbox').fill('Paid by the group.');
  await page.keyboard.press('Enter');
  const answered = page.getByRole('region', { name: /^Not wanted/ });
  await expect(answered).toContainText('Paid by the group.');
  await saved(page);
  await page.goto(`${design}/report`);
  await expect(page.getByRole('region', { name: 'Not in the total' })).toContainText('Paid by the group.');
});

test('questions leave fewer forms, and the chosen one is written with its price', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await page.getByRole('gridcell', { name: 'Next component' }).first().click();
  await page.getByRole('option', { name: /Answer questions first/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Which form fits?' });
  const forms = dialog.getByRole('list', { name: 'Forms' }).getByRole('listitem');
  await expect(forms.filter({ hasText: 'Servers' })).toContainText('USD a month');
  await expect(forms.filter({ hasText: 'Container run-time' })).toContainText('USD a month');
  await dialog.getByLabel('Own control of the system').selectOption('not wanted');
  await expect(forms.filter({ hasText: 'Servers' })).toContainText('You would run the system yourself.');
  const text = await forms.filter({ hasText: 'Container run-time' }).innerText();
  await dialog.getByRole('button', { name: /Take Container run-time/ }).click();
  const amount = Number(/([\d\s\u00a0]+\.\d\d)/.exec(text.replace(/\n/g, ' '))![1]!.replace(/[^\d.]/g, ''));
  await expect.poll(() => total(page)).toBeGreaterThan(before);
  const grown = (await total(page)) - before;
  expect(Math.abs(grown - amount), `grown by ${grown}, promised ${amount}`).toBeLessThanOrEqual(0.02);
});

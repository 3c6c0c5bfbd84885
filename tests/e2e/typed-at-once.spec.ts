/** What can be typed in one go: a need where an offer is chosen, three cases in a cell; and a line that has an amount at once. */
import { BOOKING, cell, COLUMN, copyOfBooking, expect, openDesign, saved, test, total } from './screen';

test('a need is typed, and what fits at the least cost is taken', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await cell(page, 'Front servers', COLUMN.what).dblclick();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Find by words').fill('8 vCPU 32');
  await expect(dialog).toContainText('needed: at least 8 vCPU and 32 GiB');
  const first = dialog.getByRole('listbox', { name: 'Offers' }).getByRole('option').first();
  // Whatever was chosen before, the best is in sight.
  await expect(first).toBeInViewport();
  const name = (await first.innerText()).split('\n')[0]!.trim();
  await page.keyboard.press('Enter');
  await expect(cell(page, 'Front servers', COLUMN.what)).toContainText(name);
});

test('three cases are typed in one cell, are there again when it is edited, and fall in order', async ({
  page,
}) => {
  await openDesign(page, await copyOfBooking(page));
  const count = cell(page, 'Ticket printing', COLUMN.count);
  await count.dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('2 / 1 / 4');
  await expect(page.locator('#cell-fault')).toContainText('Lean must not be above likely');
  await page.keyboard.press('Control+A');
  await page.keyboard.type('1 / 2 / 4');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(count).toHaveText('2');
  await count.dblclick();
  await expect(page.getByRole('textbox', { name: 'Count, Ticket printing' })).toHaveValue('1 / 2 / 4');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(count).toHaveText('1');
});

test('a new line has an amount at once, as a guess, until somebody types', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  const before = await total(page);
  await page.getByText('Next component').first().click();
  await page.keyboard.type('block vol');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Scratch');
  await page.keyboard.press('Enter');
  const use = cell(page, 'Scratch', COLUMN.use);
  await expect(use).toContainText('≈');
  await expect.poll(() => total(page)).toBeGreaterThan(before);
  await use.dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('300 GB');
  await page.keyboard.press('Enter');
  await expect(use).toHaveText('300 GB');
  await saved(page);
  // What the line began with goes with the line; what was typed before, each by itself.
  const undo = page.getByRole('button', { name: 'Undo' });
  for (let step = 0; step < 4 && (await undo.isEnabled()); step += 1) await undo.click();
  await expect.poll(() => total(page)).toBe(before);
});

test('on a narrow screen names stand beside their amounts', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(BOOKING);
  await expect(page.getByTestId('total')).toBeVisible();
  const heads = page.getByRole('grid').getByRole('columnheader');
  await expect(heads).toHaveText(['Component', 'Count', 'USD / month']);
  await expect(page.getByRole('gridcell', { name: '583' }).first()).toBeInViewport();
  await page.setViewportSize({ width: 1280, height: 800 });
  await expect(heads).toHaveCount(8);
});

/** Choosing an offer: words, filters, order, what is not sold here, and the cheapest that fits. */
import { cell, COLUMN, copyOfBooking, expect, openDesign, test, total } from './screen';

test('finds, narrows and sorts offers', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await cell(page, 'Seat cache', COLUMN.what).dblclick();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/(\d+) of \1 shown/);
  await dialog.getByLabel('Family', { exact: true }).selectOption('Compute-heavy');
  await dialog.getByLabel('vCPU from').fill('8');
  await expect(dialog).not.toContainText(/(\d+) of \1 shown/);
  const options = dialog.getByRole('listbox', { name: 'Offers' }).getByRole('option');
  for (const text of await options.allInnerTexts()) expect(text).toContain('Compute-heavy');
  await expect(options.first()).toContainText(/cpum-8-16/);
  await dialog.getByRole('button', { name: /Sort by This line, a month/ }).click();
  await expect(options.first()).toContainText(/cpum?2?-(96|64)/);
  await dialog.getByLabel('Find by words').fill('no such thing');
  await expect(dialog).toContainText('No offer matches');
});

test('what the region does not sell is shown with the nearest region that has it, and cannot be chosen', async ({
  page,
}) => {
  await openDesign(page, await copyOfBooking(page));
  await expect(cell(page, 'Load generator', COLUMN.amount)).toContainText('not priced');
  await cell(page, 'Load generator', COLUMN.what).dblclick();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Find by words').fill('cpu-96-192');
  const option = dialog.getByRole('listbox', { name: 'Offers' }).getByRole('option');
  await expect(option).toContainText(/not sold here; nearest \w+/);
  await expect(option).toHaveAttribute('aria-disabled', 'true');
  await option.click({ force: true });
  await expect(dialog).toBeVisible();
  await dialog.getByLabel('only what is sold here').check();
  await expect(dialog).toContainText('No offer matches');
});

test('takes the cheapest that fits, and moves to another provider at the same size', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await cell(page, 'Seat cache', COLUMN.what).dblclick();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('vCPU from').fill('2');
  await dialog.getByLabel('GiB from').fill('6');
  await dialog.getByRole('button', { name: /Always take the cheapest that fits: 2 vCPU, 6 GiB/ }).click();
  await expect(cell(page, 'Seat cache', COLUMN.what)).toContainText('balm-2-8 · from 2/6');
  const before = await total(page);

  await cell(page, 'Staging servers', COLUMN.where).dblclick();
  await page.getByPlaceholder('Provider and region').fill('osmere tagus');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'Staging servers', COLUMN.what)).toContainText('tern-m-2-8 · from 2/8');
  await expect.poll(() => total(page)).not.toBe(before);
});

/** Choosing an offer: words, filters, order, what is not sold here, and the cheapest that fits. */
import { cell, COLUMN, copyOfBooking, expect, freshDesign, openDesign, test, total } from './screen';

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

test('before there is a place, offers of all providers are there, and taking one places the line', async ({
  page,
}) => {
  const id = await freshDesign(page, 'Nowhere yet');
  await openDesign(page, `/designs/${id}`);
  await page.getByRole('gridcell', { name: 'Next component' }).first().click();
  await page
    .getByRole('option', { name: /^Server/ })
    .first()
    .click();
  await page.keyboard.type('Web');
  await page.keyboard.press('Enter');
  const place = cell(page, 'Web', COLUMN.where);
  await expect(place).toHaveText('choose');
  await cell(page, 'Web', COLUMN.what).dblclick();
  const dialog = page.getByRole('dialog', { name: 'Server, anywhere' });
  const options = dialog.getByRole('listbox', { name: 'Offers' }).getByRole('option');
  await expect(options.first()).toContainText('for 730 hours');
  await dialog.getByRole('combobox').fill('osmere 4/16');
  await expect(options.first()).toContainText(/Osmere, \w+/);
  await expect(options.filter({ hasText: 'Norvane' })).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(place).toContainText('Osmere');
  await expect(cell(page, 'Web', COLUMN.amount)).not.toContainText('not priced');
  await page.keyboard.press('Control+z');
  await expect(place).toHaveText('choose');
});

test('a section says where its new lines are placed', async ({ page }) => {
  const id = await freshDesign(page, 'Placed');
  await openDesign(page, `/designs/${id}`);
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await margin.getByLabel('New lines at').selectOption({ label: 'Norvane, Severn' });
  await cell(page, 'First section', COLUMN.name).click();
  await margin.getByLabel('New lines at').selectOption({ label: 'Osmere, Tagus' });
  await page.getByRole('gridcell', { name: 'Next component' }).first().click();
  await page
    .getByRole('option', { name: /^Server/ })
    .first()
    .click();
  await page.keyboard.type('Web');
  await page.keyboard.press('Enter');
  await expect(cell(page, 'Web', COLUMN.where)).toContainText('Osmere, Tagus');
  // It was said, so it is no guess; and it has an amount at once.
  await expect(cell(page, 'Web', COLUMN.amount)).toContainText(/\d\.\d\d/);
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

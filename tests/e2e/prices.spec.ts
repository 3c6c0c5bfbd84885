/** Prices over all books: words, kind, size, place; everything about one offer in the margin. */
import { expect, test } from './screen';

test('finds offers over all books, cheapest first, and tells their counterparts', async ({ page }) => {
  await page.goto('/prices');
  await page.getByLabel('Kind').selectOption('Server');
  await page.getByLabel('vCPU from').fill('4');
  await page.getByLabel('GiB from').fill('16');
  const rows = page.getByRole('row');
  await expect(rows.filter({ hasText: 'Pennybyre' }).first()).toContainText('EUR');
  await page.getByLabel('Words').fill('norvane balanced merrow');
  await expect(rows.nth(1)).toContainText('balm-4-16');
  const margin = page.getByRole('complementary');
  await expect(margin).toContainText('NV-BALM-4-16');
  await expect(margin).toContainText('730 hours');
  await expect(margin).toContainText('36 months, all upfront');
  await expect(margin).toContainText('Counterparts elsewhere');
  await margin.getByLabel('Rates in').selectOption('Tasman, Australia');
  await expect(margin).toContainText('USD per hour');
});

test('says where nothing is found, and what is not understood', async ({ page }) => {
  await page.goto('/prices');
  await page.getByLabel('Words').fill('submarine');
  await expect(page.getByRole('heading', { name: 'Nothing found' })).toBeVisible();
  await page.getByLabel('Words').fill('');
  await page.getByLabel('vCPU from').fill('many');
  await expect(page.getByText('The search is not understood.')).toBeVisible();
});

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
  // Under the head of its kind.
  await expect(rows.nth(1)).toContainText('Server');
  await expect(rows.nth(2)).toContainText('balm-4-16');
  const margin = page.getByRole('complementary');
  await expect(margin).toContainText('NV-BALM-4-16');
  await expect(margin).toContainText('730 hours');
  await expect(margin).toContainText('36 months, all upfront');
  await expect(margin).toContainText('Counterparts elsewhere');
  await margin.getByLabel('Rates in').selectOption('Tasman, Australia');
  await expect(margin).toContainText('USD per hour');
});

test('shows some of each kind until a kind is chosen, and never a price of nothing beside a fee', async ({
  page,
}) => {
  await page.goto('/prices');
  const rows = page.getByRole('row');
  // A head, the cheapest five, the next head.
  await expect(rows.nth(1)).toContainText('Server');
  await expect(rows.nth(7)).toContainText('Dedicated host');
  await page.getByLabel('Words').fill('trunk');
  const head = rows.filter({ hasText: 'Dedicated line' }).first();
  await head.getByRole('gridcell').first().dblclick();
  await expect(page.getByLabel('Kind')).toHaveValue('dedicated-line');
  const trunk = page.getByRole('row').filter({ hasText: 'Trunk' });
  await expect(trunk).toContainText(/[1-9][\d\s\u00a0]*\.\d\d USD/);
  await page.keyboard.press('/');
  await page.getByPlaceholder('A design, a component').fill('balm-4-16');
  const found = page.getByRole('option').filter({ hasText: 'balm-4-16' }).first();
  await expect(found).toContainText(
    /Norvane \w+, the cheapest of \d+ · [\d\s\u00a0]+\.\d\d USD for 730 hours/,
  );
});

test('says where nothing is found, and what is not understood', async ({ page }) => {
  await page.goto('/prices');
  await page.getByLabel('Words').fill('submarine');
  await expect(page.getByRole('heading', { name: 'Nothing found' })).toBeVisible();
  await page.getByLabel('Words').fill('');
  await page.getByLabel('vCPU from').fill('many');
  await expect(page.getByText('The search is not understood.')).toBeVisible();
});

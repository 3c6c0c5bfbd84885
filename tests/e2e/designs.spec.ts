/** The list of designs: rename, copy, delete and take back. */
import { expect, freshDesign, test } from './screen';

test('shows total, range and last change of each design', async ({ page }) => {
  await page.goto('/designs');
  // Other tests make copies of it.
  const row = page.getByRole('row').filter({ hasText: 'Live sailing map', hasNotText: '(copy' });
  await expect(row).toContainText('5 078.47 USD');
  await expect(row.getByRole('img')).toHaveAttribute(
    'aria-label',
    /lean 2\s684\.20, likely 5\s078\.47, heavy 25\s816\.03 USD/,
  );
});

test('renames, copies, deletes and restores', async ({ page }) => {
  await freshDesign(page, 'Old name');
  await page.goto('/designs');
  await page.getByRole('gridcell', { name: 'Old name' }).click();
  const name = page.getByRole('textbox', { name: 'Name' });
  await name.fill('New name');
  await name.press('Enter');
  await expect(page.getByRole('gridcell', { name: 'New name' })).toBeVisible();

  await page.getByRole('button', { name: 'Copy' }).click();
  await expect(page.getByRole('gridcell', { name: 'New name (copy)' })).toBeVisible();

  await page.getByRole('gridcell', { name: 'New name', exact: true }).click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByRole('gridcell', { name: 'New name', exact: true })).toBeHidden();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('gridcell', { name: 'New name', exact: true })).toBeVisible();
});

test('a design that is not there says so', async ({ page }) => {
  const answer = await page.goto('/designs/00000000-0000-4000-8000-00000000dead');
  expect(answer?.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'This page is not here' })).toBeVisible();
});

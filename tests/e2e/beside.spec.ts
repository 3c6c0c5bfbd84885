/** What stands beside a design in its report. */
import { copyOfBooking, expect, test } from './screen';

test('alternatives stand in the report, as they stand side by side', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives`);
  const grid = page.getByRole('grid', { name: 'Alternatives side by side' });
  await expect(grid).toContainText('Front servers');
  const said = await page.getByTestId('answer').innerText();
  const totals = await Promise.all(
    ['All at Osmere', 'A lean start'].map((name) => page.getByRole('columnheader', { name }).innerText()),
  );
  await page.getByRole('link', { name: 'Report' }).click();
  await page.getByRole('button', { name: 'Beside it' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'its alternatives' }).click();
  await expect(page).toHaveURL(/beside=alternatives/);
  const section = page.getByRole('region', {
    name: 'Booking and check-in (copy): alternatives',
    exact: true,
  });
  await expect(section).toContainText(said);
  const last = section.getByRole('row').last();
  for (const text of totals) await expect(last).toContainText(text.split('\n').at(-1)!);
  // The menu stays for a second thing.
  await page.getByRole('menuitemcheckbox', { name: 'every provider' }).click();
  await expect(page.getByRole('region', { name: /every provider for the design/ }).first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(section).toBeVisible();
  // Not in what a customer gets.
  await page.getByRole('combobox', { name: 'as' }).selectOption('quotation');
  await expect(page.getByRole('article')).toContainText('Quotation, valid until');
  await expect(section).toHaveCount(0);
});

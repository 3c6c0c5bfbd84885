/** A design stays on its revision, says what a newer one would change, takes it on, and takes it back. */
import { cell, COLUMN, expect, openDesign, test, total, OURS } from './screen';

const ARCHIVE = '/api/designs/00000000-0000-4000-8000-000000000103/copy';

test('a newer revision is looked at, taken on and taken back', async ({ page }) => {
  await page.goto('/designs');
  const copied = (await (await page.request.post(ARCHIVE, OURS)).json()) as { id: string };
  await openDesign(page, `/designs/${copied.id}`);
  const before = await total(page);
  await page.getByTestId('total').click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await margin.getByRole('button', { name: 'What would revision 2 change?' }).click();
  await expect(margin).toContainText(/884\.08 → 866\.40/);
  await margin.getByRole('button', { name: 'Take it on' }).click();
  await expect.poll(() => total(page)).toBeLessThan(before);
  await expect(cell(page, 'Last thirty days', COLUMN.amount)).toContainText('866');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => total(page)).toBe(before);
});

test('a design takes the workspace’s newest exchange rates', async ({ page }) => {
  await page.goto('/designs');
  const copied = (await (await page.request.post(ARCHIVE, OURS)).json()) as { id: string };
  await openDesign(page, `/designs/${copied.id}`);
  await page.getByTestId('total').click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await margin.getByRole('button', { name: 'Take the newest table' }).click();
  await expect(margin).toContainText('1 GBP = 1.3012 USD');
  await expect(margin).not.toContainText('1.2874');
});

test('months and years follow growth and the months a component exists', async ({ page }) => {
  await page.goto('/designs');
  const copied = (await (await page.request.post(ARCHIVE, OURS)).json()) as { id: string };
  await openDesign(page, `/designs/${copied.id}`);
  await page.getByTestId('total').click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  const year = margin.getByRole('row').filter({ hasText: 'Year 2' });
  await expect(year).toBeVisible();
  const flat = await year.innerText();
  const growth = margin.getByRole('group', { name: /What is held grows/ }).getByLabel('likely');
  await growth.fill('0.02');
  await growth.press('Enter');
  await expect.poll(() => year.innerText()).not.toBe(flat);
});

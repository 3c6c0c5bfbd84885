/** Everything by keyboard: no mouse in this file. */
import { expect, freshDesign, saved, test, total } from './screen';

test('a design is opened, written, changed, undone and explained without a mouse', async ({ page }) => {
  await freshDesign(page, 'By keyboard');
  await page.goto('/designs');
  await expect(page.getByRole('grid', { name: 'Designs' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByTestId('total')).toBeVisible();
  const grid = page.getByRole('grid');
  await expect(grid).toBeFocused();

  // A component on the next line: kind, name, place, offer, count.
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('Control+Enter');
  await page.keyboard.type('serv');
  await page.keyboard.press('Enter');
  await page.keyboard.type('Quay servers');
  await page.keyboard.press('Tab');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.keyboard.type('norvane elbe');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('gridcell', { name: 'Norvane, Elbe' })).toBeVisible();
  await expect(grid).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await page.keyboard.type('4/16');
  // What was typed is kept while the offers are still on their way.
  const offers = page.getByRole('listbox', { name: 'Offers' }).getByRole('option');
  await expect(offers.first()).toBeVisible();
  await expect(page.getByLabel('Find by words')).toHaveValue('4/16');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog')).toBeHidden();
  await expect.poll(() => total(page)).toBeGreaterThan(10);
  const one = await total(page);

  await expect(grid).toBeFocused();
  await page.keyboard.press('End');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.type('5');
  await page.keyboard.press('Enter');
  await expect.poll(() => total(page)).toBeCloseTo(one * 5, 0);

  await page.keyboard.press('Control+z');
  await expect.poll(() => total(page)).toBe(one);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => total(page)).toBeCloseTo(one * 5, 0);

  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tab', { name: 'How it adds up' })).toHaveAttribute('aria-selected', 'true');
  await expect(page.getByRole('complementary')).toContainText('Price per hour');

  await page.keyboard.press('Delete');
  await expect.poll(() => total(page)).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => total(page)).toBeCloseTo(one * 5, 0);
  await saved(page);

  // Find, and the list of keys.
  await page.keyboard.press('/');
  await page.keyboard.type('price books');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Price books', level: 1 })).toBeVisible();
});

test('an offer is found by words and written on the next line', async ({ page }) => {
  const id = await freshDesign(page, 'Found by words');
  await page.goto(`/designs/${id}`);
  await expect(page.getByTestId('total')).toBeVisible();
  await expect(page.getByRole('grid')).toBeFocused();
  await page.keyboard.press('/');
  await page.keyboard.type('heron-8-64');
  await expect(page.getByRole('option', { name: /heron-8-64 Server · Osmere/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Component name' })).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Seat ledger');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('row').filter({ hasText: 'Seat ledger' })).toContainText('heron-8-64');
  await expect.poll(() => total(page)).toBeGreaterThan(100);
});

test('Esc takes back what is being typed', async ({ page }) => {
  await page.goto('/designs/00000000-0000-4000-8000-000000000101');
  const grid = page.getByRole('grid');
  await expect(grid).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.type('Nonsense');
  await expect(page.getByRole('textbox', { name: 'Component name' })).toHaveValue('Nonsense');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('gridcell', { name: 'Front servers' })).toBeVisible();
  await expect(grid).toBeFocused();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(page.getByRole('gridcell', { name: 'Front servers' })).toBeVisible();
});

test('from a starter to a report without a mouse', async ({ page }) => {
  await page.goto('/designs');
  await expect(page.getByRole('grid', { name: 'Designs' })).toBeFocused();
  await page.keyboard.press('/');
  await page.keyboard.type('starters');
  await page.keyboard.press('Enter');
  const starters = page.getByRole('grid', { name: 'Starters' });
  await expect(starters).toBeFocused();
  // The third provider's amount of the second starter: Enter begins with it.
  await page.keyboard.press('ArrowDown');
  for (let step = 0; step < 4; step += 1) await page.keyboard.press('ArrowRight');
  const listed = await starters.getByRole('row').nth(2).getByRole('gridcell').nth(4).innerText();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/designs\/[0-9a-f-]{36}$/);
  const amount = Number(listed.replace(/[^\d.]/g, ''));
  await expect.poll(() => total(page)).toBe(amount);

  // Two lines are selected and filled down; the week of one is painted with arrows and the space bar.
  const grid = page.getByRole('grid', { name: /^Ledger/ });
  await expect(grid).toBeFocused();
  await page.keyboard.press('Control+Home');
  await page.keyboard.press('/');
  await page.keyboard.type('BuyingPlace servers');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('complementary').getByRole('heading', { name: 'BuyingPlace servers' }),
  ).toBeVisible();
  await page.getByLabel('Pattern', { exact: true }).selectOption('week');
  const week = page.getByRole('grid', { name: /Hours of the week/ });
  await week.focus();
  const runs = week.getByRole('gridcell', { name: /, runs$/ });
  await expect(runs).toHaveCount(50);
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Space');
  await expect(runs).toHaveCount(51);
  await page.keyboard.press('Shift+ArrowDown');
  await expect(week.getByRole('gridcell', { name: 'Tue 7:00, runs' })).toHaveCount(1);
  await saved(page);
  const written = await total(page);

  await page.getByRole('link', { name: 'Report' }).focus();
  await page.keyboard.press('Enter');
  const report = page.getByRole('article');
  await expect(report).toContainText('BuyingPlace servers');
  const likely = await report.getByRole('region', { name: 'Totals' }).locator('.double-line').innerText();
  expect(Number(likely.replace(/^[^\d]*/, '').replace(/[^\d.]/g, ''))).toBe(written);
});

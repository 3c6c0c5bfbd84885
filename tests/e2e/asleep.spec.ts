/** A page is on the screen before its scripts answer: what is done meanwhile is done, not lost. */
import type { Page } from '@playwright/test';
import { copyOfBooking, expect, test } from './screen';

/** Opens a page whose scripts come only when the returned function is called. */
async function asleep(page: Page, address: string): Promise<() => void> {
  let wake = (): void => undefined;
  const awake = new Promise<void>((resolve) => (wake = resolve));
  await page.route(/_next\/static\/.*\.js/, async (route) => {
    await awake;
    await route.continue();
  });
  await page.goto(address, { waitUntil: 'commit' });
  return wake;
}

test('a choice in a list', async ({ page }) => {
  const design = await copyOfBooking(page);
  const wake = await asleep(page, `${design}/report`);
  await page.getByRole('combobox', { name: 'as' }).selectOption('quotation');
  await expect(page.getByRole('article')).not.toContainText('Quotation, valid until');
  wake();
  await expect(page).toHaveURL(/variant=quotation&until=\d{4}-\d\d-\d\d/);
  await expect(page.getByRole('article')).toContainText('Quotation, valid until');
});

test('a tick, and a menu that was opened', async ({ page }) => {
  const design = await copyOfBooking(page);
  const wake = await asleep(page, `${design}/report`);
  await page.getByRole('checkbox', { name: 'month by month' }).check();
  await page.getByRole('button', { name: 'Export' }).click();
  await expect(page.getByRole('menuitem')).toHaveCount(0);
  wake();
  await expect(page).toHaveURL(/month/i);
  await expect(page.getByRole('menuitem', { name: /XLSX/ })).toBeVisible();
});

test('a choice in the moment in which the page wakes', async ({ page }) => {
  // A slowed processor under other work is slow indeed; what is asked here is that nothing is lost.
  test.setTimeout(300_000);
  const design = await copyOfBooking(page);
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 6 });
  for (const moment of ['commit', 'domcontentloaded', 'load'] as const) {
    await page.goto(`${design}/report`, { waitUntil: moment });
    await page.getByRole('combobox', { name: 'as' }).selectOption('quotation', { timeout: 60_000 });
    await expect(page).toHaveURL(/variant=quotation/, { timeout: 60_000 });
  }
});

test('words typed in a search', async ({ page }) => {
  const wake = await asleep(page, '/prices');
  const words = page.getByRole('search').getByLabel('Words');
  await words.fill('pennybyre');
  await words.press('Enter');
  wake();
  await expect(page.getByRole('grid').or(page.getByRole('table')).first()).toContainText(/pennybyre/i);
  await expect(words).toHaveValue('pennybyre');
});

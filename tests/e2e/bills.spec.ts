/** A bill from its file to its sentence, to rules, to what was measured; and the feed. */
import { expectAccessible } from './axe';
import type { Page } from '@playwright/test';
import { expect, test, openLiveMapBill } from './screen';

const THIN = '\u202f';
const openBill = async (page: Page, month: string): Promise<void> => {
  await openLiveMapBill(page, month);
  await expect(page.getByRole('heading', { level: 1, name: `Osmere, ${month}` })).toBeVisible();
};

/** FOCUS by hand: two servers for ten days, and something that nobody planned. */
function quayBill(last: number): string {
  const head =
    'BilledCost,BillingAccountId,BillingCurrency,BillingPeriodEnd,BillingPeriodStart,ChargeCategory,ChargePeriodStart,EffectiveCost,PricingQuantity,PricingUnit,ProviderName,ServiceName,SkuId,Tags';
  const rows = Array.from({ length: last }, (_, at) => {
    const day = `2026-11-${String(at + 1).padStart(2, '0')}`;
    const row = (cost: string, quantity: string, unit: string, service: string, sku: string): string =>
      `${cost},quay-e2e,USD,2026-12-01,2026-11-01,Usage,${day},${cost},${quantity},${unit},Norvane,${service},${sku},"{""line"":""${sku}""}"`;
    return [row('4.8', '48', 'Hours', 'Machines', 'QUAY-1'), row('1.5', '3', 'GB', 'Logs', 'LOGS')];
  });
  return [head, ...rows.flat()].join('\n');
}

test('a month of the live map says what is over, why, where it closes, and down to its rows', async ({
  page,
}) => {
  await openBill(page, 'November 2026');
  await expect(page.getByTestId('bill-sentence')).toContainText('After 17 of 30 days');
  await expect(page.getByTestId('bill-sentence')).toContainText('USD over');
  await expect(page.getByText(/“Map tiles” moves .* look at how often it is asked/)).toBeVisible();
  await expect(page.getByTestId('bill-billed')).toHaveText(`3${THIN}586.26`);
  await page.getByRole('gridcell', { name: 'Sent out' }).click();
  const margin = page.getByRole('complementary', { name: 'About what is chosen' });
  await expect(margin).toContainText('beyond the');
  await margin.getByRole('button', { name: 'Show the rows' }).click();
  await expect(margin.getByRole('cell', { name: '11-17' })).toBeVisible();
  await page.getByLabel('By', { exact: true }).selectOption('service');
  await expect(page.getByRole('gridcell', { name: 'Osmere Sail' })).toBeVisible();
  await page.getByRole('link', { name: 'Days' }).click();
  await expect(page.getByTestId('close-sentence')).toContainText('Closes at about');
  await expect(page.getByRole('cell', { name: 'worked out' }).first()).toBeVisible();
  await page.getByRole('link', { name: 'Columns' }).click();
  await expect(page.getByText(/read as FOCUS 1\.1/)).toBeVisible();
});

test('a file is brought in, held against a design by drafted rules, measured into it, and taken back', async ({
  page,
}) => {
  await page.goto('/bills');
  const bring = (text: string) =>
    page
      .getByLabel('Bill file')
      .setInputFiles({ name: 'quay.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await bring(quayBill(10).replace('2026-11-03,4.8', 'soon,4.8'));
  await expect(page.getByText('The bill has 1 fault. Nothing was imported.')).toBeVisible();
  await expect(page.getByText(/“soon” is no date/)).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).first().click();
  await bring(quayBill(10));
  await expect(page.getByText(/20 rows, 63\.00 USD/)).toBeVisible();
  await page.getByRole('gridcell', { name: 'quay-e2e' }).dblclick();
  await expect(page.getByText('Held against no design')).toBeVisible();
  await page.getByLabel('Held against the design').selectOption({ label: 'Booking and check-in' });
  await expect(page.getByText('Held against “Booking and check-in”', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: 'Mapping' }).click();
  const rules = page.getByLabel('The rules, as YAML', { exact: true });
  await rules.fill(
    'wick: bill-rules\nversion: 1\nrules:\n  - id: logs\n    when: { sku: LOGS }\n    to: Pages and tickets to travellers\n    meter: transferred\n',
  );
  await page.getByRole('button', { name: 'Try' }).click();
  await expect(page.getByText('What the rules would take, not saved yet')).toBeVisible();
  await expect(page.getByRole('row', { name: /logs 10 1 15\.00/ })).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('What each rule takes of this bill')).toBeVisible();
  await page.getByRole('link', { name: 'Measured' }).click();
  await page.getByLabel(/Take .* of Pages and tickets to travellers over/).check();
  await page.getByRole('button', { name: 'Take 1 over into the design' }).click();
  await expect(page.getByText('has taken it over.')).toBeVisible();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByLabel(/Take .* of Pages and tickets to travellers over/)).toBeVisible();
  await page.getByRole('button', { name: 'Close the period' }).click();
  await page.getByLabel('Note: what explains the difference').fill('Logs were not planned.');
  await page.getByRole('dialog').getByRole('button', { name: 'Close the period' }).click();
  await expect(page.getByRole('button', { name: 'Open again' })).toBeVisible();
  await page.getByRole('button', { name: 'Open again' }).click();
  await expect(page.getByRole('button', { name: 'Close the period' })).toBeVisible();
});

test('the feed delivers the next day, and the month is the newer one', async ({ page }) => {
  await page.goto('/bills/feed');
  await expect(page.getByTestId('feed-day')).toContainText('2026-11-1');
  const before = await page.getByTestId('feed-day').textContent();
  await page.getByRole('button', { name: 'The next day' }).click();
  await expect(page.getByRole('region', { name: 'What came' })).toContainText('more than before');
  await expect(page.getByTestId('feed-day')).not.toHaveText(before!);
  await page.getByRole('button', { name: 'Open the newest' }).click();
  await expect(page.getByTestId('bill-sentence')).toContainText('of 30 days');
});

test('axe finds nothing on the screens of bills', async ({ page }) => {
  await openBill(page, 'October 2026');
  const { pathname } = new URL(page.url());
  for (const path of ['/bills', '/bills/feed', '', '/days', '/mapping', '/measured', '/columns'].map(
    (each) => (each.startsWith('/bills') ? each : `${pathname}${each}`),
  )) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessible(page);
  }
});

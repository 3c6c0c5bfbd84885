/** What the margin lets one say: own charges, shares, months, zones, places taken over, traffic that nothing stops. */
import type { Page } from '@playwright/test';
import { smallBookFile } from '../support/books';
import {
  cell,
  COLUMN,
  copyOfBooking,
  edit,
  expect,
  freshDesign,
  openDesign,
  saved,
  test,
  total,
} from './screen';

const margin = (page: Page) => page.getByRole('complementary', { name: 'Margin' });

async function openMargin(page: Page, row: string): Promise<void> {
  await cell(page, row, COLUMN.name).click();
  await expect(margin(page).getByRole('heading', { name: row })).toBeVisible();
}

async function enter(page: Page, label: string | RegExp, text: string): Promise<void> {
  const field = margin(page).getByRole('textbox', { name: label }).first();
  await field.fill(text);
  await field.press('Enter');
}

test('an own line is charged in tiers, as it is typed, and keeps it over a reload', async ({ page }) => {
  const address = `/designs/${await freshDesign(page, 'Own charges')}`;
  const id = crypto.randomUUID();
  const section = crypto.randomUUID();
  const component = {
    id,
    name: 'Gateway',
    kind: 'custom',
    count: { likely: '1' },
    place: null,
    choice: { by: 'none' },
    running: { pattern: 'always' },
    usage: {},
    term: 'on-demand',
    custom: [
      {
        label: 'Messages',
        unit: 'GB',
        amount: { likely: '20000' },
        charge: { structure: 'per-unit', price: '0.1' },
      },
    ],
  };
  const made = await edit(
    page,
    address,
    [{ edit: 'add-section', index: 0, section: { id: section, name: 'Own', components: [component] } }],
    0,
  );
  expect(made.status()).toBe(200);
  await openDesign(page, address);
  await expect.poll(() => total(page)).toBe(2000);
  await openMargin(page, 'Gateway');
  await margin(page).getByRole('combobox', { name: 'Charged as' }).selectOption('graduated');
  const tiers = margin(page).getByRole('textbox', { name: /^Tiers/ });
  await tiers.fill('0.1 up to 10000, 0.05');
  // Before Enter the new total is there: 1 000 for the first slice, 500 for the second.
  await expect.poll(() => total(page)).toBe(1500);
  await tiers.fill('0.1 up to 10000, 0.05 up to 5');
  await expect(margin(page).getByRole('alert')).toContainText('5 does not exceed 10000');
  await expect.poll(() => total(page)).toBe(2000);
  await tiers.fill('0.1 up to 10000, 0.05 beyond');
  await tiers.press('Enter');
  await enter(page, /^Included each month/, '10000');
  // What is left of 20 000 after 10 000 free lies in the first slice.
  await expect.poll(() => total(page)).toBe(1000);
  await saved(page);
  await page.reload();
  await expect.poll(() => total(page)).toBe(1000);
});

test('a line that several designs share costs each its part', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  const before = await total(page);
  const line = Number((await cell(page, 'Seat cache', COLUMN.amount).innerText()).replace(/[^\d.]/g, ''));
  await openMargin(page, 'Seat cache');
  await margin(page).getByText('Shared with other designs').click();
  const allocated = margin(page)
    .getByRole('group', { name: /^Allocated to this design/ })
    .getByRole('textbox', { name: 'likely' });
  await allocated.fill('25 %');
  await allocated.press('Enter');
  await expect.poll(() => total(page)).toBeCloseTo(before - line * 0.75, 1);
});

test('campaigns stand in the months that have them', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await page.getByTestId('total').click();
  await margin(page).getByRole('combobox', { name: 'by', exact: true }).selectOption('rows');
  const month = (name: string) => margin(page).getByRole('row', { name: new RegExp(`^${name} `) });
  await expect(month('Month 3')).toBeVisible();
  const third = await month('Month 3').innerText();
  const fourth = await month('Month 4').innerText();
  await enter(page, /^Campaigns/, '3: 4');
  await expect.poll(() => month('Month 3').innerText()).not.toBe(third);
  expect(await month('Month 4').innerText()).toBe(fourth);
  await enter(page, /^Campaigns/, '3: 4, 3: 5');
  await expect(margin(page).getByRole('alert')).toContainText('month 3 stands twice');
});

test('traffic that nothing stops is a question of the load, and a rule of the checklist', async ({
  page,
}) => {
  await openDesign(page, await copyOfBooking(page));
  await page.getByTestId('total').click();
  await margin(page).getByRole('link', { name: 'If nothing stopped the traffic' }).click();
  const answer = page.getByTestId('answer');
  await expect(answer).toContainText('A month at 100 times costs');
  const more = async (): Promise<number> =>
    Number(/costs ([\d\s]+\.\d\d)/.exec(await answer.innerText())![1]!.replaceAll(/\s/g, ''));
  const hundred = await more();
  await page.getByRole('combobox', { name: 'at', exact: true }).selectOption('1000');
  await expect.poll(more).toBeGreaterThan(hundred * 5);
  await page.getByRole('link', { name: /^Checklist/ }).click();
  await expect(page.getByText('Traffic that nothing stops')).toBeVisible();
});

test('zones are said by line; what stands in one is found, and the remedy spreads it', async ({ page }) => {
  await openDesign(page, await copyOfBooking(page));
  await openMargin(page, 'API servers');
  await enter(page, 'Zones it is spread over', '1');
  await saved(page);
  await page.getByRole('link', { name: /^Checklist/ }).click();
  const finding = page.getByRole('listitem').filter({ hasText: 'units stand in one zone' });
  await finding.getByRole('button', { name: 'Spread them over two zones' }).click();
  await expect(finding).toHaveCount(0);
  // Now there is traffic between zones, and nothing pays for it yet.
  await expect(page.getByText('No traffic between zones')).toBeVisible();
});

test('a new line takes its region over, says so, and is settled by saying that it is meant', async ({
  page,
}) => {
  await openDesign(page, await copyOfBooking(page));
  await page.getByRole('gridcell', { name: 'Next component' }).first().click();
  await page.getByRole('option', { name: /^Public address/ }).click();
  await page.getByRole('textbox', { name: 'Component name' }).press('Enter');
  const row = page.getByRole('row').filter({ hasText: 'Public address' }).first();
  await expect(row.getByText('taken over:')).toBeAttached();
  await row.getByRole('gridcell').first().click();
  await margin(page).getByRole('button', { name: 'It is meant' }).click();
  await expect(row.getByText('taken over:')).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Show only' }).selectOption('taken-over');
  await expect(page.getByRole('status').filter({ hasText: /line/ })).toContainText(/0 lines/);
});

test('a starter is found by its name, and by nothing that only looks like it', async ({ page }) => {
  await page.goto('/designs');
  await expect(page.getByRole('grid')).toBeFocused();
  await page.keyboard.press('/');
  await page.keyboard.type('stream to arch');
  await expect(page.getByRole('option', { name: /Event stream to archive/ })).toBeVisible();
  await expect(page.getByRole('option', { name: /Small public site/ })).toHaveCount(0);
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/designs\/starters\?starter=/);
  await expect(
    page.getByRole('complementary').getByRole('heading', { name: 'Event stream to archive' }),
  ).toBeVisible();
});

test('an import goes on while one works elsewhere', async ({ page }) => {
  await page.goto('/books');
  const file = smallBookFile();
  file.book = { ...file.book, key: 'background', title: 'Background book' };
  // The file arrives slowly, as large ones do.
  await page.route('**/api/books/import/*', async (route) => {
    if (route.request().method() === 'PUT') await new Promise((resolve) => setTimeout(resolve, 4000));
    await route.continue();
  });
  await page.getByLabel('Price book file').setInputFiles({
    name: 'background.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(file)),
  });
  await page.getByRole('button', { name: 'Go on working' }).click();
  await page.getByRole('link', { name: 'Prices', exact: true }).click();
  await expect(page).toHaveURL(/\/prices/);
  await expect(page.getByRole('link', { name: /Bringing in a price book/ })).toBeVisible();
  await expect(page.getByText(/Background book, revision 3: 18 rates are published/)).toBeVisible();
  await expect(page.getByRole('link', { name: /Bringing in a price book/ })).toHaveCount(0);
  await page.getByRole('link', { name: 'Price books' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Background book' })).toBeVisible();
});

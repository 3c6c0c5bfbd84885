/** Watches over bills: set, said once, seen; what is included; prices of a bill; a list by its columns. */
import { expectAccessible } from './axe';
import { expect, test, openLiveMapBill } from './screen';

test('a threshold is set on the month, says what comes, and is said in the mailbox once', async ({ page }, {
  retry,
}) => {
  // Of its own on a second try; and how far the month has come depends on the day that the feed was moved on to before.
  const name = `Budget of the skippers ${retry + 1}`;
  await page.goto('/bills/watches');
  await page.getByRole('button', { name: 'Watch something' }).click();
  const dialog = page.getByRole('dialog', { name: 'Watch something' });
  await dialog.getByLabel('Name').fill(name);
  await dialog.getByLabel('Of', { exact: true }).selectOption('component');
  await dialog.getByLabel('Line').selectOption({ label: 'Tile store' });
  await dialog.getByLabel('Threshold, USD of the period').fill('nothing');
  await dialog.getByRole('button', { name: 'Watch it' }).click();
  await expect(dialog.getByText('A threshold is an amount above nought')).toBeVisible();
  await dialog.getByLabel('Threshold, USD of the period').fill('150');
  await dialog.getByLabel('Mail to').fill('skippers@live-map.example');
  await dialog.getByRole('button', { name: 'Watch it' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('gridcell', { name }).click();
  const margin = page.getByRole('complementary', { name: 'About the watch' });
  await expect(margin.getByTestId('watch-sentence')).toContainText(/of 150\.00 USD\. (Crosses|Reached) 100/);
  await expect(margin.getByRole('cell', { name: /reached on 2026-11/ }).first()).toBeVisible();
  await expect(
    margin.getByRole('link', { name: 'At which load would the design cross a budget?' }),
  ).toBeVisible();
  await page.getByRole('link', { name: /^Said/ }).click();
  const said = page
    .getByRole('listitem')
    .filter({ hasText: new RegExp(`“${name}” has reached (80|100)`) })
    .first();
  await expect(said).toBeVisible();
  const look = page.getByRole('button', { name: 'Look again' });
  await expect(async () => {
    await look.click();
    await expect(said.getByText('Mail to skippers@live-map.example: sent')).toBeVisible({ timeout: 1000 });
  }).toPass({ timeout: 90_000 });
  const mailbox = page.getByRole('region', { name: 'Mailbox' });
  await expect(mailbox.getByText('skippers@live-map.example').first()).toBeVisible();
  await page.getByRole('link', { name: 'Watches' }).click();
  await page.getByRole('gridcell', { name }).click();
  await page
    .getByRole('complementary', { name: 'About the watch' })
    .getByRole('button', { name: 'Delete' })
    .click();
  await expect(page.getByRole('gridcell', { name })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('gridcell', { name })).toBeVisible();
});

test('a bill says what is included and committed, what was paid for a unit, and a year of it', async ({
  page,
}) => {
  await openLiveMapBill(page, 'November 2026');
  await page.getByLabel('Money').selectOption('billed');
  await expect(page).toHaveURL(/money=billed/);
  const views = page.getByRole('navigation', { name: 'Views of the bill' });
  await views.getByRole('link', { name: 'Included' }).click();
  await expect(page.getByText(/“commit-.*” is used to 50/)).toBeVisible();
  await expect(page.getByText(/would have cost .* less over these days/)).toBeVisible();
  await views.getByRole('link', { name: 'Prices' }).click();
  await expect(page.getByTestId('prices-sentence')).toContainText('revision');
  await views.getByRole('link', { name: 'Days' }).click();
  await expect(page.getByTestId('back-test')).toContainText(/After 1[78] days of the 2 periods before/);
  await page.goto('/bills/year');
  await expect(page.getByRole('columnheader', { name: /2026-10/ })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'The design expects' })).toBeVisible();
});

const MAP = `wick: price-list
version: 1
book: { key: pier-e2e, title: Pier list, provider: Pier, currency: USD, revision: 1, effective: 2026-11-01 }
columns: { offer: Part, region: Site, unit: Sold by, price: Net price }
regions: { North: { code: north, country: Norland, latitude: 60, longitude: 5 } }
lines: [{ when: { offer: "*" }, kind: server, meter: running, vcpu: 2, memory: 8 }]
`;

test('a price list becomes a book by naming its columns once', async ({ page }) => {
  await page.goto('/books');
  await page.getByRole('button', { name: 'From a price list' }).click();
  await page.waitForURL('/books/price-list');
  const choose = (text: string) =>
    page
      .getByLabel('Price list, CSV or XLSX')
      .setInputFiles({ name: 'pier.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(page.getByRole('button', { name: 'Choose a price list' })).toBeEnabled();
  await choose('Part,Site,Sold by,Net price\nP-1,North,hour,0.2\nP-2,South,hour,0.4\n');
  const map = page.getByLabel('The map, as YAML', { exact: true });
  await expect(map).toHaveValue(/offer: Part/);
  await map.fill(MAP);
  await page.getByRole('button', { name: 'Try' }).click();
  await expect(page.getByText('The list does not add up: 1 fault')).toBeVisible();
  await expect(page.getByText(/“South” is not among the regions/)).toBeVisible();
  await choose('Part,Site,Sold by,Net price\nP-1,North,hour,0.2\nP-2,North,hour,0.4\n');
  await page.getByRole('button', { name: 'Try' }).click();
  await expect(page.getByTestId('list-sentence')).toContainText('2 rates of 2 offers, out of 2 rows');
  await page.getByLabel('Name under which it is kept').fill('pier');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('The map was kept')).toBeVisible();
  await page.getByRole('button', { name: 'Publish it' }).click();
  await expect(page.getByText(/Pier list, revision 1: 2 rates are published/)).toBeVisible();
  await page.goto('/books');
  await expect(page.getByRole('gridcell', { name: 'Pier list' })).toBeVisible();
});

test('axe finds nothing on watches and what belongs to them', async ({ page }) => {
  // Seven screens, each looked through as a whole.
  test.setTimeout(240_000);
  const bill = await openLiveMapBill(page, 'November 2026');
  for (const path of [
    '/bills/watches',
    '/bills/told',
    '/bills/year',
    `${bill}/use`,
    `${bill}/prices`,
    `${bill}/days`,
    '/books/price-list',
  ]) {
    await page.goto(path);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expectAccessible(page);
  }
});

/** axe finds nothing on any screen, in light and in dark; and every page carries its policy. */
import { DETAILS, expectAccessible, LIST } from './axe';
import { BOOKING, cell, COLUMN, copyOfBooking, expect, openDesign, OURS, test } from './screen';

const STUDY = '/own-or-rent/00000000-0000-4000-8000-000000000301';
const HARBOUR = '/fleets/00000000-0000-4000-8000-000000000201';

// Reading a whole ledger takes the checker seconds.
test.setTimeout(120_000);

test.describe.configure({ mode: 'parallel' });

test('designs', async ({ page }) => {
  await page.goto('/designs');
  await expect(page.getByRole('grid')).toBeVisible();
  await expectAccessible(page);
});

test('the ledger with settings, trace and ways of paying', async ({ page }) => {
  await openDesign(page);
  await expectAccessible(page);
  await cell(page, 'Front servers', COLUMN.name).click();
  await expectAccessible(page, DETAILS);
  await cell(page, 'Front servers', COLUMN.amount).click();
  await expect(page.getByRole('complementary')).toContainText('Recurring each month');
  await expectAccessible(page, DETAILS);
  await cell(page, 'Front servers', COLUMN.paid).click();
  await expect(page.getByRole('complementary')).toContainText('12 months, all upfront');
  await expectAccessible(page, DETAILS);
});

test('the lists that open', async ({ page }) => {
  await openDesign(page);
  await cell(page, 'Front servers', COLUMN.what).dblclick();
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await cell(page, 'Front servers', COLUMN.where).dblclick();
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  await expectAccessible(page, LIST);
  await page.keyboard.press('Escape');
  await page.keyboard.press('/');
  await expect(page.getByRole('listbox').getByRole('option').first()).toBeVisible();
  await expectAccessible(page, LIST);
});

test('fleets', async ({ page }) => {
  await page.goto('/fleets');
  await expect(page.getByRole('grid')).toBeVisible();
  await expectAccessible(page);
  await page.goto('/fleets/new?how=typed');
  await expectAccessible(page);
  await page.goto(`${HARBOUR}?under=used`);
  await expect(page.getByTestId('fleet-total')).toBeVisible();
  await page.getByRole('button', { name: 'Filters' }).click();
  await expectAccessible(page);
  for (const [view, words] of [
    ['pictures', 'How sure is this?'],
    ['groups', 'Operating systems'],
    ['placements', 'Disks and traffic'],
    ['matrix', 'The best mix'],
    ['report', 'Where is the money?'],
    ['again', 'Bring the inventory in again'],
  ] as const) {
    await page.goto(`${HARBOUR}/${view}`);
    await expect(page.getByRole('heading', { name: words })).toBeVisible();
    await expectAccessible(page);
  }
});

test('own or rent', async ({ page }) => {
  await page.goto('/own-or-rent');
  await expect(page.getByRole('grid')).toBeVisible();
  await expectAccessible(page);
  await page.goto('/own-or-rent/new?how=totals');
  await expectAccessible(page);
  for (const [view, words] of [
    ['', 'What does each side spend when?'],
    ['/hangs-on', 'Where does which side cost less?'],
    ['/variants', 'Which way costs what?'],
    ['/move', 'What moves when?'],
    ['/report', 'Both sides by kind of cost'],
  ] as const) {
    await page.goto(`${STUDY}${view}`);
    await expect(page.getByRole('heading', { name: words })).toBeVisible({ timeout: 30_000 });
    await expectAccessible(page);
  }
  await page.goto(`${STUDY}/numbers`);
  await expect(page.getByRole('grid')).toBeVisible();
  await expectAccessible(page);
});

test('change reviews', async ({ page }) => {
  await page.goto('/reviews');
  await expect(page.getByRole('grid')).toBeVisible();
  await expectAccessible(page);
  const listed = (await (await page.request.get('/api/reviews', OURS)).json()) as {
    readonly id: string;
    readonly change: string;
  }[];
  const at = (change: string): string => `/reviews/${listed.find((each) => each.change === change)!.id}`;
  await page.goto(at('12'));
  await expect(page.getByTestId('limits')).toBeVisible();
  await expectAccessible(page);
  await page.goto(at('43'));
  await page.getByRole('gridcell', { name: 'norvane_stream.changes' }).click();
  await expect(page.getByRole('list', { name: 'Steps' })).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${at('42')}/design`);
  await page.getByLabel(/comes from/).selectOption({ label: 'Booking and check-in' });
  await expect(page.getByTestId('effect')).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${at('43')}/kept`);
  await expect(page.getByRole('cell', { name: 'norvane_network.quay' })).toBeVisible();
  await expectAccessible(page);
  await page.goto('/reviews/history');
  await expect(page.getByTestId('history-sentence')).toBeVisible();
  await expectAccessible(page);
  await page.goto('/reviews/forge');
  await expect(page.getByRole('region', { name: 'Comment of Wick Tally' })).toBeVisible();
  await expectAccessible(page);
  for (const [path, words] of [
    ['/reviews/new', 'Review a plan'],
    ['/reviews/maps', 'What they make of a plan'],
    ['/settings', 'Tokens of pipelines'],
  ] as const) {
    await page.goto(path);
    await expect(page.getByRole('heading', { name: words })).toBeVisible();
    await expectAccessible(page);
  }
});

test('load, paying and range', async ({ page }) => {
  const map = BOOKING.replace(/1$/, '2');
  for (const [view, says] of [
    ['load', 'costs least'],
    ['load?view=map&along=driver+viewers&up=driver+ships', 'of the map'],
    ['paying', 'worth committing'],
    ['load?view=fame', 'at 10 times'],
    ['paying?view=hours', 'for every hour'],
    ['paying?view=cash', 'leaves the account'],
    ['range', 'nine of ten'],
  ] as const) {
    await page.goto(`${map}/${view}`);
    await expect(page.getByTestId('answer')).toContainText(says);
    await expectAccessible(page);
  }
});

test('prices', async ({ page }) => {
  await page.goto('/prices');
  await expect(page.getByRole('complementary')).toContainText('Rates in');
  await expectAccessible(page);
});

test('what a revision changed, and exchange rates', async ({ page }) => {
  await page.goto('/books');
  await page.getByRole('button', { name: 'What changed since revision 1' }).click();
  await expect(page.getByRole('dialog')).toContainText('Rates:');
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Exchange rates' }).click();
  await expect(page.getByRole('dialog')).toContainText('1 EUR in USD');
  await expectAccessible(page);
});

test('the checklist, the report, a linked report and its links', async ({ page }) => {
  await page.goto(`${BOOKING}/checklist`);
  await expect(page.getByRole('region', { name: /^Open/ })).toBeVisible();
  await expectAccessible(page);
  await page.goto(`${BOOKING}/report`);
  await expect(page.locator('.apexcharts-bar-area').first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Links …' }).click();
  await page.getByRole('button', { name: 'Make a link' }).click();
  const link = page.getByRole('dialog').getByRole('link', { name: /^\/shared/ });
  await expectAccessible(page);
  await page.goto((await link.getAttribute('href'))!);
  await page.getByRole('button', { name: 'How API servers adds up' }).click();
  await expect(page.getByRole('list', { name: 'Steps' })).toBeVisible();
  await expectAccessible(page);
});

test('starters, revisions, a selection and a drawn week', async ({ page }) => {
  await page.goto('/designs/starters');
  await expect(page.getByRole('grid', { name: 'Starters' })).toBeVisible();
  await expectAccessible(page);
  await openDesign(page, await copyOfBooking(page));
  await cell(page, 'API servers', COLUMN.name).click();
  await page.getByLabel('Pattern', { exact: true }).selectOption('week');
  await expect(page.getByRole('grid', { name: /Hours of the week/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('grid', { name: /Ledger/ }).focus();
  await page.keyboard.press('Control+A');
  await expect(page.getByRole('complementary')).toContainText('lines selected');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Revisions' }).click();
  await page.getByRole('button', { name: /Revision 0/ }).click();
  await expect(page.getByRole('button', { name: 'Go back to revision 0' })).toBeVisible();
  await expectAccessible(page);
});

test('alternatives side by side, and a whole axis', async ({ page }) => {
  await page.goto(`${BOOKING}/alternatives`);
  await expect(page.getByRole('grid', { name: 'Alternatives side by side' })).toContainText('Front servers');
  await page.getByRole('columnheader', { name: 'All at Osmere' }).click();
  await page.getByText('Another change').click();
  await expectAccessible(page);
  await page.getByRole('checkbox', { name: 'one a row' }).check();
  await expectAccessible(page);
  await page.goto(`${BOOKING}/alternatives?axis=regions`);
  await expect(page.getByRole('table')).toContainText('Osmere, Hudson');
  await expectAccessible(page);
});

test('bare rates, and an alternative that is open', async ({ page }) => {
  await page.goto(`${BOOKING}/rates`);
  await page
    .getByRole('button', { name: /^Data transfer out at Norvane/ })
    .first()
    .click();
  await expect(page.getByRole('region', { name: 'Data transfer out' })).toContainText('Norvane book');
  await expectAccessible(page);
  await page.goto(`${BOOKING}/alternatives/committed`);
  await expect(page.getByRole('grid', { name: /^Ledger of/ })).toContainText('Front servers');
  await expectAccessible(page);
});

test('price books', async ({ page }) => {
  await page.goto('/books');
  await expect(page.getByRole('complementary')).toContainText('Regions');
  await expectAccessible(page);
});

test('a content policy is set, and the page works under it', async ({ page }) => {
  const answer = await page.goto('/designs');
  const policy = answer?.headers()['content-security-policy'] ?? '';
  expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
  expect(policy).not.toContain('unsafe-eval');
  expect(answer?.headers()['x-content-type-options']).toBe('nosniff');
});

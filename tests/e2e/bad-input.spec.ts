/** Bad input gets its message, and nothing is lost or changed. */
import type { Page } from '@playwright/test';
import { cell, COLUMN, copyOfBooking, edit, expect, openDesign, saved, test, total } from './screen';

async function typeInto(page: Page, row: string, column: number, text: string): Promise<void> {
  await cell(page, row, column).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type(text);
  await page.keyboard.press('Enter');
}

for (const [what, row, column, text, message] of [
  ['negative hours', 'API servers', COLUMN.use, '-5', 'A quantity cannot be negative'],
  [
    '800 hours in a month of 730',
    'API servers',
    COLUMN.use,
    '800',
    '800 hours are more than the 730 hours of the month',
  ],
  ['25 hours a day', 'API servers', COLUMN.use, '25 x 3', 'A day has 24 hours, not 25.'],
  ['an unknown unit', 'Server disks', COLUMN.use, '5 barrels', '“barrels” is not a unit we know'],
  ['a unit of something else', 'Server disks', COLUMN.use, '5 hours', 'they measure different things'],
  ['a comma', 'Server disks', COLUMN.use, '1,5', 'could mean either thousands or decimals'],
  ['half a server', 'API servers', COLUMN.count, '1.5', 'The count must be a whole number'],
  ['no name', 'API servers', COLUMN.name, ' ', 'a name must not be empty'],
] as const) {
  test(`${what}: is said at the cell, and the old value stays`, async ({ page }) => {
    const design = await copyOfBooking(page);
    await openDesign(page, design);
    const before = await total(page);
    const old = await cell(page, row, column).innerText();
    await typeInto(page, row, column, text);
    await expect(page.locator('#cell-fault')).toContainText(message);
    await page.keyboard.press('Escape');
    await expect(cell(page, row, column)).toHaveText(old);
    await page.reload();
    await expect.poll(() => total(page)).toBe(before);
  });
}

test('HTML in a name is text, on screen and in the file', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const nasty = '<img src=x onerror=alert(1)><b>bold</b>';
  await typeInto(page, 'Seat cache', COLUMN.name, nasty);
  await expect(page.getByRole('gridcell', { name: nasty })).toBeVisible();
  expect(await page.locator('main img').count()).toBe(0);
  await saved(page);
  await page.reload();
  await expect(page.getByRole('gridcell', { name: nasty })).toBeVisible();
});

test('what the page would not send is refused by the server too', async ({ page }) => {
  const design = await copyOfBooking(page);
  const bad: [object, RegExp][] = [
    [{ edit: 'set-component', id: 's1c1', field: 'name', value: 'x'.repeat(5_000_00) }, /at most 200/],
    [{ edit: 'set-component', id: 's1c1', field: 'count', value: { likely: '-3' } }, /negative/],
    [{ edit: 'set-component', id: 'nobody', field: 'name', value: 'x' }, /removed meanwhile/],
    [{ edit: 'shout' }, /refused/],
  ];
  for (const [each, message] of bad) {
    const answer = await edit(page, design, [each], 0);
    expect(answer.status()).toBe(422);
    expect(await answer.text()).toMatch(message);
  }
  const huge = await edit(
    page,
    design,
    [{ edit: 'set-component', id: 's1c1', field: 'name', value: 'x'.repeat(5_000_000) }],
    0,
  );
  expect(huge.status()).toBe(413);
  const stored = (await (await page.request.get(`/api${design}/export?form=json`)).json()) as {
    design: { sections: { components: { name: string }[] }[] };
  };
  expect(stored.design.sections[0]?.components[0]?.name).toBe('Front servers');
});

test('another site cannot change anything', async ({ page }) => {
  const design = await copyOfBooking(page);
  const answer = await page.request.delete(`/api${design}`, { headers: { 'sec-fetch-site': 'cross-site' } });
  expect(answer.status()).toBe(403);
});

test('a design file of a wrong version is refused with its place', async ({ page }) => {
  await page.goto('/designs');
  await page.getByLabel('Design file').setInputFiles({
    name: 'future.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"wick-design","version":99,"design":{}}'),
  });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('“future.json” was refused');
  await expect(dialog).toContainText('version');
  await expect(page).toHaveURL(/\/designs$/);
});

test('an offer that does not exist is not priced and says so', async ({ page }) => {
  const design = await copyOfBooking(page);
  await edit(
    page,
    design,
    [{ edit: 'set-component', id: 's1c1', field: 'choice', value: { by: 'sku', sku: 'NV-DREAM-1' } }],
    0,
  );
  await openDesign(page, design);
  await expect(cell(page, 'Front servers', COLUMN.amount)).toContainText('not priced');
  await expect(cell(page, 'Front servers', COLUMN.what)).toContainText('has no offer “NV-DREAM-1”');
  await expect(page.getByTestId('total')).toContainText('incomplete');
});

test('two tabs on the same row: different fields merge, the same field is asked about', async ({
  page,
  context,
}) => {
  const design = await copyOfBooking(page);
  const other = await context.newPage();
  // As if the stream of others' edits had not come through yet.
  await other.route('**/live', (route) => route.abort());
  await openDesign(page, design);
  await openDesign(other, design);
  await typeInto(page, 'Seat cache', COLUMN.count, '4');
  await saved(page);
  await typeInto(other, 'Seat cache', COLUMN.name, 'Seat and berth cache');
  await expect(cell(other, 'Seat and berth cache', COLUMN.count)).toHaveText('4');
  await saved(other);

  await typeInto(page, 'Booking database', COLUMN.count, '5');
  await saved(page);
  await typeInto(other, 'Booking database', COLUMN.count, '7');
  const dialog = other.getByRole('dialog');
  await expect(dialog).toContainText('The count of “Booking database” was changed in another window');
  await dialog.getByRole('button', { name: 'Use mine' }).click();
  await expect(cell(other, 'Booking database', COLUMN.count)).toHaveText('7');
  await saved(other);
  await page.reload();
  await expect(cell(page, 'Booking database', COLUMN.count)).toHaveText('7');
  await expect(cell(page, 'Seat and berth cache', COLUMN.count)).toHaveText('4');
});

test('a lost connection keeps the edits, says so, and sends them later', async ({ page, context }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  await context.setOffline(true);
  await typeInto(page, 'Seat cache', COLUMN.count, '6');
  await expect(page.getByTestId('saved')).toContainText('No connection. Your edits are kept');
  await expect(cell(page, 'Seat cache', COLUMN.count)).toHaveText('6');
  await context.setOffline(false);
  await saved(page);
  await page.reload();
  await expect(cell(page, 'Seat cache', COLUMN.count)).toHaveText('6');
});

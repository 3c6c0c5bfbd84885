/** A design under other loads: the month over a driver, what to commit to, how sure it is. */
import type { Page } from '@playwright/test';
import { BOOKING, copyOfBooking, copyOfMap, expect, MAP, openDesign, saved, test, total } from './screen';

const answer = (page: Page) => page.getByTestId('answer');

test('the month is drawn over a driver, and says where the cheapest changes', async ({ page }) => {
  const design = await copyOfMap(page);
  await openDesign(page, design);
  await page.getByRole('link', { name: 'Load', exact: true }).click();
  await expect(answer(page)).toContainText('“All at Kitewharf” costs least');
  await expect(answer(page)).toContainText('“All at Norvane”, at 5 000 000 by');
  // What is drawn stands in tables, too.
  await expect(page.getByRole('region', { name: 'Amounts' })).toContainText('becomes cheaper than');
  await expect(page.getByRole('region', { name: 'What happens on the way' })).toContainText(
    'Count: 2 in place of 1',
  );
  await expect(page.getByRole('region', { name: 'Which lines grow' })).toContainText(
    'Tiles and positions out',
  );
  await expect(page.getByRole('figure')).toHaveAccessibleName(/What does the month cost over viewers/);
  await page.getByRole('checkbox', { name: 'All at Norvane' }).click();
  await expect(answer(page)).not.toContainText('Norvane');
  await expect(page).toHaveURL(/beside=/);
  await page
    .getByRole('combobox', { name: 'over' })
    .selectOption({ label: 'all traffic, times what is planned' });
  await expect(answer(page)).toContainText('times the planned');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  expect((await download).suggestedFilename()).toMatch(/^Live sailing map .*over Traffic\.csv$/);
});

test('a driver moves what follows it, a formula is checked while it is typed, and all can be undone', async ({
  page,
}) => {
  const design = await copyOfMap(page);
  await page.goto(`${design}/load`);
  const before = await total(page);
  const drivers = page.getByRole('region', { name: 'Drivers' });
  await drivers.getByLabel('likely').first().fill('400000');
  // The total moves while it is typed.
  await expect.poll(() => total(page)).toBeGreaterThan(before);
  await page.keyboard.press('Enter');
  await saved(page);
  const more = await total(page);
  const form = page.getByRole('form', { name: 'Let another entry follow' });
  await form.getByLabel('Line').selectOption({ label: 'Tile store' });
  await form.getByLabel('Entry').selectOption({ label: 'Held, GiB' });
  for (const [typed, says] of [
    ['viewers *', 'a number or a driver is missing'],
    ['sailors * 3', 'There is no driver “sailors”'],
    ['viewers * 2', 'takes GiB'],
    ['1[GiB·viewer] / (viewers - 90000[viewer])', 'divides by zero in the lean case'],
  ] as const) {
    await form.getByLabel('Formula').fill(typed);
    await expect(form).toContainText(says);
    await expect(form.getByRole('button', { name: 'Let it follow' })).toBeDisabled();
  }
  await form.getByLabel('Formula').fill('viewers * 0.02[GiB/viewer]');
  await expect(form).toContainText('gives');
  await form.getByRole('button', { name: 'Let it follow' }).click();
  const follows = page.getByRole('region', { name: 'What follows them' });
  await expect(follows).toContainText('viewers * 0.02[GiB/viewer]');
  await expect.poll(() => total(page)).toBeGreaterThan(more);
  await page.reload();
  await expect(follows).toContainText('viewers * 0.02[GiB/viewer]');
  await page.getByRole('button', { name: 'Remove Viewers in the month' }).click();
  // What referred to it has no amount any more, and says why; nothing is lost.
  await expect(follows.getByRole('alert').first()).toContainText('There is no driver “viewers”');
  await expect(page.getByText('Not priced').locator('..')).toContainText(/[1-9]/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(follows.getByRole('alert')).toHaveCount(0);
});

test('over two drivers a map shows which costs least where', async ({ page }) => {
  await page.goto(`${MAP}/load?view=map&along=driver+viewers&up=driver+ships`);
  await expect(answer(page)).toContainText('costs least on');
  await expect(page.getByRole('figure').getByRole('table')).toContainText('A');
  await page.getByRole('link', { name: 'Sudden fame' }).click();
  await expect(answer(page)).toContainText('A day at 10 times costs');
  await expect(page.getByRole('table')).toContainText('Tiles and positions out');
});

test('ready questions need no set-up', async ({ page }) => {
  await page.goto(`${BOOKING}/load?view=ready`);
  await expect(answer(page)).toContainText('“36 months, all upfront” costs least');
  await expect(answer(page)).toContainText('“on demand”');
  await page
    .getByRole('combobox', { name: 'line', exact: true })
    .selectOption({ label: 'Pages and tickets to travellers' });
  await page
    .getByRole('combobox', { name: 'asks' })
    .selectOption({ label: 'where allowances and tiers end' });
  await expect(page.getByRole('region', { name: 'What happens on the way' })).toContainText('GB');
  await page.getByRole('combobox', { name: 'asks' }).selectOption({ label: 'this line against another' });
  await page.getByRole('combobox', { name: 'against' }).selectOption({ label: 'Seat cache' });
  await expect(answer(page)).toContainText(
    '“Pages and tickets to travellers” costs least; above it “Seat cache”',
  );
  await page
    .getByRole('combobox', { name: 'line', exact: true })
    .selectOption({ label: 'Tickets and invoices' });
  await page
    .getByRole('combobox', { name: 'asks' })
    .selectOption({ label: 'this class against the others of its kind' });
  await page.getByRole('combobox', { name: 'over' }).selectOption({ label: 'Read requests' });
  await expect(answer(page)).toContainText('costs least');
});

test('what is not there any more is said', async ({ page }) => {
  await page.goto(`${MAP}/load?along=driver+sailors`);
  await expect(answer(page)).toContainText('is not in the design any more');
});

test('levels are taken on by line, and cost what was said', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/paying`);
  await expect(answer(page)).toContainText('lines are worth committing for 36 months');
  const said = Number(
    (await answer(page).innerText()).replaceAll(/\s/g, '').match(/cost([\d.]+)USDless/)![1],
  );
  const before = await total(page);
  await page.getByRole('button', { name: /Take on \d lines/ }).click();
  await expect.poll(() => total(page)).toBeLessThan(before);
  expect(Math.abs(before - (await total(page)) - said)).toBeLessThan(0.011);
  await expect(answer(page)).toContainText('Nothing would cost less');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(() => total(page)).toBe(before);
});

test('a level for every hour is dragged, typed and taken on', async ({ page }) => {
  const design = await copyOfMap(page);
  await page.goto(`${design}/paying?view=hours`);
  await expect(answer(page)).toContainText('for every hour: it regrets least');
  const level = page.getByLabel('level, USD an hour');
  await level.fill('0.2');
  await level.press('Enter');
  await expect(page.getByRole('row', { name: /looked at/ })).toContainText('0.2');
  const told = page
    .getByRole('row', { name: /looked at/ })
    .getByRole('cell')
    .nth(2);
  const likely = Number((await told.innerText()).replace(/[^\d.]/g, ''));
  await page.getByRole('slider').press('ArrowRight');
  await expect(level).not.toHaveValue('0.2');
  await level.fill('0.2');
  await level.press('Enter');
  await page.getByRole('button', { name: 'Take on 0.2 an hour' }).click();
  await expect.poll(() => total(page)).toBe(likely);
  // It counts first from now on.
  await expect(page.getByText('Counted first: “Spend commitment”')).toBeVisible();
});

test('credit, one line every way, and cash against spread', async ({ page }) => {
  await page.goto(`${BOOKING.replace(/1$/, '5')}/paying?view=credit`);
  await expect(answer(page)).toContainText('Prepay');
  await expect(page.getByRole('region', { name: 'Table: What to prepay' })).toContainText('a band begins');
  await page.goto(`${BOOKING}/paying?view=line`);
  await expect(answer(page)).toContainText('“Front servers” costs least for 36 months, all upfront');
  await page.getByRole('combobox', { name: 'line' }).selectOption({ label: 'Seat cache' });
  await expect(answer(page)).toContainText('“Seat cache”');
  await page.getByRole('link', { name: 'Cash against spread' }).click();
  await expect(answer(page)).toContainText('leave the account in 36 months');
});

test('the range says how sure the month is, and what was measured narrows it', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/range`);
  await expect(answer(page)).toContainText('nine of ten less than');
  const spread = page.getByRole('region', { name: 'What explains the spread' });
  await expect(spread).toContainText('Measure first: Sent out of “Pages and tickets to travellers”');
  await expect(page.getByRole('region', { name: 'One at a time' })).toContainText('at heavy');
  const p90 = async (): Promise<number> =>
    Number((await page.getByRole('definition').nth(4).innerText()).replace(/[^\d.]/g, ''));
  await expect(page.getByText('10 000 draws from seed')).toBeVisible();
  const before = await p90();
  const row = page.getByRole('listitem').filter({ hasText: 'Sent out of “Pages and tickets' });
  await row.getByRole('button', { name: 'Measured' }).click();
  await row.getByLabel(/measured, GB/).fill('8000');
  await row.getByLabel(/off by/).fill('5');
  await row.getByRole('button', { name: 'Enter it' }).click();
  await expect(row).toContainText('7 600 / 8 000 / 8 400 GB');
  await expect(row).toContainText('measured');
  await expect.poll(p90).toBeLessThan(before);
  // The same seed gives the same again.
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect.poll(p90).toBe(before);
});

test('inputs are made to move together', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/range`);
  const together = page.getByRole('region', { name: 'What moves together' });
  await together.getByText('Let inputs move together').click();
  await together.getByLabel('Count of “Front servers”').check();
  await together.getByLabel('Count of “API servers”').check();
  await together.getByLabel('name').fill('Season');
  await together.getByRole('button', { name: 'Move together' }).click();
  await expect(together.getByRole('listitem')).toContainText('Season entirely');
  await expect(page.getByRole('region', { name: 'What explains the spread' })).toContainText('Season');
  await together.getByRole('button', { name: 'Take Season apart' }).click();
  await expect(together).toContainText('Nothing yet');
});

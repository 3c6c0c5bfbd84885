/** An alternative is opened and worked on like the design; the design stays as it is. */
import { cell, COLUMN, copyOfBooking, expect, openDesign, saved, test, total } from './screen';

test('what is typed in an alternative becomes one change of it, at once, and the design keeps its total', async ({
  page,
}) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await page.getByRole('link', { name: 'Alternatives' }).click();
  await page.getByRole('columnheader', { name: 'Committed for three years' }).click();
  await page.getByRole('button', { name: 'Open in the ledger' }).click();
  const bar = page.getByRole('region', { name: 'Alternative that is open' });
  await expect(bar).toContainText('one change to the design');
  const there = await total(page);
  expect(there).toBeLessThan(before);
  // While it is typed the total moves, and Esc takes it back.
  await cell(page, 'Front servers', COLUMN.count).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('9');
  await expect.poll(() => total(page)).toBeGreaterThan(there);
  await page.keyboard.press('Escape');
  await expect.poll(() => total(page)).toBe(there);
  for (const count of ['9', '6']) {
    await cell(page, 'Front servers', COLUMN.count).dblclick();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(count);
    await page.keyboard.press('Enter');
    await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText(count);
  }
  await expect(bar).toContainText('2 changes to the design');
  const more = await total(page);
  expect(more).toBeGreaterThan(there);
  await saved(page);
  await page.reload();
  await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText('6');
  expect(await total(page)).toBe(more);
  // Side by side says the same, and the design has what it had.
  await bar.getByRole('link', { name: 'Side by side' }).click();
  await page.getByRole('columnheader', { name: 'Committed for three years' }).click();
  const margin = page.getByRole('region', { name: 'Committed for three years' });
  await expect(margin.getByRole('listitem')).toHaveCount(2);
  await expect(margin).toContainText('The count of “Front servers”: 6');
  await page.getByRole('link', { name: 'Ledger' }).click();
  await expect(cell(page, 'Front servers', COLUMN.count)).toHaveText('4');
  expect(await total(page)).toBe(before);
});

test('a line is added and removed in an alternative, and undone', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives/committed`);
  await expect(page.getByTestId('total')).toBeVisible();
  await cell(page, 'Seat cache', COLUMN.name).click();
  const before = await total(page);
  await page.keyboard.press('Delete');
  await expect(page.getByRole('row').filter({ hasText: 'Seat cache' })).toHaveCount(0);
  await expect.poll(() => total(page)).toBeLessThan(before);
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(cell(page, 'Seat cache', COLUMN.name)).toBeVisible();
  await expect.poll(() => total(page)).toBe(before);
  // A fault is said as in the design, and changes nothing.
  await cell(page, 'Seat cache', COLUMN.count).dblclick();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('-3');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: /./ }).first()).toBeVisible();
});

test('one that is gone says so', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives/nobody`);
  await expect(page.getByRole('heading', { name: 'This alternative is not there any more' })).toBeVisible();
});

test('lines that are selected become an alternative', async ({ page }) => {
  const design = await copyOfBooking(page);
  await openDesign(page, design);
  const before = await total(page);
  await cell(page, 'Front servers', COLUMN.name).click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.getByRole('button', { name: 'As an alternative' }).click();
  await page.getByRole('menuitem', { name: 'left out' }).click();
  await expect(page.getByText('“2 lines: left out” stands among the alternatives now.')).toBeVisible();
  expect(await total(page)).toBe(before);
  await page.getByRole('link', { name: 'Alternatives' }).click();
  await page.getByRole('columnheader', { name: '2 lines: left out' }).click();
  await expect(page.getByRole('region', { name: '2 lines: left out' })).toContainText(
    /Without .*Front servers/,
  );
});

test('sides are hidden and put in order, and the margin tells of the side that is shown', async ({
  page,
}) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives`);
  const heads = page.getByRole('columnheader');
  await expect(heads.filter({ hasText: 'All at Osmere' })).toBeVisible();
  await page.getByRole('button', { name: 'Sides' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'what costs least first' }).click();
  await page.getByRole('menuitemcheckbox', { name: 'All at Haldreach' }).click();
  await expect(heads.filter({ hasText: 'All at Haldreach' })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Sides, 1 hidden' })).toBeVisible();
  await expect(heads.nth(2)).toContainText('A lean start');
  await heads.nth(2).click();
  await expect(page.getByRole('region', { name: 'A lean start' })).toContainText('Differs in');
  await page.getByText('Without what is included free').click();
  await expect(page.getByRole('region', { name: 'A lean start' })).toContainText(
    /Without what is included free “A lean start” would be .* below the design|makes no difference/,
  );
  await heads.nth(1).click();
  await expect(page.getByRole('heading', { name: 'The design', exact: true })).toBeVisible();
});

test('where everything stays is kept with the design, and named where it is left', async ({ page }) => {
  const design = await copyOfBooking(page);
  await page.goto(`${design}/alternatives?axis=regions`);
  await expect(page.getByRole('table')).toContainText('Osmere, Hudson');
  await page.getByRole('combobox', { name: 'data stays in' }).selectOption('Germany');
  await expect(page.getByRole('table')).not.toContainText('Osmere, Hudson');
  await expect(page.getByRole('table')).toContainText('Norvane, Elbe');
  await expect(page.getByTestId('answer')).toContainText('Elbe');
  await saved(page);
  await page.getByRole('link', { name: 'Checklist' }).click();
  await expect(page.getByText('Stands outside of where it has to stay').first()).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Everything stays in' })).toHaveValue('Germany');
});

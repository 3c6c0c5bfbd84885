/** An estate from its file to placements, side by side, and to a design. */
import ExcelJs from 'exceljs';
import { expect, saved, test } from './screen';

const HARBOUR = '/fleets/00000000-0000-4000-8000-000000000201';

/** A workbook as somebody keeps it: a title, machines, their disks on another sheet, a hidden old one, flaws. */
async function workbook(): Promise<Buffer> {
  const book = new ExcelJs.Workbook();
  book
    .addWorksheet('Boxes')
    .addRows([
      ['Inventory of the pier'],
      ['Box', 'Cores', 'RAM (GB)', 'CPU peak (%)', 'Memory peak (%)', 'Guest OS', 'Cluster'],
      ['pier-web-1', 4, 16, 20, 40, 'Linux', 'pier'],
      ['pier-web-2', 4, 16, 30, 50, 'Linux', 'pier'],
      ['pier-db', 16, 64, 10, 30, 'Linux', 'pier'],
      ['pier-old', 'many', 4, '', '', 'Linux', 'pier'],
    ]);
  book.addWorksheet('Disks').addRows([
    ['Box', 'Capacity (GiB)'],
    ['pier-web-1', 50],
    ['pier-web-1', 30],
    ['pier-db', 400],
  ]);
  const old = book.addWorksheet('Old');
  old.addRows([
    ['Box', 'Cores', 'RAM (GB)'],
    ['gone', 1, 1],
  ]);
  old.state = 'hidden';
  return Buffer.from(await book.xlsx.writeBuffer());
}

const FILE = { name: 'pier.xlsx', mimeType: 'application/octet-stream' };
const number = (text: string): number => Number(text.replace(/[^\d.]/g, ''));

test('a workbook becomes a fleet, a placement, a row of amounts and a design of the same sum, by keyboard alone', async ({
  page,
}) => {
  await page.goto('/fleets');
  await page.getByRole('button', { name: 'Bring in a fleet' }).press('Enter');
  await expect(page.getByRole('button', { name: 'Choose files' })).toBeEnabled();
  await page.getByLabel('Inventory files').setInputFiles({ ...FILE, buffer: await workbook() });
  const boxes = page.getByRole('region', { name: 'Columns of Boxes' });
  await expect(boxes).toBeVisible();
  await expect(page.getByText('Old (hidden sheet)')).toBeVisible();
  // Nobody knows what a box is: a person says it.
  await boxes.getByLabel('Box is taken for').selectOption({ label: 'Name' });
  await page.getByRole('region', { name: 'Columns of Disks' }).waitFor();
  await page.getByRole('button', { name: 'Read the machines' }).press('Enter');
  await expect(page.getByText('3 machines')).toBeVisible();
  await expect(page.getByText('1 row was left out')).toBeVisible();
  await expect(page.getByRole('cell', { name: '“many” is no number of nothing or more.' })).toBeVisible();
  await expect(page.getByText('Disks of 2 machines were added up.')).toBeVisible();
  await page.getByRole('button', { name: 'Keep the fleet' }).press('Enter');
  await expect(page.getByRole('grid', { name: 'Machines' })).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: 'pier-web-1' })).toContainText('80');

  await page.getByRole('link', { name: 'Placements' }).press('Enter');
  await page.getByRole('button', { name: 'New placement' }).press('Enter');
  await page.getByLabel('Name of the placement').fill('As used');
  await page.getByLabel('Name of the placement').press('Enter');
  await saved(page);
  await page.getByRole('button', { name: 'Copy' }).press('Enter');
  await page.getByLabel('Rule').selectOption('installed');
  await expect(page.getByText('Unlike “As used”: as installed')).toBeVisible();
  await saved(page);

  await page.getByRole('link', { name: 'Side by side' }).press('Enter');
  const cells = page.getByRole('button', { name: /^All machines under/ });
  await expect(cells).toHaveCount(2);
  const amounts = await Promise.all(
    [0, 1].map(async (at) => number((await cells.nth(at).getAttribute('aria-label')) ?? '')),
  );
  expect(amounts[0]).toBeLessThan(amounts[1]!);
  await cells.nth(0).press('Enter');
  const total = number(await page.getByTestId('cell-total').innerText());
  expect(total).toBe(amounts[0]);
  await page.getByRole('button', { name: 'Make a design of it' }).press('Enter');
  await page.waitForURL(/\/designs\//);
  await expect(page.getByTestId('total').locator('.double-line')).toBeVisible();
  await expect(async () => {
    expect(number(await page.getByTestId('total').locator('.double-line').innerText())).toBe(total);
  }).toPass();
});

test('machines are found by filters that have an address; what is kept of them is a group, and can be taken back', async ({
  page,
}) => {
  await page.goto(`${HARBOUR}?under=used`);
  await expect(page.getByText('164', { exact: true }).first()).toBeVisible();
  const before = number(await page.getByTestId('fleet-total').innerText());
  await page.getByLabel('Words of the machines').fill('ferry');
  await page.getByRole('button', { name: 'Filters' }).click();
  await page.getByLabel('Measured').selectOption('yes');
  await page.getByLabel('vCPU', { exact: true }).fill('4..');
  await page.getByLabel('vCPU', { exact: true }).press('Enter');
  await expect(page.getByTestId('filter-text')).toContainText('“ferry”; 4 or more vCPU; measured');
  await expect(page).toHaveURL(/words=ferry.*vcpu=4\.\..*measured=yes/);
  await expect(async () => {
    const now = number(await page.getByTestId('fleet-total').innerText());
    expect(now).toBeGreaterThan(0);
    expect(now).toBeLessThan(before / 3);
  }).toPass();
  const shown = number(await page.getByTestId('fleet-total').innerText());
  await page.reload();
  await expect(async () =>
    expect(number(await page.getByTestId('fleet-total').innerText())).toBe(shown),
  ).toPass();
  // The dearest first; the margin explains the one under the cursor.
  await page.getByRole('button', { name: 'A month' }).click();
  await expect(page).toHaveURL(/sort=amount&down=1/);
  await page.getByRole('grid', { name: 'Machines' }).focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('complementary')).toContainText('How it adds up under “Norvane, as used”');
  await page.getByRole('button', { name: 'Keep as a group' }).click();
  await page.getByLabel('Name of the group').fill('Large ferries');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await saved(page);
  await page.getByRole('link', { name: 'Groups' }).click();
  await expect(page.getByRole('rowheader', { name: 'Large ferries' })).toBeVisible();
  await expect(page.getByTestId('overlap')).toContainText('counted once');
  await page.getByRole('button', { name: 'Take Large ferries away' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('rowheader', { name: 'Large ferries' })).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('rowheader', { name: 'Large ferries' })).toBeVisible();
});

test('bringing in again says what is new, gone and changed, and refuses what is no inventory', async ({
  page,
}) => {
  await page.goto('/fleets/new?how=typed');
  await page.getByLabel('Name of the fleet').fill('Pontoon');
  await page.getByRole('group', { name: 'Row 1' }).getByLabel('How many').fill('3');
  await page.getByRole('button', { name: 'Make the machines' }).click();
  await page.getByRole('button', { name: 'Keep the fleet' }).click();
  await expect(page.getByRole('grid', { name: 'Machines' })).toBeVisible();
  await page.getByRole('link', { name: 'Bring in again' }).click();
  const choose = page.getByLabel('Inventory files');
  await expect(page.getByRole('button', { name: 'Choose files' })).toBeEnabled();
  await choose.setInputFiles({
    name: 'x.xlsx',
    mimeType: '',
    buffer: Buffer.from('PK\u0003\u0004 no workbook'),
  });
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was changed' })).toContainText(
    '“x.xlsx”: The workbook is cut off',
  );
  const csv =
    'Name;vCPU;Memory (GB);Disk set aside (GiB);OS\nLinux 4/16 1;4;16;100;Linux\nLinux 4/16 2;8;16;100;Linux\nnew;2;4;10;Linux\n';
  await choose.setInputFiles({ name: 'pontoon.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await page.getByRole('button', { name: 'Read the machines' }).click();
  await expect(page.getByText('Against what is there: 1 new, 1 gone, 1 changed.')).toBeVisible();
  await page.getByRole('button', { name: 'Replace the machines' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'new' })).toBeVisible();
  await page.goto('/fleets');
  await page.getByRole('row').filter({ hasText: 'Pontoon' }).getByRole('gridcell').first().click();
  await page.getByRole('button', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('row').filter({ hasText: 'Pontoon' })).toBeVisible();
});

test('what was read waits while one looks elsewhere; a report says the total of the best placement, on paper too', async ({
  page,
}) => {
  await page.goto('/fleets/new');
  await expect(page.getByRole('button', { name: 'Choose files' })).toBeEnabled();
  const csv = 'Name;vCPU;Memory (GB);OS\nbuoy-1;4;16;Linux\nbuoy-1;4;16;Linux\nbuoy-2;2;8;Linux\n';
  await page
    .getByLabel('Inventory files')
    .setInputFiles({ name: 'buoys.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await page.getByLabel('A machine that stands there again').selectOption('reduce');
  await page.getByRole('button', { name: 'Read the machines' }).click();
  await expect(page.getByText('2 machines')).toBeVisible();
  await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Price books' }).click();
  await page.getByRole('link', { name: 'buoys: 2 machines read, not kept yet' }).click();
  await page.getByRole('button', { name: 'Keep the fleet' }).click();
  await expect(page.getByRole('grid', { name: 'Machines' })).toBeVisible();
  await page.getByRole('link', { name: 'Report' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing to report yet' })).toBeVisible();

  await page.goto(`${HARBOUR}/report`);
  const total = number(await page.getByTestId('report-total').innerText());
  const best = page.getByRole('region', { name: 'Table: What would each group cost, placed how?' });
  await expect(best.getByRole('row').filter({ hasText: 'Own hosts at Haldreach' }).last()).toContainText(
    new RegExp(total.toFixed(2).replace(/^(\d+)(\d{3}\.)/, '$1.$2')),
  );
  await page.getByRole('button', { name: 'Export' }).click();
  const file = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: /^PDF/ }).click();
  expect((await file).suggestedFilename()).toMatch(/\.pdf$/);
});

test('who was overtaken is told, and loads the newest', async ({ page }) => {
  await page.goto('/fleets/new?how=typed');
  await page.getByLabel('Name of the fleet').fill('Overtaken');
  await page.getByRole('button', { name: 'Make the machines' }).click();
  await page.getByRole('button', { name: 'Keep the fleet' }).click();
  await page.getByRole('link', { name: 'Groups' }).click();
  const id = /fleets\/([\w-]+)/.exec(page.url())![1]!;
  const { plan, revision } = (await (await page.request.get(`/api/fleets/${id}`)).json()) as {
    readonly plan: object;
    readonly revision: number;
  };
  const other = { ...plan, groups: [{ id: 'theirs', name: 'Theirs', filter: {} }] };
  const put = await page.request.put(`/api/fleets/${id}`, {
    headers: { 'sec-fetch-site': 'same-origin' },
    data: { baseRevision: revision, plan: other },
  });
  expect(put.ok()).toBe(true);
  await page.getByRole('button', { name: 'New group' }).first().click();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Load the newest' }).click();
  await expect(page.getByRole('rowheader', { name: 'Theirs' })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Group 1' })).toHaveCount(0);
});

test('a group stands one by one in a design, each machine by its name', async ({ page }) => {
  await page.goto(`${HARBOUR}/matrix`);
  await page.getByRole('button', { name: /^Test systems under Norvane, as used/ }).click();
  const total = number(await page.getByTestId('cell-total').innerText());
  await page.getByRole('button', { name: 'One line a machine' }).click();
  await page.waitForURL(/\/designs\//);
  await expect(page.getByRole('gridcell', { name: 'print-04', exact: true })).toBeVisible();
  await expect(async () => {
    expect(number(await page.getByTestId('total').locator('.double-line').innerText())).toBe(total);
  }).toPass();
});

test('hosts say which machine is on which of them, and why there are so many', async ({ page }) => {
  await page.goto(`${HARBOUR}/matrix`);
  await page.getByRole('button', { name: /^Everything on the quay under Own hosts at Haldreach/ }).click();
  await expect(page.getByRole('complementary')).toContainText('unused');
  await page.getByRole('button', { name: 'Which is on which host' }).click();
  await expect(page.getByRole('dialog').getByRole('row').nth(1)).toContainText(/\d+ %/);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'The best mix' })).toContainText(/a month/);
});

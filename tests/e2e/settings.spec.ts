/** The margin's settings beyond count and amount: size, patterns, what one event carries, own charges. */
import { cell, COLUMN, edit, expect, freshDesign, openDesign, test, total } from './screen';

const base = {
  count: { likely: '1' },
  choice: { by: 'none' },
  running: { pattern: 'always' },
  usage: {},
  term: 'on-demand',
};
const PINS = {
  edit: 'pin-books',
  books: [
    { book: 'haldreach', revision: 2 },
    { book: 'norvane', revision: 2 },
  ],
};
const add = (component: object) => ({
  edit: 'add-component',
  section: 'section-1',
  index: 0,
  component: { ...base, ...component },
});

test('a size of one’s own, and a week with nights off', async ({ page }) => {
  const id = await freshDesign(page, 'Own size');
  const place = { book: 'haldreach', region: 'HR-SEV' };
  const server = {
    id: 'a',
    name: 'Own server',
    kind: 'server',
    place,
    choice: { by: 'sku', sku: 'HD-FREE' },
  };
  expect((await edit(page, `/designs/${id}`, [PINS, add(server)], 0)).status()).toBe(200);
  await openDesign(page, `/designs/${id}`);
  await expect(cell(page, 'Own server', COLUMN.what)).toContainText('The size is not set yet');
  await cell(page, 'Own server', COLUMN.name).click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await expect(margin).toContainText('The size is not set yet');
  const vcpu = margin.getByRole('group', { name: /^vCPU/ }).getByLabel('likely');
  await vcpu.fill('6');
  await vcpu.press('Enter');
  await expect.poll(() => total(page)).toBeGreaterThan(100);
  const always = await total(page);
  await margin.getByLabel('Pattern').selectOption('a drawn week');
  await expect.poll(() => total(page)).toBeCloseTo((always * 50) / 168, 0);
  await margin.getByLabel('Pattern').selectOption('asleep for a share of the month');
  await expect.poll(() => total(page)).toBeCloseTo(always * 0.4, 0);
  await expect(cell(page, 'Own server', COLUMN.use)).toContainText('asleep 0.6');
});

test('messages are billed in started pieces of their size', async ({ page }) => {
  const id = await freshDesign(page, 'Pieces');
  const place = { book: 'norvane', region: 'hudson-1' };
  const queue = { id: 'a', name: 'Messages', kind: 'queue', place, choice: { by: 'sku', sku: 'NV-POST' } };
  await edit(page, `/designs/${id}`, [PINS, add(queue)], 0);
  await openDesign(page, `/designs/${id}`);
  await cell(page, 'Messages', COLUMN.name).click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  const amount = margin.getByRole('group', { name: /^Messages/ }).getByLabel('likely');
  await amount.fill('10 million requests');
  await amount.press('Enter');
  await expect.poll(() => total(page)).toBeGreaterThan(3);
  const small = await total(page);
  await margin.getByText('Size of one', { exact: true }).click();
  const each = margin.getByRole('group', { name: /^Each/ }).getByLabel('likely');
  await each.fill('90');
  await each.press('Enter');
  // 90 KiB are two started pieces of 64: 20 million, of which 1 is included both times.
  await expect.poll(() => total(page)).toBeCloseTo((small / 9) * 19, 0);
});

test('an own line with its own charge', async ({ page }) => {
  const id = await freshDesign(page, 'Own line');
  await edit(page, `/designs/${id}`, [add({ id: 'a', name: 'Caretaker', kind: 'custom', place: null })], 0);
  await openDesign(page, `/designs/${id}`);
  await cell(page, 'Caretaker', COLUMN.name).click();
  const margin = page.getByRole('complementary', { name: 'Margin' });
  await margin.getByRole('button', { name: 'Add a charge' }).click();
  const price = margin.getByRole('textbox', { name: 'Price of one' });
  await price.fill('45');
  await price.press('Enter');
  await expect.poll(() => total(page)).toBe(45);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => total(page)).toBe(0);
});

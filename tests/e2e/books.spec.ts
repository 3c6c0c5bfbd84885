/** Price books: what there is, bringing another, and a faulty file that is refused whole. */
import fs from 'node:fs';
import { gzipSync } from 'node:zlib';
import { smallBookFile } from '../support/books';
import { expect, test } from './screen';

const upload = (name: string, file: unknown) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(JSON.stringify(file)),
});

test('lists revisions with date and number of rates', async ({ page }) => {
  await page.goto('/books');
  const rows = page.getByRole('row').filter({ hasText: 'Revision 2 · newest' });
  await expect(rows).toHaveCount(5);
  await expect(rows.first()).toContainText('2026-11-01');
  await expect(rows.first()).toContainText(/12.790/);
  await expect(page.getByRole('complementary')).toContainText('Skagerrak, Norway');
});

test('tells what a newer revision changed', async ({ page }) => {
  await page.goto('/books');
  await page.getByRole('button', { name: 'What changed since revision 1' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/Rates: \d+ added, \d+ gone, [\d\s]+ changed/);
  await expect(dialog.getByRole('row').nth(1)).toContainText(/(dearer|cheaper|changed)/);
});

test('exports a revision whole, and says so where the flat form would lose something', async ({ page }) => {
  await page.goto('/books');
  await page.getByRole('row').filter({ hasText: 'Pennybyre' }).click();
  await page.keyboard.press('ArrowDown');
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'JSON' }).click(),
  ]);
  expect(file.suggestedFilename()).toBe('pennybyre-2.json');
  const text = fs.readFileSync(await file.path(), 'utf8');
  expect((JSON.parse(text) as { rates: unknown[] }).rates.length).toBeGreaterThan(60);
  const csv = await page.request.get('/api/books/pennybyre/2/export?form=csv');
  expect(csv.status()).toBe(422);
  expect(await csv.text()).toContain('Take the JSON form');
});

test('takes in exchange rates as CSV, all or none', async ({ page }) => {
  await page.goto('/books');
  await page.getByRole('button', { name: 'Exchange rates' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('1 EUR in USD');
  const csv = (text: string) => ({ name: 'rates.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await dialog
    .getByLabel('Exchange rate file')
    .setInputFiles(csv('date,from,to,rate\n2026-12-01,EUR,USD,0\n'));
  await expect(dialog).toContainText('line 2');
  await dialog
    .getByLabel('Exchange rate file')
    .setInputFiles(csv('date,from,to,rate\n2026-12-01,EUR,USD,1.11\n'));
  await expect(dialog).toContainText('2026-12-01');
});

test('imports a book, refuses the same revision again, and offers it in designs', async ({ page }) => {
  await page.goto('/books');
  const file = smallBookFile();
  file.book = { ...file.book, key: 'imported', title: 'Imported book' };
  await page.getByLabel('Price book file').setInputFiles({
    ...upload('imported.json.gz', file),
    buffer: gzipSync(JSON.stringify(file)),
  });
  await expect(page.getByText(/Imported book, revision 3: 18 rates are published/)).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: 'Imported book' })).toBeVisible();

  await page.getByLabel('Price book file').setInputFiles(upload('imported.json', file));
  await expect(page.getByRole('dialog')).toContainText('a published revision never changes');
});

test('a faulty file is refused whole, with its faults by path', async ({ page }) => {
  await page.goto('/books');
  const before = await page.getByRole('row').count();
  const file = smallBookFile();
  file.book.key = 'faulty';
  file.rates[1]!.charge = { structure: 'per-unit', price: '-4' };
  file.rates[2]!.unit = 'barrel';
  await page.getByLabel('Price book file').setInputFiles(upload('faulty.json', file));
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('The price book has 2 faults. Nothing was imported.');
  await expect(dialog).toContainText('rates[1].charge.price');
  await expect(dialog).toContainText('must not be negative');
  await expect(dialog).toContainText('rates[2].unit');
  await page.reload();
  expect(await page.getByRole('row').count()).toBe(before);
});

test('what is no price book at all is refused with a sentence', async ({ page }) => {
  await page.goto('/books');
  await page.getByLabel('Price book file').setInputFiles({
    name: 'list.csv',
    mimeType: 'application/json',
    buffer: Buffer.from('price,unit\n1,GB'),
  });
  await expect(page.getByRole('dialog')).toContainText('these columns are missing');
});

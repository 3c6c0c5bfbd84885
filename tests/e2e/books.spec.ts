/** Price books: what there is, bringing another, and a faulty file that is refused whole. */
import { smallBookFile } from '../support/books';
import { expect, test } from './screen';

const upload = (name: string, file: unknown) => ({
  name,
  mimeType: 'application/json',
  buffer: Buffer.from(JSON.stringify(file)),
});

test('lists revisions with date and number of rates', async ({ page }) => {
  await page.goto('/books');
  const row = page.getByRole('row').filter({ hasText: 'Revision 2 · newest' }).first();
  await expect(row).toContainText('2026-11-01');
  await expect(row).toContainText('3 081');
  await expect(page.getByRole('complementary')).toContainText('Skagerrak, Norway');
});

test('imports a book, refuses the same revision again, and offers it in designs', async ({ page }) => {
  await page.goto('/books');
  const file = smallBookFile();
  file.book = { ...file.book, key: 'imported', title: 'Imported book' };
  await page.getByLabel('Price book file').setInputFiles(upload('imported.json', file));
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

test('what is not JSON at all is refused with a sentence', async ({ page }) => {
  await page.goto('/books');
  await page.getByLabel('Price book file').setInputFiles({
    name: 'list.json',
    mimeType: 'application/json',
    buffer: Buffer.from('price,unit\n1,GB'),
  });
  await expect(page.getByRole('dialog')).toContainText('The file is not valid JSON');
});

/** Bare rates side by side: from Prices, and at the height of a design. */
import { bareRates, measuresOf, ownQuantities } from '@/features/unit-prices/calc';
import { indexBook } from '@/engine/books';
import { writeMoney } from '@/platform/words';
import { bookSet, createPricer } from '@/engine/pricing';
import { DEMO_DESIGNS } from '@/demo/designs';
import { DEMO_REVISIONS, generateBook } from '@/demo/generate-book';
import { DEMO_PROFILES } from '@/demo/profiles';
import { toBookData } from '@/features/price-books/format/price-book';
import { BOOKING, expect, test } from './screen';

const REVISION = DEMO_REVISIONS[DEMO_REVISIONS.length - 1]!;

test('what leaves a provider is read at ten terabytes, with its source, and without what is included', async ({
  page,
}) => {
  await page.goto('/prices');
  await page.getByRole('link', { name: 'Bare rates side by side' }).click();
  const norvane = page.getByRole('button', { name: /^Data transfer out at Norvane/ });
  await expect(norvane).toContainText('included free');
  await page.getByRole('combobox', { name: 'data' }).selectOption({ label: '10 TB' });
  await expect(norvane).not.toContainText('included free');
  await norvane.click();
  const margin = page.getByRole('region', { name: 'Data transfer out' });
  await expect(margin).toContainText('Norvane book r2');
  const withFree = await norvane.innerText();
  await page.getByRole('checkbox', { name: 'count what is included free' }).uncheck();
  await expect(norvane).not.toHaveText(withFree);
  // Of one area only, somebody else's region stands there.
  await page.getByRole('combobox', { name: 'sold in' }).selectOption('Germany');
  await expect(norvane).toContainText('Elbe');
});

test('a design reads them at its own height, and gets what the core says', async ({ page }) => {
  const design = DEMO_DESIGNS[0]!;
  const books = bookSet(
    DEMO_PROFILES.map((profile) => indexBook(toBookData(generateBook(profile, REVISION)))),
  );
  const pinned = design.books.flatMap(({ book, revision }) => books.get(book, revision) ?? []);
  const measure = measuresOf(pinned, {
    data: '100',
    requests: '1000000',
    byKind: ownQuantities(design),
  }).find(({ key }) => key === 'transfer-out')!;
  const { alternatives: _, ...around } = design;
  const { rates } = bareRates(measure, { around, books: pinned, pricer: createPricer(books) });
  await page.goto(`${BOOKING}/alternatives`);
  await page.getByRole('link', { name: 'Bare rates' }).click();
  await expect(page).toHaveURL(/\/rates$/);
  await expect(page.getByRole('rowheader', { name: /^Data transfer out/ })).toContainText('11 600 GB');
  for (const book of ['norvane', 'osmere', 'haldreach']) {
    const { amount } = rates.find((each) => each.book === book)!;
    const cell = page.getByRole('button', { name: new RegExp(`^Data transfer out at ${book}`, 'i') });
    await expect(cell).toContainText(writeMoney(amount!, around.currency));
  }
  // Where the design has no exchange rate, it is said and no amount is made up.
  await page.getByRole('button', { name: /^A vCPU for a month at Pennybyre/ }).click();
  await expect(page.getByRole('region', { name: 'A vCPU for a month' })).toContainText(/exchange rate/);
});

test('it is worked without a mouse', async ({ page }) => {
  await page.goto('/prices/bare');
  const first = page.getByRole('button', { name: /^A vCPU for a month at/ }).first();
  await first.focus();
  await page.keyboard.press('Enter');
  await expect(first).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Space');
  await expect(first).toHaveAttribute('aria-pressed', 'false');
});

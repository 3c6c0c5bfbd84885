/** `wick rates`: bare rates side by side, of books alone or at the height of a design. */
import { bareRates, type MeasuredRates, measuresOf, ownQuantities } from '@/features/unit-prices/calc';
import { parseDecimal } from '@/engine/base';
import type { PriceBook } from '@/engine/books';
import type { Design } from '@/engine/design';
import { bareTable } from '@/features/unit-prices/words';
import { bookSet, createPricer } from '@/engine/pricing';
import { DEFAULT_MONTH } from '@/engine/time';
import { isWithin } from '@/engine/moving';
import { invalid } from '@/platform/use/app-error';
import { indexedBooks, readDesignFile } from './files';
import type { Call } from './options';
import { namesOf, writeTable } from './table-output';

/** 0: done. What has no price says so in its cell. */
export async function ratesCommand(call: Call): Promise<number> {
  // What is said wrongly is refused before books are read, which takes seconds.
  const given = { data: amount(call, 'data', '100'), requests: amount(call, 'requests', '1000000') };
  const read = await indexedBooks(call.all('books'));
  const books = bookSet(read);
  const file = call.given[0];
  const design = file === undefined ? surroundings(read) : readDesignFile(file);
  const free = !call.has('without-free');
  const assumptions = { ...design.assumptions, ...(free ? {} : { countAllowances: false }) };
  const around: Design = { ...design, assumptions };
  const pinned = around.books.flatMap(({ book, revision }) => books.get(book, revision) ?? []);
  const quantities = {
    ...given,
    ...(file === undefined ? {} : { byKind: ownQuantities(design) }),
  };
  const asked = { around, books: pinned, pricer: createPricer(books) };
  const within = call.one('within');
  const measured = measuresOf(pinned, quantities)
    .map((measure) => bareRates(measure, asked))
    .map((each) => inside(each, within));
  if (within !== undefined && measured.every(({ rates }) => rates.length === 0)) {
    throw invalid(`No book has a region in “${within}”; --within takes a country or an area.`);
  }
  await writeTable(call, bareTable(measured, around, namesOf(around, books)), measured);
  return 0;
}

function inside({ measure, rates }: MeasuredRates, within: string | undefined): MeasuredRates {
  return {
    measure,
    rates: within === undefined ? rates : rates.filter((rate) => isWithin(rate, within)),
  };
}

function amount(call: Call, option: 'data' | 'requests', otherwise: string): string {
  const text = call.one(option);
  if (text === undefined) return otherwise;
  const read = parseDecimal(text);
  if (read.ok && read.value.greaterThan(0)) return read.value.toString();
  throw invalid(`--${option} takes a number above zero.`);
}

/** The newest revision of each book, in the currency that most of them have. */
function surroundings(books: readonly PriceBook[]): Design {
  const newest = new Map<string, PriceBook>();
  for (const book of books) {
    if ((newest.get(book.key)?.revision ?? -1) < book.revision) newest.set(book.key, book);
  }
  const all = [...newest.values()];
  const count = (currency: string): number => all.filter((each) => each.currency === currency).length;
  const [currency = 'USD'] = all.map((each) => each.currency).sort((a, b) => count(b) - count(a));
  return {
    title: 'Bare rates',
    description: '',
    currency,
    assumptions: { month: DEFAULT_MONTH, countAllowances: true, exchange: [] },
    books: all.map(({ key, revision }) => ({ book: key, revision })),
    sections: [],
  };
}

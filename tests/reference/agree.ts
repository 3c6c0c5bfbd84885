/** Holds the core against the reference, amount by amount, and makes what differs small enough to read. */
import { priceMonths } from '@/engine/analysis';
import type { Decimal } from '@/engine/base';
import { indexBook } from '@/engine/books';
import { allComponents, type Component, type Design } from '@/engine/design';
import {
  type BookSet,
  bookSet,
  type PricedDesign,
  type PricedLine,
  planOf,
  priceDesign,
} from '@/engine/pricing';
import { CASES, type Case } from '@/engine/usage';
import { type PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { toBookData } from '@/features/price-books/format/price-book';
import { Fraction } from './fraction';
import type { Mixed } from './mixed-design';
import { referenceMonths } from './months';
import { referencePrice, type ReferenceLine, type ReferencePriced } from './price';

/** Both agree to this part of the amount: the core carries 34 digits, the reference all of them. */
const CLOSE = Fraction.of('0.000000000000000000001');

export interface Difference {
  readonly where: string;
  readonly core: string;
  readonly reference: string;
}

export function booksOf(files: readonly PriceBookFile[]): BookSet {
  return bookSet(files.map((file) => indexBook(toBookData(file))));
}

const isClose = (core: Decimal, reference: Fraction): boolean => {
  const [a, b] = [Fraction.of(core.toFixed(50)), reference];
  const off = a.minus(b);
  const size = b.above < 0n ? Fraction.of(0).minus(b) : b;
  const distance = off.above < 0n ? Fraction.of(0).minus(off) : off;
  return distance.compare(CLOSE.times(size.plus(Fraction.of(1)))) <= 0;
};

export function compareAmount(where: string, core: Decimal, reference: Fraction): Difference[] {
  return isClose(core, reference) ? [] : [{ where, core: core.toFixed(20), reference: reference.toText(20) }];
}

function compareLine(where: string, core: PricedLine, reference: ReferenceLine | null): Difference[] {
  if (core.status === 'unpriced') {
    const why = core.issues.map((each) => each.code).join(' ');
    return reference ? [{ where, core: `unpriced: ${why}`, reference: reference.monthly.toText(10) }] : [];
  }
  if (!reference) return [{ where, core: core.monthly.value.toFixed(10), reference: 'unpriced' }];
  return [
    ...compareAmount(`${where} monthly`, core.monthly.value, reference.monthly),
    ...compareAmount(`${where} list`, core.list.value, reference.list),
    ...compareAmount(`${where} resale`, core.resale.value, reference.resale),
    ...compareAmount(`${where} recurring`, core.recurring, reference.recurring),
    ...compareAmount(`${where} upfront`, core.upfront, reference.upfront),
    ...compareAmount(`${where} once`, core.once, reference.once),
  ];
}

export function compareDesigns(which: Case, core: PricedDesign, reference: ReferencePriced): Difference[] {
  const lines = core.sections.flatMap((section) => section.lines);
  return [
    ...lines.flatMap((line) =>
      compareLine(`${which} ${line.id}`, line, reference.lines.get(line.id) ?? null),
    ),
    ...compareAmount(`${which} total`, core.monthly.value, reference.monthly),
    ...compareAmount(`${which} list`, core.list, reference.list),
    ...compareAmount(`${which} resale`, core.resale, reference.resale),
    ...compareAmount(`${which} gross`, core.gross.value, reference.gross),
    ...compareAmount(`${which} recurring`, core.recurring, reference.recurring),
    ...compareAmount(`${which} upfront`, core.upfront, reference.upfront),
  ];
}

/** The usual month, in the given cases. */
export function differences({ design, books }: Mixed, cases: readonly Case[] = CASES): Difference[] {
  const set = booksOf(books);
  return cases.flatMap((which) =>
    compareDesigns(which, priceDesign(design, set, which), referencePrice(design, books, which)),
  );
}

/** What compares and what leaves in each of the months. */
export function monthDifferences(
  { design, books }: Mixed,
  horizon: number,
  which: Case = 'likely',
): Difference[] {
  const core = priceMonths(planOf(design, booksOf(books)), which, horizon);
  return referenceMonths(design, books, which, horizon).flatMap((month, at) => [
    ...compareAmount(`month ${at + 1} compares`, core.rows[at]!.monthly, month.monthly),
    ...compareAmount(`month ${at + 1} cash`, core.rows[at]!.cash, month.cash),
  ]);
}

/** Takes away whatever the difference does not need. */
export function shrunk(found: Mixed, differs: (mixed: Mixed) => boolean): Mixed {
  let best = found;
  for (let again = true; again;) {
    again = false;
    for (const design of smaller(best.design)) {
      const candidate = { ...best, design };
      if (!differs(candidate)) continue;
      best = candidate;
      again = true;
      break;
    }
  }
  return { ...best, books: best.books.map((book) => onlyUsed(book, best.design)) };
}

function* smaller(design: Design): Generator<Design> {
  for (const { id } of allComponents(design)) {
    yield withComponents(design, (component) => (component.id === id ? null : component));
  }
  for (const { id } of design.agreements ?? []) {
    yield { ...design, agreements: design.agreements!.filter((each) => each.id !== id) };
  }
  for (const field of Object.keys(design.assumptions)) {
    if (['month', 'countAllowances', 'exchange'].includes(field)) continue;
    const { [field as 'tax']: _, ...assumptions } = design.assumptions;
    yield { ...design, assumptions: assumptions as Design['assumptions'] };
  }
  if (design.assumptions.month.hours !== '730') {
    yield { ...design, assumptions: { ...design.assumptions, month: { hours: '730' } } };
  }
  for (const { id, kind } of allComponents(design)) {
    const change = (part: Partial<Component>): Design =>
      withComponents(design, (each) => (each.id === id ? { ...each, ...part } : each));
    const component = allComponents(design).find((each) => each.id === id)!;
    if (component.count.likely !== '1' || component.count.lean) yield change({ count: { likely: '1' } });
    for (const field of ['months', 'allocated', 'licences', 'later', 'committed'] as const) {
      if (component[field] != null) yield change({ [field]: null });
    }
    if (component.running.pattern !== 'always') yield change({ running: { pattern: 'always' } });
    if (component.term !== 'on-demand' && kind === 'server') yield change({ term: 'on-demand' });
    if (component.load?.peak) yield change({ load: { ...component.load, peak: null } });
    for (const meter of Object.keys(component.usage)) {
      const { [meter]: entry, ...rest } = component.usage;
      yield change({ usage: rest });
      const { keptDays: _, ...kept } = entry!;
      if (entry!.keptDays) yield change({ usage: { ...component.usage, [meter]: kept } });
    }
  }
}

function withComponents(design: Design, change: (component: Component) => Component | null): Design {
  return {
    ...design,
    sections: design.sections.map((section) => ({
      ...section,
      components: section.components.flatMap((each) => change(each) ?? []),
    })),
  };
}

function onlyUsed(book: PriceBookFile, design: Design): PriceBookFile {
  const here = allComponents(design).filter((each) => each.place?.book === book.book.key);
  if (here.some(({ choice }) => choice.by === 'cheapest')) return book;
  const skus = new Set(here.flatMap(({ choice }) => (choice.by === 'sku' ? [choice.sku] : [])));
  for (const offer of book.offers)
    if (skus.has(offer.sku)) for (const grant of offer.grants ?? []) skus.add(grant.sku);
  const regions = new Set(here.map(({ place }) => place!.region));
  const rates = book.rates.filter((rate) => skus.has(rate.sku) && regions.has(rate.region));
  const offers = book.offers.filter(({ sku }) => skus.has(sku));
  return offers.length > 0 && rates.length > 0 ? { ...book, offers, rates } : book;
}

/** Files that `wick price` takes, and what differs. */
export function reported(found: Mixed, rows: readonly Difference[]): string {
  return [
    `seed ${found.seed}`,
    ...rows.slice(0, 6).map((row) => `${row.where}: core ${row.core}, reference ${row.reference}`),
    'design.json:',
    JSON.stringify({ format: 'wick-design', version: 1, design: found.design }),
    ...found.books.flatMap((book) => [`books/${book.book.key}.json:`, JSON.stringify(book)]),
  ].join('\n');
}

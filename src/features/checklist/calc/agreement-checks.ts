/** Rules over what was negotiated and over exchange rates: what cannot hold, or holds otherwise than it looks. */
import { KINDS, kindOf, meterOfKind } from '@/engine/books';
import { allComponents, type Design } from '@/engine/design';
import type { Agreement } from '@/engine/terms';
import type { Check, Found } from './model';

const CATEGORIES: ReadonlySet<string> = new Set(KINDS.map((kind) => kind.serviceCategory));

function faultOf(agreement: Agreement, design: Design): string | null {
  const { name, covers, from, to } = agreement;
  const { start } = design.assumptions;
  const day = start ? `${start}-01` : null;
  if (!day && (from ?? to)) {
    return `“${name}” has dates and the design has no first month, so whether it holds cannot be judged; it is counted.`;
  }
  if (day && to && to < day)
    return `“${name}” is over since ${to}, before the design begins; it changes nothing.`;
  if (day && from && from > day) return `“${name}” begins on ${from}; the usual month is counted without it.`;
  const pinned = new Set(design.books.map((pin) => pin.book));
  const strange = covers.books.filter((book) => !pinned.has(book));
  if (strange.length > 0) return `“${name}” covers ${strange.join(', ')}, which this design does not use.`;
  const unknown = covers.categories.filter((category) => !CATEGORIES.has(category));
  if (unknown.length > 0) return `“${name}” covers a category that does not exist: ${unknown.join(', ')}.`;
  return meterFault(agreement, design);
}

/** A price of a meter by which nothing that it covers is charged. */
function meterFault({ name, covers, discount }: Agreement, design: Design): string | null {
  if (!discount || discount.by === 'share') return null;
  const within = (list: readonly string[], value: string): boolean =>
    list.length === 0 || list.includes(value);
  const covered = allComponents(design).filter(
    ({ kind, place, choice }) =>
      place &&
      within(covers.books, place.book) &&
      within(covers.kinds, kind) &&
      within(covers.categories, kindOf(kind).serviceCategory) &&
      (choice.by !== 'sku' || within(covers.skus, choice.sku)),
  );
  if (covered.some(({ kind }) => meterOfKind(kind, discount.meter))) return null;
  return `“${name}” fixes a price of ${discount.meter}, by which nothing that it covers here is charged; it changes nothing.`;
}

export const agreementsThatCannotHold: Check = {
  check: 'agreement-cannot-hold',
  title: 'An agreement that may not hold',
  reason: 'What was negotiated counts only while it runs, and only for what it covers.',
  find: ({ design }) =>
    (design.agreements ?? []).flatMap((agreement): Found[] => {
      const says = faultOf(agreement, design);
      return says ? [{ subject: '', says, remedy: null }] : [];
    }),
};

export const severalExchangeRates: Check = {
  check: 'several-exchange-rates',
  title: 'Several exchange rates of one pair',
  reason: 'One rate of a pair counts: the newest that is not after the first month.',
  find: ({ design }) => {
    const byPair = new Map<string, string[]>();
    for (const { from, to, date } of design.assumptions.exchange) {
      const pair = [from, to].sort().join(' and ');
      byPair.set(pair, [...(byPair.get(pair) ?? []), date]);
    }
    return [...byPair].flatMap(([pair, dates]): Found[] => {
      if (dates.length < 2) return [];
      const says = `Between ${pair} there are ${dates.length} rates, of ${[...dates].sort().join(' and ')}; one of them counts.`;
      return [{ subject: '', says, remedy: null }];
    });
  },
};

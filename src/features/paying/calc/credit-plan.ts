/**
 * How much credit to prepay. Within a band the month is straight up to what is used and rises beyond it, so the best
 * amount is where a band begins or what is used: each is priced by the engine, for every term, in every case. A larger
 * credit may cost less than a smaller one. Needs E10 to E12.
 */
import { addAll, type Decimal, decimal, Decimal as Decimals, ONE, ZERO } from '@/engine/base';
import { kindOf, type Offer, type PriceBook, roleOf } from '@/engine/books';
import { allComponents, anyOfKind, type Component, type Design, type DesignEdit } from '@/engine/design';
import type { DesignPlan, PricedDesign } from '@/engine/pricing';
import { rateCard } from '@/engine/rating';
import { TERMS, type Term } from '@/engine/terms';
import { type Case, CASES } from '@/engine/usage';
import { byCase } from './by-case';
import type { ByCase, CreditPlan, CreditRow } from './model';
import { CENT, overUse } from './credit-use';
import { leastRegret } from './regret';

const TRIED = 'credit-plan';

/** A credit or a spend commitment that a pinned book sells. */
export interface SoldAhead extends CreditWish {
  readonly name: string;
  readonly terms: readonly Term[];
}

export interface CreditWish {
  readonly book: string;
  readonly region: string;
  readonly sku: string;
}

interface Candidate {
  readonly term: Term;
  readonly credit: Decimal;
  readonly why: CreditRow['why'];
}

/**
 * Null: the offer is not sold as credit under any term. Credit of the book that is there already stays, and counts first.
 *
 * @example
 * creditPlan(plan, { book: 'small', region: 'severn', sku: 'A-4' }); // => null
 */
export function creditPlan(plan: DesignPlan, wish: CreditWish): CreditPlan | null {
  const { design, pricer } = plan;
  const pin = design.books.find(({ book }) => book === wish.book);
  const book = pin && pricer.books.get(pin.book, pin.revision);
  const offer = book?.offer(wish.sku);
  if (!book || !offer || roleOf(offer.kind) !== 'prepaid-credit') return null;
  const terms = TERMS.filter((term) => rateCard(book, offer, wish.region).rate('credit', term) !== undefined);
  const cases = byCase((which) => pricer.price(plan, { case: which }));
  const most = Decimals.max(...CASES.map((which) => payableOf(cases[which], book.key)));
  const price = ({ term, credit }: Pick<Candidate, 'term' | 'credit'>) => {
    const tried = pricer.plan(withCredit(design, wish, term, credit.toString()), plan);
    return byCase((which) => pricer.price(tried, { case: which }));
  };
  const used = new Map(terms.map((term) => [term, usesOf(cases, (credit) => price({ term, credit }))]));
  const candidates = terms.flatMap((term): Candidate[] => [
    ...edgesOf(book, offer, wish.region, term)
      .filter((edge) => edge.lessThan(most.times(3)))
      .map((edge) => ({ term, credit: edge.plus(CENT), why: 'band' as const })),
    ...distinct(used.get(term)!).map((credit) => ({ term, credit, why: 'use' as const })),
  ]);
  const none = { term: 'on-demand' as const, credit: '0', why: 'none' as const, unused: null };
  const priced = candidates.map((candidate) => ({ candidate, cases: price(candidate) }));
  const rows: { readonly row: CreditRow; readonly amounts: Readonly<Record<Case, Decimal>> }[] = [
    { row: { ...none, amounts: texts(cases) }, amounts: monthsOf(cases) },
    ...priced.map(({ candidate: { term, credit, why }, cases: at }) => ({
      row: {
        term,
        credit: credit.toString(),
        why,
        amounts: texts(at),
        unused: unusedOf(credit, used.get(term)!.likely),
      },
      amounts: monthsOf(at),
    })),
  ];
  rows.sort((a, b) => order(a.row) - order(b.row) || Number(a.row.credit) - Number(b.row.credit));
  const { best, calm } = leastRegret(rows.map(({ amounts }) => amounts));
  const chosen = [...new Set([calm, best.lean, best.likely, best.heavy])]
    .map((at) => rows[at]!.row)
    .filter(({ why }) => why !== 'none');
  return {
    currency: design.currency,
    book: wish.book,
    use: payableOf(cases.likely, book.key).toString(),
    rows: rows.map(({ row }) => row),
    best,
    calm,
    jumps: jumpsOf(rows.map(({ row }) => row)),
    overUse: overUse(chosen, {
      alone: (term, credit) => aloneCosts(plan, wish, term, credit),
      within: (term, credit) => price({ term, credit: decimal(credit) }).likely.monthly.value,
      used: (term) => {
        const { likely, heavy } = used.get(term)!;
        return { use: likely, heavy, rest: cases.likely.monthly.value.minus(likely) };
      },
    }),
  };
}

/** A credit with nothing to pay: all of it is unused, so that its line is its price. */
function aloneCosts({ design, pricer }: DesignPlan, wish: CreditWish, term: Term, credit: string): Decimal {
  const { sections } = withCredit(design, wish, term, credit);
  const alone = { ...design, alternatives: [], sections: sections.slice(-1) };
  return pricer.price(pricer.plan(alone), { case: 'likely' }).monthly.value;
}

const order = ({ term }: CreditRow): number => TERMS.indexOf(term);

const monthsOf = (cases: ByCase<PricedDesign>) => byCase((which) => cases[which].monthly.value);
const texts = (cases: ByCase<PricedDesign>): ByCase<string> =>
  byCase((which) => cases[which].monthly.value.toString());

/** Where a band ends, the next begins: just above. */
function edgesOf(book: PriceBook, offer: Offer, region: string, term: Term): Decimal[] {
  const charge = rateCard(book, offer, region).rate('credit', term)?.charge;
  if (!charge || !('tiers' in charge)) return [];
  return charge.tiers.flatMap(({ upTo }) => upTo ?? []);
}

/** What a credit of the book may pay in a month, about: the lines of it that credit pays. */
function payableOf({ sections }: PricedDesign, book: string): Decimal {
  return addAll(
    sections.flatMap(({ lines }) =>
      lines.flatMap((line) =>
        line.status === 'priced' && line.book?.key === book && kindOf(line.kind).paidByCredit
          ? [line.inBook.value]
          : [],
      ),
    ),
  );
}

/**
 * What is used, exactly: a credit far above it costs its price and leaves the rest as it is. Two of them tell the price.
 * Without a currency of its own the design's month moves by as much.
 */
function usesOf(
  cases: ByCase<PricedDesign>,
  price: (credit: Decimal) => ByCase<PricedDesign>,
): ByCase<Decimal> {
  const far = Decimals.max(ONE, ...CASES.map((which) => cases[which].monthly.value))
    .times(1000)
    .toDecimalPlaces(0);
  const [one, two] = [price(far), price(far.times(2))];
  return byCase((which) => {
    const each = two[which].monthly.value.minus(one[which].monthly.value).dividedBy(far);
    const rest = one[which].monthly.value.minus(each.times(far));
    return cases[which].monthly.value.minus(rest).toDecimalPlaces(2, Decimals.ROUND_UP);
  });
}

function distinct(uses: ByCase<Decimal>): Decimal[] {
  const found = new Map(CASES.map((which) => [uses[which].toString(), uses[which]]));
  return [...found.values()].filter((each) => each.greaterThan(0));
}

/** The share of a credit beyond what is used. */
function unusedOf(credit: Decimal, used: Decimal): string {
  return Decimals.max(ZERO, ONE.minus(used.dividedBy(credit)))
    .toDecimalPlaces(4)
    .toString();
}

/** In one term: a larger credit that costs less than one of what is used. */
function jumpsOf(rows: readonly CreditRow[]): CreditPlan['jumps'] {
  return rows.flatMap((row, from) => {
    if (row.why !== 'use' || row.amounts.likely === null) return [];
    const to = rows.findIndex(
      (each, at) =>
        at > from &&
        each.term === row.term &&
        each.amounts.likely !== null &&
        decimal(each.amounts.likely).lessThan(row.amounts.likely!),
    );
    return to < 0 ? [] : [{ from, to }];
  });
}

function withCredit(design: Design, wish: CreditWish, term: Term, credit: string): Design {
  const { alternatives: _, ...own } = design;
  const section = { id: `${TRIED}-section`, name: '', components: [creditLine(wish, term, credit, TRIED)] };
  return { ...own, sections: [...own.sections, section] };
}

function creditLine({ book, region, sku }: CreditWish, term: Term, credit: string, id: string): Component {
  return {
    ...anyOfKind('prepaid-credit', { book, region }, id),
    name: 'Prepaid credit',
    choice: { by: 'sku', sku },
    term,
    usage: { credit: { amount: { likely: credit }, unit: 'money' } },
  };
}

/**
 * The edits that take an amount on: a line of its own, in the last section.
 *
 * @example
 * takeOnCredit(design, { book: 'small', region: 'severn', sku: 'PURSE' }, '12-none', '900', 'new')[0]!.edit; // => 'add-component'
 */
export function takeOnCredit(
  design: Design,
  wish: CreditWish,
  term: Term,
  credit: string,
  id: string,
): DesignEdit[] {
  const section = design.sections[design.sections.length - 1];
  if (!section) return [];
  const component = creditLine(wish, term, credit, id);
  return [{ edit: 'add-component', section: section.id, index: section.components.length, component }];
}

/**
 * Credits and spend commitments that the pinned books sell where the design is.
 *
 * @example
 * soldAhead(plan, 'prepaid-credit'); // => []
 */
export function soldAhead(
  { design, pricer }: DesignPlan,
  kind: 'prepaid-credit' | 'spend-commitment',
): SoldAhead[] {
  const meter = kind === 'prepaid-credit' ? 'credit' : 'committed';
  const places = new Map(
    allComponents(design).flatMap(({ place }) =>
      place ? [[`${place.book}\n${place.region}`, place] as const] : [],
    ),
  );
  const seen = new Set<string>();
  return [...places.values()].flatMap(({ book: key, region }) => {
    const pin = design.books.find(({ book }) => book === key);
    const book = pin && pricer.books.get(pin.book, pin.revision);
    if (!book) return [];
    const offers = book.soldIn(region, kind).filter(({ sku }) => !seen.has(`${key}\n${sku}`));
    for (const { sku } of offers) seen.add(`${key}\n${sku}`);
    return offers.map((offer) => ({
      book: key,
      region,
      sku: offer.sku,
      name: offer.name,
      terms: TERMS.filter((term) => rateCard(book, offer, region).rate(meter, term) !== undefined),
    }));
  });
}

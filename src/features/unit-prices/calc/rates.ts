/**
 * Bare rates side by side: what one thing costs everywhere, by the same engine as a design, each alone, so that tiers,
 * started blocks and what is included count as they would for somebody who buys nothing else.
 */
import { decimal, type Decimal, type Issue } from '@/engine/base';
import type { PriceBook } from '@/engine/books';
import { anyOfKind, type Component, type Design } from '@/engine/design';
import type { Pricer } from '@/engine/pricing';
import { linesFor, MEASURED_KINDS, type Measure } from './measures';

export interface BareRate {
  readonly book: string;
  readonly region: string;
  readonly country: string;
  readonly area: string | null;
  /** For the measure's quantity, in the design's currency, exact; null: there is no price. */
  readonly amount: string | null;
  /** Of one unit, to twelve digits; null where there is no amount. */
  readonly each: string | null;
  readonly offer: string | null;
  /** Whether it costs nothing while nobody asks. */
  readonly sleeps: boolean;
  /** The line that was priced, for its trace; null: nothing of the kind is sold there. */
  readonly line: Component | null;
  /** Why there is no amount; null: there is one, or nothing of the kind is sold there. */
  readonly why: Issue | null;
}

export interface MeasuredRates {
  readonly measure: Measure;
  /** Every region of every book, cheapest first; those without a price last. */
  readonly rates: readonly BareRate[];
}

/** `around` gives currency, month, exchange rates, allowances and the pinned books; its lines are not read. */
export interface BareQuestion {
  readonly around: Design;
  readonly books: readonly PriceBook[];
  readonly pricer: Pricer;
}

/**
 * @example
 * const [vcpu] = measuresOf([book], { data: '100', requests: '1000000' });
 * const asked = { around: design, books: [book], pricer: createPricer(books) };
 * bareRates(vcpu!, asked).rates.find(({ region }) => region === 'severn')?.amount; // => '17.3375'
 */
export function bareRates(measure: Measure, asked: BareQuestion): MeasuredRates {
  const rates = asked.books.flatMap((book) =>
    book.regions.map(({ code, country, area }): BareRate => ({
      ...{ book: book.key, region: code, country, area: area ?? null },
      ...cheapest(measure, linesFor(measure, book, code), asked),
    })),
  );
  return { measure, rates: rates.sort(byAmount) };
}

/**
 * What has to be at hand: each measured kind that a book sells, in each of its regions. `books` need no rates for this.
 *
 * @example
 * kindsMeasured([book]).some(({ kind, place }) => kind === 'server' && place?.region === 'elbe'); // => true
 */
export function kindsMeasured(books: readonly PriceBook[]): Component[] {
  return books.flatMap((book) =>
    MEASURED_KINDS.filter((kind) => book.offersOf(kind).length > 0).flatMap((kind) =>
      book.regions.map(({ code }) =>
        anyOfKind(kind, { book: book.key, region: code }, `${kind} ${book.key} ${code}`),
      ),
    ),
  );
}

type Priced = Pick<BareRate, 'amount' | 'each' | 'offer' | 'sleeps' | 'line' | 'why'>;

const NOTHING: Priced = { amount: null, each: null, offer: null, sleeps: false, line: null, why: null };
const DIGITS = 12;

function cheapest(measure: Measure, lines: readonly Component[], asked: BareQuestion): Priced {
  let best: { readonly amount: Decimal; readonly priced: Priced } | null = null;
  let refused: Priced = NOTHING;
  for (const line of lines) {
    const priced = priceAlone(line, asked);
    if (priced.status !== 'priced') {
      refused = { ...NOTHING, line, why: priced.issues[0] ?? null };
      continue;
    }
    const { offer } = priced;
    const size = measure.divisor && offer ? offer[measure.divisor] : null;
    const amount = size ? priced.monthly.value.dividedBy(size) : priced.monthly.value;
    if (best && !amount.lessThan(best.amount)) continue;
    const each = amount.dividedBy(decimal(measure.quantity));
    best = {
      amount,
      priced: {
        ...{ amount: amount.toString(), each: each.toSignificantDigits(DIGITS).toString() },
        ...{ offer: offer?.name ?? null, sleeps: offer?.capabilities?.includes('sleeps') ?? false },
        ...{ line, why: null },
      },
    };
  }
  return best?.priced ?? refused;
}

/**
 * The design in which a line is priced by itself: for its amount, and for how it adds up.
 *
 * @example
 * bareDesign(design, design.sections[0]!.components[0]!).sections.length; // => 1
 */
export function bareDesign(around: Design, line: Component): Design {
  const { alternatives: _, agreements: _agreed, ...own } = around;
  return { ...own, sections: [{ id: 'bare', name: 'Bare', components: [line] }] };
}

function priceAlone(line: Component, { around, pricer }: BareQuestion) {
  const priced = pricer.price(pricer.plan(bareDesign(around, line)), { case: 'likely' });
  return priced.sections[0]!.lines[0]!;
}

function byAmount(a: BareRate, b: BareRate): number {
  if (a.amount === null || b.amount === null) return Number(a.amount === null) - Number(b.amount === null);
  const keys = (each: BareRate): string => `${each.book} ${each.region}`;
  return decimal(a.amount).comparedTo(decimal(b.amount)) || (keys(a) < keys(b) ? -1 : 1);
}

/**
 * The cheapest size that fits, for thousands of machines: the sorted index of offers answers for all that are nothing but a
 * price; the others are priced by the engine, once for each need. Equal needs are answered once. Held against the engine's
 * own "cheapest that fits" by a property test. Source: pricing rules, "Match", "Cheapest that fits"; needs M6, L7.
 */
import { comparedWithoutHair, type Decimal, decimal, ZERO } from '@/engine/base';
import type { Offer, PriceBook } from '@/engine/books';
import { anyOfKind, type Component, type Design, type LicenceChoice } from '@/engine/design';
import { aloneIn, bookSet } from '@/engine/pricing';
import { offerIndex, type OfferIndex } from '@/engine/rating';
import { lacksOf, type Need, threadsOf } from '@/engine/sizing';
import { commitmentOf, type Term } from '@/engine/terms';
import { monthHours } from '@/engine/time';

export interface Match {
  readonly offer: Offer;
  /** A month of it, all hours, in the book's currency. */
  readonly monthly: Decimal;
  /** The same as exact text: most machines share a few sizes, and text is made once for each. */
  readonly text: string;
  /** As doubles, to tell at a glance what is far too small. */
  readonly threads: number;
  readonly gib: number;
}

const NEARLY = 1 - 1e-9;

function matchOf(offer: Offer, monthly: Decimal): Match {
  const gib = offer.memory?.toNumber() ?? 0;
  return { offer, monthly, text: monthly.toString(), threads: threadsOf(offer).toNumber(), gib };
}

export class FleetMatcher {
  readonly currency: string;
  private readonly hours: Decimal;
  private readonly indexes = new Map<Term, OfferIndex>();
  /** By term and what is allowed, then by need. */
  private readonly known = new Map<string, Map<string, Match | null>>();
  private readonly byEngine = new Map<string, readonly Match[]>();
  private readonly months = new Map<string, Match>();
  private readonly alone: (component: Component) => Decimal | null;
  /** How many needs were answered, and how many of them were asked before; how often the engine priced an offer. */
  asked = 0;
  again = 0;
  engine = 0;

  constructor(
    private readonly book: PriceBook,
    private readonly region: string,
    private readonly kind: 'server' | 'dedicated-host' = 'server',
  ) {
    this.currency = book.currency;
    this.hours = monthHours({ hours: 'book' }, book.monthHours);
    const price = aloneIn(designIn(book), bookSet([book]));
    this.alone = (component) => {
      this.engine += 1;
      const line = price(component);
      return line.status === 'priced' ? line.monthly.value : null;
    };
  }

  /** Null: nothing that is sold here under the term fits. */
  match(need: Need, term: Term, licences: readonly LicenceChoice[] = []): Match | null {
    this.asked += 1;
    const { vcpu, memory, ...allowed } = need;
    const asked = this.answers(term, allowed, licences);
    const key = `${vcpu} ${memory}`;
    const before = asked.get(key);
    if (before !== undefined) {
      this.again += 1;
      return before;
    }
    const found = licences.length > 0 ? this.licensed(need, term, licences) : this.cheapest(need, term);
    asked.set(key, found);
    return found;
  }

  private lastAnswers: {
    readonly term: Term;
    readonly allowed: string;
    readonly licences: readonly LicenceChoice[];
    readonly found: Map<string, Match | null>;
  } | null = null;

  private answers(
    term: Term,
    allowed: Omit<Need, 'vcpu' | 'memory'>,
    licences: readonly LicenceChoice[],
  ): Map<string, Match | null> {
    const text = JSON.stringify(allowed);
    const { lastAnswers: last } = this;
    if (last?.term === term && last.allowed === text && last.licences === licences) return last.found;
    const key = `${term}\n${text}\n${JSON.stringify(licences)}`;
    const found = this.known.get(key) ?? new Map<string, Match | null>();
    this.known.set(key, found);
    this.lastAnswers = { term, allowed: text, licences, found };
    return found;
  }

  private cheapest(need: Need, term: Term): Match | null {
    const index = this.index(term);
    const ranked = index.cheapest(need);
    let best: Match | null = ranked && this.priced(ranked.offer, ranked.cost, term);
    // The others by what the engine says of each, once: the first of them that fits is their cheapest.
    const others = this.rankedBy(`${term}\n`, index.others, (offer) => this.unit(offer, term));
    const other = firstThatFits(others, need, best);
    if (other) best = other;
    return best;
  }

  /** A licence is paid by what the size has: the engine prices every offer with it once, and the first that fits is it. */
  private licensed(need: Need, term: Term, licences: readonly LicenceChoice[]): Match | null {
    const offers = this.book.soldIn(this.region, this.kind);
    const unit = (offer: Offer): Component => ({ ...this.unit(offer, term), licences });
    const ranked = this.rankedBy(`${term}\n${JSON.stringify(licences)}`, offers, unit);
    return firstThatFits(ranked, need, null);
  }

  private rankedBy(
    key: string,
    offers: readonly Offer[],
    unit: (offer: Offer) => Component,
  ): readonly Match[] {
    let ranked = this.byEngine.get(key);
    if (!ranked) {
      ranked = offers
        .flatMap((offer): Match[] => {
          const monthly = this.alone(unit(offer));
          return monthly ? [matchOf(offer, monthly)] : [];
        })
        .sort((a, b) => (cheaper(a, b) ? -1 : 1));
      this.byEngine.set(key, ranked);
    }
    return ranked;
  }

  private index(term: Term): OfferIndex {
    const known = this.indexes.get(term);
    if (known) return known;
    const made = offerIndex(this.book, {
      region: this.region,
      kind: this.kind,
      term,
      hoursInMonth: this.hours,
      inRuns: false,
    });
    this.indexes.set(term, made);
    return made;
  }

  /** The index tells an hour on demand, and a month of what is committed. */
  private priced(offer: Offer, cost: Decimal, term: Term): Match {
    const key = `${term}\n${offer.sku}`;
    const known = this.months.get(key);
    if (known) return known;
    const monthly = commitmentOf(term) ? cost : cost.times(this.hours);
    const made = matchOf(offer, monthly);
    this.months.set(key, made);
    return made;
  }

  private unit(offer: Offer, term: Term): Component {
    const place = { book: this.book.key, region: this.region };
    return { ...anyOfKind(this.kind, place, 'unit'), choice: { by: 'sku', sku: offer.sku }, term };
  }
}

/** Of offers from the cheapest on, the first that fits; null: none does, or none that is cheaper than `than`. */
function firstThatFits(ranked: readonly Match[], need: Need, than: Match | null): Match | null {
  // A hair less than what is needed is told apart by `lacksOf`; what is far from it needs no exact look.
  const [vcpu, memory] = [Number(need.vcpu) * NEARLY, Number(need.memory) * NEARLY];
  for (const match of ranked) {
    if (than && !cheaper(match, than)) return null;
    if (match.threads < vcpu || match.gib < memory) continue;
    if (lacksOf(need, match.offer).length === 0) return match;
  }
  return null;
}

/** Ties: fewer vCPU, then less memory, then SKU; as the engine has it. */
function cheaper(a: Match, b: Match): boolean {
  const order =
    comparedWithoutHair(a.monthly, b.monthly) ||
    (a.offer.vcpu ?? ZERO).comparedTo(b.offer.vcpu ?? ZERO) ||
    (a.offer.memory ?? ZERO).comparedTo(b.offer.memory ?? ZERO);
  return order < 0 || (order === 0 && a.offer.sku < b.offer.sku);
}

function designIn({ key, revision, currency }: PriceBook): Design {
  return {
    title: '',
    description: '',
    currency,
    assumptions: { month: { hours: 'book' }, countAllowances: true, exchange: [] },
    books: [{ book: key, revision }],
    sections: [],
  };
}

/**
 * By how much a size is larger than what is installed or needed: 0.5 is half as much again.
 *
 * @example
 * overBy(decimal('6'), '4').toString(); // => '0.5'
 */
export function overBy(has: Decimal | null, need: string): Decimal {
  const wanted = decimal(need);
  return !has || wanted.isZero() ? ZERO : has.dividedBy(wanted).minus(1);
}

/**
 * What a fleet is placed with: the books, their matchers, one pricer, the systems of the estate. Everything is asked once
 * and kept for as long as the placer lives; it never outlives its books.
 */
import { decimal, type Decimal } from '@/engine/base';
import type { Offer, PriceBook } from '@/engine/books';
import {
  anyOfKind,
  type Component,
  type Design,
  type ExchangeRate,
  type LicenceChoice,
  type Place,
  type Section,
} from '@/engine/design';
import { aloneIn, bookSet, createPricer, type Pricer, type PricedDesign } from '@/engine/pricing';
import type { Agreement } from '@/engine/terms';
import { MachinesAlone } from './laid-machine';
import { FleetMatcher } from './matcher';
import type { Systems } from './systems';

export interface FleetWorld {
  readonly currency: string;
  readonly exchange: readonly ExchangeRate[];
  /** One revision of each. */
  readonly books: readonly PriceBook[];
  readonly systems: Systems;
  /** By the texts of licences. */
  readonly licences?: Systems;
}

export class Placer {
  private readonly matchers = new Map<string, FleetMatcher>();
  private readonly licences = new Map<string, readonly LicenceChoice[]>();
  private readonly pricer: Pricer;
  private readonly byItself: (component: Component) => Decimal | null;
  readonly alone = new MachinesAlone();

  constructor(readonly world: FleetWorld) {
    const books = bookSet(world.books);
    this.pricer = createPricer(books);
    const price = aloneIn(this.design('', []), books, this.pricer);
    this.byItself = (component) => {
      const line = price(component);
      return line.status === 'priced' ? line.monthly.value : null;
    };
  }

  bookOf(key: string): PriceBook | undefined {
    return this.world.books.find((book) => book.key === key);
  }

  /** Undefined: there is no such place. */
  matcher({ book, region }: Place, kind: 'server' | 'dedicated-host'): FleetMatcher | undefined {
    const key = `${kind}\n${book}\n${region}`;
    const known = this.matchers.get(key);
    if (known) return known;
    const found = this.bookOf(book);
    if (!found?.region(region)) return undefined;
    const made = new FleetMatcher(found, region, kind);
    this.matchers.set(key, made);
    return made;
  }

  /** What a machine's system and software need; the same list for the same, so that it can be told apart by itself. */
  licencesOf(products: readonly LicenceChoice[]): readonly LicenceChoice[] {
    if (products.length === 0) return NONE;
    const key = JSON.stringify(products);
    const made = this.licences.get(key) ?? products;
    this.licences.set(key, made);
    return made;
  }

  /** Of offers of a kind at a place that satisfy `wanted`, the one with which the component costs least. */
  cheapest(component: Component, wanted: (offer: Offer) => boolean): Offer | null {
    const { book, region } = component.place!;
    let best: { offer: Offer; monthly: Decimal } | null = null;
    for (const offer of this.bookOf(book)?.soldIn(region, component.kind) ?? []) {
      if (offer.lifecycle !== 'current' || !wanted(offer)) continue;
      const monthly = this.byItself({ ...component, choice: { by: 'sku', sku: offer.sku } });
      if (monthly && (!best || monthly.lessThan(best.monthly))) best = { offer, monthly };
    }
    return best?.offer ?? null;
  }

  /** What one component costs by itself; null: it has no amount. */
  priceOf(component: Component): Decimal | null {
    return this.byItself(component);
  }

  design(title: string, sections: readonly Section[], agreements: readonly Agreement[] = []): Design {
    const { currency, exchange, books } = this.world;
    const used = new Set(sections.flatMap(({ components }) => components.map(({ place }) => place?.book)));
    return {
      title,
      description: '',
      currency,
      assumptions: { month: { hours: 'book' }, countAllowances: true, exchange },
      books: books
        .filter(({ key }) => sections.length === 0 || used.has(key))
        .map(({ key, revision }) => ({ book: key, revision })),
      sections,
      ...(agreements.length > 0 ? { agreements } : {}),
    };
  }

  price(design: Design): PricedDesign {
    return this.pricer.price(this.pricer.plan(design), { case: 'likely' });
  }
}

const NONE: readonly LicenceChoice[] = [];

/** Letters of a line's name. */
const MOST_NAME = 200;

/**
 * A line of a fleet: so many units of an offer; without an offer it is not priced, and says so.
 *
 * @example
 * fleetLine('server', { book: 'small', region: 'severn' }, 'a', { name: 'Web', count: 3, sku: 'A-4' }).count; // => { likely: '3' }
 */
export function fleetLine(
  kind: Component['kind'],
  place: Place,
  id: string,
  {
    name,
    count = 1,
    sku,
    ...part
  }: { readonly name: string; readonly count?: number; readonly sku: string | null } & Pick<
    Partial<Component>,
    'usage' | 'term' | 'licences'
  >,
): Component {
  return {
    ...anyOfKind(kind, place, id),
    name: name.slice(0, MOST_NAME),
    count: { likely: decimal(String(count)).toString() },
    choice: sku === null ? { by: 'none' } : { by: 'sku', sku },
    ...part,
  };
}

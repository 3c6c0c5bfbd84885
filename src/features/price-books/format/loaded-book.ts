/**
 * One published revision of which only the rates that were needed are here; more are fetched when a design needs them.
 * Shared by the server and the browser's worker. What was read stays good: published revisions never change.
 */
import { type BookData, indexBook, type Kind, type PriceBook } from '@/engine/books';
import type { Component } from '@/engine/design';
import { type OfferRow, type PriceBookFile, type RateRow, toBookData, toOffer, toRate } from './price-book';

/** A revision without its rates. */
export interface BookWithoutRates {
  readonly book: PriceBookFile['book'];
  readonly revision: PriceBookFile['revision'];
  readonly regions: PriceBookFile['regions'];
  readonly offers: readonly OfferRow[];
  readonly availability: Readonly<Record<string, readonly string[]>>;
}

export interface RatesWanted {
  readonly region: string;
  readonly skus: readonly string[];
  /** All offers of these kinds. */
  readonly kinds: readonly Kind[];
}

export type FetchRates = (wanted: readonly RatesWanted[]) => Promise<readonly RateRow[]>;

/** What components need of a book, by region: their own offers, or all of their kind where the cheapest is sought. */
export function ratesWanted(
  components: readonly Component[],
  book: string,
  wholeKinds: readonly Component[] = [],
): RatesWanted[] {
  const regions = new Map<string, { skus: Set<string>; kinds: Set<Kind> }>();
  for (const component of [...components, ...wholeKinds]) {
    const { place, choice, kind } = component;
    if (place?.book !== book) continue;
    const wanted = regions.get(place.region) ?? { skus: new Set(), kinds: new Set() };
    regions.set(place.region, wanted);
    if (choice.by === 'cheapest' || wholeKinds.includes(component)) wanted.kinds.add(kind);
    else if (choice.by === 'sku') wanted.skus.add(choice.sku);
  }
  return [...regions].map(([region, { skus, kinds }]) => ({ region, skus: [...skus], kinds: [...kinds] }));
}

export class LoadedBook {
  private readonly data: BookData;
  private readonly kindOf: ReadonlyMap<string, Kind>;
  private readonly rates: BookData['rates'][number][] = [];
  /** `region\nsku` of everything that is here. */
  private readonly here = new Set<string>();
  private readonly wholeKinds = new Set<string>();
  private indexed: PriceBook | null = null;
  /** One fetch after the other, so that nothing is fetched twice. */
  private turn: Promise<unknown> = Promise.resolve();

  constructor(
    catalogue: BookWithoutRates,
    private readonly fetchRates: FetchRates,
  ) {
    const { availability, offers, ...rest } = catalogue;
    const file = { format: 'wick-price-book' as const, version: 1 as const, ...rest, offers: [], rates: [] };
    this.data = { ...toBookData(file), offers: offers.map(toOffer), availability };
    this.kindOf = new Map(offers.map((offer) => [offer.sku, offer.kind]));
  }

  get rateCount(): number {
    return this.rates.length;
  }

  /** The book with the rates that are here by now. */
  get now(): PriceBook {
    this.indexed ??= indexBook({ ...this.data, rates: this.rates });
    return this.indexed;
  }

  /** The book with at least the rates that are wanted. */
  async with(wanted: readonly RatesWanted[]): Promise<PriceBook> {
    const mine = this.turn.then(() => this.load(wanted));
    this.turn = mine.catch(() => undefined);
    await mine;
    return this.now;
  }

  private async load(wanted: readonly RatesWanted[]): Promise<void> {
    const missing = wanted.flatMap(({ region, ...each }): RatesWanted[] => {
      const kinds = each.kinds.filter((kind) => !this.wholeKinds.has(`${region}\n${kind}`));
      const skus = each.skus.filter((sku) => !this.has(region, sku, kinds));
      return kinds.length === 0 && skus.length === 0 ? [] : [{ region, skus, kinds }];
    });
    if (missing.length === 0) return;
    this.keep(await this.fetchRates(missing));
    for (const { region, skus, kinds } of missing) {
      for (const kind of kinds) this.wholeKinds.add(`${region}\n${kind}`);
      for (const sku of skus) this.here.add(`${region}\n${sku}`);
    }
  }

  /** Whether the offer's rates are here, or come with a kind that is being fetched. */
  private has(region: string, sku: string, fetching: readonly Kind[]): boolean {
    const kind = this.kindOf.get(sku);
    if (kind === undefined) return true;
    return (
      fetching.includes(kind) ||
      this.here.has(`${region}\n${sku}`) ||
      this.wholeKinds.has(`${region}\n${kind}`)
    );
  }

  private keep(rows: readonly RateRow[]): void {
    const fresh = rows.filter((row) => !this.here.has(`${row.region}\n${row.sku}`));
    if (fresh.length === 0) return;
    for (const row of fresh) this.rates.push(toRate(row));
    for (const row of fresh) this.here.add(`${row.region}\n${row.sku}`);
    this.indexed = null;
  }
}

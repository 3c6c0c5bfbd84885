/** The worker's price books: fetched as designs need them, kept because revisions never change. */
import type { PriceBook } from '@/engine/books';
import { allComponents, type BookPin, type Component, type Design } from '@/engine/design';
import type { BookSet } from '@/engine/pricing';
import {
  type BookWithoutRates,
  LoadedBook,
  type RatesWanted,
  ratesWanted,
} from '@/features/price-books/format/loaded-book';
import type { RateRow } from '@/features/price-books/format/price-book';

export type FetchJson = (path: string) => Promise<unknown>;

/** Addresses must not grow beyond what servers take. */
const SKUS_AT_ONCE = 100;

export class LoadedBooks implements BookSet {
  private readonly loading = new Map<string, Promise<LoadedBook | null>>();
  private readonly here = new Map<string, LoadedBook>();
  /** By book and region: on their way before the catalogue is there. */
  private readonly early = new Map<string, { wanted: RatesWanted; rows: Promise<RateRow[]> }>();

  constructor(private readonly fetchJson: FetchJson) {}

  /** What is here of a revision; ever more of it, as designs need it. */
  get(book: string, revision: number): PriceBook | undefined {
    return this.here.get(pathOf(book, revision))?.now;
  }

  /** Brings what a design needs; of the kinds of `wholeKinds` every offer in their regions. */
  async booksFor(design: Design, wholeKinds: readonly Component[] = []): Promise<BookSet> {
    const components = allComponents(design);
    await Promise.all(
      design.books.map(async ({ book, revision }) => {
        const wanted = ratesWanted(components, book, wholeKinds);
        if (wanted.length === 0) return;
        const path = pathOf(book, revision);
        const isNew = !this.loading.has(path);
        const loaded = this.loaded(book, revision);
        if (isNew) this.ahead(path, wanted);
        await (await loaded)?.with(wanted);
      }),
    );
    return this;
  }

  /** Catalogues of revisions; one that is not there is none. */
  async catalogues(pins: readonly BookPin[]): Promise<void> {
    await Promise.all(pins.map(({ book, revision }) => this.loaded(book, revision)));
  }

  get extent(): number {
    let extent = this.here.size;
    for (const book of this.here.values()) extent += book.rateCount;
    return extent;
  }

  private async loaded(key: string, revision: number): Promise<LoadedBook | null> {
    const path = pathOf(key, revision);
    const known = this.loading.get(path);
    if (known) return known;
    const loading = this.fetchJson(path).then((catalogue) =>
      catalogue === null
        ? null
        : new LoadedBook(catalogue as BookWithoutRates, (wanted) => this.rates(path, wanted)),
    );
    this.loading.set(path, loading);
    try {
      const book = await loading;
      // A revision that is not there may be brought in later.
      if (book) this.here.set(path, book);
      else this.loading.delete(path);
      return book;
    } catch (error) {
      this.loading.delete(path);
      throw error;
    }
  }

  /** The first rates of a book are asked for beside its catalogue, not after it. */
  private ahead(path: string, wanted: readonly RatesWanted[]): void {
    for (const each of wanted) {
      const rows = this.fetchRates(path, each);
      // Whoever takes it up hears of it.
      rows.catch(() => undefined);
      this.early.set(`${path} ${each.region}`, { wanted: each, rows });
    }
  }

  private async rates(path: string, wanted: readonly RatesWanted[]): Promise<RateRow[]> {
    const coming: Promise<RateRow[]>[] = [];
    const alike = new Map<string, RatesWanted[]>();
    for (const each of wanted) {
      const key = `${path} ${each.region}`;
      const early = this.early.get(key);
      this.early.delete(key);
      if (early && holds(early.wanted, each)) {
        coming.push(early.rows);
        continue;
      }
      // Regions of which the same is wanted are asked for at once: a whole axis is one request a book.
      const what = JSON.stringify([each.skus, each.kinds]);
      alike.set(what, [...(alike.get(what) ?? []), each]);
    }
    coming.push(
      ...[...alike.values()].map((all) =>
        this.fetchRates(
          path,
          all[0]!,
          all.map(({ region }) => region),
        ),
      ),
    );
    return (await Promise.all(coming)).flat();
  }

  private async fetchRates(
    path: string,
    { region, skus, kinds }: RatesWanted,
    regions: readonly string[] = [region],
  ): Promise<RateRow[]> {
    const rows: RateRow[] = [];
    for (let at = 0; at === 0 || at < skus.length; at += SKUS_AT_ONCE) {
      const query = new URLSearchParams();
      for (const each of regions) query.append('region', each);
      for (const sku of skus.slice(at, at + SKUS_AT_ONCE)) query.append('sku', sku);
      if (at === 0) for (const kind of kinds) query.append('kind', kind);
      rows.push(...(((await this.fetchJson(`${path}/rates?${query}`)) as RateRow[] | null) ?? []));
    }
    return rows;
  }
}

function holds(all: RatesWanted, part: RatesWanted): boolean {
  const [skus, kinds] = [new Set(all.skus), new Set(all.kinds)];
  return part.skus.every((sku) => skus.has(sku)) && part.kinds.every((kind) => kinds.has(kind));
}

function pathOf(book: string, revision: number): string {
  return `/api/books/${encodeURIComponent(book)}/${revision}`;
}

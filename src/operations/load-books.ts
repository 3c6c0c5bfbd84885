/** Brings together the price books a design needs: its pinned revisions, and of each only the regions it uses. */
import { indexBook, type PriceBook } from '@/core/books';
import { allComponents, type Design } from '@/core/design';
import { type BookSet, bookSet } from '@/core/pricing';
import { toBookData, toOffer, toRate } from '@/formats';
import type { BookStore } from './ports';

/** Published revisions never change, so what was read stays good; the newest are kept. */
const KEPT = 64;
const caches = new WeakMap<BookStore, Map<string, Promise<PriceBook | null>>>();

function cacheOf(store: BookStore): Map<string, Promise<PriceBook | null>> {
  const cache = caches.get(store) ?? new Map<string, Promise<PriceBook | null>>();
  caches.set(store, cache);
  return cache;
}

export async function loadBooks(store: BookStore, workspace: string, design: Design): Promise<BookSet> {
  const loaded = await Promise.all(
    design.books.map((pin) => {
      const regions = regionsUsed(design, pin.book);
      return regions.length === 0 ? null : loadBook(store, workspace, pin.book, pin.revision, regions);
    }),
  );
  return bookSet(loaded.filter((book): book is PriceBook => book !== null));
}

function regionsUsed(design: Design, book: string): string[] {
  const places = allComponents(design).flatMap((component) => component.place ?? []);
  return [...new Set(places.filter((place) => place.book === book).map((place) => place.region))].sort();
}

async function loadBook(
  store: BookStore,
  workspace: string,
  key: string,
  revision: number,
  regions: readonly string[],
): Promise<PriceBook | null> {
  const name = [workspace, key, revision, ...regions].join('\n');
  const cache = cacheOf(store);
  const cached = cache.get(name);
  if (cached) return cached;
  const loading = readBook(store, workspace, key, revision, regions);
  cache.set(name, loading);
  if (cache.size > KEPT) cache.delete(cache.keys().next().value!);
  const book = await loading.catch((error: unknown) => {
    cache.delete(name);
    throw error;
  });
  if (!book) cache.delete(name);
  return book;
}

async function readBook(
  store: BookStore,
  workspace: string,
  key: string,
  revision: number,
  regions: readonly string[],
): Promise<PriceBook | null> {
  const catalogue = await store.catalogue(workspace, key, revision);
  if (!catalogue) return null;
  const rates = await Promise.all(regions.map((region) => store.rates(workspace, key, revision, region)));
  const { availability, ...rest } = catalogue;
  const file = { format: 'wick-price-book' as const, version: 1 as const, ...rest, offers: [], rates: [] };
  return indexBook({
    ...toBookData(file),
    offers: catalogue.offers.map(toOffer),
    rates: rates.flatMap((rows) => (rows ?? []).map(toRate)),
    availability,
  });
}

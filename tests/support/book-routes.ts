/** The two routes that the loaded books read, answered by the in-memory store. `asked`: the addresses, in order. */
import type { Kind } from '@/engine/books';
import type { PriceBookFile } from '@/features/price-books/format/price-book-schema';
import { publishBook } from '@/features/price-books/use/import-book';
import { memoryBookStore } from '@/features/price-books/store/memory-books';

export async function bookRoutes(...files: readonly PriceBookFile[]) {
  const store = memoryBookStore();
  const context = {
    actor: { user: 'ada', workspace: 'here', role: 'editor' },
    books: store,
    now: () => new Date(0),
  };
  for (const file of files) await publishBook(context as Parameters<typeof publishBook>[0], file);
  const asked: string[] = [];
  const fetchJson = async (path: string): Promise<unknown> => {
    asked.push(path);
    const [, book = '', revision = '', query] =
      /^\/api\/books\/(\w+)\/(\d+)(?:\/rates\?(.*))?$/.exec(path) ?? [];
    if (query === undefined) return store.catalogue('here', book, Number(revision));
    const asks = new URLSearchParams(query);
    const what = { skus: asks.getAll('sku'), kinds: asks.getAll('kind') as Kind[] };
    const wanted = asks.getAll('region').map((region) => ({ region, ...what }));
    return store.rates('here', book, Number(revision), wanted);
  };
  return { asked, fetchJson };
}

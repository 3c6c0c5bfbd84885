import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { listBooks, readCatalogue } from '@/features/price-books/use/books';
import { PricesScreen } from '@/features/price-books/screen/prices/prices-screen';
import type { SearchPlace } from '@/features/price-books/screen/prices/search-bar';

export const metadata: Metadata = { title: 'Prices' };

export default async function PricesPage() {
  const books = await listBooks(context());
  const places = await Promise.all(
    books.map(async (book): Promise<SearchPlace> => {
      const { regions } = await readCatalogue(context(), book.key, book.revisions[0]!.number);
      return { key: book.key, title: book.title, regions: regions.map(({ code, name }) => ({ code, name })) };
    }),
  );
  return <PricesScreen books={places} />;
}

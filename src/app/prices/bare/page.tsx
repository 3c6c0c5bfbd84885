import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { bareSurroundings } from '@/features/unit-prices/use/bare-rates';
import { readCatalogue } from '@/features/price-books/use/books';
import { BarePricesScreen } from '@/features/unit-prices/screen/bare-prices-screen';

export const metadata: Metadata = { title: 'Bare rates side by side' };

export default async function BareRatesPage() {
  const around = await bareSurroundings(context());
  const bookList = await Promise.all(
    around.books.map(async ({ book, revision }) => {
      const { book: head, regions } = await readCatalogue(context(), book, revision);
      const places = regions.map(({ code, name, country, area, carbon }) => ({
        code,
        name,
        country,
        area,
        carbon,
      }));
      return { key: book, title: head.title, regions: places };
    }),
  );
  return <BarePricesScreen around={around} bookList={bookList} />;
}

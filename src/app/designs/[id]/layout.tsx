/** The room of a design: its session stands above its views. */
import type { ReactNode } from 'react';
import { openedDesign } from '@/app/lib/open-design';
import { context, installation } from '@/app/wiring';
import { listBooks, readCatalogue } from '@/features/price-books/use/books';
import { type StoredDesign } from '@/stores/ports';
import { DesignRoomOf } from '@/features/design/screen/room';
import type { BookInfo } from '@/features/design/screen/book-list';

interface LayoutProps {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}

export default async function DesignLayout({ params, children }: LayoutProps) {
  const stored = await openedDesign((await params).id);
  return (
    <DesignRoomOf
      key={stored.id}
      id={stored.id}
      initial={{
        installation: await installation(),
        design: stored.design,
        revision: stored.revision,
        updatedAt: stored.updatedAt,
        before: stored.before ?? null,
      }}
      bookList={await bookListFor(stored)}
    >
      {children}
    </DesignRoomOf>
  );
}

async function bookListFor({ design }: StoredDesign): Promise<BookInfo[]> {
  const listed = await listBooks(context());
  return Promise.all(
    listed.map(async (book) => {
      const pin = design.books.find((each) => each.book === book.key);
      const known = book.revisions.find((each) => each.number === pin?.revision) ?? book.revisions[0]!;
      const catalogue = await readCatalogue(context(), book.key, known.number);
      return {
        key: book.key,
        title: catalogue.book.title,
        currency: catalogue.book.currency,
        monthHours: catalogue.book.monthHours,
        revision: known.number,
        effective: known.effective,
        newest: book.revisions[0]!.number,
        revisions: book.revisions.map(({ number, effective }) => ({ number, effective })),
        regions: catalogue.regions.map(({ code, name, country, area, carbon }) => ({
          code,
          name,
          country,
          area,
          carbon,
        })),
      };
    }),
  );
}

/** The room of a fleet: its plan and its worker stand above its views. */
import type { Metadata } from 'next';
import { type ReactNode, Suspense } from 'react';
import { openedFleet } from '@/app/lib/open-fleet';
import { context } from '@/app/wiring';
import { listBooks, readCatalogue } from '@/features/price-books/use/books';
import { type StoredFleet } from '@/features/fleet/use/fleet-ports';
import { FleetRoomOf } from '@/features/fleet/screen/room';
import type { FleetBook } from '@/features/fleet/screen/room-context';

interface LayoutProps {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}

export async function generateMetadata({ params }: Pick<LayoutProps, 'params'>): Promise<Metadata> {
  return { title: (await openedFleet((await params).id)).plan.title };
}

export default async function FleetLayout({ params, children }: LayoutProps) {
  const stored = await openedFleet((await params).id);
  const { id, plan, revision, machines } = stored;
  return (
    <FleetRoomOf
      key={`${id} ${revision}`}
      id={id}
      initial={{ plan, revision, machines }}
      books={await booksOf(stored)}
    >
      <Suspense>{children}</Suspense>
    </FleetRoomOf>
  );
}

/** In the revisions that the fleet is priced by. */
async function booksOf({ plan }: StoredFleet): Promise<FleetBook[]> {
  const listed = await listBooks(context());
  const found = await Promise.all(
    plan.books.map(async ({ book, revision }): Promise<FleetBook[]> => {
      const known = listed
        .find(({ key }) => key === book)
        ?.revisions.find(({ number }) => number === revision);
      if (!known) return [];
      const catalogue = await readCatalogue(context(), book, revision);
      return [
        {
          key: book,
          title: catalogue.book.title,
          revision,
          effective: known.effective,
          regions: catalogue.regions.map(({ code, name }) => ({ code, name })),
        },
      ];
    }),
  );
  return found.flat();
}

import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { context, installation } from '@/app/wiring';
import { asAppError, listBooks, openDesign, readCatalogue } from '@/operations';
import type { ShelfBook } from '@/screens/design/shelf';
import { Workbench } from '@/screens/design/workbench';

interface PageProps {
  readonly params: Promise<{ id: string }>;
}

async function load(id: string) {
  try {
    return await openDesign(context(), id);
  } catch (thrown) {
    if (asAppError(thrown).code === 'not-found') notFound();
    throw thrown;
  }
}

export async function generateMetadata({ params }: PageProps): Promise<Metadata> {
  const { design } = await load((await params).id);
  return { title: design.title };
}

export default async function DesignPage({ params }: PageProps) {
  const stored = await load((await params).id);
  const listed = await listBooks(context());
  const shelf: ShelfBook[] = await Promise.all(
    listed.map(async (book) => {
      const pin = stored.design.books.find((each) => each.book === book.key);
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
        regions: catalogue.regions.map(({ code, name, country, carbon }) => ({
          code,
          name,
          country,
          carbon,
        })),
      };
    }),
  );
  return (
    <Workbench
      id={stored.id}
      initial={{
        installation: await installation(),
        design: stored.design,
        revision: stored.revision,
        updatedAt: stored.updatedAt,
        before: stored.before ?? null,
      }}
      shelf={shelf}
    />
  );
}

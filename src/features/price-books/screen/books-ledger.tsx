/** Price books and their dated revisions; another is brought in from a file. */
'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { writeNumber } from '@/platform/words';
import type { BookListing, RevisionListing } from '@/features/price-books/use/book-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor, type LedgerRow } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { FileFaults } from '@/platform/shell/file-faults';
import { PageHead } from '@/platform/shell/page-head';
import { useFindable } from '@/platform/shell/find';
import { writeWhen } from '@/platform/screen/time';
import { DifferenceDialog } from './difference';
import { ExchangeDialog } from './exchange-dialog';
import { ImportDialog } from './import-dialog';
import { BOOK_IMPORT, doneOf, forgetTrouble, startImport, useImports } from './import-store';
import { RevisionMargin } from './revision-margin';

type Row = { readonly book: BookListing; readonly revision: RevisionListing | null };

export function BooksLedger({ books }: { readonly books: readonly BookListing[] }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [cursor, setCursor] = useState<LedgerCursor | null>(
    books[0] ? { row: keyOf(books[0], books[0].revisions[0]!), column: 'name' } : null,
  );
  const [marginOpen, setMarginOpen] = useState(true);
  const [comparing, setComparing] = useState<readonly [number, number] | null>(null);
  const [exchangeOpen, setExchangeOpen] = useState(false);
  const imports = useImports();
  const { uploading, trouble } = imports;
  const done = doneOf(imports, BOOK_IMPORT);
  const [left, setLeft] = useState<string | null>(null);
  const [shown, setShown] = useState(done);
  if (done !== shown) {
    setShown(done);
    if (done) setCursor({ row: `${done.key}/${done.revision}`, column: 'name' });
  }
  useEffect(() => {
    if (done) router.refresh();
  }, [done, router]);
  const rows = useMemo(() => rowsOf(books), [books]);
  const focused = rows.find((row) => row.key === cursor?.row)?.data;
  const revision = focused?.revision ?? focused?.book.revisions[0];

  const findable = useMemo(
    () => [
      {
        key: 'import-book',
        group: 'Actions',
        label: 'Import a price book',
        run: () => file.current?.click(),
      },
    ],
    [],
  );
  useFindable('books', findable);
  const importButton = (
    <Button tone="strong" disabled={uploading !== null} onClick={() => file.current?.click()}>
      Import a price book
    </Button>
  );
  return (
    <>
      <PageHead
        title="Price books"
        fileLabel="Price book file"
        file={file}
        accept=".json,.csv,.gz,application/json,text/csv"
        onFile={(chosen) => chosen && void startImport(chosen, BOOK_IMPORT)}
      >
        <Button onClick={() => router.push('/books/price-list')}>From a price list</Button>
        <Button onClick={() => setExchangeOpen(true)}>Exchange rates</Button>
        {importButton}
      </PageHead>
      <FileFaults trouble={trouble} onClose={forgetTrouble} />
      <ImportDialog
        uploading={uploading?.id === left ? null : uploading}
        onLeave={() => setLeft(uploading?.id ?? null)}
      />
      <ExchangeDialog open={exchangeOpen} onClose={() => setExchangeOpen(false)} />
      {focused && (
        <DifferenceDialog book={focused.book} between={comparing} onClose={() => setComparing(null)} />
      )}
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {books.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty title="No price books yet" acts={importButton}>
              A price book holds one provider’s rates at a date. Bring one in as a JSON file or as a flat CSV,
              packed with gzip or not; the forms are described in docs/formats/price-book.md.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Price books"
            columns={COLUMNS}
            rows={rows}
            cursor={cursor}
            onCursor={setCursor}
            autoFocus
          />
        )}
        {focused && revision && (
          <Margin label="About the revision" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <RevisionMargin
              key={`${focused.book.key}/${revision.number}`}
              book={focused.book}
              revision={revision}
              onCompare={(before) => setComparing([before, revision.number])}
            />
          </Margin>
        )}
      </div>
      <TallyLine aside="A published revision never changes; designs stay on the revision they were priced with">
        <TallyFigure label="Price books">{books.length}</TallyFigure>
        <TallyFigure label="Revisions">
          {books.reduce((sum, book) => sum + book.revisions.length, 0)}
        </TallyFigure>
        <TallyFigure label="Rates">
          {writeNumber(
            String(books.flatMap((book) => book.revisions).reduce((sum, each) => sum + each.rates, 0)),
          )}
        </TallyFigure>
      </TallyLine>
    </>
  );
}

function keyOf(book: BookListing, revision: RevisionListing): string {
  return `${book.key}/${revision.number}`;
}

function rowsOf(books: readonly BookListing[]): LedgerRow<Row>[] {
  return books.flatMap((book): LedgerRow<Row>[] => [
    { key: book.key, level: 'head', data: { book, revision: null } },
    ...book.revisions.map((revision): LedgerRow<Row> => ({
      key: keyOf(book, revision),
      level: 'line',
      data: { book, revision },
    })),
  ]);
}

const count = (read: (revision: RevisionListing) => number) => (row: Row) =>
  row.revision && writeNumber(String(read(row.revision)));

const COLUMNS: readonly LedgerColumn<Row>[] = [
  {
    key: 'name',
    head: 'Price book',
    track: 'minmax(180px,1.6fr)',
    cell: (row) =>
      row.revision ? (
        <span>
          Revision {row.revision.number}
          {row.revision === row.book.revisions[0] && <span className="text-soft"> · newest</span>}
        </span>
      ) : (
        <span className="truncate">{row.book.title}</span>
      ),
  },
  {
    key: 'effective',
    head: 'Prices of',
    worth: 6,
    track: '110px',
    cell: (row) => row.revision && <span className="font-mono text-xs">{row.revision.effective}</span>,
  },
  {
    key: 'published',
    head: 'Brought in',
    worth: 1,
    track: '130px',
    cell: (row) =>
      row.revision && (
        <span suppressHydrationWarning className="text-soft">
          {writeWhen(row.revision.publishedAt)}
        </span>
      ),
  },
  {
    key: 'currency',
    head: 'Currency',
    worth: 5,
    track: '80px',
    cell: (row) => <span className="font-normal">{row.revision ? '' : row.book.currency}</span>,
  },
  {
    key: 'regions',
    head: 'Regions',
    worth: 2,
    track: '80px',
    end: true,
    ruled: true,
    cell: count((revision) => revision.regions),
  },
  {
    key: 'offers',
    head: 'Offers',
    track: '80px',
    worth: 3,
    end: true,
    cell: count((revision) => revision.offers),
  },
  {
    key: 'rates',
    head: 'Rates',
    track: '90px',
    worth: 4,
    end: true,
    cell: count((revision) => revision.rates),
  },
];

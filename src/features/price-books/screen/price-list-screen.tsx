/** Any price list becomes a book: its columns are named once, tried, kept, and used again for the next one. */
'use client';
import { useRef, useState } from 'react';
import { describeTerm } from '@/engine/terms';
import { writeNumber, writePrice } from '@/platform/words';
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import { draftListMap } from '@/features/price-books/format/price-list/draft-map';
import type { TeamFile } from '@/features/review/use/review-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { ErrorNote } from '@/platform/ui/error-note';
import { Choice, Field } from '@/platform/ui/field';
import { tell } from '@/platform/ui/toast';
import { startListWorker } from '@/features/price-books/worker/list-client';
import type { ListRead } from '@/features/price-books/worker/list-protocol';
import { FileFaults } from '@/platform/shell/file-faults';
import { PlaceHead } from '@/platform/shell/place-head';
import { pageWorker } from '@/platform/screen/page-worker';
import { TextFile } from '@/platform/screen/text-file';
import { BOOK_IMPORT, forgetTrouble, startImport, useImports } from './import-store';

const useListWorker = pageWorker(startListWorker);

interface PriceListProps {
  readonly maps: readonly TeamFile[];
  readonly today: string;
}

interface Opened {
  readonly name: string;
  readonly text: string;
  readonly revision: number;
}

export function PriceListScreen({ maps, today }: PriceListProps) {
  const client = useListWorker();
  const picker = useRef<HTMLInputElement>(null);
  const chosenNow = useRef<File>(null);
  const [file, setFile] = useState<File | null>(null);
  const [open, setOpen] = useState<Opened | null>(null);
  const [name, setName] = useState('');
  const [read, setRead] = useState<ListRead | null>(null);
  const [isReading, setReading] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const { uploading, trouble: refused } = useImports();
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    setReading(true);
    try {
      await act();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
    setReading(false);
  };
  const choose = (chosen: File): void => {
    chosenNow.current = chosen;
    setFile(chosen);
    setRead(null);
    void attempt(async () => {
      const sheets = await client!.ask({ ask: 'headings', file: chosen });
      if (!open) setOpen({ name: '', text: draftListMap(sheets, today), revision: 0 });
    });
  };
  const attemptRead = (map: string): void => {
    if (!file) return setTrouble('Choose the price list first.');
    void attempt(async () => {
      const found = await client!.ask({ ask: 'read', file, map });
      // Another list may have been chosen meanwhile.
      if (chosenNow.current === file) setRead(found);
    });
  };
  const publish = (): void => {
    if (!read?.file || !read.book) return;
    const { key, revision } = read.book;
    void startImport(new File([read.file], `${key}-${revision}.json`), BOOK_IMPORT);
  };
  return (
    <>
      <PlaceHead
        title="Price books"
        viewsOf="Views of the price books"
        views={[
          ['/books', 'Books'],
          ['/books/price-list', 'From a price list'],
        ]}
      >
        <Button tone={file ? 'quiet' : 'strong'} disabled={!client} onClick={() => picker.current?.click()}>
          {file ? 'Another price list' : 'Choose a price list'}
        </Button>
        <input
          ref={picker}
          type="file"
          accept=".csv,.tsv,.txt,.xlsx"
          aria-label="Price list, CSV or XLSX"
          className="hidden"
          onChange={(event) => {
            const [chosen] = event.target.files ?? [];
            if (chosen) choose(chosen);
            event.target.value = '';
          }}
        />
      </PlaceHead>
      <FileFaults trouble={refused} onClose={forgetTrouble} />
      <div
        className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
        tabIndex={0}
        role="region"
        aria-label="From a price list"
      >
        <p className="max-w-[820px] text-base text-soft">
          Say once which column of a list is what, and what its rows are. It is read here, in the browser, and
          becomes a book only when you publish it; a list that does not add up is refused with its rows.
        </p>
        <div className="mt-3 flex flex-wrap items-end gap-3">
          {maps.length > 0 && (
            <Choice
              label="Map"
              value={open?.revision ? open.name : ''}
              options={[
                ['', 'a new one, drafted from the headings'],
                ...maps.map((each): [string, string] => [each.name, each.name]),
              ]}
              onChange={(chosen) => {
                const kept = maps.find((each) => each.name === chosen);
                setRead(null);
                setOpen(kept ? { name: kept.name, text: kept.text, revision: kept.revision } : null);
                if (!kept && file)
                  void attempt(async () => {
                    const sheets = await client!.ask({ ask: 'headings', file });
                    setOpen({ name: '', text: draftListMap(sheets, today), revision: 0 });
                  });
              }}
            />
          )}
          {file && <p className="pb-1 text-sm">{`${file.name}, ${writeNumber(String(file.size))} bytes`}</p>}
          {isReading && (
            <p role="status" className="pb-1 text-sm text-soft">
              Reading it …
            </p>
          )}
        </div>
        {trouble && (
          <div className="mt-2 max-w-[820px]">
            <ErrorNote message={trouble} />
          </div>
        )}
        {!file && !open && (
          <Empty title="No price list chosen yet">
            A CSV or a workbook of any provider. A map is drafted from its headings: say what each column is,
            where its regions are, and which rows are which meter; it is kept for the next list.
          </Empty>
        )}
        {read && <Preview read={read} onPublish={publish} isBusy={uploading !== null} />}
        {open && (
          <section aria-label="The map" className="mt-5 max-w-[900px] border-t border-ink pt-3">
            {open.revision === 0 && (
              <div className="max-w-[320px]">
                <Field label="Name under which it is kept">
                  {(field) => (
                    <input
                      {...field}
                      value={name}
                      maxLength={80}
                      onChange={(event) => setName(event.target.value)}
                    />
                  )}
                </Field>
              </div>
            )}
            <TextFile
              key={`${open.name} ${open.revision} ${open.text.length}`}
              kind="price-list"
              name={open.revision === 0 ? name.trim() : open.name}
              label="The map, as YAML"
              initial={{ text: open.text, revision: open.revision }}
              onTry={attemptRead}
              onSaved={(revision, text) => {
                setOpen({ name: open.revision === 0 ? name.trim() : open.name, text, revision });
                tell('The map was kept: the next list of this kind is read by it.');
              }}
            />
          </section>
        )}
      </div>
    </>
  );
}

interface PreviewProps {
  readonly read: ListRead;
  readonly onPublish: () => void;
  readonly isBusy: boolean;
}

function Preview({ read, onPublish, isBusy }: PreviewProps) {
  const { book, rows, skipped, rates, offers, sample, faults, more, isOfMap } = read;
  const count = faults.length + more;
  if (!book)
    return (
      <section aria-label="What the list would become" className="mt-4 max-w-[900px]">
        <ErrorNote
          message={
            isOfMap
              ? 'The map cannot be read yet.'
              : `The list does not add up: ${count} ${count === 1 ? 'fault' : 'faults'} in ${writeNumber(String(rows))} rows. Nothing comes of it until they are gone.`
          }
          faults={faults}
          more={more}
        />
      </section>
    );
  return (
    <section aria-label="What the list would become" className="mt-4 max-w-[1000px]">
      <h2 className="text-base font-semibold" data-testid="list-sentence">
        {`“${book.title}”, revision ${book.revision}: ${writeNumber(String(rates))} rates of ${writeNumber(String(offers))} offers, out of ${writeNumber(String(rows))} rows${skipped > 0 ? `; ${writeNumber(String(skipped))} left out on purpose` : ''}.`}
      </h2>
      <div className="mt-2">
        <Button tone="strong" disabled={isBusy} onClick={onPublish}>
          Publish it
        </Button>
      </div>
      <table className="mt-3 w-full text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th className="py-1 pr-3 font-normal">Offer</th>
            <th className="py-1 pr-3 font-normal">Region</th>
            <th className="py-1 pr-3 font-normal">Meter</th>
            <th className="py-1 pr-3 font-normal">Term</th>
            <th className="py-1 pr-3 font-normal">Unit</th>
            <th className="py-1 text-right font-normal">{`Price, ${book.currency}`}</th>
          </tr>
        </thead>
        <tbody>
          {sample.map((rate) => (
            <tr
              key={`${rate.sku} ${rate.region} ${rate.meter} ${rate.term}`}
              className="border-b border-line"
            >
              <td className="py-0.5 pr-3 font-mono text-xs break-all">{rate.sku}</td>
              <td className="py-0.5 pr-3">{rate.region}</td>
              <td className="py-0.5 pr-3">{rate.meter}</td>
              <td className="py-0.5 pr-3">{describeTerm(rate.term)}</td>
              <td className="py-0.5 pr-3">{rate.unit}</td>
              <td className="py-0.5 text-right tabular-nums">{priceWords(rate)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rates > sample.length && (
        <p className="mt-1 text-sm text-soft">{`The first ${sample.length} of ${writeNumber(String(rates))}.`}</p>
      )}
    </section>
  );
}

function priceWords({ charge }: RateRow): string {
  if (charge.structure === 'per-unit') return writePrice(charge.price, 2);
  if (charge.structure !== 'graduated' && charge.structure !== 'volume') return charge.structure;
  return charge.tiers
    .map(
      ({ upTo, price }) =>
        `${writePrice(price, 2)} ${upTo === null ? 'beyond' : `up to ${writeNumber(upTo)}`}`,
    )
    .join(', ');
}

/** What was really paid for a unit, beside the book in use; and the book that comes of it. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { HeldRate } from '@/features/bills/calc';
import { pricesSentence, printedRates, rateStateWords } from '@/features/bills/words';
import { writeNumber, writePrice } from '@/platform/words';
import type { BillPrices, HeldPrices } from '@/features/bills/use/book-from-bill';
import type { ImportedBook } from '@/features/price-books/use/import-book';
import type { StoredBill } from '@/features/bills/use/bill-ports';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { ErrorNote } from '@/platform/ui/error-note';
import { Menu } from '@/platform/ui/menu';
import { tell } from '@/platform/ui/toast';
import { Difference } from '@/features/review/screen/marks';
import { ApiError, postJson } from '@/platform/screen/call-api';
import { saveFile } from '@/platform/screen/save-file';

const SHOWN = 500;
const NUMBER = 'py-1 pr-3 text-right tabular-nums whitespace-nowrap';

interface PricesProps {
  readonly bill: StoredBill;
  readonly held: HeldPrices;
}

export function PricesScreen({ bill, held }: PricesProps) {
  const router = useRouter();
  const [trouble, setTrouble] = useState<ApiError | null>(null);
  const [isBusy, setBusy] = useState(false);
  const { book, rates, currency } = held;
  const other = rates.filter(({ state }) => state === 'other-price').length;
  const publish = async (as: BillPrices): Promise<void> => {
    setTrouble(null);
    setBusy(true);
    try {
      const made = await postJson<ImportedBook>(`/api/bills/${bill.id}/prices`, { as });
      tell(`“${made.title}”, revision ${made.revision}, was published.`, {
        label: 'Open the books',
        run: () => router.push('/books'),
      });
      router.refresh();
    } catch (error) {
      setTrouble(error instanceof ApiError ? error : new ApiError('That did not work. Try again.'));
    }
    setBusy(false);
  };
  const draft = (as: string) => saveFile(`/api/bills/${bill.id}/prices/draft?as=${as}`);
  if (rates.length === 0)
    return (
      <Empty title="No rate can be read of this bill">
        It has no use with a quantity: only fees, taxes or credits.
      </Empty>
    );
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Prices"
    >
      <h2 className="text-base font-semibold" data-testid="prices-sentence">
        {pricesSentence(rates, book, currency)}
      </h2>
      <p className="mt-1 max-w-[860px] text-sm text-soft">
        {book
          ? 'The list prices can become the next revision of the book, with everything else as it was. Contracted prices become a book of their own, so that nobody takes them for the list.'
          : 'Take what was paid as a price list, say once what its rows are, and it becomes a book.'}
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        {book && (
          <>
            <Button tone="strong" disabled={isBusy || other === 0} onClick={() => void publish('list')}>
              Publish the list prices
            </Button>
            <Button disabled={isBusy} onClick={() => void publish('contracted')}>
              Publish the contracted prices
            </Button>
          </>
        )}
        <Menu
          label="Take along"
          items={[
            ...(book
              ? [
                  { label: 'Draft, list', detail: 'a price-book file', onSelect: () => draft('list') },
                  {
                    label: 'Draft, contracted',
                    detail: 'a price-book file',
                    onSelect: () => draft('contracted'),
                  },
                ]
              : []),
            { label: 'Price list', detail: 'CSV, both prices', onSelect: () => draft('price-list') },
          ]}
        />
      </div>
      {trouble && (
        <div className="mt-2 max-w-[860px]">
          <ErrorNote message={trouble.message} faults={trouble.faults} more={trouble.more} />
        </div>
      )}
      <Rates rates={printedRates(rates, currency).slice(0, SHOWN)} currency={currency} />
      {rates.length > SHOWN && (
        <p className="mt-2 text-sm text-soft">{`The ${SHOWN} of ${writeNumber(String(rates.length))} that cost most are shown; the files have all.`}</p>
      )}
    </div>
  );
}

function Rates({ rates, currency }: { readonly rates: readonly HeldRate[]; readonly currency: string }) {
  const price = (text: string | null): string => (text === null ? '–' : writePrice(text, 2));
  return (
    <table className="mt-4 w-full max-w-[1180px] min-w-[940px] text-sm">
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 pr-3 font-normal">Offer</th>
          <th className="py-1 pr-3 font-normal">Meter</th>
          <th className="py-1 pr-3 font-normal">Unit</th>
          <th className="py-1 pr-3 text-right font-normal">Used</th>
          <th className="py-1 pr-3 text-right font-normal">List</th>
          <th className="py-1 pr-3 text-right font-normal">Contracted</th>
          <th className="py-1 pr-3 text-right font-normal">In the book</th>
          <th className="py-1 pr-3 font-normal">So it is</th>
          <th className="py-1 text-right font-normal">{`Makes, ${currency}`}</th>
        </tr>
      </thead>
      <tbody>
        {rates.map(({ paid, state, unit, list, contracted, listed, difference }) => (
          <tr
            key={`${paid.sku} ${paid.region} ${paid.unit} ${paid.meter}`}
            className="border-b border-line align-baseline"
          >
            <td className="max-w-[240px] py-1 pr-3 break-words">
              <span className="font-mono text-xs">{paid.sku || 'no SKU'}</span>
              <span className="ml-1.5 text-xs text-soft">{paid.region}</span>
            </td>
            <td className="max-w-[200px] truncate py-1 pr-3" title={paid.description}>
              {paid.meter || paid.description}
            </td>
            <td className="py-1 pr-3">{unit ?? paid.unit}</td>
            <td className={NUMBER}>{`${writeNumber(paid.quantity, undefined, 2)} ${paid.unit}`}</td>
            <td className={NUMBER}>{price(list ?? paid.list?.price ?? null)}</td>
            <td className={NUMBER}>{price(contracted ?? paid.contracted?.price ?? null)}</td>
            <td className={NUMBER}>{price(listed)}</td>
            <td className="py-1 pr-3">
              {rateStateWords(state)}
              {paid.list?.isMean ? ', a mean' : ''}
            </td>
            <td className={NUMBER}>
              {difference === null ? '–' : <Difference value={difference} currency={currency} />}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

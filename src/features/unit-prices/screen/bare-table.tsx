/** The table of bare rates. A cell is a button: what it opens stands in the margin. */
'use client';
import { Fragment } from 'react';
import type { BareRate, MeasuredRates } from '@/features/unit-prices/calc';
import { type PlaceNames } from '@/features/design/words';
import { sentenceFor, writeNumber } from '@/platform/words';
import { Amount, NotPriced } from '@/platform/ui/amount';

interface BareTableProps {
  readonly measured: readonly MeasuredRates[];
  readonly books: readonly string[];
  readonly names: PlaceNames;
  readonly currency: string;
  readonly chosen: { readonly measure: string; readonly book: string } | null;
  readonly onChoose: (measure: string, book: string) => void;
}

export function BareTable({ measured, books, names, currency, chosen, onChoose }: BareTableProps) {
  const groups = [...new Set(measured.map(({ measure }) => measure.group))];
  const head = 'border-b border-ink px-2.5 py-1.5 text-xs font-normal text-soft';
  return (
    <div
      tabIndex={0}
      role="region"
      aria-label="Bare rates"
      className="min-h-0 flex-1 overflow-auto bg-surface"
    >
      <table className="w-full min-w-[760px] border-separate border-spacing-0 text-sm">
        <thead className="sticky top-0 z-[1] bg-surface">
          <tr>
            <th scope="col" className={`${head} sticky left-0 min-w-[170px] bg-surface pl-[18px] text-left`}>
              {currency}, the cheapest region of each provider
            </th>
            {books.map((book) => (
              <th key={book} scope="col" className={`${head} w-[15%] min-w-[112px] text-right`}>
                {names.book(book)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {groups.map((group) => (
            <Fragment key={group}>
              <tr>
                <th
                  scope="rowgroup"
                  colSpan={books.length + 1}
                  className="border-b border-line bg-page px-[18px] pt-3 pb-1 text-left font-semibold"
                >
                  {group}
                </th>
              </tr>
              {measured
                .filter(({ measure }) => measure.group === group)
                .map(({ measure, rates }) => (
                  <tr key={measure.key}>
                    <th
                      scope="row"
                      className="sticky left-0 border-b border-line bg-surface py-1 pr-2.5 pl-[30px] text-left align-baseline font-normal"
                    >
                      {measure.label}
                      {measure.quantity !== '1' && (
                        <span className="block text-xs text-soft">
                          {writeNumber(measure.quantity)} {measure.unit}
                          {measure.unit === 'request' && 's'}
                        </span>
                      )}
                    </th>
                    {books.map((book) => {
                      const rate = rates.find((each) => each.book === book);
                      const isChosen = chosen?.measure === measure.key && chosen.book === book;
                      return (
                        <td
                          key={book}
                          className="border-b border-l border-line p-0 text-right align-baseline"
                        >
                          <Rate
                            {...{ rate, isChosen, names, currency }}
                            least={rate?.amount != null && rate.amount === rates[0]!.amount}
                            label={`${measure.label} at ${names.book(book)}`}
                            onChoose={() => onChoose(measure.key, book)}
                          />
                        </td>
                      );
                    })}
                  </tr>
                ))}
            </Fragment>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RateProps {
  /** The cheapest of the provider; undefined: it has no region there. */
  readonly rate: BareRate | undefined;
  readonly least: boolean;
  readonly isChosen: boolean;
  readonly label: string;
  readonly names: PlaceNames;
  readonly currency: string;
  readonly onChoose: () => void;
}

function Rate({ rate, least, isChosen, label, names, currency, onChoose }: RateProps) {
  if (!rate || (rate.amount === null && rate.why === null)) {
    return <span className="block px-2.5 py-1 text-xs text-soft">not sold</span>;
  }
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      aria-label={`${label}, show where it comes from`}
      onClick={onChoose}
      className={`block h-full w-full px-2.5 py-1 text-right hover:bg-wash ${isChosen ? 'bg-wash' : ''}`}
    >
      {rate.amount === null ? (
        <span title={sentenceFor(rate.why!)}>
          <NotPriced />
        </span>
      ) : (
        <>
          {least && <span className="mr-1.5 text-xs text-tide">least</span>}
          <Amount value={rate.amount} currency={currency} strong={least} />
          <span className="block text-xs text-soft">
            {Number(rate.amount) === 0 && 'included free · '}
            {names.region(rate.book, rate.region)}
            {rate.sleeps && ' · sleeps to nothing'}
          </span>
        </>
      )}
    </button>
  );
}

/** What a newer revision changed: offers that came and went, rates that became dearer or cheaper. */
'use client';
import { useEffect, useState } from 'react';
import { describeTerm } from '@/engine/terms';
import { writeNumber, writeShare } from '@/platform/words';
import { changeOf, type RateChange } from '@/features/price-books/use/book-difference';
import type { BookListing, RevisionDifference } from '@/features/price-books/use/book-ports';
import { Dialog } from '@/platform/ui/dialog';
import { callApi } from '@/platform/screen/call-api';

const SHOWN = 200;

export function DifferenceDialog({
  book,
  between,
  onClose,
}: {
  readonly book: BookListing;
  readonly between: readonly [number, number] | null;
  readonly onClose: () => void;
}) {
  return (
    <Dialog
      open={between !== null}
      title={between ? `${book.title}: revision ${between[0]} to ${between[1]}` : ''}
      description={`Prices of the first unit, in ${book.currency}`}
      width={860}
      onClose={onClose}
    >
      {between && <Differences key={between.join('-')} book={book.key} between={between} />}
    </Dialog>
  );
}

function Differences({
  book,
  between,
}: {
  readonly book: string;
  readonly between: readonly [number, number];
}) {
  const [difference, setDifference] = useState<RevisionDifference | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const path = `/api/books/${encodeURIComponent(book)}/difference?from=${between[0]}&to=${between[1]}`;
  useEffect(() => {
    let current = true;
    callApi<RevisionDifference>(path).then(
      (answer) => current && setDifference(answer),
      (error: Error) => current && setTrouble(error.message),
    );
    return () => {
      current = false;
    };
  }, [path]);
  if (trouble) return <p className="px-4 py-3 text-ember-ink">{trouble}</p>;
  if (!difference) return <p className="px-4 py-3 text-soft">Comparing …</p>;
  const { offersAdded, offersGone, offersChanged, ratesAdded, ratesGone, ratesChanged, rates } = difference;
  const retired = offersChanged.filter(
    ({ before, after }) => before.lifecycle !== 'retiring' && after.lifecycle === 'retiring',
  );
  const rest = ratesAdded + ratesGone + ratesChanged - Math.min(rates.length, SHOWN);
  return (
    <div tabIndex={0} role="region" aria-label="Differences" className="overflow-y-auto px-4 py-3 text-sm">
      <p>
        Offers: {offersAdded.length} added, {offersGone.length} gone, {retired.length} now being retired.
        {offersAdded.length > 0 && ` New: ${namesOf(offersAdded)}.`}
        {offersGone.length > 0 && ` Gone: ${namesOf(offersGone)}.`}
        {retired.length > 0 && ` Retiring: ${namesOf(retired.map(({ after }) => after))}.`}
      </p>
      <p className="mt-1">
        Rates: {writeNumber(String(ratesAdded))} added, {writeNumber(String(ratesGone))} gone,{' '}
        {writeNumber(String(ratesChanged))} changed.
      </p>
      <table className="mt-3 w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-ink text-xs text-soft">
            {['Offer', 'Region', 'Meter', 'Paid'].map((head) => (
              <th key={head} scope="col" className="py-1 pr-3 font-normal">
                {head}
              </th>
            ))}
            {['Before', 'After', 'Change'].map((head) => (
              <th key={head} scope="col" className="py-1 pl-3 text-right font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rates.slice(0, SHOWN).map((pair) => {
            const rate = (pair.after ?? pair.before)!;
            const change = changeOf(pair);
            return (
              <tr
                key={[rate.sku, rate.region, rate.meter, rate.term].join(' ')}
                className="border-b border-line"
              >
                <td className="py-1 pr-3 font-mono text-xs">{rate.sku}</td>
                <td className="py-1 pr-3 font-mono text-xs">{rate.region}</td>
                <td className="py-1 pr-3">{rate.meter}</td>
                <td className="py-1 pr-3">
                  {describeTerm(rate.term)}
                  {change.of === 'upfront' && <span className="text-soft"> (the upfront)</span>}
                </td>
                <td className="py-1 pl-3 text-right tabular-nums">{change.before ?? '–'}</td>
                <td className="py-1 pl-3 text-right tabular-nums">{change.after ?? '–'}</td>
                <td className={`py-1 pl-3 text-right tabular-nums ${toneOf(change)}`}>{wordsFor(change)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {rest > 0 && (
        <p className="mt-2 text-soft">
          and {writeNumber(String(rest))} more; the command line lists them all as CSV.
        </p>
      )}
    </div>
  );
}

function namesOf(offers: readonly { readonly name: string }[]): string {
  const names = offers.slice(0, 8).map((offer) => offer.name);
  return offers.length > 8 ? `${names.join(', ')} and ${offers.length - 8} more` : names.join(', ');
}

function toneOf({ what }: RateChange): string {
  return what === 'dearer' ? 'text-ember-ink' : what === 'cheaper' ? 'text-tide' : 'text-soft';
}

function wordsFor({ what, share }: RateChange): string {
  if (share === null) return what;
  return `${share.startsWith('-') ? '−' : '+'}${writeShare(share.replace('-', ''))} ${what}`;
}

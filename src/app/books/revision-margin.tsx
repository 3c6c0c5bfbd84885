/** What a revision holds: source, kinds of offers, regions with their grid. */
'use client';
import { useEffect, useState } from 'react';
import { KINDS } from '@/core/books';
import type { BookListing, RevisionListing } from '@/operations';
import { callApi } from '../lib/call-api';

interface Catalogue {
  readonly regions: readonly {
    readonly code: string;
    readonly name: string;
    readonly country: string;
    readonly carbon: number | null;
  }[];
  readonly offers: readonly { readonly kind: string; readonly lifecycle: string }[];
}

export function RevisionMargin({
  book,
  revision,
}: {
  readonly book: BookListing;
  readonly revision: RevisionListing;
}) {
  const [catalogue, setCatalogue] = useState<Catalogue | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const path = `/api/books/${encodeURIComponent(book.key)}/${revision.number}`;
  useEffect(() => {
    let current = true;
    callApi<Catalogue>(path).then(
      (answer) => current && setCatalogue(answer),
      (error: Error) => current && setTrouble(error.message),
    );
    return () => {
      current = false;
    };
  }, [path]);
  const retiring = catalogue?.offers.filter((offer) => offer.lifecycle === 'retiring').length ?? 0;
  return (
    <div>
      <h2 className="pr-8 text-base font-semibold break-words">
        {book.title}, revision {revision.number}
      </h2>
      <p className="text-sm text-soft">
        Prices of {revision.effective}, in {book.currency}
      </p>
      <p className="mt-2 text-sm break-words">{revision.source}</p>
      {trouble && <p className="mt-3 text-ember-ink">{trouble}</p>}
      {!catalogue && !trouble && <p className="mt-3 text-soft">Reading …</p>}
      {catalogue && (
        <>
          <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold">Offers</h3>
          <ul>
            {KINDS.map((kind) => (
              <li key={kind.kind} className="flex justify-between border-b border-line py-1">
                <span>{kind.label}</span>
                <span className="tabular-nums">
                  {catalogue.offers.filter((offer) => offer.kind === kind.kind).length}
                </span>
              </li>
            ))}
          </ul>
          {retiring > 0 && <p className="mt-1.5 text-sm text-soft">{retiring} of them are being retired.</p>}
          <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold">Regions</h3>
          <ul>
            {catalogue.regions.map((region) => (
              <li
                key={region.code}
                className="flex items-baseline justify-between gap-3 border-b border-line py-1"
              >
                <span className="min-w-0">
                  {region.name}, {region.country}
                  <span className="block font-mono text-xs text-soft">{region.code}</span>
                </span>
                <span className="text-xs whitespace-nowrap text-soft">
                  {region.carbon === null ? 'grid unknown' : `${region.carbon} g CO2e/kWh`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

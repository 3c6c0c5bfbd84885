/** What a revision holds: source, kinds of offers, regions with their grid. */
'use client';
import { useEffect, useState } from 'react';
import { KINDS } from '@/engine/books';
import type { BookListing, RevisionListing } from '@/features/price-books/use/book-ports';
import { Button } from '@/platform/ui/button';
import { callApi } from '@/platform/screen/call-api';

interface Catalogue {
  readonly regions: readonly {
    readonly code: string;
    readonly name: string;
    readonly country: string;
    readonly carbon: number | null;
    readonly bands?: Readonly<Record<string, string>>;
  }[];
  readonly offers: readonly { readonly kind: string; readonly lifecycle: string }[];
}

/** ", price band near" where a region has any. */
function bandsOf(bands: Readonly<Record<string, string>> = {}): string {
  const names = [...new Set(Object.values(bands))];
  return names.length === 0 ? '' : `, price band ${names.join(', ')}`;
}

export function RevisionMargin({
  book,
  revision,
  onCompare,
}: {
  readonly book: BookListing;
  readonly revision: RevisionListing;
  readonly onCompare: (before: number) => void;
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
  const before = book.revisions.find((each) => each.number < revision.number);
  const kinds = KINDS.map((kind) => ({
    ...kind,
    count: catalogue?.offers.filter((offer) => offer.kind === kind.kind).length ?? 0,
  })).filter((kind) => kind.count > 0);
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
      <div className="mt-3 flex flex-wrap items-center gap-2">
        {before && (
          <Button onClick={() => onCompare(before.number)}>
            What changed since revision {before.number}
          </Button>
        )}
        <a className="text-sm text-brand underline" href={`${path}/export?form=json`}>
          JSON
        </a>
        <a className="text-sm text-brand underline" href={`${path}/export?form=csv`}>
          CSV
        </a>
      </div>
      {trouble && <p className="mt-3 text-ember-ink">{trouble}</p>}
      {!catalogue && !trouble && <p className="mt-3 text-soft">Reading …</p>}
      {catalogue && (
        <>
          <h3 className="mt-4 border-b border-ink pb-1 text-sm font-semibold">Offers</h3>
          <ul>
            {kinds.map((kind) => (
              <li key={kind.kind} className="flex justify-between border-b border-line py-1">
                <span>{kind.label}</span>
                <span className="tabular-nums">{kind.count}</span>
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
                  <span className="block font-mono text-xs text-soft">
                    {region.code}
                    {bandsOf(region.bands)}
                  </span>
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

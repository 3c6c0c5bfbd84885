/** Bare rates of the newest revision of every book, with no design at all. */
'use client';
import Link from 'next/link';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import { placeNames } from '@/features/compare/screen/place-names';
import type { BookInfo } from '@/features/design/screen/book-list';
import { usePricingClient } from '@/features/design/screen/pricing';
import { BareRatesView } from './bare-rates-view';

interface BarePricesProps {
  readonly around: Design;
  readonly bookList: readonly Pick<BookInfo, 'key' | 'title' | 'regions'>[];
}

export function BarePricesScreen({ around, bookList }: BarePricesProps) {
  const client = usePricingClient();
  const names = useMemo(() => placeNames(bookList), [bookList]);
  return (
    <BareRatesView {...{ client, around, names }}>
      <div className="flex shrink-0 flex-wrap items-baseline gap-x-4 px-[18px] pt-2 pr-12">
        <h1 className="text-lg font-semibold">Bare rates side by side</h1>
        <Link href="/prices" prefetch={false} className="text-sm text-brand underline">
          Every offer
        </Link>
      </div>
    </BareRatesView>
  );
}

/** Bare rates of the books that a design has pinned, at the quantities that it has. */
'use client';
import { useMemo } from 'react';
import { ownQuantities } from '@/features/unit-prices/calc';
import { placeNames } from '@/features/compare/screen/place-names';
import { WaysToCompare } from '@/features/compare/screen/ways-to-compare';
import { useRoom } from '@/features/design/screen/room';
import { BareRatesView } from './bare-rates-view';

export function BareDesignScreen() {
  const { id, state, client, bookList } = useRoom();
  const { design } = state;
  const names = useMemo(() => placeNames(bookList), [bookList]);
  const own = useMemo(() => ownQuantities(design), [design]);
  return (
    <BareRatesView {...{ client, names, own }} around={design}>
      <WaysToCompare id={id} here="rates" of="all" />
    </BareRatesView>
  );
}

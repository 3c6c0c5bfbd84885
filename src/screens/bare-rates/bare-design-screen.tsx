/** Bare rates of the books that a design has pinned, at the quantities that it has. */
'use client';
import { useMemo } from 'react';
import { ownQuantities } from '@/features/unit-prices/calc';
import { placeNames } from '../design/alternatives/place-names';
import { WaysToCompare } from '../design/alternatives/ways-to-compare';
import { useRoom } from '../design/room';
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

/** What the ledger shows of the design: its rows as priced and filtered, and its columns. */
'use client';
import { useMemo } from 'react';
import { allComponents, type Design } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import { describeTerm } from '@/engine/terms';
import { ledgerColumns, type PickerKind } from './columns';
import { filteredRows, type Filtering, repeatedIn } from './ledger-view';
import type { MarginView } from './margin/component-margin';
import { useRoom } from './room';
import { rowsOf, widestOf } from './rows';
import { hoursInMonth, placeText, type BookInfo } from './book-list';

export function useLedgerRows(
  design: Design,
  summary: DesignSummary | null,
  filtering: Filtering,
  bookList: readonly BookInfo[],
) {
  const all = useMemo(() => rowsOf(design, summary), [design, summary]);
  return useMemo(
    () => filteredRows(all, filtering, (row) => placeText(bookList, row.component.place)),
    [all, filtering, bookList],
  );
}

interface TableActs {
  readonly open: (what: PickerKind, row: string, typed: string, column: string) => void;
  readonly addSection: () => void;
  readonly setView: (view: MarginView) => void;
}

const COLUMN_OF: Readonly<Record<PickerKind, string>> = {
  kind: 'name',
  offer: 'what',
  place: 'where',
  term: 'paid',
};

export function useLedgerColumns({ open, addSection, setView }: TableActs) {
  const { state, pricing, bookList, apply, preview, openMargin } = useRoom();
  const { design } = state;
  const most = useMemo(() => widestOf(pricing.summary), [pricing.summary]);
  const repeats = useMemo(
    () =>
      repeatedIn(allComponents(design), {
        where: ({ place }) => placeText(bookList, place),
        paid: ({ term }) => describeTerm(term),
      }),
    [design, bookList],
  );
  const columns = useMemo(
    () =>
      ledgerColumns({
        repeats,
        currency: design.currency,
        most,
        apply: (edits) => void apply(edits),
        preview,
        open: (what, row, typed) => {
          const key =
            row.kind === 'component'
              ? row.component.id
              : row.kind === 'next-component'
                ? `${row.section.id}/next`
                : '';
          open(what, key, typed, COLUMN_OF[what]);
        },
        addSection,
        explain: () => {
          openMargin();
          setView('adds-up');
        },
        place: (component) => placeText(bookList, component.place),
        monthHours: (component) => hoursInMonth(design, component, bookList),
      }),
    [addSection, apply, design, most, open, openMargin, preview, repeats, setView, bookList],
  );
  return { columns, repeats };
}

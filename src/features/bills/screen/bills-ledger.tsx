/** The bills of the team: which provider, which period, how much, and how it stands. */
'use client';
import { useRouter } from 'next/navigation';
import { type KeyboardEvent, useEffect, useMemo, useRef, useState } from 'react';
import { addAll, decimal } from '@/engine/base';
import { dayAfter } from '@/features/bills/calc';
import { writeNumber } from '@/platform/words';
import type { BillListing } from '@/features/bills/use/bill-ports';
import { Amount } from '@/platform/ui/amount';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { Ledger, type LedgerColumn, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { TallyFigure, TallyLine } from '@/platform/ui/tally-line';
import { ImportDialog } from '@/features/price-books/screen/import-dialog';
import { doneOf, forgetTrouble, startImport, useImports } from '@/features/price-books/screen/import-store';
import { FileFaults } from '@/platform/shell/file-faults';
import { type Findable, useFindable } from '@/platform/shell/find';
import { writeWhen } from '@/platform/screen/time';
import { BILL_IMPORT, useBillActs } from './bill-acts';
import { PeriodMargin } from './period-margin';
import { BillsHead } from './bills-head';
import { periodWords } from './period-words';

const COLUMNS: readonly Omit<LedgerColumn<BillListing>, 'edit'>[] = [
  {
    key: 'period',
    head: 'Period',
    track: 'minmax(150px,1.2fr)',
    cell: (bill) => <span className="truncate font-medium">{periodWords(bill)}</span>,
  },
  {
    key: 'provider',
    head: 'Provider',
    track: 'minmax(110px,1fr)',
    worth: 6,
    cell: ({ provider }) => <span className="truncate">{provider}</span>,
  },
  {
    key: 'account',
    head: 'Account',
    track: 'minmax(130px,1.2fr)',
    worth: 4,
    cell: ({ account }) => <span className="truncate font-mono text-xs">{account}</span>,
  },
  {
    key: 'state',
    head: 'State',
    track: 'minmax(140px,1fr)',
    worth: 5,
    cell: (bill) => <span className="truncate">{stateWords(bill)}</span>,
  },
  {
    key: 'rows',
    head: 'Rows',
    track: '88px',
    end: true,
    worth: 2,
    cell: ({ rows }) => writeNumber(String(rows)),
  },
  {
    key: 'came',
    head: 'Came in',
    track: '128px',
    worth: 1,
    cell: ({ importedAt }) => <span suppressHydrationWarning>{writeWhen(importedAt)}</span>,
  },
  {
    key: 'billed',
    head: 'Billed',
    track: '132px',
    end: true,
    ruled: true,
    cell: ({ billed, currency }) => (
      <>
        <Amount value={billed} currency={currency} />
        <span className="ml-1 text-xs text-soft">{currency}</span>
      </>
    ),
  },
];

function stateWords({ closing, newest, to }: BillListing): string {
  if (closing) return 'closed';
  if (newest === null) return 'no use yet';
  const last = dayAfter(to, -1);
  return newest >= last ? 'whole, open' : `known until ${newest.slice(5)}`;
}

interface BillsLedgerProps {
  readonly bills: readonly BillListing[];
  /** What watches said and nobody has seen yet. */
  readonly unseen: number;
}

export function BillsLedger({ bills, unseen }: BillsLedgerProps) {
  const router = useRouter();
  const acts = useBillActs();
  const file = useRef<HTMLInputElement>(null);
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const imports = useImports();
  const { uploading, trouble } = imports;
  const done = doneOf(imports, BILL_IMPORT);
  const [left, setLeft] = useState<string | null>(null);
  useEffect(() => {
    if (done) router.refresh();
  }, [done, router]);
  const focused = bills.find(({ id }) => id === cursor?.row) ?? bills[0];
  const findable = useMemo<readonly Findable[]>(
    () => [
      { key: 'import-bill', group: 'Actions', label: 'Bring in a bill', run: () => file.current?.click() },
    ],
    [],
  );
  useFindable('bills', findable);
  const bring = (
    <Button tone="strong" disabled={uploading !== null} onClick={() => file.current?.click()}>
      Bring in a bill
    </Button>
  );
  const onKey = (event: KeyboardEvent): boolean => {
    if (event.key !== 'Delete' || !focused) return false;
    acts.remove(focused.id, `${focused.provider}, ${periodWords(focused)}`);
    return true;
  };
  const columns = COLUMNS.map((column) => ({
    ...column,
    edit: (row: BillListing) => ({ by: 'open' as const, open: () => acts.open(row.id) }),
  }));
  return (
    <>
      <BillsHead unseen={unseen}>
        {bring}
        <input
          ref={file}
          type="file"
          accept=".csv,.gz,.parquet,text/csv"
          aria-label="Bill file"
          className="hidden"
          onChange={(event) => {
            const chosen = event.target.files?.[0];
            if (chosen) void startImport(chosen, BILL_IMPORT);
            event.target.value = '';
          }}
        />
      </BillsHead>
      <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
        {bills.length === 0 ? (
          <div className="flex-1 bg-surface">
            <Empty
              title="No bills yet"
              acts={
                <>
                  {bring}
                  <Button onClick={() => router.push('/bills/feed')}>Look at the billing feed</Button>
                </>
              }
            >
              A bill in FOCUS form (CSV, gzip or Parquet) is laid against the design that it was planned in:
              what was expected so far, what is billed, why it differs, and where the period will close.
            </Empty>
          </div>
        ) : (
          <Ledger
            label="Bills"
            columns={columns}
            rows={bills.map((bill) => ({ key: bill.id, level: 'flat', data: bill }))}
            cursor={cursor ?? { row: bills[0]!.id, column: 'period' }}
            onCursor={setCursor}
            onKey={onKey}
            autoFocus
          />
        )}
        {focused && (
          <Margin label="About the bill" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            <PeriodMargin bill={focused} acts={acts} />
          </Margin>
        )}
      </div>
      <BillsTally bills={bills} />
      <ImportDialog
        uploading={uploading && uploading.id !== left ? uploading : null}
        onLeave={() => setLeft(uploading?.id ?? null)}
      />
      <FileFaults trouble={trouble} onClose={forgetTrouble} />
    </>
  );
}

function BillsTally({ bills }: { readonly bills: readonly BillListing[] }) {
  const currencies = [...new Set(bills.map(({ currency }) => currency))];
  return (
    <TallyLine aside="Of all periods that are here">
      <TallyFigure label="Bills">{bills.length}</TallyFigure>
      <TallyFigure label="Closed">{bills.filter(({ closing }) => closing).length}</TallyFigure>
      {currencies.map((currency) => (
        <TallyFigure key={currency} label={`Billed, ${currency}`}>
          <Amount
            value={addAll(
              bills.flatMap((bill) => (bill.currency === currency ? [decimal(bill.billed)] : [])),
            ).toString()}
            currency={currency}
          />
        </TallyFigure>
      ))}
    </TallyLine>
  );
}

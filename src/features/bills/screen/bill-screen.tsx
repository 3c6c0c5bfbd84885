/** A bill as a ledger: what was expected so far, what is billed, why it differs, where it closes. */
'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { billLines, largestSentence, relationSentence, billSentence } from '@/features/bills/words';
import type { GroupedBy } from '@/features/bills/calc';
import type { BillView } from '@/features/bills/use/bill-view';
import { Choice } from '@/platform/ui/field';
import { Ledger, type LedgerCursor } from '@/platform/ui/ledger';
import { Margin } from '@/platform/ui/margin';
import { billColumns } from './bill-columns';
import { BillTally } from './bill-tally';
import { GroupsView } from './groups-view';
import { LineMargin } from './line-margin';
import { WholeMargin } from './whole-margin';

type Shown = 'design' | GroupedBy;

const FIRST: readonly (readonly [Shown, string])[] = [
  ['design', 'the design'],
  ['service', 'service'],
  ['account', 'account'],
  ['region', 'region'],
  ['resource', 'resource'],
  ['sku', 'SKU'],
  ['category', 'category'],
];

interface BillScreenProps {
  readonly view: BillView;
  /** What watches said of it, the newest first. */
  readonly said: readonly string[];
}

export function BillScreen({ view, said }: BillScreenProps) {
  const { bill, design, laid, closes, relations, tags } = view;
  const router = useRouter();
  const [by, setBy] = useState<Shown>('design');
  const [withMeters, setWithMeters] = useState<'meters' | 'components'>('meters');
  const [cursor, setCursor] = useState<LedgerCursor | null>(null);
  const [marginOpen, setMarginOpen] = useState(true);
  const told = useMemo(() => billLines(laid, closes), [laid, closes]);
  const rows = useMemo(
    () => told.lines.filter(({ level }) => withMeters === 'meters' || level !== 'meter'),
    [told, withMeters],
  );
  const focused = told.lines.find(({ key }) => key === cursor?.row);
  const sentence = design && largestSentence(told.lines, laid.currency);
  return (
    <>
      <div className="shrink-0 border-b border-line px-[18px] py-2">
        <p className="text-base font-semibold" data-testid="bill-sentence">
          {bill.newest === null
            ? 'There is no use in it yet.'
            : `After ${laid.days.known} of ${laid.days.all} days ${lowered(billSentence(laid, laid.currency, { difference: told.total.difference, hasDesign: design !== null }))}`}
        </p>
        {sentence && <p className="mt-0.5 text-sm text-soft">{sentence}</p>}
        {relations.map((relation) => (
          <p key={relation.section} className="mt-0.5 text-sm text-soft">
            {relationSentence(relation, laid.sections.find(({ id }) => id === relation.section)?.name ?? '')}
          </p>
        ))}
        {said.map((each) => (
          <p key={each} className="mt-0.5 text-sm">
            <Link href="/bills/told" prefetch={false} className="text-brand underline underline-offset-2">
              Watch
            </Link>
            {`: ${each}`}
          </p>
        ))}
        <div className="mt-1.5 flex flex-wrap items-end gap-3">
          <Choice
            label="By"
            value={by}
            options={[...FIRST, ...tags.map((tag): [Shown, string] => [`tag:${tag}`, `tag “${tag}”`])]}
            onChange={setBy}
          />
          <Choice
            label="Money"
            value={view.basis}
            options={[
              ['effective', 'effective: advance payments spread'],
              ['billed', 'billed: as it is charged'],
            ]}
            onChange={(basis) =>
              router.replace(basis === 'billed' ? `/bills/${bill.id}?money=billed` : `/bills/${bill.id}`)
            }
          />
          {by === 'design' && (
            <Choice
              label="Listed"
              value={withMeters}
              options={[
                ['meters', 'components and meters'],
                ['components', 'components'],
              ]}
              onChange={setWithMeters}
            />
          )}
        </div>
      </div>
      {by === 'design' ? (
        <div className="flex min-h-0 flex-1 max-[700px]:flex-col">
          <Ledger
            label="Bill against the design"
            columns={billColumns(laid.currency, told.lines)}
            rows={rows.map((line) => ({
              key: line.key,
              level: line.level === 'section' ? 'head' : 'line',
              data: line,
            }))}
            cursor={cursor ?? (rows[0] ? { row: rows[0].key, column: 'name' } : null)}
            onCursor={setCursor}
            autoFocus
          />
          <Margin label="About what is chosen" open={marginOpen} onToggle={() => setMarginOpen(!marginOpen)}>
            {focused ? (
              <LineMargin key={focused.key} line={focused} view={view} />
            ) : (
              <WholeMargin view={view} total={told.total} />
            )}
          </Margin>
        </div>
      ) : (
        <GroupsView bill={bill} by={by} />
      )}
      <BillTally view={view} total={told.total} />
    </>
  );
}

const lowered = (text: string): string => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

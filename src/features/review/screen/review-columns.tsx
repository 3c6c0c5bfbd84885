/** Columns of a review's ledger: what happens, before, after, the difference; a column for each way it could be otherwise. */
import { ChevronDown, ChevronRight } from 'lucide-react';
import { addAll, type Decimal, decimal } from '@/engine/base';
import { doubtWords, rowWords } from '@/features/review/words';
import type { ReviewRow, WhatIfColumn } from '@/features/review/calc';
import { Amount, NotPriced } from '@/platform/ui/amount';
import type { LedgerColumn } from '@/platform/ui/ledger';
import type { WorkAnswer } from '@/features/review/worker/review-protocol';
import { Wick } from '@/platform/ui/wick';
import { Difference } from './marks';
import type { ReviewItem } from './review-rows';

const INDENT = 14;

/** It has an amount, and not by half: else its cells stay empty, and words say why. */
export const isPriced = ({ free, lines }: ReviewRow): boolean =>
  free !== null || lines.some((line) => !line.half && (line.before ?? line.after) !== null);

interface ColumnsAsked {
  readonly answer: WorkAnswer;
  readonly onFold: (module: string) => void;
  readonly onOpen: () => void;
  /** Lists everything. */
  readonly onAll: () => void;
}

export function reviewColumns({ answer, onFold, onOpen, onAll }: ColumnsAsked): LedgerColumn<ReviewItem>[] {
  const { review, lean, heavy, columns } = answer;
  const { currency } = review;
  const open = (item: ReviewItem) => ({
    by: 'open' as const,
    open: () => (item.is === 'module' ? onFold(item.key) : item.is === 'rest' ? onAll() : onOpen()),
  });
  const most = Math.max(0, ...Object.values(heavy.byAddress).map(Number));
  const isWide = Object.entries(heavy.byAddress).some(
    ([address, amount]) => lean.byAddress[address] !== amount,
  );
  const money = (value: string | null): React.ReactNode =>
    value === null ? null : <Amount value={value} currency={currency} />;
  return [
    {
      key: 'name',
      head: 'Resource',
      track: 'minmax(190px,2.4fr)',
      cell: (item) => <NameCell item={item} onFold={onFold} />,
      edit: open,
    },
    {
      key: 'happens',
      head: 'What happens',
      track: 'minmax(130px,1.3fr)',
      worth: 5,
      cell: (item) => <HappensCell item={item} />,
      edit: open,
    },
    {
      key: 'before',
      head: 'Before',
      track: '104px',
      worth: 2,
      end: true,
      ruled: true,
      cell: (item) => money(amountOf(item, 'before')),
      edit: open,
    },
    {
      key: 'after',
      head: 'After',
      track: '104px',
      worth: 4,
      end: true,
      cell: (item) => money(amountOf(item, 'after')),
      edit: open,
    },
    ...(isWide
      ? [
          {
            key: 'wick',
            head: 'Lean to heavy',
            track: '104px',
            worth: 1,
            cell: (item: ReviewItem) =>
              item.is === 'resource' && isPriced(item.row) && item.row.free === null ? (
                <Wick
                  values={{
                    low: lean.byAddress[item.row.address] ?? item.row.after,
                    likely: item.row.after,
                    high: heavy.byAddress[item.row.address] ?? item.row.after,
                  }}
                  currency={currency}
                  most={most}
                />
              ) : null,
          },
        ]
      : []),
    {
      key: 'difference',
      head: 'A month more',
      track: '112px',
      end: true,
      cell: (item) => differenceCell(item, currency),
      edit: open,
    },
    ...columns.map((column, at): LedgerColumn<ReviewItem> => ({
      key: `otherwise ${at}`,
      head: <span className="truncate">{column.name}</span>,
      title: `After, ${column.name}`,
      track: '112px',
      worth: 3,
      end: true,
      ruled: at === 0,
      cell: (item) => money(otherwiseOf(item, column)),
    })),
  ];
}

function amountOf(item: ReviewItem, side: 'before' | 'after'): string | null {
  if (item.is !== 'resource') return item.sums[side];
  const { row } = item;
  if (isPriced(row)) return row.state === (side === 'before' ? 'new' : 'gone') ? null : row[side];
  return row.lines.find(({ half }) => half)?.[side] ?? null;
}

function differenceCell(item: ReviewItem, currency: string): React.ReactNode {
  if (item.is === 'rounding') return <Rounding value={item.sums.difference} currency={currency} />;
  if (item.is !== 'resource')
    return <Difference value={item.sums.difference} currency={currency} strong={item.is === 'month'} />;
  return isPriced(item.row) ? <Difference value={item.row.difference} currency={currency} /> : <NotPriced />;
}

/** Neither dearer nor cheaper. */
function Rounding({ value, currency }: { readonly value: string; readonly currency: string }) {
  return (
    <span className="text-soft">
      {Number(value) === 0 ? '–' : <Amount value={value} currency={currency} signed />}
    </span>
  );
}

function otherwiseOf(item: ReviewItem, { after, byAddress }: WhatIfColumn): string | null {
  const sum = (addresses: readonly string[]): Decimal =>
    addAll(addresses.map((address) => decimal(byAddress[address] ?? '0')));
  switch (item.is) {
    case 'month':
      return after;
    // Of the commitments and of rounding it is not told apart.
    case 'held':
      return null;
    case 'rounding':
      return decimal(after)
        .minus(sum(Object.keys(byAddress)))
        .toString();
    case 'resource':
      return !isPriced(item.row) || item.row.state === 'gone' ? null : (byAddress[item.row.address] ?? null);
    default:
      return sum(item.addresses).toString();
  }
}

function NameCell({ item, onFold }: { readonly item: ReviewItem; readonly onFold: (key: string) => void }) {
  switch (item.is) {
    case 'module': {
      const Icon = item.folded ? ChevronRight : ChevronDown;
      return (
        <span className="flex min-w-0 items-center gap-1" style={{ paddingLeft: item.depth * INDENT }}>
          <button
            type="button"
            tabIndex={-1}
            aria-label={item.folded ? `Unfold ${item.name}` : `Fold ${item.name}`}
            aria-expanded={!item.folded}
            onClick={() => onFold(item.key)}
            className="shrink-0 rounded p-0.5 hover:bg-wash"
          >
            <Icon size={14} aria-hidden="true" />
          </button>
          <span className="truncate">{item.name}</span>
          <span className="shrink-0 text-xs font-normal text-soft">
            {item.shown === item.all ? item.all || null : `${item.shown} of ${item.all}`}
          </span>
        </span>
      );
    }
    case 'resource':
      return (
        <span
          className="truncate font-mono text-xs"
          title={item.row.address}
          style={{ paddingLeft: item.depth * INDENT }}
        >
          {item.name}
        </span>
      );
    case 'rest':
      return <span className="text-soft">{restWords(item.addresses.length)}</span>;
    case 'held':
      return <span className="text-soft">Held already</span>;
    case 'rounding':
      return <span className="text-soft">Rounding</span>;
    case 'month':
      return 'A month';
  }
}

const restWords = (count: number): string =>
  `${count} ${count === 1 ? 'resource' : 'resources'} of other modules`;

function HappensCell({ item }: { readonly item: ReviewItem }) {
  if (item.is !== 'resource') return null;
  const { row } = item;
  return (
    <span className="truncate">
      {rowWords(row)}
      {row.free !== null && <span className="text-soft">, free</span>}
      {row.doubts.map((doubt) => (
        <span
          key={doubt}
          className="ml-1.5 inline-block rounded border border-dashed border-ember px-1 text-xs leading-[18px] text-ember-ink"
        >
          {doubtWords(doubt)}
        </span>
      ))}
    </span>
  );
}

/** The columns of a bill: expected, billed, the difference between them, and where it closes with its range. */
import { decimal } from '@/engine/base';
import { type BillLine } from '@/features/bills/words';
import { writeMoney, writeNumber } from '@/platform/words';
import { Amount } from '@/platform/ui/amount';
import type { LedgerColumn } from '@/platform/ui/ledger';
import { Wick } from '@/platform/ui/wick';
import { Difference } from '@/features/review/screen/marks';

export const shortQuantity = (text: string): string =>
  writeNumber(decimal(text).toSignificantDigits(5).toString());

export function billColumns(currency: string, lines: readonly BillLine[]): LedgerColumn<BillLine>[] {
  const most = mostOf(
    lines.map(({ close, level }) => (close && level === 'component' ? Number(close.high) : 0)),
  );
  const widest = (of: (line: BillLine) => string | undefined, least: number): string => {
    const largest = mostOf(lines.map((line) => Math.abs(Number(of(line) ?? 0))));
    return `${Math.max(least, Math.ceil(writeMoney(largest.toFixed(2), currency).length * DIGIT + BESIDE))}px`;
  };
  return [
    {
      key: 'name',
      head: 'Line',
      track: 'minmax(188px,2fr)',
      cell: ({ level, name }) => (
        <span
          className={`truncate ${level === 'meter' ? 'pl-4 text-soft' : level === 'component' ? 'font-medium' : ''}`}
          title={name}
        >
          {name}
        </span>
      ),
    },
    {
      key: 'measured',
      head: 'Measured, of planned',
      track: 'minmax(222px,1.2fr)',
      end: true,
      worth: 3,
      cell: ({ quantityBilled, quantityExpected, unit }) =>
        quantityBilled === null && quantityExpected === null ? null : (
          <span className="truncate text-soft">
            <span className="text-ink tabular-nums">
              {quantityBilled === null ? '–' : shortQuantity(quantityBilled)}
            </span>
            {quantityExpected === null
              ? ` ${unit ?? ''}`
              : ` of ${shortQuantity(quantityExpected)} ${unit ?? ''}`}
          </span>
        ),
    },
    {
      key: 'soFar',
      head: 'Expected so far',
      track: widest(({ soFar }) => soFar, 108),
      end: true,
      worth: 4,
      cell: ({ soFar }) => <Money value={soFar} currency={currency} />,
    },
    {
      key: 'billed',
      head: 'Billed',
      track: widest(({ billed }) => billed, 98),
      end: true,
      ruled: true,
      cell: ({ billed, level }) => <Money value={billed} currency={currency} strong={level === 'section'} />,
    },
    {
      key: 'difference',
      head: 'Difference',
      track: widest(({ difference }) => difference, 94),
      end: true,
      cell: ({ difference, level }) => (
        <Difference value={difference} currency={currency} strong={level === 'section'} />
      ),
    },
    {
      key: 'close',
      head: 'Closes at',
      track: widest(({ close }) => close?.likely, 98),
      end: true,
      worth: 5,
      cell: ({ close }) =>
        close && <span className="tabular-nums">{writeMoney(close.likely, currency)}</span>,
    },
    {
      key: 'wick',
      head: <span className="sr-only">Range of the close</span>,
      title: 'Range of the close',
      track: '84px',
      worth: 1,
      cell: ({ close, level }) =>
        close &&
        level === 'component' && (
          <span className="block w-full">
            <Wick values={close} currency={currency} most={most} />
          </span>
        ),
    },
    {
      key: 'expected',
      head: 'In all',
      title: 'Expected in all',
      track: widest(({ expected }) => expected, 98),
      end: true,
      worth: 2,
      cell: ({ expected }) => <Money value={expected} currency={currency} />,
    },
  ];
}

/** Pixels of a digit, and of what stands beside the amount. */
const DIGIT = 7.6;
const BESIDE = 24;

/** A bill may have more lines than a call may have arguments. */
const mostOf = (all: readonly number[]): number => all.reduce((a, b) => Math.max(a, b), 0);

function Money({
  value,
  currency,
  strong = false,
}: {
  readonly value: string;
  readonly currency: string;
  readonly strong?: boolean;
}) {
  return Number(value) === 0 ? (
    <span className="text-soft">
      –<span className="sr-only">0</span>
    </span>
  ) : (
    <Amount value={value} currency={currency} strong={strong} />
  );
}

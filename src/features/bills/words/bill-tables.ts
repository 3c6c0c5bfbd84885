/** A bill against its design as flat tables, for files, paper and the command line. Needs P1, P8. */
import { decimal } from '@/engine/base';
import type {
  AllowanceUse,
  BillHead,
  CommitmentUse,
  CostBasis,
  LaidBill,
  Projection,
  Variance,
} from '@/features/bills/calc';
import { writeMoney, writeNumber } from '@/platform/words';
import { billLines, type BillLine } from './bill-lines';
import { closeSentence, largestSentence, printedParts, billSentence } from './bill-words';
import type { TableReport } from '@/platform/tables';
import { allowanceSentence, commitmentSentence } from './use-words';
import type { FlatRow, FlatTable } from '@/platform/tables';

export interface ToldBill {
  readonly head: BillHead;
  /** Of the design; null: it is held against none. */
  readonly title: string | null;
  readonly laid: LaidBill;
  readonly basis: CostBasis;
  readonly close: Projection | null;
  readonly closes: Readonly<Record<string, Projection>>;
  /** What explains a difference, by the line's key. */
  readonly notes?: Readonly<Record<string, string>>;
  readonly allowances?: readonly AllowanceUse[];
  readonly commitments?: readonly CommitmentUse[];
}

/**
 * @example
 * const period = { from: '2026-11-01', to: '2026-12-01' };
 * const expected = expectedBill(design, books, period, 'USD');
 * const laid = layBill({ design, expected, taken: [], period, newest: '2026-11-15', basis: 'effective', completeness: [] });
 * billTable({ head: { ...period, provider: 'Norvane', account: 'x', currency: 'USD' }, title: 'Web', laid, basis: 'effective', close: null, closes: {} }).rows.at(-1).cells; // => ['Whole bill', '', '', { money: '72' }, { money: '0' }, { money: '-72' }, '', { money: '144' }]
 */
export function billTable(told: ToldBill): FlatTable {
  const { head, title, laid, close, closes } = told;
  const { lines, total } = billLines(laid, closes);
  const { currency } = head;
  return {
    title: billTitle(head),
    answer: answerOf(told, lines, total.difference),
    currency,
    head: [
      title === null ? 'Without a design' : `“${title}”`,
      'Planned so far',
      'Measured',
      'Expected so far',
      'Billed',
      'Difference',
      'Closes at',
      'Expected in all',
    ],
    rows: [
      ...lines.map((line) => rowOf(line)),
      {
        level: 'total',
        cells: [
          'Whole bill',
          '',
          '',
          ...moneyOf(total),
          close ? { money: close.likely } : '',
          { money: total.expected },
        ],
      },
    ],
    notes: [
      ...notesOf(told, lines),
      ...(close ? [{ title: 'How it closes', lines: [closeSentence(close, currency)] }] : []),
      {
        title: 'What is compared',
        lines: [
          `Days ${laid.days.known} of ${laid.days.all}, as much as ${writeNumber(decimal(laid.days.worth).toDecimalPlaces(1).toString())} whole ones. ${laid.without.length} lines of the design have no expectation.`,
          BASIS_WORDS[told.basis],
        ],
      },
    ],
  };
}

/** Notes on lines, what is included and what is committed; a note outlives its line. */
function notesOf(
  { notes = {}, allowances = [], commitments = [], head }: ToldBill,
  lines: readonly BillLine[],
): FlatTable['notes'] {
  const names = new Map(lines.map(({ key, name }) => [key, name]));
  const order = [...new Set([...lines.map(({ key }) => key), ...Object.keys(notes)])];
  const explained = order.flatMap((key) =>
    notes[key] ? [`${names.get(key) ?? 'A line that is not there any more'}: ${notes[key]}`] : [],
  );
  const part = (title: string, told: readonly string[]): FlatTable['notes'] =>
    told.length > 0 ? [{ title, lines: told }] : [];
  return [
    ...part('What explains it', explained),
    ...part('What is included', allowances.map(allowanceSentence)),
    ...part(
      'What is committed',
      commitments.map((each) => commitmentSentence(each, head.currency)),
    ),
  ];
}

const billTitle = ({ provider, account, from, to }: BillHead): string =>
  `${provider} ${account}, ${from} up to ${to}`.replace(/\s+/g, ' ');

function answerOf(
  { laid, head: { currency }, title }: ToldBill,
  lines: readonly BillLine[],
  difference: string,
): string {
  const hasDesign = title !== null;
  const largest = hasDesign ? largestSentence(lines, currency) : null;
  return [billSentence(laid, currency, { difference, hasDesign }), ...(largest ? [largest] : [])].join(' ');
}

const moneyOf = ({ soFar, billed, difference }: Pick<BillLine, 'soFar' | 'billed' | 'difference'>) => [
  { money: soFar },
  { money: billed },
  { money: difference },
];

function rowOf(line: BillLine): FlatRow {
  const { level, name, unit, quantityExpected, quantityBilled, close, expected } = line;
  const quantity = (text: string | null): string =>
    text === null
      ? ''
      : `${writeNumber(decimal(text).toSignificantDigits(6).toString())} ${unit ?? ''}`.trim();
  return {
    // Sections are above their lines, and no sums beside them.
    level: level === 'section' ? 'group' : 'line',
    cells: [
      level === 'meter' ? `– ${name}` : name,
      quantity(quantityExpected),
      quantity(quantityBilled),
      ...moneyOf(line),
      close ? { money: close.likely } : '',
      { money: expected },
    ],
  };
}

const STEPS: readonly (readonly [Exclude<keyof Variance, 'difference'>, string])[] = [
  ['price', 'Another price'],
  ['quantity', 'Another quantity'],
  ['mix', 'Another mix'],
  ['new', 'Not expected'],
  ['gone', 'Expected and not there'],
  ['corrections', 'Corrections and credits'],
];

/**
 * From what was expected to what is billed, in steps that add up to the cent.
 *
 * @example
 * const variance = { price: '1.004', quantity: '2.004', mix: '0', new: '0', gone: '0', corrections: '0', difference: '3.008' };
 * varianceSteps({ soFar: '10', billed: '13.008', variance }, '10', '13.01').map(({ amount }) => amount); // => ['1', '2.01']
 */
export function varianceSteps(
  { variance }: Pick<LaidBill, 'soFar' | 'billed' | 'variance'>,
  soFar: string,
  billed: string,
  digits = 2,
): { readonly part: keyof Variance; readonly label: string; readonly amount: string }[] {
  const amounts = printedParts(variance, decimal(billed).minus(soFar).toString(), digits);
  return STEPS.flatMap(([part, label]) =>
    decimal(variance[part]).isZero() ? [] : [{ part, label, amount: amounts[part] }],
  );
}

const BASIS_WORDS: Readonly<Record<CostBasis, string>> = {
  effective: 'Amounts are effective cost: what was paid in advance is spread over what it pays for.',
  billed: 'Amounts are billed cost: as it was charged, with what was paid in advance on its day.',
};

/**
 * The report of a period: for whoever has to accept it.
 *
 * @example
 * const head = { from: '2026-11-01', to: '2026-12-01', provider: 'Norvane', account: 'x', currency: 'USD' };
 * const expected = expectedBill(design, books, head, 'USD');
 * const laid = layBill({ design, expected, taken: [], period: head, newest: null, basis: 'effective', completeness: [] });
 * billReport({ head, title: null, laid, basis: 'effective', close: null, closes: {} }, null).title; // => 'Norvane x, 2026-11-01 up to 2026-12-01'
 */
export function billReport(
  told: ToldBill,
  closing: { readonly at: string; readonly by: string; readonly note: string } | null,
): TableReport {
  const table = billTable(told);
  const { total } = billLines(told.laid, told.closes);
  const { currency } = told.head;
  const steps = varianceSteps(told.laid, total.soFar, total.billed);
  const stepsTable: FlatTable = {
    title: 'What made the difference?',
    answer: billSentence(told.laid, currency, {
      difference: total.difference,
      hasDesign: told.title !== null,
    }),
    currency,
    head: ['Step', 'Amount'],
    rows: [
      { level: 'line', cells: ['Expected so far', { money: total.soFar }] },
      ...steps.map(({ label, amount }): FlatRow => ({ level: 'line', cells: [label, { money: amount }] })),
      { level: 'total', cells: ['Billed', { money: total.billed }] },
    ],
    notes: [],
  };
  return {
    title: table.title,
    currency,
    amounts: `${currency}, of the period`,
    lead: [
      closing
        ? `Closed on ${closing.at.slice(0, 10)} by ${closing.by}.${closing.note ? ` ${closing.note}` : ''}`
        : `Not closed. Days ${told.laid.days.known} of ${told.laid.days.all}.`,
      `Billed ${writeMoney(total.billed, currency)} ${currency}, expected ${writeMoney(total.soFar, currency)}.`,
    ],
    total: null,
    tables: [stepsTable, { ...table, title: 'Line by line' }],
  };
}

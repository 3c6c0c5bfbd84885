/**
 * Comparisons and axes as flat tables, for the command line, files and reports. A cell is text, or an amount with as many
 * digits as it is printed with; every form writes the same amounts.
 */
import { decimal } from '@/engine/base';
import type { AxisAnswer, AxisFacts } from '@/features/compare/calc/axes';
import type { ComparedCell, Comparison } from '@/features/compare/calc/comparison';
import type { Design } from '@/engine/design';
import { halfAwayFromZero, minorDigits } from '@/engine/money';
import { HOUSE, writeNumber } from '@/platform/words';
import { axisSentence, missingText } from './axis-sentence';
import { changeWords, type PlaceNames } from '@/features/design/words';
import { columnSentence, comparisonAnswer } from './comparison-sentence';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import { sentenceFor } from '@/platform/words';

export const HELD_EQUAL = 'Held equal on every side: whatever no change names. Likely amounts of a month.';

/**
 * Lines as rows; for each side its amount, and for all but the first what it became and the difference.
 *
 * @example
 * const own = { id: null, name: 'Design', note: '', changes: [], outcomes: [], design, summary: summarise(design, books) };
 * comparisonTable(comparisonOf([own], books), design, { book: (key) => key, region: (_, code) => code }).rows.at(-1)?.cells; // => ['A month', { money: '146' }]
 */
export function comparisonTable(comparison: Comparison, design: Design, names: PlaceNames): FlatTable {
  const { columns, groups, currency } = comparison;
  const head = columns.flatMap(({ name }, at) => (at === 0 ? [name] : [name, `${name} ±`, `${name} is`]));
  const cellsOf = (cells: readonly ComparedCell[]): FlatCell[] =>
    cells.flatMap((cell, at) => sideCells(cell, at, names));
  const foot = (
    label: string,
    read: (at: number) => FlatCell,
    change?: (at: number) => FlatCell,
  ): FlatRow => ({
    level: 'total',
    cells: [
      label,
      ...columns.flatMap((_, at) => (at === 0 ? [read(at)] : [read(at), change?.(at) ?? '', ''])),
    ],
  });
  const rows: FlatRow[] = [
    ...groups.flatMap((group): FlatRow[] => [
      ...group.lines.map((line): FlatRow => ({ level: 'line', cells: [line.name, ...cellsOf(line.cells)] })),
      { level: 'group', cells: [group.name, ...cellsOf(group.cells)] },
    ]),
    foot('Upfront', (at) => money(columns[at]!.upfront, currency)),
    foot('Not priced', (at) => String(columns[at]!.unpriced)),
    foot(
      'A month',
      (at) => money(columns[at]!.printed, currency),
      (at) => (columns[at]!.change === null ? '' : money(columns[at]!.change, currency)),
    ),
  ];
  const notes = columns.slice(1).map((column, index) => ({
    title: column.name,
    lines: [
      columnSentence(comparison, index + 1),
      ...(column.note ? [column.note] : []),
      ...column.changes.map((change, at) => {
        const why = column.refused.find((each) => each.at === at)?.why;
        return `${changeWords(change, design, names)}${why ? ` (${sentenceFor(why)})` : ''}`;
      }),
      ...[...column.stayed, ...column.lacks, ...column.remarks, ...column.unlike, ...column.minimums].map(
        ({ name, issue }) => `${name}: ${sentenceFor(issue)}`,
      ),
    ],
  }));
  return {
    title: `${design.title}: alternatives`,
    answer: comparisonAnswer(comparison),
    currency,
    head: ['Line', ...head],
    rows,
    notes: [...notes, { title: 'Held equal', lines: [HELD_EQUAL, booksText(design, names)] }],
  };
}

function sideCells(cell: ComparedCell, at: number, names: PlaceNames): FlatCell[] {
  const amount: FlatCell = cell.absent
    ? 'left out'
    : cell.printed === null
      ? 'not priced'
      : { money: cell.printed };
  if (at === 0) return [amount];
  const { became } = cell;
  const place = became?.place
    ? `, ${names.book(became.place.book)} ${names.region(became.place.book, became.place.region)}`
    : '';
  return [
    amount,
    cell.change === null ? '' : { money: cell.change },
    became ? `${became.offer}${place}` : '',
  ];
}

const booksText = ({ books }: Design, names: PlaceNames): string =>
  `Prices: ${books.map(({ book, revision }) => `${names.book(book)}, revision ${revision}`).join('; ')}.`;

const money = (value: string, currency: string): FlatCell => ({
  money: halfAwayFromZero(decimal(value), minorDigits(currency)).toString(),
});

const TITLES: Readonly<Record<AxisAnswer['axis'], string>> = {
  regions: 'every region',
  providers: 'every provider',
  sizes: 'every size',
  paying: 'every way of paying',
  forms: 'every form',
};

/** What an axis knows of its rows, in order, each with its words. */
const FACTS: readonly (readonly [keyof AxisFacts, string])[] = [
  ['offer', 'Offer'],
  ['country', 'Country'],
  ['area', 'Area'],
  ['carbon', 'g CO2e a kWh'],
  ['band', 'Price band'],
  ['vcpu', 'vCPU'],
  ['memory', 'GiB'],
  ['family', 'Family'],
  ['processor', 'Processor'],
  ['perVcpu', 'A vCPU-month'],
  ['perMemory', 'A GiB-month'],
  ['sizeTimes', 'Times the size'],
  ['amountTimes', 'Times the amount'],
];

/**
 * @example
 * axisTable(axisOf('paying', plan, { of: 'all' }), design, 'the design').rows[0]!.cells[0]; // => '36 months, part upfront'
 */
export function axisTable(answer: AxisAnswer, design: Design, subject: string): FlatTable {
  const { axis, currency, rows } = answer;
  const known = FACTS.filter(([fact]) => rows.some(({ facts }) => facts[fact] != null));
  const upfront = rows.some(({ facts }) => facts.upfront !== undefined);
  const digits = (value: string): FlatCell => money(value, currency);
  return {
    title: `${design.title}: ${TITLES[axis]} for ${subject}`,
    answer: axisSentence(answer),
    currency,
    head: [
      'What',
      'A month',
      'Against what is chosen',
      'Share',
      ...(upfront ? ['Upfront'] : []),
      ...known.map(([, words]) => words),
      'Lacks',
    ],
    rows: rows.map(({ label, now, monthly, change, share, missing, facts }): FlatRow => ({
      level: 'line',
      cells: [
        now ? `${label} (chosen)` : label,
        monthly === null ? 'not priced' : digits(monthly),
        change === null ? '' : digits(change),
        share === null ? '' : { share },
        ...(upfront ? [facts.upfront === undefined ? '' : digits(facts.upfront)] : []),
        ...known.map(([fact]) => factText(fact, facts)),
        missingText({ missing }),
      ],
    })),
    notes: [
      {
        title: 'Held equal',
        lines: [
          'Everything but the axis itself. A difference is that of the whole design, pools and plans included.',
        ],
      },
    ],
  };
}

/** Quotients have more digits than anybody reads. */
const QUOTIENTS: readonly (keyof AxisFacts)[] = ['perVcpu', 'perMemory', 'sizeTimes', 'amountTimes'];

function factText(fact: keyof AxisFacts, facts: AxisFacts): string {
  const value = facts[fact];
  if (value === undefined || value === null) return '';
  return QUOTIENTS.includes(fact) ? writeNumber(String(value), HOUSE, 3) : String(value);
}

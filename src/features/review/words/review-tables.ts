/** A change review as flat tables: for the command line, files and the change's discussion; the screen shows the same amounts. */
import { decimal } from '@/engine/base';
import type { GroupSum, Review, ReviewRow, Sums } from '@/features/review/calc';
import type { FlatCell, FlatRow, FlatTable } from '@/platform/tables';
import { heldSum } from './held-words';
import { doubtWords, lineDoubt, reviewSentence, rowWords } from './review-words';

const money = (value: string): FlatCell => ({ money: value });

/** Something of it changes, or is in doubt. */
export const isFelt = ({ state, doubts, difference }: ReviewRow): boolean =>
  state === 'new' || state === 'gone' || doubts.length > 0 || !decimal(difference).isZero();

/**
 * Every resource that changes anything, module by module; `all`: those that do not, too.
 *
 * @example
 * reviewTable({ ...review, rows: [] }).head; // => ['Resource', 'What happens', 'Before', 'After', 'Difference']
 */
export function reviewTable(review: Review, all = false): FlatTable {
  const { currency, totals, rows } = review;
  const shown = all ? rows : rows.filter(isFelt);
  const modules = [...new Set(shown.map(({ module }) => module))];
  const held = heldSum(totals);
  return {
    title: 'What the change costs',
    answer: reviewSentence(review),
    currency,
    head: ['Resource', 'What happens', 'Before', 'After', 'Difference'],
    rows: [
      ...modules.flatMap((module): FlatRow[] => {
        const own = shown.filter((row) => row.module === module);
        const lines = own.map((row): FlatRow => ({ level: 'line', cells: cellsOf(row) }));
        const sum = totals.byModule.find(({ key }) => key === module);
        return sum && modules.length > 1 ? [...lines, { level: 'group', cells: sumCells(sum) }] : lines;
      }),
      ...(held ? [{ level: 'line' as const, cells: sumCells(held) }] : []),
      ...(isNothing(totals.rounding)
        ? []
        : [{ level: 'line' as const, cells: sumCells({ key: '', name: 'Rounding', ...totals.rounding }) }]),
      {
        level: 'total',
        cells: ['A month', '', money(totals.before), money(totals.after), money(totals.difference)],
      },
    ],
    notes: [],
  };
}

const isNothing = ({ before, after }: Sums): boolean => decimal(before).isZero() && decimal(after).isZero();

function sumCells({ name, before, after, difference }: GroupSum): FlatCell[] {
  return [name, '', money(before), money(after), money(difference)];
}

function cellsOf(row: ReviewRow): FlatCell[] {
  const { address, before, after, difference, doubts, free, lines } = row;
  const priced = free !== null || lines.some((line) => !line.half && (line.before ?? line.after) !== null);
  const said = [free === null ? rowWords(row) : `${rowWords(row)}, free`, ...doubts.map(doubtWords)].join(
    '; ',
  );
  // What is not known is no amount: the cell stays empty, and the words say why.
  if (!priced) {
    const half = lines.find((line) => line.half);
    const cell = (amount: string | null | undefined): FlatCell => (amount == null ? '' : money(amount));
    return [address, said, cell(half?.before), cell(half?.after), ''];
  }
  return [address, said, money(before), money(after), money(difference)];
}

/**
 * Everything that has no certain amount, with why.
 *
 * @example
 * doubtTable({ ...review, rows: [] }).rows; // => []
 */
export function doubtTable({ rows, currency }: Review): FlatTable {
  return {
    title: 'What is not known',
    answer: 'Counted beside the total: none of it is taken for nothing.',
    currency,
    head: ['Resource', 'Part', 'Why'],
    rows: rows.flatMap((row): FlatRow[] => {
      const own = row.lines.flatMap((line): FlatRow[] =>
        line.doubts.length === 0
          ? []
          : [{ level: 'line', cells: [row.address, line.part ?? '', lineDoubt(line, currency)] }],
      );
      return row.doubts.includes('no-rule')
        ? [
            { level: 'line', cells: [row.address, '', `The resource map has no rule for “${row.type}”.`] },
            ...own,
          ]
        : own;
    }),
    notes: [],
  };
}

/**
 * @example
 * groupTable('By kind', [], 'USD').rows; // => []
 */
export function groupTable(title: string, groups: readonly GroupSum[], currency: string): FlatTable {
  return {
    title,
    answer: '',
    currency,
    head: [title, 'Before', 'After', 'Difference'],
    rows: groups.map(({ name, before, after, difference }): FlatRow => ({
      level: 'line',
      cells: [name, money(before), money(after), money(difference)],
    })),
    notes: [],
  };
}

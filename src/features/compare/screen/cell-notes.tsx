/** The cell under the cursor, in words: what the line is on that side, and why it costs what it costs. */
import type { Comparison } from '@/features/compare/calc/comparison';
import { sentenceFor, writeMoney, writeShare } from '@/platform/words';
import type { GridCursor } from './comparison-grid';
import { rowsOf } from './comparison-rows';

interface CellNotesProps {
  readonly comparison: Comparison;
  readonly cell: GridCursor;
  readonly onlyDiffering: boolean;
}

export function CellNotes({ comparison, cell, onlyDiffering }: CellNotesProps) {
  const row = rowsOf(comparison, onlyDiffering)[cell.row];
  const side = comparison.columns[cell.column];
  const at = row?.cells[cell.column];
  if (!row || !side || !at || row.level === 'group') return null;
  const { currency } = comparison;
  const { printed, absent, change, share, became, issues, notes } = at;
  const amount = absent
    ? 'left out'
    : printed === null
      ? 'not priced'
      : `${writeMoney(printed, currency)} ${currency}`;
  const less = change?.startsWith('-');
  const against =
    change === null || Number(change) === 0
      ? null
      : `${writeMoney(change.replace('-', ''), currency)} ${currency} ${less ? 'less' : 'more'} than in the design${share === null ? '' : `, ${writeShare(share.replace('-', ''))}`}`;
  return (
    <section aria-label="The cell" className="mb-4 border-b border-ink pr-8 pb-3 text-sm">
      <h3 className="font-semibold break-words">{row.name}</h3>
      <p>
        {side.name}: {amount}
        {became && `, ${became.offer}`}
      </p>
      {against && <p className={less ? 'text-tide' : 'text-ember-ink'}>{against}</p>}
      {[...issues, ...notes].map((each, index) => (
        <p key={index} className="text-soft">
          {sentenceFor(each)}
        </p>
      ))}
    </section>
  );
}

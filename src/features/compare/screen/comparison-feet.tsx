/** The rows below a comparison: totals, cash, and what each side lacks. */
import type { ComparedColumn, Comparison } from '@/features/compare/calc/comparison';
import { writeMoney, writeShare } from '@/platform/words';
import { Amount } from '@/platform/ui/amount';
import { Wick } from '@/platform/ui/wick';
import type { CashRow } from '@/features/design/worker/protocol';
import { ChangeText } from './compared-cell';
import type { GridFoot } from './comparison-grid';

export function feetOf(
  { columns, currency, cheapest }: Comparison,
  cash: readonly CashRow[] | null,
  horizon: number,
): GridFoot[] {
  const most = Math.max(...columns.map(({ wick }) => Number(wick.high)));
  const each = (cell: (column: ComparedColumn, at: number) => React.ReactNode): React.ReactNode[] =>
    columns.map(cell);
  const cashOf = (id: string | null): CashRow | undefined => cash?.find((row) => row.id === id);
  const money = (value: string | null | undefined): React.ReactNode =>
    value === null || value === undefined ? (
      <span className="text-soft">…</span>
    ) : (
      writeMoney(value, currency)
    );
  return [
    {
      key: 'month',
      name: `A month, ${currency}`,
      strong: true,
      cells: each(({ printed }, at) => (
        <>
          {at === cheapest && columns.length > 1 && (
            <span className="mr-2 text-xs font-normal text-tide" title="Of those that lack nothing">
              least
            </span>
          )}
          <span className="double-line inline-block text-base">
            <Amount value={printed} currency={currency} strong />
          </span>
        </>
      )),
    },
    {
      key: 'range',
      name: 'Lean to heavy',
      cells: each(({ wick }) => <Wick values={wick} currency={currency} most={most * 1.04} height={18} />),
    },
    {
      key: 'change',
      name: 'Against the design',
      cells: each((column) => (
        <>
          <ChangeText cell={column} currency={currency} />
          {column.share !== null && Number(column.share) !== 0 && (
            <span className="ml-1.5 text-xs text-soft">{writeShare(column.share)}</span>
          )}
        </>
      )),
    },
    { key: 'upfront', name: 'Upfront', cells: each(({ upfront }) => money(upfront)) },
    {
      key: 'year',
      name: 'First 12 months',
      cells: each(({ id, firstYear }) => money(firstYear ?? cashOf(id)?.firstYear)),
    },
    {
      key: 'horizon',
      name: `${horizon} months, cash`,
      cells: each(({ id }) => money(cashOf(id)?.whole)),
    },
    {
      key: 'unpriced',
      name: 'Not priced',
      cells: each(({ unpriced }) =>
        unpriced > 0 ? (
          <span className="text-ember-ink">{unpriced}</span>
        ) : (
          <span className="text-soft">none</span>
        ),
      ),
    },
    { key: 'lacks', name: 'Does not follow, lacks', cells: each((column) => <Lacking column={column} />) },
  ];
}

function Lacking({ column }: { readonly column: ComparedColumn }) {
  const { stayed, lacks, refused } = column;
  const kept = refused.filter(({ why }) => why.code !== 'change.nothing').length;
  const parts = [
    stayed.length > 0 && `${stayed.length} ${stayed.length === 1 ? 'line stays' : 'lines stay'}`,
    lacks.length > 0 && `${lacks.length} ${lacks.length === 1 ? 'lacks' : 'lack'} something`,
    kept > 0 && `${kept} ${kept === 1 ? 'change' : 'changes'} void`,
  ].filter(Boolean);
  if (parts.length === 0) return <span className="text-soft">nothing</span>;
  return <span className="text-xs text-ember-ink">{parts.join(', ')}</span>;
}

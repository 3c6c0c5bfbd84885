/** The comparison as a grid: lines under one another, or sides. */
'use client';
import { useMemo } from 'react';
import type { Comparison } from '@/features/compare/calc/comparison';
import { writeMoney } from '@/platform/words';
import type { CashRow } from '@/features/design/worker/protocol';
import { feetOf } from './comparison-feet';
import { ChangeText } from './compared-cell';
import { ComparisonGrid, type GridCursor } from './comparison-grid';
import { rowsOf, sidesOf } from './comparison-rows';

interface GridProps {
  readonly comparison: Comparison;
  readonly onlyDiffering: boolean;
  readonly turned: boolean;
  readonly cursor: GridCursor;
  readonly onCursor: (cursor: GridCursor) => void;
  readonly cash: readonly CashRow[] | null;
  readonly horizon: number;
}

export function ComparedSides({
  comparison,
  onlyDiffering,
  turned,
  cursor,
  onCursor,
  cash,
  horizon,
}: GridProps) {
  const { currency, columns } = comparison;
  const rows = useMemo(() => rowsOf(comparison, onlyDiffering), [comparison, onlyDiffering]);
  const sides = useMemo(() => sidesOf(comparison), [comparison]);
  const shown = turned ? sides.rows : rows;
  const most = Math.max(
    0,
    ...shown.flatMap(({ cells, level }) =>
      level === 'group' ? [] : cells.map(({ wick, printed }) => Number(wick?.high ?? printed ?? 0)),
    ),
  );
  if (turned) {
    return (
      <ComparisonGrid
        label="Alternatives, one a row"
        corner={`A month, ${currency}`}
        heads={sides.columns.map(({ key, name }) => ({ key, name }))}
        rows={sides.rows}
        fixedFirst={false}
        {...{ currency, most, cursor, onCursor }}
      />
    );
  }
  return (
    <ComparisonGrid
      label="Alternatives side by side"
      corner={`A month, ${currency}`}
      heads={columns.map((column) => ({
        key: column.id ?? 'own',
        name: column.name,
        detail: (
          <div className="flex flex-wrap items-baseline justify-between gap-x-2 text-xs tabular-nums">
            <ChangeText cell={column} currency={currency} />
            <span className="ml-auto">{writeMoney(column.printed, currency)}</span>
          </div>
        ),
      }))}
      rows={rows}
      fixedFirst
      feet={feetOf(comparison, cash, horizon)}
      {...{ currency, most, cursor, onCursor }}
    />
  );
}

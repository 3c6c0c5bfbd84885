/** A flat table on the page: the rows that files have, amounts to the right; with an action by row where one is given. */
import type { ReactNode } from 'react';
import { type FlatCell, flatCellText, type FlatTable } from '@/platform/tables';
import { CELL, HEAD } from './report-looks';

interface FlatRowsProps {
  readonly table: FlatTable;
  /** Rows that stand out; groups and totals do anyway. */
  readonly strong?: (row: number) => boolean;
  /** What may be done with a row; `null`: nothing. */
  readonly action?: (row: number) => ReactNode;
  /** What the column of actions is called. */
  readonly actions?: string;
}

const isAmount = (cell: FlatCell | undefined): boolean => typeof cell === 'object';

export function FlatRows({ table, strong, action, actions }: FlatRowsProps) {
  const { title, currency, head, rows } = table;
  // What a row is called stands to the left, a number too.
  const right = head.map((_, at) => at > 0 && rows.some(({ cells }) => isAmount(cells[at])));
  return (
    <div
      tabIndex={0}
      role="region"
      aria-label={`Table: ${title}`}
      className="mt-2 overflow-x-auto print:overflow-visible"
    >
      <table className="w-full text-sm">
        <thead>
          <tr>
            {head.map((text, at) => (
              <th key={at} scope="col" className={`${HEAD} pr-3 ${right[at] ? 'text-right' : ''}`}>
                {text || <span className="sr-only">{title}</span>}
              </th>
            ))}
            {action && (
              <th scope="col" className={HEAD}>
                <span className="sr-only">{actions}</span>
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ level, cells }, row) => (
            <tr key={row} className={level === 'line' && !strong?.(row) ? '' : 'font-semibold'}>
              {cells.map((cell, at) =>
                at === 0 ? (
                  <th
                    key={at}
                    scope="row"
                    className={`${CELL} min-w-[130px] text-left ${level === 'line' && !strong?.(row) ? 'font-normal' : ''}`}
                  >
                    {flatCellText(cell, currency)}
                  </th>
                ) : (
                  <td
                    key={at}
                    className={`${CELL} ${right[at] ? 'text-right whitespace-nowrap tabular-nums' : 'min-w-[110px] text-soft'}`}
                  >
                    {flatCellText(cell, currency)}
                  </td>
                ),
              )}
              {action && <td className={`${CELL} py-0! text-right`}>{action(row)}</td>}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** By line, section and design: the same figures as a table. */
'use client';
import { flatCellText } from '@/platform/tables';
import { rangeTable } from '@/features/range/words';
import type { RangeAnswer } from '@/features/range/calc';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';

export function RangeRows({ answer }: { readonly answer: RangeAnswer }) {
  const { head, rows, currency } = rangeTable(answer);
  return (
    <section aria-label="By line and section" tabIndex={0} className="overflow-x-auto">
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-sm font-semibold">
          How sure is each line? {currency} a month; quantiles do not add up, means do
        </caption>
        <thead>
          <tr>
            {head.map((each, at) => (
              <th key={each} scope="col" className={`${HEAD} ${at === 0 ? 'text-left' : 'text-right'}`}>
                {each || 'Line'}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ level, cells }, row) => (
            <tr key={row} className={level === 'line' ? '' : 'font-semibold'}>
              {cells.map((cell, at) =>
                at === 0 ? (
                  <th
                    key={at}
                    scope="row"
                    className={`${CELL} text-left ${level === 'line' ? 'font-normal' : ''}`}
                  >
                    {flatCellText(cell, currency)}
                  </th>
                ) : (
                  <td key={at} className={NUMBER}>
                    {flatCellText(cell, currency)}
                  </td>
                ),
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

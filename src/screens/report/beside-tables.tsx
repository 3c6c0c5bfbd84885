/** Alternatives and axes in a report: the tables of the files, on the page. */
import { type FlatCell, flatCellText, type FlatTable } from '@/core/display';
import { CELL, HEAD, HEADING } from './report-looks';

export function BesideTables({ tables }: { readonly tables: readonly FlatTable[] }) {
  return tables.map((table) => <Beside key={table.title} table={table} />);
}

const isAmount = (cell: FlatCell | undefined): boolean => typeof cell === 'object';

function Beside({ table }: { readonly table: FlatTable }) {
  const { title, answer, currency, head, rows, notes } = table;
  const right = head.map((_, at) => rows.some(({ cells }) => isAmount(cells[at])));
  return (
    <section aria-label={title}>
      <h2 className={HEADING}>{title}</h2>
      <p className="mt-2 max-w-[760px] text-base">{answer}</p>
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
                  {text}
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
                      className={`${CELL} min-w-[130px] text-left ${level === 'line' ? 'font-normal' : ''}`}
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
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="grid gap-x-10 sm:grid-cols-2">
        {notes.map((note) => (
          <div key={note.title} className="mt-3 text-sm">
            <h3 className="font-semibold">{note.title}</h3>
            <ul>
              {note.lines.map((line, at) => (
                <li key={at} className="break-words text-soft">
                  {line}
                </li>
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

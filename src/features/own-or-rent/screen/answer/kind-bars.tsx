/** Both sides by kind of cost: a full bar for what is owned, an open one for what is rented, and the amounts. Needs N4, Q13. */
'use client';
import { flatCellText } from '@/platform/tables';
import { sidesTable } from '@/features/own-or-rent/words';
import type { StudyAnswer } from '@/features/own-or-rent/calc';

const HEAD = 'border-b border-ink py-1 text-xs font-medium text-soft';
const CELL = 'border-b border-line py-1';
const NUMBER = `${CELL} px-2 text-right whitespace-nowrap tabular-nums`;
/** Pixels of the longest bar. */
const LONGEST = 230;

export function KindBars({ answer }: { readonly answer: StudyAnswer }) {
  const { head, rows, currency } = sidesTable(answer);
  const lines = rows.filter(({ level }) => level === 'line');
  const amountOf = (row: (typeof rows)[number], at: number): number => {
    const cell = row.cells[at]!;
    return typeof cell === 'object' && 'money' in cell ? Number(cell.money) : 0;
  };
  const most = lines.reduce(
    (found, row) => Math.max(found, Math.abs(amountOf(row, 1)), Math.abs(amountOf(row, 2))),
    1,
  );
  return (
    <section aria-label="Kinds of cost" className="mt-6">
      <h2 className="text-sm font-semibold">
        What does each side spend it on?
        <span className="font-normal text-soft"> {currency} over all years</span>
      </h2>
      <div tabIndex={0} role="region" aria-label="Table of kinds" className="overflow-x-auto">
        <table className="min-w-[640px] text-sm">
          <thead>
            <tr>
              <th scope="col" className={`${HEAD} pr-2 text-left`}>
                {head[0]}
              </th>
              <td aria-hidden="true" className={`${HEAD} px-2`}>
                <Mark name={String(head[1])} isFull />
                <Mark name={String(head[2])} />
              </td>
              {head.slice(1, 3).map((name) => (
                <th
                  key={name}
                  scope="col"
                  title={name}
                  className={`${HEAD} max-w-[170px] truncate px-2 text-right`}
                >
                  {name}
                </th>
              ))}
              <th scope="col" className={`${HEAD} px-2 text-right`}>
                Renting more
              </th>
            </tr>
          </thead>
          <tbody>
            {lines.map((row) => {
              const [name, own, rent, more] = row.cells as [string, ...typeof row.cells];
              const difference = amountOf(row, 3);
              return (
                <tr key={name}>
                  <th scope="row" className={`${CELL} pr-2 text-left font-normal whitespace-nowrap`}>
                    {name}
                  </th>
                  <td aria-hidden="true" className={`${CELL} px-2`} style={{ width: LONGEST + 20 }}>
                    <Bar share={amountOf(row, 1) / most} isFull />
                    <Bar share={amountOf(row, 2) / most} />
                  </td>
                  <td className={NUMBER}>{flatCellText(own!, currency)}</td>
                  <td className={NUMBER}>{flatCellText(rent!, currency)}</td>
                  <td className={NUMBER}>
                    {difference > 0 && '+'}
                    {flatCellText(more!, currency)}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

const LOOK = { full: 'bg-brand', open: 'border-[1.5px] border-brand bg-surface' } as const;

/** What is taken off is drawn broken. */
function Bar({ share, isFull = false }: { readonly share: number; readonly isFull?: boolean }) {
  const width = Math.round(Math.abs(share) * LONGEST);
  const look = share < 0 ? 'border border-dashed border-soft' : isFull ? LOOK.full : LOOK.open;
  return (
    <span className="my-[2px] block h-[7px]">
      {width > 0 && <span className={`block h-full ${look}`} style={{ width: Math.max(3, width) }} />}
    </span>
  );
}

function Mark({ name, isFull = false }: { readonly name: string; readonly isFull?: boolean }) {
  return (
    <span className="flex max-w-[230px] items-center gap-1.5">
      <span className={`inline-block h-[7px] w-5 shrink-0 ${isFull ? LOOK.full : LOOK.open}`} />
      <span className="truncate">{name}</span>
    </span>
  );
}

/** What a curve shows, as tables: named places, what happens on the way, which lines grow and which stay. */
'use client';
import { type Curve, grows } from '@/features/load/calc';
import { curveTable, marksText, placeOnAxis } from '@/features/load/words';
import { flatCellText } from '@/platform/tables';
import { writeMoney, writeShare } from '@/platform/words';

const HEAD = 'border-b border-ink px-2 py-1 text-xs font-medium text-soft first:pl-0';
const CELL = 'border-b border-line px-2 py-1 first:pl-0';

export function CurveTables({ curve }: { readonly curve: Curve }) {
  const { head, rows, currency } = curveTable(curve);
  const marks = marksText(curve);
  return (
    <div className="mt-4 space-y-5">
      <section aria-label="Amounts" tabIndex={0} className="overflow-x-auto">
        <table className="w-full text-sm">
          <caption className="mb-1 text-left text-sm font-semibold">Read off, {currency} a month</caption>
          <thead>
            <tr>
              {head.map((each, at) => (
                <th
                  key={`${at}${each}`}
                  scope="col"
                  className={`${HEAD} ${at === 1 ? 'text-left' : 'text-right first:text-left'}`}
                >
                  <span className="line-clamp-3 min-w-[64px]" title={each}>
                    {each}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ cells }, row) => (
              <tr key={row} className={cells[1] === '' ? '' : 'font-semibold'}>
                {cells.map((cell, at) => (
                  <td
                    key={at}
                    className={`${CELL} ${at <= 1 ? 'text-left' : 'text-right whitespace-nowrap tabular-nums'}`}
                  >
                    {flatCellText(cell, currency)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {marks.length > 0 && (
        <section aria-label="What happens on the way">
          <h3 className="text-sm font-semibold">What happens on the way, in the design itself</h3>
          <ul className="mt-1 space-y-0.5 text-sm">
            {marks.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </section>
      )}
      <Growing curve={curve} />
    </div>
  );
}

const SHOWN = 12;

/** The share of each line at both ends: what grows takes over. */
function Growing({ curve }: { readonly curve: Curve }) {
  const { growth, axis, currency } = curve;
  const last = growth.at.length - 1;
  const total = (at: number): number =>
    growth.lines.reduce((sum, { amounts }) => sum + (amounts[at] ?? 0), 0);
  const [before, after] = [total(0), total(last)];
  const rows = growth.lines.filter(({ amounts }) => (amounts[last] ?? 0) > 0 || (amounts[0] ?? 0) > 0);
  const money = (amount: number | null | undefined): string =>
    amount === null || amount === undefined ? 'no amount' : writeMoney(amount.toFixed(6), currency);
  const share = (amount: number | null | undefined, all: number): string =>
    amount === null || amount === undefined || all <= 0 ? '' : writeShare((amount / all).toFixed(6));
  if (rows.length === 0) return null;
  return (
    <section aria-label="Which lines grow" tabIndex={0} className="overflow-x-auto">
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-sm font-semibold">
          Which lines grow, and which stay? {currency} a month
        </caption>
        <thead>
          <tr>
            <th scope="col" className={`${HEAD} text-left`}>
              Line
            </th>
            <th scope="col" className={`${HEAD} text-left`}>
              It
            </th>
            {[axis.from, axis.to].map((at) => (
              <th key={at} scope="col" colSpan={2} className={`${HEAD} text-right`}>
                at {placeOnAxis(at, axis)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, SHOWN).map((line) => (
            <tr key={line.id}>
              <th
                scope="row"
                className={`${CELL} max-w-[260px] truncate text-left font-normal`}
                title={line.name}
              >
                {line.name}
              </th>
              <td className={CELL}>{grows(line) ? 'moves' : 'stays'}</td>
              <td className={`${CELL} text-right tabular-nums`}>{money(line.amounts[0])}</td>
              <td className={`${CELL} text-right text-soft tabular-nums`}>
                {share(line.amounts[0], before)}
              </td>
              <td className={`${CELL} text-right tabular-nums`}>{money(line.amounts[last])}</td>
              <td className={`${CELL} text-right text-soft tabular-nums`}>
                {share(line.amounts[last], after)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > SHOWN && (
        <p className="mt-1 text-xs text-soft">and {rows.length - SHOWN} smaller lines</p>
      )}
    </section>
  );
}

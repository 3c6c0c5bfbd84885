/** How sure is this? Where each quantity comes from: measured, added up, typed, missing. */
import type { SurePicture } from '@/features/fleet/worker/fleet-protocol';
import { number } from './round';

const SURE = [
  ['measured', 'measured', 'bg-brand'],
  ['derived', 'added up', 'bg-soft'],
  ['typed', 'as the list says', 'bg-edge'],
  ['missing', 'missing', 'border border-dashed border-ember'],
] as const;

export function Sure({ picture }: { readonly picture: SurePicture }) {
  const { rows, machines } = picture;
  const peak = rows.find(({ what }) => what === 'CPU, peak');
  return (
    <section aria-labelledby="sure">
      <h2 id="sure" className="text-base font-semibold">
        How sure is this?
      </h2>
      <p className="mt-1 text-sm">
        {peak && peak.measured === machines
          ? 'Every machine was measured.'
          : `${number(peak?.measured ?? 0)} of ${number(machines)} machines were measured; the others are sized as they are installed. Measured is better than typed.`}
      </p>
      <table className="mt-2 w-full max-w-[880px] text-sm">
        <thead>
          <tr className="border-b border-ink text-left text-xs text-soft">
            <th scope="col" className="py-1 font-normal">
              What
            </th>
            <th scope="col" className="py-1 font-normal">
              Of all machines
            </th>
            {SURE.map(([key, words]) => (
              <th key={key} scope="col" className="py-1 text-right font-normal">
                {words}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.what} className="border-b border-line">
              <th scope="row" className="py-1 text-left font-normal whitespace-nowrap">
                {row.what}
              </th>
              <td className="w-[46%] px-3" aria-hidden="true">
                <div className="flex h-3">
                  {SURE.map(([key, , look]) => (
                    <div
                      key={key}
                      className={look}
                      style={{ width: `${(row[key] / Math.max(1, machines)) * 100}%` }}
                    />
                  ))}
                </div>
              </td>
              {SURE.map(([key]) => (
                <td key={key} className="text-right tabular-nums">
                  {row[key] === 0 ? <span className="text-soft">–</span> : number(row[key])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What ending a commitment early costs in all, beside the same months on demand. */
'use client';
import { writeMoney } from '@/platform/words';
import type { LeavingRow } from '@/features/design/worker/protocol';

const RULES: Readonly<Record<LeavingRow['rule'], string>> = {
  'rest-due': 'Ended early, the rest stays due.',
  fee: 'Ended early, a fee on what is left is due and unused upfront comes back.',
  're-rate': 'Ended early, the months used are priced as on demand.',
};

/** Four endings over the term; the last is the term itself. */
export function endingsShown(months: number): number[] {
  return [...new Set([1, 2, 3, 4].map((quarter) => Math.max(1, Math.round((months * quarter) / 4))))];
}

export function LeavingEarly({
  leaving,
  currency,
}: {
  readonly leaving: LeavingRow;
  readonly currency: string;
}) {
  const shown = endingsShown(leaving.rows.length).flatMap((month) => leaving.rows[month - 1] ?? []);
  return (
    <div className="mt-4">
      <h3 className="text-sm font-semibold">Leaving early</h3>
      <p className="text-sm text-soft">
        {RULES[leaving.rule]}{' '}
        {leaving.breakEven === null
          ? 'It never costs less than on demand.'
          : `From month ${leaving.breakEven} on it has cost no more than on demand, whenever it ends.`}
      </p>
      <table className="mt-2 w-full border-t border-ink text-sm">
        <thead className="text-xs text-soft">
          <tr className="border-b border-line">
            <th className="py-1 text-left font-normal">Ended after</th>
            <th className="text-right font-normal">Paid in all</th>
            <th className="text-right font-normal">On demand</th>
          </tr>
        </thead>
        <tbody className="tabular-nums">
          {shown.map((row) => (
            <tr key={row.month} className="border-b border-line">
              <td className="py-1">{row.month === 1 ? '1 month' : `${row.month} months`}</td>
              <td className="text-right">{writeMoney(row.total, currency)}</td>
              <td className="text-right text-soft">{writeMoney(row.onDemand, currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

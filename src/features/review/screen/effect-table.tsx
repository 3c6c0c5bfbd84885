/** Lines of the design whose amounts the change moves. */
import { Amount, NotPriced } from '@/platform/ui/amount';
import type { EffectAnswer } from '@/features/review/worker/review-protocol';
import { Difference } from './marks';

export function EffectTable({ effect }: { readonly effect: EffectAnswer }) {
  const { rows, totals, currency } = effect;
  if (rows.length === 0) return null;
  const money = (value: string | null): React.ReactNode =>
    value === null ? <span className="text-soft">–</span> : <Amount value={value} currency={currency} />;
  return (
    <table className="mt-4 w-full max-w-[820px] text-sm">
      <caption className="pb-1 text-left text-sm font-semibold">Which of its lines</caption>
      <thead>
        <tr className="border-b border-ink text-left text-xs text-soft">
          <th className="py-1 font-normal">Line</th>
          <th className="py-1 text-right font-normal">Now</th>
          <th className="py-1 text-right font-normal">Then</th>
          <th className="py-1 text-right font-normal">A month more</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id} className="border-b border-line">
            <td className="py-1 pr-3 break-words">{row.name}</td>
            <td className="py-1 text-right">{money(row.before)}</td>
            <td className="py-1 text-right">
              {row.after === null && row.before === null ? <NotPriced /> : money(row.after)}
            </td>
            <td className="py-1 text-right">
              <Difference value={row.difference} currency={currency} />
            </td>
          </tr>
        ))}
      </tbody>
      <tfoot>
        <tr className="double-line border-t border-t-ink font-semibold">
          <td className="py-1">The design, a month</td>
          <td className="py-1 text-right">{money(totals.before)}</td>
          <td className="py-1 text-right">{money(totals.after)}</td>
          <td className="py-1 text-right">
            <Difference value={totals.difference} currency={currency} strong />
          </td>
        </tr>
      </tfoot>
    </table>
  );
}

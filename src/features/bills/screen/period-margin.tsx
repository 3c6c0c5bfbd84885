/** A bill beside the list: what it holds, what its newest file changed, and what may be done with it. */
'use client';
import { writeMoney, writeNumber } from '@/platform/words';
import type { BillListing } from '@/features/bills/use/bill-ports';
import { Button } from '@/platform/ui/button';
import type { useBillActs } from './bill-acts';
import { periodWords } from './period-words';

interface PeriodMarginProps {
  readonly bill: BillListing;
  readonly acts: ReturnType<typeof useBillActs>;
}

export function PeriodMargin({ bill, acts }: PeriodMarginProps) {
  const { id, provider, account, currency, billed, effective, rows, things, fileName, changed, closing } =
    bill;
  const name = `${provider}, ${periodWords(bill)}`;
  const money = (text: string): string => `${writeMoney(text, currency)} ${currency}`;
  return (
    <>
      <h2 className="pr-8 text-base font-semibold break-words">{name}</h2>
      <p className="mt-1 text-sm break-words text-soft">{account || 'no account named'}</p>
      <dl className="mt-3 border-t border-line text-sm">
        <MarginRow label="Billed">{money(billed)}</MarginRow>
        <MarginRow label="Effective">{money(effective)}</MarginRow>
        <MarginRow label="Rows">{writeNumber(String(rows))}</MarginRow>
        <MarginRow label="Different things">{writeNumber(String(things))}</MarginRow>
        <MarginRow label="File">{fileName}</MarginRow>
      </dl>
      <p className="mt-2 text-xs text-soft">
        Billed is what is charged; effective spreads what was paid in advance over what it pays for.
      </p>
      {changed && (changed.rows !== 0 || Number(changed.billed) !== 0 || changed.days.length > 0) && (
        <section aria-label="What the newest file changed" className="mt-4">
          <h3 className="border-b border-ink pb-1 text-sm font-semibold">What the newest file changed</h3>
          <table className="w-full text-sm">
            <thead className="sr-only">
              <tr>
                <th>Day</th>
                <th>Before</th>
                <th>After</th>
              </tr>
            </thead>
            <tbody>
              {changed.days.map(({ day, before, after }) => (
                <tr key={day} className="border-b border-line tabular-nums">
                  <td className="py-1">{day}</td>
                  <td className="py-1 text-right text-soft">{writeMoney(before, currency)}</td>
                  <td className="py-1 text-right">{writeMoney(after, currency)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-xs text-soft">
            {`${changed.rows < 0 ? '−' : '+'}${writeNumber(String(Math.abs(changed.rows)))} rows, ${money(changed.billed)} in all.`}
          </p>
        </section>
      )}
      {closing && (
        <p className="mt-3 text-sm break-words">
          {`Closed on ${closing.at.slice(0, 10)} by ${closing.by}${closing.note ? `: ${closing.note}` : '.'}`}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button tone="strong" onClick={() => acts.open(id)}>
          Open
        </Button>
        <Button onClick={() => acts.remove(id, name)} disabled={closing !== null}>
          Delete
        </Button>
      </div>
      <p className="mt-2 text-xs text-soft">Enter opens · Delete deletes; its file can be brought in again</p>
    </>
  );
}

export function MarginRow({
  label,
  children,
}: {
  readonly label: string;
  readonly children: React.ReactNode;
}) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-line py-1">
      <dt className="shrink-0 text-soft">{label}</dt>
      <dd className="min-w-0 text-right wrap-anywhere tabular-nums">{children}</dd>
    </div>
  );
}

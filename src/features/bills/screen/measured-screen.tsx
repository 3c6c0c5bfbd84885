/** What the bill measured, ranked by money, to be put into the design in place of guesses. */
'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { MeasuredEntry } from '@/features/bills/calc';
import { writeNumber } from '@/platform/words';
import type { BillView } from '@/features/bills/use/bill-view';
import type { TakenOver } from '@/features/bills/use/bill-measured';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { postJson } from '@/platform/screen/call-api';
import { toldIfFailed } from '@/platform/screen/told-acts';
import { Difference } from '@/features/review/screen/marks';

const keyOf = ({ component, meter }: MeasuredEntry): string => `${component} ${meter}`;

export function MeasuredScreen({ view }: { readonly view: BillView }) {
  const router = useRouter();
  const { bill, design, measured, laid } = view;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const take = (): void =>
    void toldIfFailed(async () => {
      const entries = measured.filter((each) => chosen.has(keyOf(each)));
      const done = await postJson<TakenOver>(`/api/bills/${bill.id}/measured`, {
        entries: entries.map(({ component, meter }) => ({ component, meter })),
      });
      setChosen(new Set());
      router.refresh();
      tell(
        `“${design?.title}” has taken ${entries.length === 1 ? 'it' : `${entries.length} entries`} over.`,
        {
          label: 'Take it back',
          run: () =>
            void toldIfFailed(async () => {
              const body = { baseRevision: done.revision, batch: crypto.randomUUID(), edits: done.inverse };
              await postJson(`/api/designs/${done.design}/edits`, body);
              router.refresh();
            }),
        },
      );
    });
  const toggle = (key: string): void => {
    const next = new Set(chosen);
    if (!next.delete(key)) next.add(key);
    setChosen(next);
  };
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-surface px-[18px] pt-3 pb-10"
      tabIndex={0}
      role="region"
      aria-label="Measured"
    >
      {measured.length === 0 ? (
        <Empty title="Nothing is measured yet">
          What the bill counts is set beside what the design plans once the bill is held against a design,
          rules take its rows, and three days are known.
        </Empty>
      ) : (
        <>
          <p className="max-w-[760px] text-base text-soft">
            What the bill measured, brought up to a whole month, in place of what was planned. The range
            narrows to ten per cent either way, and the entry is marked as measured, with this bill as its
            source.
          </p>
          <table className="mt-3 w-full max-w-[1100px] text-sm">
            <thead>
              <tr className="border-b border-ink text-left text-xs text-soft">
                <th className="w-8 py-1">
                  <span className="sr-only">Chosen</span>
                </th>
                <th className="py-1 pr-3 font-normal">Line</th>
                <th className="py-1 pr-3 font-normal">Meter</th>
                <th className="py-1 pr-3 text-right font-normal">Planned</th>
                <th className="py-1 pr-3 text-right font-normal">Measured</th>
                <th className="py-1 pr-3 font-normal">Unit</th>
                <th className="py-1 text-right font-normal">{`Moves it by, ${laid.currency} so far`}</th>
              </tr>
            </thead>
            <tbody>
              {measured.map((entry) => {
                const key = keyOf(entry);
                return (
                  <tr key={key} className="border-b border-line">
                    <td className="py-1">
                      <input
                        type="checkbox"
                        aria-label={`Take ${entry.label} of ${entry.name} over`}
                        checked={chosen.has(key)}
                        onChange={() => toggle(key)}
                        className="accent-brand"
                      />
                    </td>
                    <td className="py-1 pr-3 font-medium break-words">{entry.name}</td>
                    <td className="py-1 pr-3">
                      {entry.label}
                      {entry.isGuess && <span className="ml-1.5 text-xs text-soft">a guess so far</span>}
                    </td>
                    <td className="py-1 pr-3 text-right tabular-nums">{writeNumber(entry.before)}</td>
                    <td className="py-1 pr-3 text-right font-semibold tabular-nums">
                      {writeNumber(entry.after)}
                    </td>
                    <td className="py-1 pr-3 text-soft">{entry.unit}</td>
                    <td className="py-1 text-right">
                      <Difference value={entry.moves} currency={laid.currency} />
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <div className="mt-3 flex gap-2">
            <Button tone="strong" disabled={chosen.size === 0} onClick={take}>
              {chosen.size === 0 ? 'Take over into the design' : `Take ${chosen.size} over into the design`}
            </Button>
            <Button onClick={() => setChosen(new Set(measured.map(keyOf)))}>Choose all</Button>
          </div>
        </>
      )}
    </div>
  );
}

/** What was read: how many machines, which rows were left out and why, what was taken for granted, what is new. */
'use client';
import { writeNumber } from '@/platform/words';
import { Button } from '@/platform/ui/button';
import { saveText } from '@/platform/screen/save-text';
import type { ReadSummary } from '@/features/fleet/worker/fleet-protocol';

interface ReadResultProps {
  readonly summary: ReadSummary;
  readonly onRejected: () => Promise<string>;
}

const number = (value: number): string => writeNumber(String(value));
const SHOWN = 50;

export function ReadResult({ summary, onRejected }: ReadResultProps) {
  const { machines, rejected, rejectedCount, notes, against } = summary;
  return (
    <div className="mt-4 max-w-[880px]">
      <p role="status" className="text-base">
        <b className="font-semibold">{number(machines)} machines</b> were read
        {rejectedCount > 0 && (
          <>
            ;{' '}
            <b className="font-semibold text-ember-ink">
              {rejectedCount === 1 ? '1 row was' : `${number(rejectedCount)} rows were`} left out
            </b>
          </>
        )}
        .
      </p>
      {against && (
        <p className="mt-1 text-sm">
          Against what is there: {number(against.added)} new, {number(against.gone)} gone,{' '}
          {number(against.changed)} changed.
        </p>
      )}
      {notes.length > 0 && (
        <section aria-label="Taken for granted" className="mt-3">
          <h3 className="text-sm font-semibold">Taken for granted</h3>
          <ul className="mt-1 list-disc space-y-0.5 pl-5 text-sm text-soft">
            {notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
        </section>
      )}
      {rejected.length > 0 && (
        <section aria-label="Left out" className="mt-3">
          <div className="flex items-center gap-3">
            <h3 className="text-sm font-semibold">Left out</h3>
            <Button
              tone="bare"
              onClick={() => void onRejected().then((text) => saveText(text, 'left out.csv', 'text/csv'))}
            >
              CSV of all of them
            </Button>
          </div>
          <table className="mt-1 w-full text-sm">
            <thead>
              <tr className="border-b border-ink text-left text-xs text-soft">
                <th scope="col" className="py-1 pr-3 font-normal">
                  Table
                </th>
                <th scope="col" className="py-1 pr-3 text-right font-normal">
                  Row
                </th>
                <th scope="col" className="py-1 pr-3 font-normal">
                  Column
                </th>
                <th scope="col" className="py-1 font-normal">
                  Why
                </th>
              </tr>
            </thead>
            <tbody>
              {rejected.slice(0, SHOWN).map(({ table, row, column, reason }, at) => (
                <tr key={at} className="border-b border-line">
                  <td className="max-w-[200px] truncate py-0.5 pr-3">{table}</td>
                  <td className="py-0.5 pr-3 text-right tabular-nums">{row}</td>
                  <td className="max-w-[160px] truncate py-0.5 pr-3">{column}</td>
                  <td className="py-0.5">{reason}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {rejectedCount > SHOWN && (
            <p className="mt-1 text-xs text-soft">
              The first {SHOWN} of {number(rejectedCount)}.
            </p>
          )}
        </section>
      )}
    </div>
  );
}

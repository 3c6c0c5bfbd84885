/** One at a time: each input from lean to heavy with all others likely, ranked; each end priced exactly. */
'use client';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import { swingsTable } from '@/features/load/words';
import { writeMoney, writeNumber } from '@/platform/words';
import type { SwingsAnswer, UncertainInput } from '@/features/range/calc';
import { flatTableCsv } from '@/platform/formats/flat-table-csv';
import { Button } from '@/platform/ui/button';
import { saveText } from '@/platform/screen/save-text';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';

interface SwingsProps {
  readonly design: Design;
  readonly seed: string;
  readonly draws: number;
  readonly currency: string;
  readonly inputs: readonly UncertainInput[];
}

const SHOWN = 15;

export function Swings({ design, seed, draws, currency, inputs }: SwingsProps) {
  const { client } = useRoom();
  const question = useMemo(() => ({ ask: 'swings' as const, design, seed, draws }), [design, seed, draws]);
  const { to, last } = useAsked(client, question);
  if (!last || to?.design !== design || last.swings.some(({ input }) => !inputs[input])) return null;
  const rows = last.swings.slice(0, SHOWN);
  const ends = [
    Number(last.likely),
    ...rows.flatMap(({ atLean, atHeavy }) => [Number(atLean ?? last.likely), Number(atHeavy ?? last.likely)]),
  ];
  const scale = { from: Math.min(...ends), to: Math.max(...ends) };
  const money = (amount: string | null): string =>
    amount === null ? 'no amount' : writeMoney(amount, currency);
  return (
    <section aria-label="One at a time" tabIndex={0} className="overflow-x-auto">
      <table className="w-full text-sm">
        <caption className="mb-1 text-left text-sm font-semibold">
          Which input moves the month most, alone? All others likely, {currency} a month
          <Button
            tone="bare"
            className="ml-3"
            onClick={() =>
              saveText(
                flatTableCsv(swingsTable(last, inputs, currency)),
                `${design.title}, one at a time.csv`,
                'text/csv',
              )
            }
          >
            CSV
          </Button>
        </caption>
        <thead>
          <tr>
            {['Input', 'from lean to heavy', '', 'at lean', 'at heavy'].map((each, at) => (
              <th
                key={`${at}${each}`}
                scope="col"
                className={`${HEAD} ${at <= 1 ? 'text-left' : 'text-right'}`}
              >
                {each || <span className="sr-only">Drawn</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ input, atLean, atHeavy }) => {
            const { label, lean, heavy, unit } = inputs[input]!;
            return (
              <tr key={label}>
                <th scope="row" className={`${CELL} text-left font-normal`}>
                  {label}
                </th>
                <td className={`${CELL} whitespace-nowrap text-soft`}>
                  {writeNumber(String(lean))} to {writeNumber(String(heavy))} {unit}
                </td>
                <td className={`${CELL} w-[180px]`} aria-hidden="true">
                  <Bar {...{ scale, atLean, atHeavy, likely: last.likely }} />
                </td>
                <td className={NUMBER}>{money(atLean)}</td>
                <td className={NUMBER}>{money(atHeavy)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {last.swings.length > SHOWN && (
        <p className="mt-1 text-xs text-soft">{last.swings.length - SHOWN} more inputs move it less.</p>
      )}
    </section>
  );
}

interface BarProps {
  readonly scale: { readonly from: number; readonly to: number };
  readonly atLean: string | null;
  readonly atHeavy: string | null;
  readonly likely: SwingsAnswer['likely'];
}

/** From its lean end to its heavy end, with the likely month as a tick: the wick of one input. */
function Bar({ scale, atLean, atHeavy, likely }: BarProps) {
  const width = scale.to - scale.from || 1;
  const x = (amount: string | null): number => ((Number(amount ?? likely) - scale.from) / width) * 176 + 2;
  const [a, b] = [x(atLean), x(atHeavy)];
  return (
    <svg width="180" height="14" className="block">
      <line x1={Math.min(a, b)} x2={Math.max(a, b)} y1="7" y2="7" stroke="var(--brand)" strokeWidth="4" />
      <line x1={x(likely)} x2={x(likely)} y1="0" y2="14" stroke="var(--ink)" strokeWidth="1.5" />
    </svg>
  );
}

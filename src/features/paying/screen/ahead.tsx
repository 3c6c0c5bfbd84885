/** A commitment for every hour beside those by line, and over the months ahead: at once, or in steps. */
'use client';
import { useMemo, useState } from 'react';
import { DEFAULT_HORIZON } from '@/engine/analysis';
import { findComponent } from '@/engine/design';
import { bothTable, stepsTable } from '@/features/paying/words';
import { describeTerm } from '@/engine/terms';
import {
  type BothRow,
  type SpendWish,
  type StepsRow,
  takeOnSpend,
  takeOnSteps,
  takeOnUnits,
} from '@/features/paying/calc';
import { TERMS, type Term } from '@/engine/terms';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import { FlatRows } from '@/platform/screen/flat-rows';
import { SELECT } from '@/features/load/screen/along-select';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';

const COMMITTED = TERMS.filter((term) => term !== 'on-demand' && term !== 'interruptible');
const HORIZONS = [12, 24, 36, 60] as const;

interface AheadProps {
  readonly wish: SpendWish;
}

/** Neither, by line, for every hour, both: each priced, and taken on by one act. */
export function Both({ wish }: AheadProps) {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const [lineTerm, setLineTerm] = useState<Term>(wish.term);
  const question = useMemo(
    () => ({ ask: 'both-plan' as const, design, lineTerm, wish }),
    [design, lineTerm, wish],
  );
  const { last: plan, trouble } = useAsked(client, question);
  const take = ({ units, level }: BothRow): void => {
    const edits = [
      ...units.flatMap(({ id, units: each }) => {
        const line = findComponent(design, id);
        return line ? takeOnUnits(line, lineTerm, each) : [];
      }),
      ...(level === '0' ? [] : takeOnSpend(design, wish, level, crypto.randomUUID())),
    ];
    if (apply(edits)) tell('It is committed so now.', undo);
  };
  const table = plan && bothTable(plan);
  return (
    <section aria-label="Together with commitments by line">
      <h2 className="flex flex-wrap items-center gap-3 text-sm font-semibold">
        And what together with commitments by line?
        <label className="flex items-center gap-1.5 font-normal text-soft">
          by line for
          <select
            value={lineTerm}
            onChange={(event) => setLineTerm(event.target.value as Term)}
            className={SELECT}
          >
            {COMMITTED.map((each) => (
              <option key={each} value={each}>
                {describeTerm(each)}
              </option>
            ))}
          </select>
        </label>
      </h2>
      <p role="status" className="mt-1 max-w-[760px]">
        {trouble ?? table?.answer ?? 'Pricing both together …'}
      </p>
      {plan && table && (
        <FlatRows
          table={table}
          strong={(row) => row === plan.calm}
          actions="Take on"
          action={(row) => {
            const one = plan.rows[row]!;
            const nothing = one.units.length === 0 && one.level === '0';
            return nothing ? null : (
              <Button
                tone="bare"
                aria-label={`Take on: ${String(table.rows[row]!.cells[0])}`}
                onClick={() => take(one)}
              >
                Take on
              </Button>
            );
          }}
        />
      )}
      <p className="mt-1 max-w-[760px] text-xs text-soft">
        The two are found one after the other, each for what the other leaves, until neither changes, or a
        hundred changes were tried. The amounts are exact; that no other pair costs less is not proven.
      </p>
    </section>
  );
}

/** Growth, seasons, what begins and what ends: one level throughout, or a level for each year. */
export function Steps({ wish }: AheadProps) {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const own = design.assumptions.horizon ?? DEFAULT_HORIZON;
  const [months, setMonths] = useState<number>(own);
  const question = useMemo(
    () => ({ ask: 'steps-plan' as const, design, wish, months }),
    [design, wish, months],
  );
  const { to, last: plan, trouble } = useAsked(client, question);
  const take = ({ steps }: StepsRow): void => {
    if (apply(takeOnSteps(design, wish, steps, crypto.randomUUID())))
      tell('The commitment is a line of the design now.', undo);
  };
  const table = plan && stepsTable(plan, wish.term);
  return (
    <section aria-label="At once or in steps">
      <h2 className="flex flex-wrap items-center gap-3 text-sm font-semibold">
        At once, or in steps?
        <label className="flex items-center gap-1.5 font-normal text-soft">
          over
          <select
            value={months}
            onChange={(event) => setMonths(Number(event.target.value))}
            className={SELECT}
          >
            {[...new Set([...HORIZONS, own])]
              .sort((a, b) => a - b)
              .map((each) => (
                <option key={each} value={each}>
                  {each} months
                </option>
              ))}
          </select>
        </label>
      </h2>
      <p role="status" className="mt-1 max-w-[760px]">
        {trouble ??
          table?.answer ??
          (to ? 'There is nothing to commit in any of these months.' : 'Pricing every month …')}
      </p>
      {plan && table && (
        <FlatRows
          table={table}
          actions="Take on"
          action={(row) => {
            const one = plan.rows[row]!;
            return one.steps.length === 0 ? null : (
              <Button
                tone="bare"
                aria-label={`Take on: ${String(table.rows[row]!.cells[0])}`}
                onClick={() => take(one)}
              >
                Take on
              </Button>
            );
          }}
        />
      )}
      <p className="mt-1 max-w-[760px] text-xs text-soft">
        Growth, seasons, lines that begin and end, and commitments that are there already with the month they
        end in are in every month. As the months compare: money upfront is spread over its term.
      </p>
    </section>
  );
}

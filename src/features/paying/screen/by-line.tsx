/** How many units of each line to commit: what each level costs in the three cases, and taking levels on. */
'use client';
import { useMemo, useState } from 'react';
import { findComponent } from '@/engine/design';
import { describeTerm } from '@/engine/terms';
import { stoppableText, usagePlanSentence } from '@/features/paying/words';
import { writeMoney, writeNumber } from '@/platform/words';
import { takeOnUnits, type UsageRow } from '@/features/paying/calc';
import { TERMS, type Term } from '@/engine/terms';
import { Button } from '@/platform/ui/button';
import { Empty } from '@/platform/ui/empty';
import { tell } from '@/platform/ui/toast';
import { Keep } from '@/features/saved-questions/screen/keep';
import { useRoom } from '@/features/design/screen/room';
import { useAskedFor } from '@/features/design/screen/use-asked-for';
import { CELL, HEAD, NUMBER } from '@/features/design/screen/table-looks';
import { useAsked } from '@/features/design/screen/use-asked';

const COMMITTED = TERMS.filter((term) => term !== 'on-demand' && term !== 'interruptible');

export function ByLine() {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const { get, set } = useAskedFor();
  const term: Term = COMMITTED.find((each) => each === get('term')) ?? '36-none';
  /** Levels that were chosen by hand, and lines that were ticked or not; by line. */
  const [chosen, setChosen] = useState<Readonly<Record<string, number>>>({});
  const [ticks, setTicks] = useState<Readonly<Record<string, boolean>>>({});
  const question = useMemo(() => ({ ask: 'usage-plan' as const, design, term }), [design, term]);
  const { to, last: plan, trouble } = useAsked(client, question, 120);
  const levelOf = (row: UsageRow): number => Math.min(chosen[row.id] ?? row.calm, row.levels.length - 1);
  const isNow = (row: UsageRow): boolean => {
    const units = row.levels[levelOf(row)]!.units;
    return units === '0' ? row.now === null : row.now?.term === term && row.now.units === units;
  };
  const rows = plan?.term === term ? plan.rows : [];
  // What is cheaper as it stands stays so, unless somebody wants it otherwise.
  const isTicked = (row: UsageRow): boolean =>
    ticks[row.id] ?? (row.isBetter || chosen[row.id] !== undefined);
  const taken = rows.filter((row) => isTicked(row) && !isNow(row));
  const takeOn = (): void => {
    const edits = taken.flatMap((row) => {
      const component = findComponent(design, row.id);
      return component ? takeOnUnits(component, term, row.levels[levelOf(row)]!.units) : [];
    });
    if (edits.length > 0 && apply(edits))
      tell(`${taken.length} ${taken.length === 1 ? 'line is' : 'lines are'} paid otherwise now.`, undo);
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-line px-[18px] pb-2">
        <p role="status" className="w-full pr-4 text-base" data-testid="answer">
          {trouble ?? (plan && to?.term === term ? usagePlanSentence(plan) : 'Pricing every level …')}
        </p>
        <label className="flex items-center gap-1.5 text-sm text-soft">
          committed for
          <select
            value={term}
            onChange={(event) => {
              set({ term: event.target.value });
              setChosen({});
              setTicks({});
            }}
            className="h-7 rounded border border-edge bg-surface px-1.5 text-sm text-ink"
          >
            {COMMITTED.map((each) => (
              <option key={each} value={each}>
                {describeTerm(each)}
              </option>
            ))}
          </select>
        </label>
        <Keep ask={{ shows: 'units', term }} name={`What to commit by line, ${describeTerm(term)}`} />
        <Button tone="strong" className="ml-auto" disabled={taken.length === 0} onClick={takeOn}>
          {taken.length === 0
            ? 'Nothing to take on'
            : `Take on ${taken.length} ${taken.length === 1 ? 'line' : 'lines'}`}
        </Button>
      </div>
      {plan && to?.term === term && rows.length === 0 && (
        <Empty title="Nothing is sold so">
          No line of the design runs and is sold for {describeTerm(term)}. Choose another way of paying above.
        </Empty>
      )}
      {rows.length > 0 && (
        <div
          className="overflow-x-auto px-[18px] py-2"
          tabIndex={0}
          role="region"
          aria-label="Levels by line"
        >
          <table className="w-full text-sm">
            <caption className="mb-1 text-left text-xs text-soft">
              {design.currency} a month for the line; “calm” is the level whose worst loss over lean, likely
              and heavy is smallest
            </caption>
            <thead>
              <tr>
                {[
                  '',
                  'Line',
                  'runs',
                  'paid now',
                  'costs now',
                  'commit',
                  'lean',
                  'likely',
                  'heavy',
                  'regret',
                ].map((each, at) => (
                  <th
                    key={`${at}${each}`}
                    scope="col"
                    className={`${HEAD} ${at === 1 ? 'text-left' : 'text-right'}`}
                  >
                    {each || <span className="sr-only">Take on</span>}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <LineRow
                  key={row.id}
                  row={row}
                  level={levelOf(row)}
                  currency={design.currency}
                  isTaken={isTicked(row)}
                  onLevel={(level) => setChosen({ ...chosen, [row.id]: level })}
                  onTake={(take) => setTicks({ ...ticks, [row.id]: take })}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {plan && plan.stoppable.length > 0 && (
        <section aria-label="Could be interruptible" className="px-[18px] pb-4">
          <h2 className="text-sm font-semibold">What could be interruptible instead?</h2>
          <ul className="mt-1 space-y-0.5 text-sm">
            {stoppableText(plan).map((each) => (
              <li key={each} className="break-words">
                {each}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

interface LineRowProps {
  readonly row: UsageRow;
  readonly level: number;
  readonly currency: string;
  readonly isTaken: boolean;
  readonly onLevel: (level: number) => void;
  readonly onTake: (take: boolean) => void;
}

function LineRow({ row, level, currency, isTaken, onLevel, onTake }: LineRowProps) {
  const { levels, calm, best, running, now, stands } = row;
  const amounts = levels[level]!.amounts;
  const money = (amount: string | null): string =>
    amount === null ? 'no amount' : writeMoney(amount, currency);
  const units = ({ least, mean, most }: UsageRow['running']['likely']): string =>
    least === most
      ? writeNumber(String(most))
      : `${writeNumber(String(least))}–${writeNumber(String(most))}, ø ${writeNumber(mean.toFixed(1))}`;
  const why = (at: number): string => {
    const cases = (['lean', 'likely', 'heavy'] as const).filter((which) => best[which] === at);
    const bestOf = cases.length === 3 ? 'best' : cases.length > 0 ? `best ${cases.join(', ')}` : '';
    return [at === calm ? 'calm' : '', bestOf].filter(Boolean).join(', ');
  };
  return (
    <tr className={isTaken ? '' : 'text-soft'}>
      <td className={CELL}>
        <input
          type="checkbox"
          checked={isTaken}
          onChange={(event) => onTake(event.target.checked)}
          aria-label={`Take on ${row.name}`}
          className="accent-brand"
        />
      </td>
      <th
        scope="row"
        className={`${CELL} max-w-[220px] truncate text-left font-normal`}
        title={`${row.name}, ${row.offer}, ${row.book} ${row.region}`}
      >
        {row.name}
      </th>
      <td className={NUMBER}>{units(running.likely)}</td>
      <td className={NUMBER}>{now ? `${now.units ?? 'all'}, ${describeTerm(now.term)}` : 'on demand'}</td>
      <td className={NUMBER}>{money(stands)}</td>
      <td className={NUMBER}>
        <select
          value={level}
          onChange={(event) => onLevel(Number(event.target.value))}
          aria-label={`Units of ${row.name} to commit`}
          className="h-6 max-w-[150px] rounded border border-edge bg-surface px-1 text-sm text-ink"
        >
          {levels.map(({ units: each }, at) => (
            <option key={each} value={at}>
              {[each === '0' ? 'none' : each, why(at)].filter(Boolean).join(' · ')}
            </option>
          ))}
        </select>
      </td>
      {(['lean', 'likely', 'heavy'] as const).map((which) => (
        <td key={which} className={`${NUMBER} ${best[which] === level ? 'font-semibold' : ''}`}>
          {money(amounts[which])}
        </td>
      ))}
      <td className={NUMBER}>{level === calm ? money(row.regret) : ''}</td>
    </tr>
  );
}

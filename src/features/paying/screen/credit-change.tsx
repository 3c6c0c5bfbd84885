/** Another amount of credit from a later month on: what the months come to with it and without. */
'use client';
import { useMemo, useState } from 'react';
import { DEFAULT_HORIZON } from '@/engine/analysis';
import { decimal, parseDecimal } from '@/engine/base';
import { describeTerm } from '@/engine/terms';
import { writeMoney } from '@/platform/words';
import { type CreditRow, type CreditWish, takeOnChange } from '@/features/paying/calc';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import { useRoom } from '@/features/design/screen/room';
import { useAsked } from '@/features/design/screen/use-asked';

interface ChangeFromMonthProps {
  readonly wish: CreditWish;
  /** The credit that is changed. */
  readonly row: CreditRow;
}

const BOX = 'mt-0.5 block h-7 rounded border border-edge bg-surface px-2 text-sm text-ink';
const MOST_MONTHS = 120;

export function ChangeFromMonth({ wish, row }: ChangeFromMonthProps) {
  const { state, client, apply, undo } = useRoom();
  const { design } = state;
  const months = design.assumptions.horizon ?? DEFAULT_HORIZON;
  const [month, setMonth] = useState(13);
  const [typed, setTyped] = useState('');
  const read = parseDecimal(typed);
  const then = read.ok && !read.value.isNegative() ? read.value.toString() : null;
  const { term, credit } = row;
  const change = useMemo(
    () => (then === null ? null : { ...wish, term, credit, fromMonth: month, then }),
    [wish, term, credit, month, then],
  );
  const question = useMemo(
    () => (change ? { ask: 'credit-change' as const, design, wish: change, months } : null),
    [design, change, months],
  );
  const { now, trouble } = useAsked(client, question);
  const money = (amount: string): string => `${writeMoney(amount, design.currency)} ${design.currency}`;
  const says = (): string => {
    if (typed === '') return 'Type another amount to see what all months come to.';
    if (then === null) return 'An amount of money is a number of nothing or more.';
    if (trouble) return trouble;
    if (!now) return 'Pricing every month …';
    const saves = decimal(now.saves);
    const by = saves.isNegative()
      ? `costs ${money(saves.abs().toString())} more`
      : `saves ${money(now.saves)}`;
    return `In ${now.months} months it ${by}: ${money(now.changed.likely)} in place of ${money(now.unchanged.likely)}.`;
  };
  return (
    <section aria-label="Another amount later" className="px-[18px] pb-4">
      <h2 className="text-sm font-semibold">
        And another amount later? {writeMoney(credit, design.currency)} for {describeTerm(term)} at first
      </h2>
      <div className="mt-1 flex flex-wrap items-end gap-3">
        <label className="text-xs text-soft">
          from month
          <input
            type="number"
            min={2}
            max={MOST_MONTHS}
            value={month}
            onChange={(event) =>
              setMonth(Math.min(MOST_MONTHS, Math.max(2, Number(event.target.value) || 2)))
            }
            className={`${BOX} w-[72px]`}
          />
        </label>
        <label className="text-xs text-soft">
          {design.currency} a month
          <input
            value={typed}
            inputMode="decimal"
            onChange={(event) => setTyped(event.target.value.trim())}
            className={`${BOX} w-[120px]`}
          />
        </label>
        <p role="status" className="pb-1">
          {says()}
        </p>
        {change && now && (
          <Button
            onClick={() => {
              if (apply(takeOnChange(design, change, crypto.randomUUID())))
                tell('The credit is a line of the design now.', undo);
            }}
          >
            Take on both
          </Button>
        )}
      </div>
    </section>
  );
}

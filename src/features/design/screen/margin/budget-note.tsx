/** By how much the load may grow before the budget is crossed. */
'use client';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import { writeNumber } from '@/platform/words';
import type { PricingClient } from '@/features/design/worker/client';
import { useAsked } from '../use-asked';

export function BudgetNote({
  design,
  client,
}: {
  readonly design: Design;
  readonly client: PricingClient | null;
}) {
  const stated = design.assumptions.budget !== undefined;
  const question = useMemo(() => (stated ? ({ ask: 'budget', design } as const) : null), [design, stated]);
  const { last: answer } = useAsked(client, question);
  if (!stated || !answer) return null;
  const { crossed, times } = answer;
  const over = crossed === 'without-load' || (times !== null && Number(times) < 1);
  const text =
    crossed === 'never'
      ? 'Not even a thousandfold load crosses the budget.'
      : crossed === 'without-load'
        ? 'Over the budget already without any load.'
        : over
          ? `Over the budget already; it would hold at ${writeNumber(times!, undefined, 2)} times the load.`
          : `The budget is crossed at ${writeNumber(times!, undefined, 2)} times the load.`;
  return (
    <p role="note" className={`text-xs ${over ? 'text-ember-ink' : 'text-soft'}`}>
      {text}
    </p>
  );
}

/** By how much the load may grow before the budget is crossed. */
'use client';
import { useEffect, useState } from 'react';
import type { Design } from '@/core/design';
import { writeNumber } from '@/core/display';
import type { PricingClient } from '@/workers/client';
import type { Answers } from '@/workers/protocol';

const AFTER = 400;

export function BudgetNote({
  design,
  client,
}: {
  readonly design: Design;
  readonly client: PricingClient | null;
}) {
  const [answer, setAnswer] = useState<Answers['budget']>(null);
  const stated = design.assumptions.budget !== undefined;
  useEffect(() => {
    if (!client || !stated) return;
    let current = true;
    const timer = setTimeout(() => {
      client.ask({ ask: 'budget', design }).then(
        (next) => current && setAnswer(next),
        () => undefined,
      );
    }, AFTER);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [client, design, stated]);
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

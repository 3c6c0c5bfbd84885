/** How much of a difference is made by what is included free: worked out when somebody asks. */
'use client';
import { useMemo, useState } from 'react';
import { decimal } from '@/engine/base';
import type { Alternative, Design } from '@/engine/design';
import { freeSentence } from '@/features/compare/words';
import type { PricingClient } from '@/features/design/worker/client';
import { useAsked } from '@/features/design/screen/use-asked';

interface WithoutFreeProps {
  readonly design: Design;
  readonly alternative: Alternative;
  readonly client: PricingClient | null;
}

export function WithoutFree({ design, alternative, client }: WithoutFreeProps) {
  const [open, setOpen] = useState(false);
  const { id, name } = alternative;
  const question = useMemo(
    () => (open ? ({ ask: 'without-free', design, alternative: id } as const) : null),
    [open, design, id],
  );
  const { now, trouble } = useAsked(client, question, 0);
  if (!design.assumptions.countAllowances) return null;
  return (
    <details className="mt-3" open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer text-sm text-brand">Without what is included free</summary>
      <p className="mt-1 text-sm" role="status">
        {trouble ??
          (now
            ? freeSentence(
                { change: decimal(now.change), without: decimal(now.without) },
                `“${name}”`,
                design.currency,
              )
            : 'Pricing both without it …')}
      </p>
    </details>
  );
}

/** How the focused amount adds up, in any of the three cases. */
'use client';
import { useState } from 'react';
import type { Design } from '@/engine/design';
import { CASES, type Case } from '@/engine/usage';
import { TraceTree } from '@/platform/ui/trace-tree';
import type { PricingClient } from '@/features/design/worker/client';
import type { AmountOf } from '@/engine/pricing';
import { useExplanation } from '../pricing';

interface AddsUpProps {
  readonly client: PricingClient | null;
  readonly design: Design;
  /** The version that is priced; the trace is of the same calculation. */
  readonly version: number;
  readonly subject: AmountOf;
  /** Amounts as printed, by case. */
  readonly printed: Readonly<Record<Case, string | null>>;
}

export function AddsUp({ client, design, version, subject, printed }: AddsUpProps) {
  const [which, setWhich] = useState<Case>('likely');
  const figure = useExplanation(client, design, version, subject, which);
  return (
    <div>
      <div role="group" aria-label="Case" className="mb-2 flex gap-1">
        {CASES.map((each) => (
          <button
            key={each}
            type="button"
            aria-pressed={each === which}
            onClick={() => setWhich(each)}
            className={`rounded px-2 py-0.5 text-xs ${each === which ? 'bg-wash font-semibold' : 'text-soft hover:bg-wash'}`}
          >
            {each}
          </button>
        ))}
      </div>
      {figure && printed[which] !== null ? (
        <TraceTree
          key={`${JSON.stringify(subject)}/${which}`}
          figure={figure}
          currency={design.currency}
          printed={printed[which]}
        />
      ) : (
        <p className="text-sm text-soft">There is no amount to explain here yet.</p>
      )}
    </div>
  );
}

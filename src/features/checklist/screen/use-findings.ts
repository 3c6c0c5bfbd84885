/** What the rules find in the design as it is now; asked anew a moment after each change. */
'use client';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import type { PricingClient } from '@/features/design/worker/client';
import type { PricedFinding } from '@/features/design/worker/protocol';
import { useAsked } from '@/features/design/screen/use-asked';

const AFTER = 200;

export interface Findings {
  readonly findings: readonly PricedFinding[] | null;
  readonly trouble: string | null;
}

export function useFindings(client: PricingClient | null, design: Design): Findings {
  const question = useMemo(() => ({ ask: 'checks' as const, design }), [design]);
  const { last, trouble } = useAsked(client, question, AFTER);
  return { findings: last, trouble };
}

/** What the rules find in the design as it is now; asked anew a moment after each change, while somebody looks. */
'use client';
import { useEffect, useState } from 'react';
import type { Design } from '@/core/design';
import type { PricingClient } from '@/workers/client';
import type { PricedFinding } from '@/workers/protocol';

const AFTER = 200;

export interface Findings {
  readonly findings: readonly PricedFinding[] | null;
  readonly trouble: string | null;
}

export function useFindings(client: PricingClient | null, design: Design, looking: boolean): Findings {
  const [state, setState] = useState<Findings>({ findings: null, trouble: null });
  useEffect(() => {
    if (!client || !looking) return;
    let current = true;
    const timer = setTimeout(() => {
      client.ask({ ask: 'checks', design }).then(
        (findings) => current && setState({ findings, trouble: null }),
        (error: unknown) =>
          current &&
          setState((known) => ({
            ...known,
            trouble: error instanceof Error ? error.message : 'The checks could not be made.',
          })),
      );
    }, AFTER);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [client, design, looking]);
  return state;
}

/** An alternative as a design of its own, worked out by the worker; null: the design itself, or not there yet. */
'use client';
import { useMemo } from 'react';
import type { Design } from '@/engine/design';
import type { PricingClient } from '@/features/design/worker/client';
import { useAsked } from '@/features/design/screen/use-asked';

export function useSide(client: PricingClient | null, design: Design, side: string | null): Design | null {
  const question = useMemo(
    () => (side === null ? null : { ask: 'alternative' as const, design, alternative: side }),
    [design, side],
  );
  const { now } = useAsked(client, question, 0);
  return side === null ? null : (now?.design ?? null);
}

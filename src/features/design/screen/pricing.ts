/** Keeps the design priced in a worker: one question at a time, always about the newest version. */
'use client';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Design } from '@/engine/design';
import type { AmountOf } from '@/engine/pricing';
import type { DesignSummary } from '@/engine/summary';
import type { PlainFigure } from '@/engine/trace';
import type { Case } from '@/engine/usage';
import { type PricingClient, startPricing } from '@/features/design/worker/client';
import { useAsked } from './use-asked';

export interface Pricing {
  readonly summary: DesignSummary | null;
  /** The version the summary belongs to. */
  readonly version: number;
  readonly trouble: string | null;
}

export function usePricingClient(): PricingClient | null {
  const [client, setClient] = useState<PricingClient | null>(null);
  useEffect(() => {
    const started = startPricing();
    // The worker is an outside system that begins with the page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setClient(started);
    return () => started.close();
  }, []);
  return client;
}

export function usePricing(client: PricingClient | null, design: Design, version: number): Pricing {
  const [pricing, setPricing] = useState<Pricing>({ summary: null, version: 0, trouble: null });
  const wanted = useRef({ design, version });
  const busy = useRef(false);
  useEffect(() => {
    wanted.current = { design, version };
    if (!client || busy.current) return;
    const run = async (): Promise<void> => {
      busy.current = true;
      let priced = -1;
      while (priced !== wanted.current.version) {
        const asked = wanted.current;
        try {
          const answer = await client.ask({ ask: 'price', ...asked });
          setPricing({ summary: answer.summary, version: answer.version, trouble: null });
        } catch (error) {
          setPricing((known) => ({
            ...known,
            trouble: error instanceof Error ? error.message : 'No prices.',
          }));
        }
        priced = asked.version;
      }
      busy.current = false;
    };
    void run();
    return undefined;
  }, [client, design, version]);
  return pricing;
}

/** The trace of an amount in one case, asked for again whenever the priced version changes. */
export function useExplanation(
  client: PricingClient | null,
  design: Design,
  version: number,
  amount: AmountOf,
  which: Case,
): PlainFigure | null {
  const key = JSON.stringify([amount, which]);
  const question = useMemo(() => {
    if (version === 0) return null;
    const [asked, askedCase] = JSON.parse(key) as [AmountOf, Case];
    return { ask: 'explain' as const, design, version, amount: asked, case: askedCase, key };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the design belongs to the version
  }, [version, key]);
  const { last, to } = useAsked(client, question, 0);
  return to?.key === key ? last : null;
}

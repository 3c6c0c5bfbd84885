/** Keeps the design priced in the worker: one question at a time, always about the newest version. */
'use client';
import { useEffect, useRef, useState } from 'react';
import type { Design } from '@/core/design';
import type { DesignSummary } from '@/core/range';
import type { PlainFigure } from '@/core/trace';
import type { Case } from '@/core/usage';
import { type PricingClient, startPricingWorker } from '@/workers/client';
import type { Subject } from '@/workers/protocol';

export interface Pricing {
  readonly summary: DesignSummary | null;
  /** The version the summary belongs to. */
  readonly version: number;
  readonly trouble: string | null;
}

export function usePricingClient(): PricingClient | null {
  const [client, setClient] = useState<PricingClient | null>(null);
  useEffect(() => {
    const started = startPricingWorker();
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

/** The trace of a subject in one case, asked for again whenever the priced version changes. */
export function useExplanation(
  client: PricingClient | null,
  design: Design,
  version: number,
  subject: Subject,
  which: Case,
): PlainFigure | null {
  const [figure, setFigure] = useState<{ readonly key: string; readonly figure: PlainFigure | null } | null>(
    null,
  );
  const key = JSON.stringify([subject, which]);
  useEffect(() => {
    let current = true;
    if (!client || version === 0) return;
    const [asked, askedCase] = JSON.parse(key) as [Subject, Case];
    client.ask({ ask: 'explain', design, version, subject: asked, case: askedCase }).then(
      (answer) => current && setFigure({ key, figure: answer }),
      () => undefined,
    );
    return () => {
      current = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the design belongs to the version
  }, [client, version, key]);
  return figure?.key === key ? figure.figure : null;
}

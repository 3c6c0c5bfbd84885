/** Draws that go on until they are done: the worker answers with what is there, and is asked again. */
'use client';
import { useCallback, useEffect, useState } from 'react';
import type { Design } from '@/engine/design';
import type { RangeAnswer } from '@/features/range/calc';
import { type PricingClient, WithdrawnError } from '@/features/design/worker/client';

interface Asked {
  readonly client: PricingClient | null;
  readonly design: Design;
  readonly seed: string;
  readonly draws: number;
}

interface Draws {
  readonly answer: RangeAnswer | null;
  readonly going: boolean;
  readonly trouble: string | null;
  readonly stop: () => void;
  readonly go: () => void;
}

/** Milliseconds that typing must pause. */
const PAUSE = 250;

export function useDraws({ client, design, seed, draws }: Asked): Draws {
  const [answer, setAnswer] = useState<RangeAnswer | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [stopped, setStopped] = useState<Asked | null>(null);
  const [ended, setEnded] = useState<Design | null>(null);
  const isStopped =
    stopped !== null && stopped.design === design && stopped.seed === seed && stopped.draws === draws;
  useEffect(() => {
    if (!client || isStopped) return;
    const asking = new AbortController();
    const draw = async (): Promise<void> => {
      try {
        for (;;) {
          const next = await client.ask({ ask: 'range', design, seed, draws }, asking.signal);
          if (asking.signal.aborted) return;
          setAnswer(next);
          setTrouble(null);
          if (next.done >= next.draws) {
            setEnded(design);
            return;
          }
        }
      } catch (error) {
        if (error instanceof WithdrawnError) return;
        setTrouble(error instanceof Error ? error.message : 'The draws could not be made.');
      }
    };
    const timer = setTimeout(() => void draw(), PAUSE);
    return () => {
      clearTimeout(timer);
      asking.abort();
    };
  }, [client, design, seed, draws, isStopped]);
  const stop = useCallback(() => setStopped({ client, design, seed, draws }), [client, design, seed, draws]);
  const go = useCallback(() => setStopped(null), []);
  const isDone = ended === design && answer?.seed === seed && answer.draws === draws;
  return { answer, going: !isStopped && !isDone && trouble === null, trouble, stop, go };
}

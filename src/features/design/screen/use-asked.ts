/** An answer of a pricing worker. A question that is not asked any more is withdrawn, and its answer dropped. */
'use client';
import { useEffect, useState } from 'react';
import { type PricingClient, WithdrawnError } from '@/features/design/worker/client';
import type { Answers, Question } from '@/features/design/worker/protocol';

/** Milliseconds that typing must pause before a question is asked that is not about the total itself. */
const PAUSE = 400;

interface Asked<A, Q> {
  /** Which question `last` answers. */
  readonly to: Q | null;
  /** The answer to this very question; null until it is there. */
  readonly now: A | null;
  /** The newest answer there is, perhaps to the question before: what stands there while the next is worked out. */
  readonly last: A | null;
  /** Why there is no answer to this question; null: it is there, or still being worked out. */
  readonly trouble: string | null;
}

interface Known<A, Q> {
  readonly to: Q;
  readonly answer: A | null;
  readonly trouble: string | null;
}

/** `question` must be the same object while it asks the same; null: nothing is asked. */
export function useAsked<Q extends Question>(
  client: PricingClient | null,
  question: Q | null,
  pause: number = PAUSE,
): Asked<Answers[Q['ask']], Q> {
  const [known, setKnown] = useState<Known<Answers[Q['ask']], Q> | null>(null);
  useEffect(() => {
    if (!client || !question) return;
    const asking = new AbortController();
    const ask = (): void => {
      client.ask(question, asking.signal).then(
        (next) => setKnown({ to: question, answer: next as Answers[Q['ask']], trouble: null }),
        (error: unknown) => {
          if (error instanceof WithdrawnError) return;
          const trouble = error instanceof Error ? error.message : 'The prices could not be worked out.';
          setKnown((before) => ({ to: question, answer: before?.answer ?? null, trouble }));
        },
      );
    };
    if (pause === 0) {
      ask();
      return () => asking.abort();
    }
    const timer = setTimeout(ask, pause);
    return () => {
      clearTimeout(timer);
      asking.abort();
    };
  }, [client, question, pause]);
  const isNow = known?.to === question;
  const trouble = isNow ? (known?.trouble ?? null) : null;
  return {
    to: known?.to ?? null,
    now: isNow && !trouble ? (known?.answer ?? null) : null,
    last: known?.answer ?? null,
    trouble,
  };
}

/** An answer of the worker that is asked for when the typing pauses; an answer to an older question is dropped. */
'use client';
import { useEffect, useState } from 'react';
import type { PricingClient } from '@/workers/client';
import type { Answers, Question } from '@/workers/protocol';

const PAUSE = 400;

interface Asked<A> {
  /** The answer to this very question; null until it is there. */
  readonly now: A | null;
  /** The newest answer there is, perhaps to the question before: what stands there while the next is worked out. */
  readonly last: A | null;
}

/** `question` must be the same object while it asks the same; null: nothing is asked. */
export function useAsked<K extends Question['ask']>(
  client: PricingClient | null,
  question: Extract<Question, { ask: K }> | null,
): Asked<Answers[K]> {
  const [known, setKnown] = useState<{ readonly to: object; readonly answer: Answers[K] } | null>(null);
  useEffect(() => {
    if (!client || !question) return;
    let current = true;
    const timer = setTimeout(() => {
      client.ask(question).then(
        (next) => current && setKnown({ to: question, answer: next as Answers[K] }),
        () => undefined,
      );
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [client, question]);
  return { now: known?.to === question ? known.answer : null, last: known?.answer ?? null };
}

/** An answer of the worker that is asked for when the typing pauses; an answer to an older question is dropped. */
'use client';
import { useEffect, useState } from 'react';
import type { PricingClient } from '@/workers/client';
import type { Answers, Question } from '@/workers/protocol';

const PAUSE = 400;

/** `question` must be the same object while it asks the same; null: nothing is asked. */
export function useAsked<K extends Question['ask']>(
  client: PricingClient | null,
  question: Extract<Question, { ask: K }> | null,
): Answers[K] | null {
  const [answer, setAnswer] = useState<Answers[K] | null>(null);
  useEffect(() => {
    if (!client || !question) return;
    let current = true;
    const timer = setTimeout(() => {
      client.ask(question).then(
        (next) => current && setAnswer(next as Answers[K]),
        () => undefined,
      );
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [client, question]);
  return answer;
}

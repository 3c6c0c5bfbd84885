/** Asks a worker, again whenever the question is another; the last answer stays while the next is on its way. */
'use client';
import { useEffect, useRef, useState } from 'react';

export interface Progress {
  readonly done: number;
  readonly steps: number;
  readonly words: string;
}

interface Asks {
  ask(
    question: never,
    how: { readonly signal: AbortSignal; readonly told: (progress: Progress) => void },
  ): Promise<unknown>;
}

export interface Asked<T> {
  readonly answer: T | null;
  /** Set while it is worked out, where that is told. */
  readonly progress: Progress | null;
  readonly isWaiting: boolean;
  readonly trouble: string | null;
  /** Calls it off; `again` asks anew. */
  readonly stop: () => void;
  readonly again: () => void;
}

interface State {
  /** The question that has ended, one way or the other. */
  readonly settled: string;
  readonly answer: unknown;
  readonly trouble: string | null;
  readonly progress: { readonly of: string; readonly told: Progress } | null;
}

const NOTHING: State = { settled: '', answer: null, trouble: null, progress: null };

/** `client` or `question` null: nothing is asked. */
export function useAskedOf<T>(client: Asks | null, question: object | null): Asked<T> {
  const [state, setState] = useState(NOTHING);
  const [turn, setTurn] = useState(0);
  const stopper = useRef<AbortController | null>(null);
  const wanted = question && client ? `${turn}\n${JSON.stringify(question)}` : '';
  useEffect(() => {
    if (wanted === '' || !client) return;
    const controller = new AbortController();
    stopper.current = controller;
    const asked = JSON.parse(wanted.slice(wanted.indexOf('\n') + 1)) as never;
    const set = (part: Partial<State>): void => {
      if (!controller.signal.aborted) setState((before) => ({ ...before, ...part }));
    };
    client
      .ask(asked, {
        signal: controller.signal,
        told: (told) => set({ progress: { of: wanted, told } }),
      })
      .then(
        (answer) => set({ settled: wanted, answer, trouble: null, progress: null }),
        (error: Error) => set({ settled: wanted, trouble: error.message, progress: null }),
      );
    return () => controller.abort();
  }, [client, wanted]);
  return {
    answer: state.answer as T | null,
    progress: state.progress?.of === wanted ? state.progress.told : null,
    isWaiting: wanted !== '' && state.settled !== wanted,
    trouble: state.settled === wanted ? state.trouble : null,
    stop: () => {
      stopper.current?.abort();
      setState((before) => ({ ...before, settled: wanted, trouble: 'It was called off.', progress: null }));
    },
    again: () => setTurn((before) => before + 1),
  };
}

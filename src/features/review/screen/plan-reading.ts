/** A plan on its way in: read by the worker of this browser. A newer choice overtakes an older one. */
'use client';
import { useRef, useState } from 'react';
import type { MapText, PlanFile, ReadAnswer, ReadPlanAnswer } from '@/features/review/worker/review-protocol';
import { useReviewWorker } from './review-worker';
import type { FileTrouble } from '@/platform/shell/file-faults';

export interface PlanReading {
  readonly read: ReadPlanAnswer | null;
  readonly name: string;
  readonly isReading: boolean;
  readonly trouble: FileTrouble | null;
  readonly choose: (plan: readonly PlanFile[], against: File | null, maps: readonly MapText[]) => void;
  readonly forget: () => void;
  readonly client: ReturnType<typeof useReviewWorker>;
}

interface State {
  readonly read: ReadPlanAnswer | null;
  readonly name: string;
  readonly isReading: boolean;
  readonly trouble: FileTrouble | null;
}

const NOTHING: State = { read: null, name: '', isReading: false, trouble: null };

export function usePlanReading(): PlanReading {
  const client = useReviewWorker();
  const [state, setState] = useState(NOTHING);
  const turn = useRef(0);
  const choose = (plan: readonly PlanFile[], against: File | null, maps: readonly MapText[]): void => {
    if (!client) return;
    const mine = (turn.current += 1);
    const name = nameOf(plan);
    setState({ ...NOTHING, name, isReading: true });
    const end = (next: State): void => {
      if (turn.current === mine) setState(next);
    };
    client.ask({ ask: 'read', plan, against, maps }).then(
      (answer) => end(stateOf(answer, name)),
      (error: Error) => end({ ...NOTHING, trouble: plainTrouble(name, error.message) }),
    );
  };
  return { ...state, choose, client, forget: () => setState((before) => ({ ...before, trouble: null })) };
}

/** A folder's own name is not known: of several files the number is said. */
export const nameOf = (plan: readonly PlanFile[]): string =>
  plan.length === 1 ? plan[0]!.path : `${plan.length} files`;

export const fileOfPlan = (file: File): PlanFile => ({ path: file.name, file });

function stateOf(answer: ReadAnswer, name: string): State {
  if (answer.ok) return { ...NOTHING, read: answer, name };
  const { file, faults, more } = answer;
  return { ...NOTHING, trouble: { file, message: 'Nothing was taken from it.', faults, more } };
}

const plainTrouble = (file: string, message: string): FileTrouble => ({ file, message, faults: [], more: 0 });

/** What every view of a study knows: the study, who works it out, its answer, how it is changed and saved. */
'use client';
import { createContext, useContext, useMemo } from 'react';
import type { Assumption, Study, StudyAnswer } from '@/features/own-or-rent/calc';
import type { StudyClient } from '@/features/own-or-rent/worker/study-client';
import type { StudyAnswers, StudyQuestion } from '@/features/own-or-rent/worker/study-protocol';
import { type Asked, useAskedOf } from '@/platform/screen/use-asked-of';
import type { Saving } from '@/platform/screen/use-kept-document';

export interface StudyRoomValue {
  readonly id: string;
  readonly study: Study;
  readonly assumptions: readonly Assumption[];
  readonly client: StudyClient | null;
  /** Of its two sides, as they are typed now, or of the ones before while the next are on their way. */
  readonly answer: Asked<StudyAnswer>;
  readonly saving: Saving;
  readonly change: (study: Study) => void;
  /** Its answer is shown while something is typed; null: nothing is any more. */
  readonly preview: (study: Study | null) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

export const StudyContext = createContext<StudyRoomValue | null>(null);

export function useStudy(): StudyRoomValue {
  const room = useContext(StudyContext);
  if (!room) throw new Error('There is no study above this.');
  return room;
}

/** `question` null: nothing is asked. Before the worker is there, an answer is waited for, too. */
export function useStudyAsked<Q extends StudyQuestion>(question: Q | null): Asked<StudyAnswers[Q['ask']]> {
  const { client } = useStudy();
  const asked = useAskedOf<StudyAnswers[Q['ask']]>(client, question);
  return { ...asked, isWaiting: question !== null && (client === null || asked.isWaiting) };
}

/** Every variant, and what a month later costs: more than a keystroke needs. */
export function useWholeAnswer(): Asked<StudyAnswer | null> {
  const { study } = useStudy();
  return useStudyAsked(useMemo(() => ({ ask: 'whole' as const, study }), [study]));
}

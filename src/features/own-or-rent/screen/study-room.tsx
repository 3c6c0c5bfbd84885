/** The room of a study: the study, its worker and its answer stand above its views. Every change is saved as it is made. */
'use client';
import { type ReactNode, useCallback, useMemo, useState } from 'react';
import { assumptionsOf, type Study, type StudyAnswer } from '@/features/own-or-rent/calc';
import { DocumentHead } from '@/platform/shell/document-head';
import { useAskedOf } from '@/platform/screen/use-asked-of';
import { useKeptDocument } from '@/platform/screen/use-kept-document';
import { StudyContext, type StudyRoomValue } from './study-context';
import { useStudyWorker } from './study-worker';

const VIEWS = [
  ['', 'Answer'],
  ['/numbers', 'Assumptions'],
  ['/hangs-on', 'What it hangs on'],
  ['/variants', 'Variants'],
  ['/move', 'The move'],
  ['/report', 'Report'],
] as const;

interface StudyRoomProps {
  readonly id: string;
  readonly initial: { readonly study: Study; readonly revision: number };
  readonly children: ReactNode;
}

export function StudyRoomOf({ id, initial, children }: StudyRoomProps) {
  const kept = useKeptDocument({
    url: `/api/studies/${id}`,
    field: 'study',
    initial: { document: initial.study, revision: initial.revision },
  });
  const { document: study, saving, undo, redo, change: keep } = kept;
  const [typed, setTyped] = useState<Study | null>(null);
  const change = useCallback(
    (changed: Study) => {
      setTyped(null);
      keep(changed);
    },
    [keep],
  );
  const client = useStudyWorker();
  const shown = typed ?? study;
  const question = useMemo(() => ({ ask: 'answer', study: shown }), [shown]);
  const answer = useAskedOf<StudyAnswer>(client, question);
  const assumptions = useMemo(() => assumptionsOf(study), [study]);
  const told = { client, answer, saving, undo, redo };
  const value: StudyRoomValue = { id, study, assumptions, change, preview: setTyped, ...told };
  return (
    <StudyContext value={value}>
      <DocumentHead
        title={study.title}
        base={`/own-or-rent/${id}`}
        viewsOf="Views of the study"
        views={VIEWS}
        {...{ saving, undo, redo }}
      />
      {children}
    </StudyContext>
  );
}

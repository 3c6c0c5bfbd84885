/** What a study was before: every saved state, and the way back to it. */
'use client';
import { useState } from 'react';
import type { Study } from '@/features/own-or-rent/calc';
import type { StudyRevision } from '@/features/own-or-rent/use/study-ports';
import { Button } from '@/platform/ui/button';
import { tell } from '@/platform/ui/toast';
import { callApi } from '@/platform/screen/call-api';
import { writeWhen } from '@/platform/screen/time';
import { useStudy } from './study-context';

const SHOWN = 30;

export function Earlier() {
  const { id, change, undo } = useStudy();
  const [revisions, setRevisions] = useState<readonly StudyRevision[] | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const attempt = async (act: () => Promise<void>): Promise<void> => {
    setTrouble(null);
    try {
      await act();
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : 'That did not work. Try again.');
    }
  };
  const look = (): void =>
    void attempt(async () => setRevisions(await callApi<StudyRevision[]>(`/api/studies/${id}/history`)));
  const back = (revision: number): void =>
    void attempt(async () => {
      change(await callApi<Study>(`/api/studies/${id}/history/${revision}`));
      tell(
        `The study is as it was at revision ${revision}.`,
        undo ? { label: 'Take it back', run: undo } : undefined,
      );
    });
  return (
    <section aria-label="Earlier states" className="border-t border-line pt-2">
      <Button
        tone="bare"
        aria-expanded={revisions !== null}
        onClick={() => (revisions ? setRevisions(null) : look())}
      >
        {revisions ? 'Hide earlier states' : 'Earlier states'}
      </Button>
      {trouble && (
        <p role="alert" className="text-sm text-ember-ink">
          {trouble}
        </p>
      )}
      {revisions && (
        <ul className="mt-1 text-sm">
          {revisions.slice(1, SHOWN + 1).map(({ revision, at }) => (
            <li
              key={revision}
              className="flex items-center justify-between gap-2 border-b border-line py-0.5"
            >
              <span>
                Revision {revision} <span className="text-soft">{writeWhen(at)}</span>
              </span>
              <Button tone="bare" aria-label={`Back to revision ${revision}`} onClick={() => back(revision)}>
                Back to it
              </Button>
            </li>
          ))}
          {revisions.length < 2 && <li className="text-soft">Nothing was changed yet.</li>}
        </ul>
      )}
    </section>
  );
}

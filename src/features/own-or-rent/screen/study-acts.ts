/** What may be done with a study from outside: made, opened, copied, deleted with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { cut } from '@/engine/base';
import type { Study } from '@/features/own-or-rent/calc';
import type { StudyListing } from '@/features/own-or-rent/use/study-ports';
import { callApi } from '@/platform/screen/call-api';
import { removeWithUndo, toldIfFailed } from '@/platform/screen/told-acts';

const JSON_SENT = { 'content-type': 'application/json' } as const;
const MOST_TITLE = 180;

export interface StudyActs {
  readonly open: (id: string) => void;
  /** Stores it, and goes there. */
  readonly make: (study: Study) => Promise<void>;
  readonly copy: (study: StudyListing) => void;
  readonly remove: (study: StudyListing) => void;
}

export function useStudyActs(): StudyActs {
  const router = useRouter();
  return useMemo(() => {
    const open = (id: string): void => router.push(`/own-or-rent/${id}`);
    const make = async (study: Study): Promise<void> => {
      const body = JSON.stringify({ study });
      const { id } = await callApi<{ id: string }>('/api/studies', {
        method: 'POST',
        headers: JSON_SENT,
        body,
      });
      router.refresh();
      open(id);
    };
    return {
      open,
      make,
      copy: ({ id }) =>
        void toldIfFailed(async () => {
          const { study } = await callApi<{ study: Study }>(`/api/studies/${id}`);
          await make({ ...study, title: `${cut(study.title, MOST_TITLE)}, copy` });
        }),
      remove: ({ id, title }) => removeWithUndo(`/api/studies/${id}`, title, () => router.refresh()),
    };
  }, [router]);
}

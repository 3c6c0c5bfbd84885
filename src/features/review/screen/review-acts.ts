/** What may be done with a review from outside: opened, deleted with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { removeWithUndo } from '@/platform/screen/told-acts';

export interface NamedReview {
  readonly id: string;
  readonly title: string;
}

export function useReviewActs() {
  const router = useRouter();
  return useMemo(
    () => ({
      open: (id: string): void => router.push(`/reviews/${id}`),
      remove: ({ id, title }: NamedReview): void =>
        removeWithUndo(`/api/reviews/${id}`, title, () => router.refresh()),
    }),
    [router],
  );
}

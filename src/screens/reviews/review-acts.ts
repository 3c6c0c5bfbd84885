/** What may be done with a review from outside: opened, deleted with undo. */
'use client';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { tell } from '@/ui/toast';
import { callApi } from '../lib/call-api';

export interface NamedReview {
  readonly id: string;
  readonly title: string;
}

export function useReviewActs() {
  const router = useRouter();
  return useMemo(() => {
    const attempt = async (act: () => Promise<void>): Promise<void> => {
      try {
        await act();
      } catch (error) {
        tell(error instanceof Error ? error.message : 'That did not work. Try again.');
      }
    };
    return {
      open: (id: string): void => router.push(`/reviews/${id}`),
      remove: ({ id, title }: NamedReview): void =>
        void attempt(async () => {
          await callApi(`/api/reviews/${id}`, { method: 'DELETE' });
          router.refresh();
          tell(`“${title}” was deleted.`, {
            label: 'Take it back',
            run: () =>
              void attempt(async () => {
                await callApi(`/api/reviews/${id}/restore`, { method: 'POST' });
                router.refresh();
              }),
          });
        }),
    };
  }, [router]);
}

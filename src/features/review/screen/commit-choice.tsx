/** Which commit of the change is shown: every one that came in is kept. */
'use client';
import { useRouter } from 'next/navigation';
import { writeMoney } from '@/platform/words';
import type { ReviewListing } from '@/features/review/use/review-ports';
import { Choice } from '@/platform/ui/field';
import { useReview } from './review-context';

export function CommitChoice() {
  const router = useRouter();
  const { commits, review } = useReview();
  if (commits.length < 2) return null;
  return (
    <Choice
      label="Commit"
      value={review.id}
      options={commits.map((each, at) => [each.id, wordsOf(each, at === 0)] as const)}
      onChange={(id) => router.push(`/reviews/${id}`)}
    />
  );
}

function wordsOf({ commit, summary }: ReviewListing, isNewest: boolean): string {
  const moved = summary
    ? `: ${Number(summary.difference) > 0 ? '+' : ''}${writeMoney(summary.difference, summary.currency)}`
    : '';
  return `${commit}${moved}${isNewest ? ', newest' : ''}`;
}

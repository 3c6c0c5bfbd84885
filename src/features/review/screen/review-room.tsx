/** The room of a review: the review, its worker and what it says stand above its views. Use that is said is saved at once. */
'use client';
import { type ReactNode, useMemo, useState } from 'react';
import type { NamedWhatIf, WorkAnswer } from '@/features/review/worker/review-protocol';
import { DocumentHead } from '@/platform/shell/document-head';
import { useAskedOf } from '@/platform/screen/use-asked-of';
import { useKeptDocument } from '@/platform/screen/use-kept-document';
import { type OpenedReview, ReviewContext, type ReviewRoomValue } from './review-context';
import { useReviewWorker } from './review-worker';

const VIEWS = [
  ['', 'What it costs'],
  ['/design', 'The design'],
  ['/kept', 'What is kept'],
] as const;

interface ReviewRoomProps {
  readonly opened: OpenedReview;
  readonly children: ReactNode;
}

export function ReviewRoomOf({ opened, children }: ReviewRoomProps) {
  const { review, teamLimits, today, link } = opened;
  const { id, revision } = review;
  const {
    document: load,
    saving,
    undo,
    redo,
    change,
  } = useKeptDocument<string | null>({
    url: `/api/reviews/${id}/load`,
    field: 'load',
    initial: { document: review.load, revision },
  });
  const [whatIfs, setWhatIfs] = useState<readonly NamedWhatIf[]>([]);
  const client = useReviewWorker();
  const of = useMemo(() => ({ id, revision, load }), [id, revision, load]);
  const question = useMemo(
    () => ({ ask: 'work' as const, ...of, teamLimits, today, whatIfs, link }),
    [of, teamLimits, today, whatIfs, link],
  );
  const answer = useAskedOf<WorkAnswer>(client, question);
  const value: ReviewRoomValue = {
    ...opened,
    ...{ of, client, answer, whatIfs, setWhatIfs, setLoad: change },
  };
  return (
    <ReviewContext value={value}>
      <DocumentHead
        title={review.title || `Change ${review.change}`}
        base={`/reviews/${id}`}
        viewsOf="Views of the review"
        views={VIEWS}
        {...{ saving, undo, redo }}
      />
      {children}
    </ReviewContext>
  );
}

/** The room of a review: it and its worker stand above its views. */
import type { Metadata } from 'next';
import type { ReactNode } from 'react';
import { openedReview } from '@/app/lib/open-review';
import { ReviewRoomOf } from '@/features/review/screen/review-room';

interface LayoutProps {
  readonly params: Promise<{ id: string }>;
  readonly children: ReactNode;
}

export async function generateMetadata({ params }: Pick<LayoutProps, 'params'>): Promise<Metadata> {
  const { review } = await openedReview((await params).id);
  return { title: review.title || `${review.repository} ${review.change}` };
}

export default async function ReviewLayout({ params, children }: LayoutProps) {
  const opened = await openedReview((await params).id);
  const { id, revision } = opened.review;
  return (
    <ReviewRoomOf key={`${id} ${revision}`} opened={opened}>
      {children}
    </ReviewRoomOf>
  );
}

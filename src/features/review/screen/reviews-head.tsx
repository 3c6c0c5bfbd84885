/** The head of the place: its views in words, and what can be done there. */
'use client';
import type { ReactNode } from 'react';
import { PlaceHead } from '@/platform/shell/place-head';

const VIEWS = [
  ['/reviews', 'Changes'],
  ['/reviews/history', 'History'],
  ['/reviews/maps', 'Resource maps'],
  ['/reviews/forge', 'Code forge'],
] as const;

export function ReviewsHead({ children }: { readonly children?: ReactNode }) {
  return (
    <PlaceHead title="Change reviews" viewsOf="Views of the reviews" views={VIEWS}>
      {children}
    </PlaceHead>
  );
}

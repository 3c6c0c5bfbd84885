/** The head of the place: its views in words, and what can be done there. */
'use client';
import type { ReactNode } from 'react';
import { PlaceHead } from '@/platform/shell/place-head';

interface BillsHeadProps {
  /** What watches said and nobody has seen yet. */
  readonly unseen?: number;
  readonly children?: ReactNode;
}

export function BillsHead({ unseen = 0, children }: BillsHeadProps) {
  return (
    <PlaceHead
      title="Bills"
      viewsOf="Views of the bills"
      views={[
        ['/bills', 'Periods'],
        ['/bills/year', 'Year'],
        ['/bills/watches', 'Watches'],
        ['/bills/told', unseen > 0 ? `Said, ${unseen} new` : 'Said'],
        ['/bills/feed', 'Billing feed'],
      ]}
    >
      {children}
    </PlaceHead>
  );
}

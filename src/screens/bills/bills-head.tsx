/** The head of the place: its views in words, and what can be done there. */
'use client';
import type { ReactNode } from 'react';
import { PlaceHead } from '../frame/place-head';

const VIEWS = [
  ['/bills', 'Periods'],
  ['/bills/feed', 'Billing feed'],
] as const;

export function BillsHead({ children }: { readonly children?: ReactNode }) {
  return (
    <PlaceHead title="Bills" viewsOf="Views of the bills" views={VIEWS}>
      {children}
    </PlaceHead>
  );
}

/** A component that can be charged, or the reasons why it cannot. */
import type { Decimal, Issue } from '../base';
import type { Offer, PriceBook } from '../books';
import type { Component } from '../design';
import type { Miss } from '../sizing';
import type { Figure } from '../trace';
import type { Demands } from './demands';

export interface Resolved {
  readonly component: Component;
  readonly book: PriceBook;
  readonly region: string;
  readonly offer: Offer;
  readonly count: Figure;
  readonly hoursInMonth: Decimal;
  readonly demands: Demands;
  readonly notices: readonly Issue[];
}

export interface Unresolved {
  readonly issues: readonly Issue[];
  readonly nearest: readonly Miss[];
}

export type Resolution =
  { readonly ok: true; readonly value: Resolved } | ({ readonly ok: false } & Unresolved);

export function failed(...issues: Issue[]): { ok: false } & Unresolved {
  return { ok: false, issues, nearest: [] };
}

/** A component that can be charged, or the reasons why it cannot. */
import type { Issue } from '../base';
import type { Miss } from '../sizing';
import type { Demands, PricedSubject } from './demands';

export interface Resolved extends PricedSubject {
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

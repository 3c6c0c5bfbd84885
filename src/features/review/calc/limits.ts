/**
 * Limits of a change: what a month, a difference or one resource may cost, which kinds, families, regions and sizes are not
 * wanted, which tags are needed. Each warns or fails; an exception has a reason and an end. Opening 42.
 */
import type { Kind } from '@/engine/books';

export type Level = 'warn' | 'fail';

/** `share`: of the month before, 0.2 is a fifth. Money is a month's, in the currency of the review. */
export type Bound =
  | { readonly of: 'total' | 'difference' | 'upfront' | 'resource'; readonly most: string }
  | { readonly of: 'share'; readonly most: string };

export type Rule =
  | { readonly is: 'bound'; readonly bound: Bound }
  | { readonly is: 'not-kinds'; readonly kinds: readonly Kind[] }
  /** Patterns with `*`. */
  | { readonly is: 'not-sizes' | 'not-families' | 'only-regions'; readonly patterns: readonly string[] }
  | { readonly is: 'tags'; readonly tags: readonly string[] }
  /** Everything is priced. */
  | { readonly is: 'all-priced' }
  /** The design that the code comes from stays within its budget. */
  | { readonly is: 'budget' };

export interface Limit {
  readonly id: string;
  readonly level: Level;
  readonly rule: Rule;
  /** What to do about it, in the team's own words. */
  readonly say?: string;
}

export interface Exception {
  readonly limit: string;
  /** Pattern of addresses; absent: the change as a whole. */
  readonly address?: string;
  readonly reason: string;
  /** The last day that it holds, as an ISO date. */
  readonly until: string;
}

export interface Limits {
  readonly title: string;
  readonly limits: readonly Limit[];
  readonly exceptions: readonly Exception[];
}

export const NO_LIMITS: Limits = { title: '', limits: [], exceptions: [] };

/** What would bring it back under. */
export type Remedy =
  /** A smaller size of the same family. */
  | { readonly is: 'smaller'; readonly address: string; readonly size: string; readonly total: string }
  /** Leaving one resource as it was. */
  | { readonly is: 'leave'; readonly address: string; readonly total: string };

export interface BrokenLimit {
  readonly limit: Limit;
  /** Money, or a share, or a number of resources. */
  readonly found: string;
  /** By how much it is too much; null: it is no amount. */
  readonly over: string | null;
  readonly addresses: readonly string[];
  readonly remedy: Remedy | null;
}

export interface ExceptedLimit {
  readonly limit: string;
  readonly exception: Exception;
  readonly addresses: readonly string[];
}

export interface LimitsAnswer {
  readonly state: 'kept' | 'warned' | 'failed';
  readonly broken: readonly BrokenLimit[];
  readonly excepted: readonly ExceptedLimit[];
  /** Exceptions that are over, though their limit is broken. */
  readonly expired: readonly Exception[];
  readonly kept: readonly string[];
  /** Could not be held: it is not known which design with a budget this comes from. */
  readonly unchecked: readonly string[];
}

/**
 * Of several files, each by itself: an exception of one reaches no limit of another.
 *
 * @example
 * joinAnswers([]).state; // => 'kept'
 */
export function joinAnswers(answers: readonly LimitsAnswer[]): LimitsAnswer {
  const worst = (['failed', 'warned'] as const).find((state) => answers.some((each) => each.state === state));
  return {
    state: worst ?? 'kept',
    broken: answers.flatMap(({ broken }) => broken),
    excepted: answers.flatMap(({ excepted }) => excepted),
    expired: answers.flatMap(({ expired }) => expired),
    kept: answers.flatMap(({ kept }) => kept),
    unchecked: answers.flatMap(({ unchecked }) => unchecked),
  };
}

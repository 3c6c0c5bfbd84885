/** How a watch stands: what is watched, of which limit, which steps are reached and which are coming. */
import { decimal } from '@/engine/base';
import type { ProjectedDay } from '@/features/bills/calc';
import type { WatchTerms } from './watch';

/** Why a watch has nothing to go by. Never silently calm. */
export type Unwatchable =
  | 'no-bill'
  | 'no-day'
  | 'no-design'
  | 'no-such-part'
  | 'nothing-expected'
  | 'other-currency'
  | 'no-allowance'
  | 'no-such-tag';

/** What is known of what is watched. Money, or a quantity in `unit`. */
export interface WatchedFacts {
  /** Currency, or the unit of an allowance. */
  readonly unit: string;
  readonly value: string;
  /** What the design expects, or what is included; null: nothing. */
  readonly expected: string | null;
  /** Running sums day by day, where what is billed is watched; empty: nothing can be said ahead. */
  readonly days: readonly ProjectedDay[];
  readonly newest: string;
}

export interface ReachedStep {
  readonly step: string;
  /** On which day; null: what is watched has no days. */
  readonly day: string | null;
}

export interface WatchStanding {
  readonly unit: string;
  readonly value: string;
  readonly limit: string;
  /** Of the limit: 1 is all of it. */
  readonly share: string;
  readonly newest: string;
  /** From low to high. */
  readonly reached: readonly ReachedStep[];
  /** What is to come within the period at this pace, from low to high. */
  readonly coming: readonly { readonly step: string; readonly day: string }[];
}

export type Watched =
  | { readonly state: 'watching'; readonly standing: WatchStanding }
  | { readonly state: 'cannot'; readonly why: Unwatchable };

const SHARE_DIGITS = 9;

/**
 * A step is reached where the value is as high as its share of the limit, exactly. What was reached on a day and fell
 * below it again by a credit is not reached any more; what was said stays said.
 *
 * @example
 * const terms = { of: { what: 'whole' }, on: 'billed', limit: '100', currency: 'USD', basis: 'effective', steps: ['0.5', '0.8', '1'] };
 * const days = [['01', '60', false], ['02', '75', false], ['03', '90', true]].map(([day, soFar, isAhead]) => ({ day: `2026-11-${day}`, soFar, isAhead }));
 * const { standing } = watched(terms, { unit: 'USD', value: '75', expected: null, days, newest: '2026-11-02' });
 * standing.reached; // => [{ step: '0.5', day: '2026-11-01' }]
 * standing.coming; // => [{ step: '0.8', day: '2026-11-03' }]
 */
export function watched(terms: WatchTerms, facts: WatchedFacts): Watched {
  const limit = terms.limit ?? facts.expected;
  if (limit === null || decimal(limit).lessThanOrEqualTo(0))
    return { state: 'cannot', why: 'nothing-expected' };
  const { unit, value, days, newest } = facts;
  const reached: ReachedStep[] = [];
  const coming: { step: string; day: string }[] = [];
  for (const step of terms.steps) {
    const bound = decimal(limit).times(step);
    const isReached = decimal(value).greaterThanOrEqualTo(bound);
    const day = days.find(
      (each) => each.isAhead !== isReached && decimal(each.soFar).greaterThanOrEqualTo(bound),
    );
    if (isReached) reached.push({ step, day: day?.day ?? null });
    else if (day) coming.push({ step, day: day.day });
  }
  const share = decimal(value).dividedBy(limit).toDecimalPlaces(SHARE_DIGITS).toString();
  return { state: 'watching', standing: { unit, value, limit, share, newest, reached, coming } };
}

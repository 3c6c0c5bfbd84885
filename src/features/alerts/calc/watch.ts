/** What is watched, of what, and when to say so. Need P4; openings 33, 36. */
import type { CostBasis } from '@/features/bills/calc';

export const WATCHED_ON = ['billed', 'close', 'pace', 'new'] as const;
/**
 * What is held against the threshold: what is billed so far, where the period is projected to close, what an ordinary day
 * costs now, or what is billed that the design does not expect.
 */
export type WatchedOn = (typeof WATCHED_ON)[number];

/** A part of the bill. `meter` of a component is its code in the design. */
export type WatchOf =
  | { readonly what: 'whole' }
  | { readonly what: 'section'; readonly section: string }
  | { readonly what: 'component'; readonly component: string }
  | { readonly what: 'meter'; readonly component: string; readonly meter: string }
  | { readonly what: 'allowance'; readonly component: string; readonly meter: string }
  | { readonly what: 'tag'; readonly key: string; readonly value: string };

/** All of a threshold that is reached; as shares of it, from low to high. */
export const USUAL_STEPS: readonly string[] = ['0.5', '0.8', '1'];

export interface WatchTerms {
  readonly of: WatchOf;
  readonly on: WatchedOn;
  /** Money of the period (of a day where the pace is watched), or a quantity of an allowance; null: what the design expects. */
  readonly limit: string | null;
  /** Of `limit`. */
  readonly currency: string;
  readonly basis: CostBasis;
  /** Shares of the limit, from low to high. */
  readonly steps: readonly string[];
}

export interface Watch extends WatchTerms {
  readonly name: string;
  /** Of which bills. */
  readonly provider: string;
  readonly account: string;
  /** So many days before a step is reached it is said; 0: only when it is reached. */
  readonly ahead: number;
  readonly mail: readonly string[];
  /** An address that is called; null: none. */
  readonly call: string | null;
}

/**
 * Whether two mean the same threshold: if not, what was said of one was not said of the other.
 *
 * @example
 * const terms = { of: { what: 'whole' }, on: 'billed', limit: '100', currency: 'USD', basis: 'effective', steps: ['1'] };
 * isSameThreshold(terms, { ...terms, steps: ['0.5', '1'] }); // => true
 * isSameThreshold(terms, { ...terms, limit: '200' }); // => false
 */
export function isSameThreshold(a: WatchTerms, b: WatchTerms): boolean {
  const text = ({ of, on, limit, currency, basis }: WatchTerms): string =>
    JSON.stringify([Object.entries(of).sort(), on, limit, currency, basis]);
  return text(a) === text(b);
}

/** What a figure is: a value, and the step that led to it. */
import type { Decimal } from '../base';

/** Where a rate was read: enough to find it in the published list. */
export interface RateSource {
  readonly book: string;
  readonly revision: number;
  readonly effective: string;
  readonly sku: string;
  readonly region: string;
}

export type Operation =
  | 'given'
  | 'rate'
  | 'sum'
  | 'difference'
  | 'product'
  | 'quotient'
  | 'least'
  | 'greatest'
  /** The next whole number of its one part. */
  | 'ceiling'
  /** Its last part, because the first lies above the second and up to the third (which may be missing: no end). */
  | 'band'
  /** The same, but zero where the quantity is not in the band: a sum over all bands holds for any quantity. */
  | 'within';

export interface EntryOf {
  readonly component: string;
  /** `count`, or `usage/` and the meter. */
  readonly entry: string;
}

export interface Figure {
  readonly operation: Operation;
  readonly label: string;
  readonly value: Decimal;
  /** For people: "hour", "GB-month", "USD", "USD per hour". */
  readonly unit: string;
  readonly parts: readonly Figure[];
  readonly note?: string;
  readonly source?: RateSource;
  /** Of a leaf: which entry of which component it is. */
  readonly input?: EntryOf;
  /** Of a leaf: negotiated between two parties; not shown to strangers. */
  readonly confidential?: true;
  /** Of a leaf: the figure whose value it states again. For whoever writes the calculation as formulas. */
  readonly restates?: Figure;
  /**
   * The step written out so that it holds for other quantities too: all tiers and bands, the minimum that does not bite.
   * Worked out only when someone asks.
   */
  readonly live?: () => Figure;
}

/** What a review says, in plain data: money is printed, and rows add up to what stands below them. Needs O2, O4, O5, O12, O13. */
import type { Issue } from '@/engine/base';
import type { Kind } from '@/engine/books';
import type { ReadAttribute } from './extract';
import type { HeldCover } from './held';
import type { PlanAction } from './plan-model';

/**
 * Why there is no amount, or no certain one. `usage-missing`: the plan cannot know how much it is used, and the profile does
 * not say. Each is counted beside the total, and none of them is nothing.
 */
export type Doubt = 'no-rule' | 'no-price' | 'unknown' | 'secret' | 'rule-fault' | 'usage-missing';

/** A meter without an entry, and what one unit of it costs at the start of its prices. */
export interface MissingUse {
  readonly meter: string;
  readonly label: string;
  /** Without it there is no amount at all. */
  readonly needed: boolean;
  readonly unit: string;
  /** In the design's currency, a unit; null: it is not priced by the unit. */
  readonly price: string | null;
}

/** What it may cost where it is not known yet what it is. */
export interface Span {
  readonly least: string;
  readonly most: string;
}

export interface ReviewLine {
  readonly id: string;
  readonly part: string | null;
  readonly kind: Kind | null;
  readonly book: string | null;
  readonly region: string | null;
  /** The size, by its name in the book. */
  readonly size: { readonly before: string | null; readonly after: string | null };
  /** A month; null: no amount, or not there on this side. */
  readonly before: string | null;
  readonly after: string | null;
  /** It is there on both sides, and has an amount on one only: neither is in any sum. */
  readonly half: boolean;
  readonly doubts: readonly Doubt[];
  readonly issues: readonly Issue[];
  /** Attributes that are not known, or not to be read. */
  readonly attributes: readonly string[];
  readonly message: string | null;
  readonly span: Span | null;
  readonly missing: readonly MissingUse[];
}

/** `open`: it is changed, and what it costs is not known on both sides. */
export type ReviewState = 'new' | 'gone' | 'up' | 'down' | 'same' | 'open';

export interface ReviewRow {
  readonly address: string;
  readonly movedFrom: string | null;
  readonly module: string;
  readonly type: string;
  readonly action: PlanAction;
  readonly under: string | null;
  readonly state: ReviewState;
  /** Sums of its lines, without those that are known by half. */
  readonly before: string;
  readonly after: string;
  readonly difference: string;
  /** Why it costs nothing; null: it may cost something. */
  readonly free: string | null;
  readonly doubts: readonly Doubt[];
  readonly lines: readonly ReviewLine[];
  /** That a rule read and that differ, first; the others after them. */
  readonly read: readonly ReadAttribute[];
}

export interface Sums {
  readonly before: string;
  readonly after: string;
  readonly difference: string;
}

export interface GroupSum extends Sums {
  readonly key: string;
  readonly name: string;
}

export interface ReviewTotals extends Sums {
  /** What rounding every row by itself leaves: rows and this add up to the totals. */
  readonly rounding: Sums;
  /** Of lines that have an amount on one side only: in no other sum, so that nothing looks saved or spent. */
  readonly aside: Sums;
  /** Paid once at the beginning. */
  readonly upfront: Sums;
  readonly twelveMonths: Sums;
  readonly byModule: readonly GroupSum[];
  readonly byKind: readonly GroupSum[];
  readonly byProvider: readonly GroupSum[];
  readonly byRegion: readonly GroupSum[];
}

/** A commitment that is held already, on both sides. */
export interface HeldRow {
  readonly name: string;
  readonly units: string;
  /** Null: it is money. */
  readonly before: HeldCover | null;
  readonly after: HeldCover | null;
  /** A month, for what covers nothing; null: it has no price, and is in no sum. */
  readonly paid: Sums | null;
}

export interface Review {
  readonly currency: string;
  readonly form: string;
  readonly map: string;
  readonly rows: readonly ReviewRow[];
  readonly totals: ReviewTotals;
  /** How many resources are in doubt, by why. */
  readonly doubts: Readonly<Record<Doubt, number>>;
  readonly free: number;
  /** Types without a rule, with how many resources are of each. */
  readonly withoutRule: readonly { readonly type: string; readonly count: number }[];
  /** Patterns of the profile that reach nothing. */
  readonly unreached: readonly string[];
  readonly remarks: readonly string[];
  readonly held: readonly HeldRow[];
}

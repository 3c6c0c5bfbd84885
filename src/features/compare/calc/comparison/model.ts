/**
 * Alternatives side by side, in plain serialisable form: what the worker posts, the screen and the report show and the
 * command line prints. Amounts are text, rounded as they are printed, so that rows add up to groups and those to totals;
 * a difference is the difference of what is printed.
 */
import type { Issue } from '@/engine/base';
import type { Change, Design, Place } from '@/engine/design';
import type { PlainWick } from '@/engine/summary';

/** A design to compare, with what is to be said of it. */
export interface ComparedDesign {
  /** Null: the design itself, which is the baseline. */
  readonly id: string | null;
  readonly name: string;
  readonly note: string;
  readonly changes: readonly Change[];
  readonly design: Design;
  readonly outcomes: readonly ComparedOutcome[];
}

export interface ComparedOutcome {
  readonly why: Issue | null;
  readonly changed: number;
  readonly lines: readonly {
    readonly id: string;
    readonly name: string;
    readonly changed: boolean;
    readonly issues: readonly Issue[];
  }[];
}

/** How much larger an offer is than the baseline's: `2` vCPU more, `8` GiB more. Nothing where it is as large. */
export interface Larger {
  readonly vcpu?: string;
  readonly memory?: string;
}

/** What a line is there, where that is another thing than in the baseline. */
export interface Became {
  readonly offer: string;
  readonly sku: string;
  readonly place: Place | null;
  readonly larger: Larger;
}

export interface ComparedCell {
  /** Null: no amount; `issues` say why. Not there at all: `absent`. */
  readonly printed: string | null;
  readonly absent: boolean;
  readonly wick: PlainWick | null;
  /** Against the baseline; null for the baseline itself, and where one has no amount. */
  readonly change: string | null;
  /** The change as a share of the baseline's amount; null where that is nothing. */
  readonly share: string | null;
  readonly became: Became | null;
  readonly issues: readonly Issue[];
  /** What to know about the line there: what is another than asked, what it lacks. */
  readonly notes: readonly Issue[];
}

export interface ComparedRow {
  readonly id: string;
  readonly name: string;
  /** Whether the line is something else, elsewhere or at another amount in some column. */
  readonly differs: boolean;
  /** One for each column. */
  readonly cells: readonly ComparedCell[];
}

export interface ComparedGroup extends ComparedRow {
  readonly lines: readonly ComparedRow[];
}

/** A line with something to say, by its name. */
export interface Remark {
  readonly id: string;
  readonly name: string;
  readonly issue: Issue;
}

export interface ComparedColumn {
  readonly id: string | null;
  readonly name: string;
  readonly note: string;
  readonly changes: readonly Change[];
  readonly printed: string;
  readonly wick: PlainWick;
  /** Null: of the baseline, or where a line has an amount on one of the two sides only. */
  readonly change: string | null;
  readonly share: string | null;
  readonly upfront: string;
  /** Cash of the first twelve months. */
  readonly firstYear: string;
  readonly unpriced: number;
  /** Changes that do not apply any more, by their place in the list. */
  readonly refused: readonly { readonly at: number; readonly why: Issue }[];
  /** Lines that could not follow a change and stay as they were. */
  readonly stayed: readonly Remark[];
  /** Capabilities that the baseline has and this has not. */
  readonly lacks: readonly Remark[];
  /** Everything else that is another than it was: a better grade, another way of paying, another licence. */
  readonly remarks: readonly Remark[];
  /** "You pay for 3, you use 1.2." */
  readonly minimums: readonly Remark[];
  /** What is billed apart in the baseline and read by no price here, or the other way round. */
  readonly unlike: readonly (Remark & { readonly billed: 'only-before' | 'only-here' })[];
  /** Nothing is missing: it has all amounts, every line followed, no capability is lost. */
  readonly complete: boolean;
}

export type GroupBy = 'section' | 'category' | 'kind';

export interface Comparison {
  readonly currency: string;
  readonly columns: readonly ComparedColumn[];
  readonly groups: readonly ComparedGroup[];
  /** The column that costs least of those that are complete; null: none is. */
  readonly cheapest: number | null;
}

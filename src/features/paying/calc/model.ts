/** What to commit to, in plain serialisable form: worker, screen, report and command line. Amounts are exact text. */
import type { Term } from '@/engine/terms';
import type { Case } from '@/engine/usage';

export type ByCase<T> = Readonly<Record<Case, T>>;

/** One line under a usage commitment: how many units to commit. */
export interface UsageRow {
  readonly id: string;
  readonly name: string;
  readonly offer: string;
  readonly book: string;
  readonly region: string;
  readonly term: Term;
  /** What is committed as it stands; null: nothing. */
  readonly now: { readonly term: Term; readonly units: string | null } | null;
  /** What it costs as it stands, likely. */
  readonly stands: string;
  /** The calm level of this term costs less, likely, than what is there. */
  readonly isBetter: boolean;
  /** Units that run: in the hour with fewest, on average, in the hour with most. */
  readonly running: ByCase<{ readonly least: number; readonly mean: number; readonly most: number }>;
  /** The month of the line for each level that is worth looking at, by case; null: no amount. */
  readonly levels: readonly { readonly units: string; readonly amounts: ByCase<string | null> }[];
  /** Places among the levels. */
  readonly best: ByCase<number>;
  /** The level whose worst loss against the best one, over the three cases, is smallest; and that loss. */
  readonly calm: number;
  readonly regret: string;
  /** What the calm level saves against nothing committed, likely. */
  readonly saving: string;
}

/** A line that is sold as interruptible, and is not paid so. */
export interface StoppableRow {
  readonly id: string;
  readonly name: string;
  /** Somebody said that it may be stopped at any time. */
  readonly mayBeStopped: boolean;
  /** The month of the line as it stands, and interruptible, likely. */
  readonly stands: string;
  readonly interruptible: string;
}

export interface UsagePlan {
  readonly currency: string;
  readonly term: Term;
  readonly rows: readonly UsageRow[];
  /** The design's month as it stands, and with the calm level of every line, likely. */
  readonly now: string;
  readonly then: string;
  /** What could be interruptible instead, for less: lines that may be stopped first, then by what they save. */
  readonly stoppable: readonly StoppableRow[];
}

/** What a spend commitment may buy in each hour of the week, by group of lines, at committed prices. */
export interface SpendBand {
  readonly id: string;
  readonly name: string;
  /** 168 amounts of money for an hour; an average over kinds of weeks. */
  readonly hours: readonly number[];
}

export interface SpendReading {
  /** Money for each hour. */
  readonly level: string;
  /** The month of the whole design with it, by case, exact. */
  readonly amounts: ByCase<string | null>;
}

export interface SpendPlan {
  readonly currency: string;
  readonly book: string;
  readonly term: Term;
  /** The book's own commitments that are there already; they count first. */
  readonly before: readonly {
    readonly id: string;
    readonly name: string;
    readonly level: string;
    readonly until: number | null;
  }[];
  readonly bands: ByCase<readonly SpendBand[]>;
  /** The level that costs least in each case, and the one that regrets least over all three. */
  readonly best: ByCase<string>;
  readonly calm: string;
  readonly regret: string;
  /** Nothing, the best of each case, the calm one, and the one that was asked about. */
  readonly readings: readonly SpendReading[];
  /** Over the level: the month of the design, likely; to be drawn. */
  readonly curve: { readonly levels: readonly number[]; readonly amounts: ByCase<readonly number[]> };
  /** Of the level that was asked about, likely: shares of its money, and of what it may buy. */
  readonly asked: { readonly level: string; readonly used: number; readonly covered: number };
}

/** What can buy a book's use ahead. */
export interface CreditRow {
  readonly term: Term;
  /** Money a month. */
  readonly credit: string;
  /** The month of the whole design, by case, exact; null: no amount. */
  readonly amounts: ByCase<string | null>;
  /** The share of it that buys nothing, likely. */
  readonly unused: string | null;
  /** Why this amount is looked at: where a band begins, what is used, none. */
  readonly why: 'band' | 'use' | 'none';
}

export interface CreditPlan {
  readonly currency: string;
  readonly book: string;
  /** All that a credit of the book may pay, likely, at list. */
  readonly use: string;
  readonly rows: readonly CreditRow[];
  readonly best: ByCase<number>;
  readonly calm: number;
  /** Where more than is used costs less, because a band begins there: by places among the rows. */
  readonly jumps: readonly { readonly from: number; readonly to: number }[];
  /** What is paid over what is used at list, likely; to be drawn. The first line is no credit, then the marked ones. */
  readonly overUse: {
    readonly uses: readonly number[];
    readonly lines: readonly {
      /** Null: no credit. */
      readonly term: Term | null;
      readonly credit: string;
      readonly amounts: readonly number[];
    }[];
  };
}

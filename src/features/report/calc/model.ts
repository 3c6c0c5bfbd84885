/**
 * A report: everything that leaves the house about a design, in plain data. Screen, PDF, sheet, Markdown and the
 * read-only page all print this one thing. Amounts are text with the currency's printed digits; rows add up to their
 * sections and those to the total. Source: needs Q1 to Q8.
 */
import type { FlatTable } from '@/platform/tables';
import type { KeptAnswer } from '@/features/saved-questions/calc';

/** `quotation`: resale prices only, nothing that lets a margin be worked out. */
export type ReportVariant = 'full' | 'quotation';

export interface ReportOptions {
  readonly variant: ReportVariant;
  /** Quotations: ISO date up to which it holds. */
  readonly validUntil: string | null;
  /** Whether agreements and the list price beside the contracted one are in it. Never in a quotation. */
  readonly withAgreements: boolean;
  /** On paper every month of the first year by itself; quarters, if not said. */
  readonly byMonth?: boolean;
  /** What stands beside the design. Never in a quotation. */
  readonly beside?: readonly Beside[];
}

/** What may stand beside a design as a whole: its alternatives, or every place or way of paying. */
export const BESIDES = ['alternatives', 'regions', 'providers', 'paying'] as const;
export type Beside = (typeof BESIDES)[number];

export interface Labelled {
  readonly label: string;
  readonly value: string;
}

export interface ReportWick {
  readonly low: string;
  readonly likely: string;
  readonly high: string;
}

export interface ReportLine {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly category: string;
  readonly provider: string;
  readonly region: string;
  readonly offer: string;
  readonly count: string;
  readonly use: string;
  readonly paid: string;
  /** Null: not priced, and `why` says so. */
  readonly amount: string | null;
  readonly why: string | null;
  readonly wick: ReportWick | null;
  readonly list: string | null;
  readonly upfront: string | null;
  readonly once: string | null;
  /** Everything as it was entered. */
  readonly settings: readonly Labelled[];
  readonly notices: readonly string[];
}

export interface ReportSection {
  readonly id: string;
  readonly name: string;
  readonly amount: string;
  readonly wick: ReportWick;
  readonly lines: readonly ReportLine[];
}

export interface ReportMonth {
  readonly label: string;
  /** As it compares: upfront payments spread over their term. */
  readonly compares: string;
  /** What leaves the account. */
  readonly cash: string;
}

/** One price that went into an amount. */
export interface ReportRate {
  readonly book: string;
  readonly revision: number;
  readonly effective: string;
  readonly sku: string;
  readonly region: string;
  readonly label: string;
  readonly price: string;
  readonly unit: string;
}

export interface ReportWay {
  readonly paid: string;
  /** Null: not sold so. */
  readonly monthly: string | null;
  readonly upfront: string | null;
}

export interface Report {
  readonly variant: ReportVariant;
  readonly title: string;
  readonly description: string;
  readonly currency: string;
  readonly validUntil: string | null;
  readonly total: {
    readonly monthly: string;
    readonly wick: ReportWick;
    /** With contingency and tax; null where neither is stated. */
    readonly gross: string | null;
    /** Null where it is the same as the month, or not shown. */
    readonly list: string | null;
    readonly recurring: string;
    readonly upfront: string;
    readonly firstYear: string;
    readonly whole: string;
    readonly unpriced: number;
    readonly budget: string | null;
  };
  readonly sections: readonly ReportSection[];
  readonly byKind: readonly Labelled[];
  readonly byCategory: readonly Labelled[];
  readonly months: readonly ReportMonth[];
  readonly quarters: readonly ReportMonth[];
  readonly years: readonly ReportMonth[];
  readonly assumptions: readonly Labelled[];
  readonly agreements: readonly Labelled[];
  /** What is not in the total, and checks that were answered, with the reason. */
  readonly exclusions: readonly Labelled[];
  readonly books: readonly {
    readonly title: string;
    readonly revision: number;
    readonly effective: string;
    readonly currency: string;
    readonly source: string;
  }[];
  readonly rates: readonly ReportRate[];
  /** Lines that can be paid in more than one way. */
  readonly paying: readonly {
    readonly id: string;
    readonly name: string;
    readonly ways: readonly ReportWay[];
  }[];
  /** Alternatives and axes, each as a table with what has to be known of it. */
  readonly beside: readonly FlatTable[];
  /** What was kept with the design: curves, plans, simulations, answered from it as it stands. */
  readonly kept: readonly KeptAnswer[];
}

/** The forms in which a report is written down. */
export const REPORT_FORMS = ['xlsx', 'pdf', 'md', 'json'] as const;
export type ReportForm = (typeof REPORT_FORMS)[number];

/** A report that is made of flat tables: what it says first, what it comes to, and the tables. */
import type { FlatTable } from './flat-table';

/** Amounts as printed, in the fleet's currency. */
export interface TableReportTotal {
  readonly placement: string;
  readonly where: string;
  readonly machines: number;
  readonly monthly: string;
  readonly year: string;
  readonly low: string;
  readonly high: string;
  /** Machines without a place and lines without an amount: then it is not all of it. */
  readonly missing: number;
}

export interface TableReport {
  readonly title: string;
  readonly currency: string;
  /** What its amounts are; absent: of a month. */
  readonly amounts?: string;
  readonly lead: readonly string[];
  /** Under the placement that costs least of those that miss least; null: there are no machines. */
  readonly total: TableReportTotal | null;
  readonly tables: readonly FlatTable[];
}

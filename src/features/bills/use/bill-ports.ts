/** Stores of bills: what is charged, by things and days, and the design that it is held against. */
import type { BillHead, BillThing, SeenDay } from '@/features/bills/calc';
import type { BillRead, BillSink, Conformance } from '@/features/bills/format/focus';

/** A bill against its design as a file. */
export const BILL_FORMS = ['md', 'csv', 'json', 'xlsx', 'pdf'] as const;
export type BillForm = (typeof BILL_FORMS)[number];

/** What an import made of a bill that was there before. */
export interface BillChange {
  readonly rows: number;
  readonly billed: string;
  /** Days whose sum is another now, the largest difference first; at most a few. */
  readonly days: readonly { readonly day: string; readonly before: string; readonly after: string }[];
}

/** How a closed period was left. */
export interface BillClosing {
  readonly at: string;
  readonly by: string;
  readonly note: string;
}

export interface BillListing extends BillHead {
  readonly id: string;
  /** Goes up with every import. */
  readonly revision: number;
  readonly rows: number;
  readonly things: number;
  /** Newest day of use. */
  readonly newest: string | null;
  readonly billed: string;
  readonly effective: string;
  readonly fileName: string;
  readonly importedAt: string;
  /** What the newest import changed; null: it was the first. */
  readonly changed: BillChange | null;
  readonly closing: BillClosing | null;
}

export interface StoredBill extends BillListing {
  readonly conformance: Conformance;
  /** What explains a difference, by the line's key. */
  readonly notes: Readonly<Record<string, string>>;
}

export interface ImportedBill extends BillHead {
  readonly id: string;
  readonly revision: number;
  readonly rows: number;
  readonly billed: string;
  readonly changed: BillChange | null;
}

/** Things that are summed by day together, each with the share of it that counts. */
export interface DayGroup {
  readonly things: readonly { readonly at: number; readonly share: string }[];
}

/** What is summed by day. */
export type DayMeasure = 'billed' | 'effective' | 'quantity';

export interface GroupDay {
  /** Place of the group. */
  readonly group: number;
  readonly day: string;
  /** By the shares that were asked; null: nothing of it has a quantity. */
  readonly amount: string | null;
}

/** What a day of a bill came to. */
export interface BillDay {
  readonly bill: string;
  readonly day: string;
  /** What is bought, put right, taxed or credited on it, not what is used. */
  readonly isFee: boolean;
  readonly billed: string;
  readonly effective: string;
}

/** What a service came to in a bill. */
export interface ServiceSum {
  readonly bill: string;
  readonly service: string;
  readonly billed: string;
  readonly effective: string;
}

export interface BillRowShown {
  readonly thing: number;
  readonly line: number;
  readonly day: string;
  readonly list: string;
  readonly contracted: string;
  readonly billed: string;
  readonly effective: string;
  readonly quantity: string | null;
}

export interface BillStore {
  /** Newest period first. */
  list(workspace: string): Promise<BillListing[]>;
  find(workspace: string, id: string): Promise<StoredBill | null>;
  things(workspace: string, id: string): Promise<BillThing[]>;
  /** By group and day; days of every group in their order. */
  days(workspace: string, id: string, groups: readonly DayGroup[], measure: DayMeasure): Promise<GroupDay[]>;
  /** Of whole bills, by day; of those that are not of the workspace, nothing. */
  wholeDays(workspace: string, ids: readonly string[]): Promise<BillDay[]>;
  /** By bill and service; of those that are not of the workspace, nothing. */
  services(workspace: string, ids: readonly string[]): Promise<ServiceSum[]>;
  /** What each file of it had of each day of use. */
  seen(workspace: string, id: string): Promise<SeenDay[]>;
  /** In the order of the file. */
  rows(
    workspace: string,
    id: string,
    of: { readonly things: readonly number[]; readonly after: number; readonly limit: number },
  ): Promise<BillRowShown[]>;
  /**
   * What `work` gives to the sink becomes the bills of its file, whole or not at all; a bill of the same provider, account,
   * period and currency is replaced. Refused with `conflict`: it is closed, or its period overlaps another one.
   */
  take(
    workspace: string,
    file: { readonly name: string; readonly at: Date; readonly newId: () => string },
    work: (sink: BillSink) => Promise<BillRead>,
  ): Promise<ImportedBill[]>;
  remove(workspace: string, id: string): Promise<boolean>;
  /** Null opens it again. False: there is no such bill. */
  close(workspace: string, id: string, closing: BillClosing | null): Promise<boolean>;
  /** An empty text takes the note away. False: there is no such bill, or it is closed. */
  note(workspace: string, id: string, line: string, text: string): Promise<boolean>;
  designOf(workspace: string, bill: Pick<BillHead, 'provider' | 'account'>): Promise<string | null>;
  /** Null takes it away. */
  linkDesign(
    workspace: string,
    bill: Pick<BillHead, 'provider' | 'account'>,
    design: string | null,
  ): Promise<void>;
}

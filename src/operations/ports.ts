/** What the operations need from the outside: two stores, a clock, new ids. Each has an in-memory twin for tests. */
import type { Kind } from '@/core/books';
import type { Design, Edit } from '@/core/design';
import type { OfferRow, PriceBookFile, RateRow } from '@/formats';
import type { Actor } from './actor';

export interface RevisionListing {
  readonly number: number;
  readonly effective: string;
  readonly source: string;
  readonly regions: number;
  readonly offers: number;
  readonly rates: number;
  readonly publishedAt: string;
}

export interface BookListing {
  readonly key: string;
  readonly title: string;
  readonly provider: string;
  readonly currency: string;
  /** Newest first; at least one. */
  readonly revisions: readonly RevisionListing[];
}

/** A published revision without its rates: what pickers need to know about places and offers. */
export interface BookCatalogue {
  readonly book: PriceBookFile['book'];
  readonly revision: PriceBookFile['revision'];
  readonly regions: PriceBookFile['regions'];
  readonly offers: readonly OfferRow[];
  readonly availability: Readonly<Record<string, readonly string[]>>;
}

export interface FoundOffer {
  readonly book: string;
  readonly bookTitle: string;
  readonly sku: string;
  readonly name: string;
  readonly kind: Kind;
}

export interface BookStore {
  list(workspace: string): Promise<BookListing[]>;
  /** Publishes whole or not at all; false if the revision exists already. */
  publish(workspace: string, file: PriceBookFile, at: Date): Promise<boolean>;
  catalogue(workspace: string, book: string, revision: number): Promise<BookCatalogue | null>;
  /** Offers of the newest revisions whose name, SKU or family holds every word; at most `limit`. */
  findOffers(workspace: string, words: readonly string[], limit: number): Promise<FoundOffer[]>;
  /** Rates of one region; null if there is no such revision. */
  rates(
    workspace: string,
    book: string,
    revision: number,
    region: string,
  ): Promise<readonly RateRow[] | null>;
}

export interface Totals {
  /** Printed likely amount for a month. */
  readonly monthly: string;
  readonly low: string;
  readonly high: string;
  readonly unpriced: number;
}

export interface StoredDesign {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly updatedAt: string;
}

export interface DesignListing {
  readonly id: string;
  readonly title: string;
  readonly description: string;
  readonly currency: string;
  readonly revision: number;
  readonly components: number;
  readonly updatedAt: string;
  /** Null until priced, or if the totals are of an earlier revision. */
  readonly totals: Totals | null;
}

export interface LoggedBatch {
  readonly batch: string;
  readonly revision: number;
  readonly edits: readonly Edit[];
  readonly user: string;
  readonly at: string;
}

export interface DesignChange {
  readonly design: Design;
  readonly batch: string;
  readonly edits: readonly Edit[];
  readonly user: string;
  readonly at: Date;
}

/** What the work inside `change` sees: the design as it is, and what was saved since a revision. */
export interface LockedDesign {
  readonly current: StoredDesign;
  batch(batch: string): Promise<LoggedBatch | null>;
  since(revision: number): Promise<readonly LoggedBatch[]>;
}

export interface DesignStore {
  list(workspace: string): Promise<DesignListing[]>;
  find(workspace: string, id: string): Promise<StoredDesign | null>;
  create(workspace: string, id: string, design: Design, at: Date): Promise<void>;
  /** Runs `work` with the design locked; what it returns as `write` is the next revision. Null: no such design. */
  change<T>(
    workspace: string,
    id: string,
    work: (locked: LockedDesign) => Promise<{ readonly write: DesignChange | null; readonly result: T }>,
  ): Promise<T | null>;
  /** Keeps totals only if the design is still at `revision`. */
  saveTotals(workspace: string, id: string, revision: number, totals: Totals): Promise<void>;
  /** False: no such design. Deleted designs can be restored. */
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
}

export interface Context {
  readonly actor: Actor;
  readonly books: BookStore;
  readonly designs: DesignStore;
  now(): Date;
  newId(): string;
}

/** The stores of price books, of their imports, and of exchange-rate tables. */
import type { Kind } from '@/engine/books';
import type { Fault } from '@/platform/formats/faults';
import type { OfferRow, RateRow } from '@/features/price-books/format/price-book-schema';
import type { BookWithoutRates, RatesWanted } from '@/features/price-books/format/loaded-book';
import type { BookSink } from '@/features/price-books/format/stream';
import type { ImportedBill } from '@/features/bills/use/bill-ports';

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
export type BookCatalogue = BookWithoutRates;

/** What to look for among the offers of the newest revisions. Everything given must hold. */
export interface OfferQuery {
  /** Each must stand in the name, SKU, family, service, kind or provider. */
  readonly words: readonly string[];
  readonly kind?: Kind;
  readonly book?: string;
  readonly region?: string;
  readonly family?: string;
  /** At least. */
  readonly vcpu?: string;
  readonly memory?: string;
  readonly gpu?: string;
  readonly capability?: string;
  /** Of one lot, in the book's own currency. */
  readonly priceFrom?: string;
  readonly priceTo?: string;
  /** What one of each currency is worth in one of them, to sort by; a currency that is missing counts as it stands. */
  readonly worth?: Readonly<Record<string, string>>;
  /** At most so many of each kind, the kinds in their order: for looking around. */
  readonly perKind?: number;
  readonly limit: number;
}

export interface FoundOffer {
  readonly book: string;
  readonly bookTitle: string;
  readonly revision: number;
  readonly currency: string;
  readonly sku: string;
  readonly name: string;
  readonly kind: Kind;
  readonly family: string;
  readonly vcpu: string | null;
  readonly memory: string | null;
  readonly lifecycle: OfferRow['lifecycle'];
  readonly regions: readonly string[];
  /** Of one lot: in the region asked for, else where it is cheapest. Null: the structure has no such price. */
  readonly price: string | null;
  /** Where that is. */
  readonly region: string;
  readonly regionName: string;
}

/** Which rates of a region a design needs. */
export type RateQuery = RatesWanted;

/** One rate that differs between two revisions; null: it is not there. */
export interface RateDifference {
  readonly before: RateRow | null;
  readonly after: RateRow | null;
}

export interface RevisionDifference {
  readonly offersAdded: readonly OfferRow[];
  readonly offersGone: readonly OfferRow[];
  /** Offers whose description changed: retired, renamed, replaced. */
  readonly offersChanged: readonly { readonly before: OfferRow; readonly after: OfferRow }[];
  readonly ratesAdded: number;
  readonly ratesGone: number;
  readonly ratesChanged: number;
  /** The first of them, by SKU, region, meter and term. */
  readonly rates: readonly RateDifference[];
}

export interface BookStore {
  list(workspace: string): Promise<BookListing[]>;
  /**
   * Publishes what `work` gives to the sink, whole or not at all: if `work` throws, nothing stays. The sink's `head`
   * refuses a revision that exists already with `conflict`.
   */
  publish(workspace: string, at: Date, work: (sink: BookSink) => Promise<void>): Promise<void>;
  catalogue(workspace: string, book: string, revision: number): Promise<BookCatalogue | null>;
  /** Offers of the newest revisions, cheapest lot first by what it is worth, then by book and SKU. */
  search(workspace: string, query: OfferQuery): Promise<FoundOffer[]>;
  /** Null: there is no such revision. */
  rates(
    workspace: string,
    book: string,
    revision: number,
    wanted: readonly RateQuery[],
  ): Promise<readonly RateRow[] | null>;
  /** Every rate of one offer, all regions; null: there is no such revision. */
  ratesOf(workspace: string, book: string, revision: number, sku: string): Promise<readonly RateRow[] | null>;
  /** All rates in batches, by SKU, region, meter and term; null: there is no such revision. */
  allRates(
    workspace: string,
    book: string,
    revision: number,
  ): Promise<AsyncIterable<readonly RateRow[]> | null>;
  /** Null: one of the revisions is not there. At most `limit` rates are listed. */
  difference(
    workspace: string,
    book: string,
    before: number,
    after: number,
    limit: number,
  ): Promise<RevisionDifference | null>;
}

export type ImportState = 'running' | 'done' | 'refused' | 'cancelled';

export interface ImportOutcome {
  readonly book?: { readonly key: string; readonly title: string; readonly revision: number };
  readonly bills?: readonly ImportedBill[];
  readonly message?: string;
  readonly faults?: readonly Fault[];
  readonly more?: number;
}

export interface ImportRow {
  readonly id: string;
  readonly fileName: string;
  readonly state: ImportState;
  readonly bytes: number;
  readonly bytesTotal: number | null;
  readonly rates: number;
  readonly outcome: ImportOutcome | null;
  readonly startedAt: string;
  /** When the importing process last said that it lives. */
  readonly seenAt: string;
}

/** Imports under way and done, kept where every process of the application sees them. */
export interface ImportStore {
  begin(
    workspace: string,
    row: { readonly id: string; readonly fileName: string; readonly bytesTotal: number | null },
    at: Date,
  ): Promise<void>;
  /** Notes how far it is; true: someone asked to cancel. */
  progress(id: string, bytes: number, rates: number, at: Date): Promise<boolean>;
  end(id: string, state: ImportState, outcome: ImportOutcome, at: Date): Promise<void>;
  find(workspace: string, id: string): Promise<ImportRow | null>;
  /** False: there is none running under this id. */
  cancel(workspace: string, id: string): Promise<boolean>;
}

export interface ExchangeRow {
  readonly from: string;
  readonly to: string;
  readonly rate: string;
  readonly date: string;
}

export interface ExchangeStore {
  /** Newest date first. */
  list(workspace: string): Promise<ExchangeRow[]>;
  /** Puts the rows in place of those of the same date and pair; all or none. */
  put(workspace: string, rows: readonly ExchangeRow[]): Promise<void>;
}

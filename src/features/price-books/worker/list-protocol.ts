/** The contract between the page and its worker for price lists: they are read here, in the browser. */
import type { Fault } from '@/platform/formats/faults';
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import type { HeadingsOfSheet } from '@/features/price-books/format/price-list/draft-map';

export type ListQuestion =
  | { readonly ask: 'headings'; readonly file: File }
  | { readonly ask: 'read'; readonly file: File; readonly map: string };

export interface ListRead {
  /** Null: refused. */
  readonly book: {
    readonly key: string;
    readonly title: string;
    readonly revision: number;
    readonly currency: string;
  } | null;
  readonly rows: number;
  readonly skipped: number;
  readonly offers: number;
  readonly rates: number;
  /** The first of them, to look at. */
  readonly sample: readonly RateRow[];
  /** The map itself is wrong, not the list. */
  readonly isOfMap: boolean;
  readonly faults: readonly Fault[];
  readonly more: number;
  /** As a price-book file, ready to be brought in. */
  readonly file: Blob | null;
}

export interface ListAnswers {
  headings: readonly HeadingsOfSheet[];
  read: ListRead;
}

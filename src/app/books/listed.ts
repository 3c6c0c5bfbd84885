/** What the list of price books shows. */
export interface ListedRevision {
  readonly number: number;
  readonly effective: string;
  readonly source: string;
  readonly regions: number;
  readonly offers: number;
  readonly rates: number;
  readonly publishedAt: string;
}

export interface ListedBook {
  readonly key: string;
  readonly title: string;
  readonly provider: string;
  readonly currency: string;
  readonly revisions: readonly ListedRevision[];
}

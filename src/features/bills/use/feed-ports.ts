/** What the application needs of a billing feed: files that come day by day. A stand-in ships. */

export interface FeedState {
  /** The day whose rows came last; null: none yet. */
  readonly day: string | null;
  readonly first: string;
  readonly last: string;
  readonly account: string;
}

export interface FeedFile {
  readonly name: string;
  readonly text: AsyncIterable<string> | Iterable<string>;
}

export interface BillingFeed {
  state(workspace: string): Promise<FeedState>;
  /** What comes on the day after; null: there is no more. Until `arrived` it comes again. */
  next(workspace: string): Promise<{ readonly day: string; readonly files: readonly FeedFile[] } | null>;
  arrived(workspace: string, day: string): Promise<void>;
}

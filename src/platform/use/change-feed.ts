/** What processes of one installation tell each other about designs. The consumer's port; `memoryFeeds` is its twin. */

export type FeedEvent =
  /** A save is committed. */
  | { readonly what: 'saved'; readonly design: string; readonly revision: number }
  /** So many windows of a process have the design open; none: it is forgotten. */
  | { readonly what: 'present'; readonly design: string; readonly process: string; readonly count: number }
  /** Somebody new wants to know who has it open. */
  | { readonly what: 'who'; readonly design: string };

export interface ChangeHearer {
  heard(change: FeedEvent): void;
  /** Something may have been missed: the connection is back. */
  back(): void;
}

export interface ChangeFeed {
  /** To all processes, this one included. What cannot be told is lost; nothing depends on it. */
  tell(change: FeedEvent): void;
  /** Returns what ends it. */
  listen(hearer: ChangeHearer): () => void;
  /** The newest revisions of designs: what a broken connection may have missed. */
  newest(designs: readonly string[]): Promise<ReadonlyMap<string, number>>;
}

/** For tests, and for what needs no other process: feeds that hear each other. */
export function memoryFeeds(): () => ChangeFeed {
  const hearers = new Set<ChangeHearer>();
  return () => ({
    tell: (change) => hearers.forEach((each) => each.heard(change)),
    listen: (hearer) => {
      hearers.add(hearer);
      return () => void hearers.delete(hearer);
    },
    newest: () => Promise.resolve(new Map()),
  });
}

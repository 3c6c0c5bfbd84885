/** What the operations need from the outside: stores, a clock, new ids. Each has an in-memory twin for tests. */
import type { Design, Edit } from '@/engine/design';
import type { DesignSummary } from '@/engine/summary';
import type { Actor } from '@/platform/use/actor';
import type { BookStore, ExchangeStore, ImportStore } from '@/features/price-books/use/book-ports';
import type { BillStore } from '@/features/bills/use/bill-ports';
import type { BillingFeed } from '@/features/bills/use/feed-ports';
import type { FleetStore } from '@/features/fleet/use/fleet-ports';
import type { JobQueue, JobStore } from '@/platform/use/job-ports';
import type { CodeForge, RunCommand, StandInStore } from '@/features/review/use/forge-ports';
import type { LibraryStore } from '@/features/design/use/library-ports';
import type { DesignLink, LinkStore, StudyLink } from '@/features/report/use/link-ports';
import type {
  RepositoryLinkStore,
  ReviewStore,
  ReviewSummary,
  TeamFileStore,
  TokenStore,
} from '@/features/review/use/review-ports';
import type { StudyStore } from '@/features/own-or-rent/use/study-ports';
import type { Mailer, WatchStore, WebCall } from '@/features/alerts/use/watch-ports';

export type * from '@/features/bills/use/bill-ports';
export type * from '@/features/price-books/use/book-ports';
export type * from '@/features/bills/use/feed-ports';
export type * from '@/features/fleet/use/fleet-ports';
export type * from '@/features/review/use/forge-ports';
export type * from '@/platform/use/job-ports';
export type * from '@/features/design/use/library-ports';
export type * from '@/features/report/use/link-ports';
export type * from '@/features/review/use/review-ports';
export type * from '@/features/own-or-rent/use/study-ports';
export type * from '@/features/alerts/use/watch-ports';

export interface Totals {
  /** Printed likely amount for a month. */
  readonly monthly: string;
  readonly low: string;
  readonly high: string;
  readonly unpriced: number;
}

/** What each line comes to, as printed, by its id; null: not priced. */
export type LineAmounts = Readonly<Record<string, string | null>>;

export interface StoredTotals extends Totals {
  readonly lines: LineAmounts;
}

/** What the calculation before came to. */
export interface AmountsBefore {
  readonly monthly: string;
  /** Null: kept by a version that kept the total only. */
  readonly lines: LineAmounts | null;
}

export interface StoredDesign {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly updatedAt: string;
  /** Its kept totals are of an older calculation. */
  readonly isOfOldCalculation?: boolean;
  /** By the calculation before, where the month was another and nobody has edited since. */
  readonly before?: AmountsBefore | null;
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
  /** Null for revisions from before it was kept. */
  readonly inverse: readonly Edit[] | null;
  readonly user: string;
  readonly at: string;
}

export interface DesignChange {
  readonly design: Design;
  readonly batch: string;
  readonly edits: readonly Edit[];
  /** What takes the edits back. */
  readonly inverse: readonly Edit[];
  readonly user: string;
  readonly at: Date;
}

/** A design as it is, and what was saved since a revision: inside `change` nobody else moves it meanwhile. */
export interface LockedDesign {
  readonly current: StoredDesign;
  batch(batch: string): Promise<LoggedBatch | null>;
  since(revision: number): Promise<readonly LoggedBatch[]>;
  /** How much `since` would read, before it is read. */
  weightSince(revision: number): Promise<{ readonly batches: number; readonly bytes: number }>;
  /** The names alone of what was saved since, the newest first. */
  namesSince(revision: number, limit: number): Promise<readonly string[]>;
  /** Newest first; `before` a revision, or from the newest on. Batches larger than `bytes` come without their edits. */
  latest(before: number | null, limit: number, bytes: number): Promise<readonly HistoryRow[]>;
}

export interface HistoryRow {
  readonly revision: number;
  readonly user: string;
  readonly at: string;
  /** Null: too large to be listed. */
  readonly edits: readonly Edit[] | null;
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
  /** One state of the design and its history, without keeping anybody from saving. Null: no such design. */
  read<T>(workspace: string, id: string, work: (seen: LockedDesign) => Promise<T>): Promise<T | null>;
  /** Keeps totals only if the design is still at `revision`. */
  saveTotals(workspace: string, id: string, revision: number, totals: StoredTotals): Promise<void>;
  /** False: no such design. Deleted designs can be restored. */
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
}

export interface Stores {
  readonly books: BookStore;
  readonly designs: DesignStore;
  readonly imports: ImportStore;
  readonly exchange: ExchangeStore;
  readonly links: LinkStore<DesignLink>;
  readonly studyLinks: LinkStore<StudyLink>;
  readonly kept: LibraryStore;
  readonly jobs: JobStore;
  readonly fleets: FleetStore;
  readonly studies: StudyStore;
  readonly reviews: ReviewStore;
  readonly tokens: TokenStore;
  readonly teamFiles: TeamFileStore;
  readonly repositoryLinks: RepositoryLinkStore;
  readonly standIn: StandInStore;
  readonly bills: BillStore;
  readonly watches: WatchStore;
}

export interface Context extends Stores {
  readonly actor: Actor;
  now(): Date;
  newId(): string;
  /** Who works jobs off; absent: nobody does. */
  readonly queue?: JobQueue;
  /** Works a change review out somewhere else; absent: here. */
  readonly sumUp?: (workspace: string, review: string) => Promise<ReviewSummary | null>;
  readonly forge?: CodeForge;
  readonly feed?: BillingFeed;
  readonly mailer?: Mailer;
  readonly webCall?: WebCall;
  /** Hosts beyond loopback that may be called, with their port where it is not the usual one. */
  readonly mayBeCalled?: readonly string[];
  readonly runCommand?: RunCommand;
  /** Resource maps that ship, by name. */
  readonly shippedMaps?: Readonly<Record<string, string>>;
  /** Prices a design somewhere else than in the thread that answers requests; absent: here. */
  readonly price?: (workspace: string, design: Design, urgency: Urgency) => Promise<DesignSummary>;
}

/** `later`: nobody waits for it. */
export type Urgency = 'soon' | 'later';

/** Stores of change reviews: what is kept of each change, tokens of pipelines, the team's limits and maps, the link to a design. */
import type { BookPin, Design } from '@/engine/design';
import type { LimitsAnswer, LineMatches } from '@/features/review/calc';
import type { SentReview } from '@/features/review/format/review/sent-review';

/** A review as a file, for those who do not come here. */
export const REVIEW_FORMS = ['md', 'json', 'csv', 'junit', 'sarif'] as const;
export type ReviewForm = (typeof REVIEW_FORMS)[number];

/** What lists show of a review; as it was when it was last worked out. */
export interface ReviewSummary {
  readonly currency: string;
  readonly before: string;
  readonly after: string;
  readonly difference: string;
  readonly upfront: string;
  readonly limits: LimitsAnswer['state'];
  /** Broken limits, by what they are called. */
  readonly broken: readonly string[];
  readonly resources: number;
  readonly changed: number;
  readonly doubts: number;
}

/** What both sides are priced with: fixed when it came in, so that it says the same tomorrow. */
export interface ReviewPins {
  readonly currency: string;
  readonly books: readonly BookPin[];
  readonly exchange: Design['assumptions']['exchange'];
}

export interface ReviewListing extends Omit<SentReview, 'extract' | 'load' | 'limits'> {
  readonly id: string;
  readonly createdAt: string;
  readonly mergedAt: string | null;
  /** Of how many commits of this change there is a review. */
  readonly commits: number;
  /** Null: it is being worked out. */
  readonly summary: ReviewSummary | null;
}

export interface StoredReview extends SentReview {
  readonly id: string;
  /** Goes up with every change of its load profile. */
  readonly revision: number;
  readonly pins: ReviewPins;
  readonly createdAt: string;
  readonly mergedAt: string | null;
  readonly summary: ReviewSummary | null;
}

export interface ReviewStore {
  /** Of every change its newest commit, the newest first. */
  list(workspace: string): Promise<ReviewListing[]>;
  find(workspace: string, id: string): Promise<StoredReview | null>;
  /** One review for repository, change and commit: sent again, it takes the place of the first under the same id. */
  put(
    workspace: string,
    id: string,
    review: SentReview & { readonly pins: ReviewPins },
    at: Date,
  ): Promise<{ readonly id: string; readonly isNew: boolean }>;
  /** Kept only while the review is at `revision`. */
  saveSummary(workspace: string, id: string, revision: number, summary: ReviewSummary): Promise<void>;
  /** The new revision; `stale`: somebody else changed it; null: no such review. */
  saveLoad(
    workspace: string,
    id: string,
    baseRevision: number,
    load: string | null,
  ): Promise<number | 'stale' | null>;
  /** All commits of a change, the newest first. */
  commits(workspace: string, repository: string, change: string): Promise<ReviewListing[]>;
  /** What was merged, in order. */
  merged(workspace: string, repository: string): Promise<ReviewListing[]>;
  /** What lists show of open changes is worked out anew: the team's limits are others. */
  outdate(workspace: string): Promise<void>;
  remove(workspace: string, id: string, at: Date): Promise<boolean>;
  restore(workspace: string, id: string): Promise<boolean>;
}

export interface PipelineToken {
  readonly id: string;
  readonly workspace: string;
  readonly name: string;
  readonly tokenHash: string;
  readonly createdBy: string;
  readonly createdAt: string;
  readonly lastUsedAt: string | null;
  readonly withdrawnAt: string | null;
}

export interface TokenStore {
  create(token: PipelineToken): Promise<void>;
  list(workspace: string): Promise<PipelineToken[]>;
  withdraw(workspace: string, id: string, at: Date): Promise<boolean>;
  byHash(hash: string): Promise<PipelineToken | null>;
  used(id: string, at: Date): Promise<void>;
  forget(workspace: string, id: string): Promise<void>;
}

/** A text of the team that has revisions: its limits, one of its resource maps. */
export interface TeamFile {
  readonly name: string;
  readonly revision: number;
  readonly text: string;
  readonly at: string;
}

/** `limits`: one file for all reviews. `map`: as many as the team has, by name. `bill-rules`: for a design, by its id. */
export const TEAM_FILE_KINDS = ['limits', 'map', 'bill-rules', 'price-list'] as const;
export type TeamFileKind = (typeof TEAM_FILE_KINDS)[number];

export interface TeamFileStore {
  /** The newest revision of each. */
  list(workspace: string, kind: TeamFileKind): Promise<TeamFile[]>;
  /** All revisions, the newest first. */
  history(workspace: string, kind: TeamFileKind, name: string): Promise<TeamFile[]>;
  /** `stale`: somebody else saved meanwhile. A first one is based on 0. */
  save(
    workspace: string,
    kind: TeamFileKind,
    file: { readonly name: string; readonly baseRevision: number; readonly text: string },
    at: Date,
  ): Promise<number | 'stale'>;
}

/** Which design the changes of a repository move, and which of its lines is which resource. */
export interface RepositoryLink {
  readonly repository: string;
  readonly design: string;
  readonly matches: LineMatches;
}

export interface RepositoryLinkStore {
  find(workspace: string, repository: string): Promise<RepositoryLink | null>;
  /** Null takes it away. */
  put(workspace: string, repository: string, link: Omit<RepositoryLink, 'repository'> | null): Promise<void>;
}

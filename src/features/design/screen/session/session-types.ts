/** What a design session is told, keeps and shows. */
import type { Design, Edit } from '@/engine/design';

export interface Batch {
  readonly batch: string;
  readonly edits: readonly Edit[];
}

/** A batch that is not saved yet. */
export interface PendingBatch extends Batch {
  /** The revision that it was made on. */
  readonly from: number;
  /** The window it was made in: what another window made meanwhile was not seen there. */
  readonly tab: string;
}

export interface RemoteBatch extends Batch {
  readonly revision: number;
  readonly user: string;
}

/** What others saved: batch by batch, or, where that would be too much, the design as it is now. */
export interface Since {
  readonly revision: number;
  readonly batches: readonly RemoteBatch[];
  readonly whole?: { readonly design: Design; readonly saved: readonly string[] };
}

export type SendResult =
  | { readonly result: 'saved'; readonly revision: number; readonly savedAt: string }
  | ({ readonly result: 'stale' } & Since)
  | { readonly result: 'refused'; readonly message: string }
  /** The server answered, and could not do it: tried again a few times, then refused. */
  | { readonly result: 'failed'; readonly message: string }
  /** Not now; with a message where somebody answered and said why. */
  | { readonly result: 'unreachable'; readonly message?: string };

export interface Outside {
  send(body: { readonly baseRevision: number } & Batch): Promise<SendResult>;
  /** Pending edits outlive the page. False: they do not, because the browser keeps nothing. */
  keep(pending: readonly PendingBatch[]): boolean;
  newId(): string;
  /** Calls back later; used to try again after a lost connection. */
  later(milliseconds: number, action: () => void): void;
}

export interface Conflict {
  readonly id: string;
  readonly mine: Edit;
  /** Null: what it was about is gone. */
  readonly theirs: Edit | null;
}

export interface SessionState {
  readonly design: Design;
  /** Grows with every change of `design`. */
  readonly version: number;
  readonly revision: number;
  readonly saving: 'saved' | 'saving' | 'unreachable' | 'refused';
  readonly savedAt: string;
  readonly message: string | null;
  /** Whether what is not saved yet would outlive the page. */
  readonly keeps: boolean;
  readonly conflicts: readonly Conflict[];
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** What a design session is told, keeps and shows. */
import type { Design, Edit } from '@/core/design';

export interface Batch {
  readonly batch: string;
  readonly edits: readonly Edit[];
}

export interface RemoteBatch extends Batch {
  readonly revision: number;
  readonly user: string;
}

export type SendResult =
  | { readonly result: 'saved'; readonly revision: number; readonly savedAt: string }
  | { readonly result: 'stale'; readonly revision: number; readonly batches: readonly RemoteBatch[] }
  | { readonly result: 'refused'; readonly message: string }
  | { readonly result: 'unreachable' };

export interface Outside {
  send(body: { readonly baseRevision: number } & Batch): Promise<SendResult>;
  /** Pending edits outlive the page; null forgets them. */
  keep(kept: Kept | null): void;
  newId(): string;
  /** Calls back later; used to try again after a lost connection. */
  later(milliseconds: number, action: () => void): void;
}

export interface Kept {
  readonly baseRevision: number;
  readonly pending: readonly Batch[];
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
  readonly conflicts: readonly Conflict[];
  readonly canUndo: boolean;
  readonly canRedo: boolean;
}

/** What links need from a store. */
import type { Design } from '@/core/design';
import type { ReportOptions } from '@/core/report';

/** A report of one design for whoever has the token; nothing else of the workspace. */
export interface DesignLink {
  readonly id: string;
  readonly workspace: string;
  readonly design: string;
  /** SHA-256 of the address's key, as hex. The key itself is told once, to who made the link, and kept nowhere. */
  readonly tokenHash: string;
  readonly options: ReportOptions;
  /** The design as it was when the link was made; null: the link follows the design. */
  readonly pinned: { readonly design: Design; readonly revision: number } | null;
  readonly createdBy: string;
  readonly createdAt: string;
  readonly expiresAt: string | null;
  readonly withdrawnAt: string | null;
}

export interface LinkStore {
  create(link: DesignLink): Promise<void>;
  /** Of one design, newest first, withdrawn ones too. */
  list(workspace: string, design: string): Promise<DesignLink[]>;
  /** False: no such link, or withdrawn before. */
  withdraw(workspace: string, id: string, at: Date): Promise<boolean>;
  /** The only look-up without a workspace: the key is what entitles. */
  byTokenHash(tokenHash: string): Promise<DesignLink | null>;
}

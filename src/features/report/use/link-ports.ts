/** What links need from a store. */
import type { Design } from '@/engine/design';
import type { Study } from '@/features/own-or-rent/calc';
import type { ReportOptions } from '@/features/report/calc';

/** A report of one thing for whoever has the token; nothing else of the workspace. */
export interface LinkTerms {
  readonly id: string;
  readonly workspace: string;
  /** SHA-256 of the address's key, as hex. The key itself is told once, to who made the link, and kept nowhere. */
  readonly tokenHash: string;
  readonly createdBy: string;
  readonly createdAt: string;
  readonly expiresAt: string | null;
  readonly withdrawnAt: string | null;
}

export interface DesignLink extends LinkTerms {
  readonly design: string;
  readonly options: ReportOptions;
  /** The design as it was when the link was made; null: the link follows the design. */
  readonly pinned: { readonly design: Design; readonly revision: number } | null;
}

export interface StudyLink extends LinkTerms {
  readonly study: string;
  /** The study as it was when the link was made; null: the link follows the study. */
  readonly pinned: { readonly study: Study; readonly revision: number } | null;
}

export interface LinkStore<L extends LinkTerms> {
  create(link: L): Promise<void>;
  /** Of one design or study, newest first, withdrawn ones too. */
  list(workspace: string, of: string): Promise<L[]>;
  /** False: no such link, or withdrawn before. */
  withdraw(workspace: string, id: string, at: Date): Promise<boolean>;
  /** The only look-up without a workspace: the key is what entitles. */
  byTokenHash(tokenHash: string): Promise<L | null>;
}

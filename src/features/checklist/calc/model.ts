/**
 * The checklist: rules over a design that name what is easily forgotten or quietly dear. A rule is data with a reason;
 * what it finds carries a remedy that one press applies, or says why there is none. Source: issue "Checklist"; needs
 * B13, B16, B19, C6, E8.
 */
import type { Component, Design, Edit } from '@/engine/design';
import type { BookSet, DesignPlan, PricedDesign, PricedLine } from '@/engine/pricing';
import type { PriceBook } from '@/engine/books';
import type { Case } from '@/engine/usage';

/** Edits of one press: what one save may hold, with room for others. */
export const MOST_AT_ONCE = 400;

export interface Remedy {
  /** What pressing it does: "Add backup of 240 GB". */
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What a rule found at one place. */
export interface Found {
  /** Id of a component or section; empty: the design as a whole. */
  readonly subject: string;
  readonly says: string;
  readonly remedy: Remedy | null;
}

export interface Finding extends Found {
  readonly check: string;
  readonly title: string;
  readonly reason: string;
  /** Why it is not wanted, where somebody said so. */
  readonly answered: string | null;
}

export interface Check {
  /** Stands in files: never changed, never used again for another rule. */
  readonly check: string;
  readonly title: string;
  /** Why it matters, in one sentence. */
  readonly reason: string;
  readonly find: (context: CheckContext) => readonly Found[];
}

export interface CheckLine {
  readonly component: Component;
  readonly section: string;
  readonly line: PricedLine;
}

export interface CheckContext {
  readonly plan: DesignPlan;
  readonly design: Design;
  readonly books: BookSet;
  readonly cases: Readonly<Record<Case, PricedDesign>>;
  readonly lines: readonly CheckLine[];
  readonly newId: () => string;
  bookOf(component: Component): PriceBook | undefined;
}

export function setField<F extends 'term' | 'place' | 'choice' | 'count' | 'zones' | 'guesses'>(
  component: Component,
  field: F,
  value: NonNullable<Component[F]>,
): Edit {
  return { edit: 'set-component', id: component.id, field, value } as Edit;
}

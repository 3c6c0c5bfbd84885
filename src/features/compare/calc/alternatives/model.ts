/** What an alternative comes to when it is applied to its baseline. */
import type { Issue } from '@/engine/base';
import type { Change, Component, Design } from '@/engine/design';

/** A line that a change reached, where there is something to say about it. */
export interface LineOutcome {
  readonly id: string;
  readonly name: string;
  /** False: it stays as it was, and `issues` say why. */
  readonly changed: boolean;
  readonly issues: readonly Issue[];
}

export interface ChangeOutcome {
  readonly change: Change;
  /** Null: it applies. Else why it does not any more; the rest of the alternative does nevertheless. */
  readonly why: Issue | null;
  /** How many lines became another by it. */
  readonly changed: number;
  /** Only lines with something to say. */
  readonly lines: readonly LineOutcome[];
}

export interface AlternativeDesign {
  /** A design like any other, without alternatives of its own. */
  readonly design: Design;
  /** One for each change, in order. */
  readonly outcomes: readonly ChangeOutcome[];
}

/** What becomes of one line under a change. */
export interface LineChange {
  /** Null: the line is left out. The same object: it stays as it was. */
  readonly component: Component | null;
  readonly issues: readonly Issue[];
}

export const unchanged = (component: Component, ...issues: Issue[]): LineChange => ({ component, issues });

/** The edits that there are. Each is a small command that says what it changes. */
import type { Agreement } from '../terms';
import type { Assumptions, BookPin } from './assumptions';
import type { Component, Place, Section, UsageEntry } from './component';
import type { ComponentField } from './component-fields';

type SetComponent = {
  [F in ComponentField]: {
    readonly edit: 'set-component';
    readonly id: string;
    readonly field: F;
    readonly value: NonNullable<Component[F]> | (undefined extends Component[F] ? null : Component[F]);
  };
}[ComponentField];
type SetDesign = {
  [F in 'title' | 'description' | 'currency']: {
    readonly edit: 'set-design';
    readonly field: F;
    readonly value: string;
  };
}['title' | 'description' | 'currency'];
type SetAssumption = {
  [F in keyof Assumptions]-?: {
    readonly edit: 'set-assumption';
    readonly field: F;
    /** Null takes an assumption that may be missing away. */
    readonly value: NonNullable<Assumptions[F]> | (undefined extends Assumptions[F] ? null : never);
  };
}[keyof Assumptions];

/** What a person does to a design in the ledger and the margin; an alternative is made of them, too. */
export type DesignEdit =
  | SetComponent
  | SetDesign
  | SetAssumption
  | {
      readonly edit: 'set-usage';
      readonly id: string;
      readonly meter: string;
      readonly value: UsageEntry | null;
    }
  | { readonly edit: 'set-agreements'; readonly agreements: readonly Agreement[] }
  /** Without a reason the answer is taken back. */
  | {
      readonly edit: 'answer-check';
      readonly check: string;
      readonly subject: string;
      readonly reason: string | null;
    }
  | { readonly edit: 'pin-books'; readonly books: readonly BookPin[] }
  | { readonly edit: 'add-section'; readonly index: number; readonly section: Section }
  | { readonly edit: 'remove-section'; readonly id: string }
  | { readonly edit: 'rename-section'; readonly id: string; readonly name: string }
  /** Where new lines are placed; without a section: those of the design. */
  | { readonly edit: 'place-new-lines'; readonly section: string | null; readonly place: Place | null }
  | {
      readonly edit: 'add-component';
      readonly section: string;
      readonly index: number;
      readonly component: Component;
    }
  | { readonly edit: 'remove-component'; readonly id: string }
  | {
      readonly edit: 'move-component';
      readonly id: string;
      readonly section: string;
      readonly index: number;
    };

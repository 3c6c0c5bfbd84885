/**
 * An alternative of a design: the design itself is the baseline, and the alternative is a list of changes to it, in order.
 * Whatever the list does not touch is the baseline's, by construction. Source: product description, "Comparing".
 */
import type { Term } from '../terms';
import type { DesignEdit } from './edit-model';
import type { Scope } from './scope';

/**
 * - `edit`: what a person does in the ledger.
 * - `move`: to another provider or region; without a region each line goes to the nearest equivalent of its own.
 * - `size`: the cheapest that fits in place of fixed sizes, under the wishes that are given.
 * - `pay`: another way of paying, for what may be committed.
 * - `licences`: brought or included, where licences run.
 * - `traffic`: so many times all that follows traffic.
 * - `leave-out`: lines or sections that are not built.
 * - `revision`: another revision of a price book.
 */
export type Change =
  | { readonly change: 'edit'; readonly edit: DesignEdit }
  | {
      readonly change: 'move';
      readonly what: Scope;
      readonly book: string;
      /** Pinned where the design does not pin the book yet. */
      readonly revision: number;
      readonly region: string | null;
      /** Whether the maker of the processor must stay the same. */
      readonly sameProcessor?: boolean;
    }
  | {
      readonly change: 'size';
      readonly what: Scope;
      readonly allowBurstable?: boolean;
      readonly processor?: string;
    }
  | { readonly change: 'pay'; readonly what: Scope; readonly term: Term }
  | { readonly change: 'licences'; readonly what: Scope; readonly how: 'included' | 'brought' }
  | { readonly change: 'traffic'; readonly what: Scope; readonly times: string }
  | { readonly change: 'leave-out'; readonly what: Scope }
  | { readonly change: 'revision'; readonly book: string; readonly revision: number };

export interface Alternative {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** Applied one after the other. */
  readonly changes: readonly Change[];
}

/** Adds an alternative or puts another in place of the one with its id; takes one away. */
export type AlternativeEdit =
  | { readonly edit: 'put-alternative'; readonly index: number; readonly alternative: Alternative }
  | { readonly edit: 'remove-alternative'; readonly id: string };

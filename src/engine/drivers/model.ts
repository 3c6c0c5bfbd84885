/** What a design's load is stated by: a few numbers with a unit, a lean, likely and heavy value, and a range to look at. */
import type { EntryOf } from '../trace';
import type { Cased } from '../usage';

export interface Driver {
  /** What formulas call it: a letter, then letters, digits and underscores. */
  readonly name: string;
  readonly title: string;
  /** `user`, `request/s`, `GB`, or a word of one's own; empty: a mere number. */
  readonly unit: string;
  readonly value: Cased;
  /** The range that curves are drawn over. */
  readonly from: string;
  readonly to: string;
  readonly scale: 'linear' | 'log';
  /** Its range was measured, not guessed. Changes no amount. */
  readonly measured?: boolean;
}

/** Inputs that are not known exactly and move together: drivers, and entries of lines. */
export interface MovingTogether {
  readonly name: string;
  /** Rank correlation of each two of them, 0 to 1; 1: entirely. */
  readonly rank: string;
  readonly inputs: readonly EntryOf[];
}

export const DRIVER_NAME = /^[a-z][a-z0-9_]{0,29}$/i;

/** A design has a few drivers, not a model of the world. */
export const MOST_DRIVERS = 8;
export const LONGEST_FORMULA = 300;

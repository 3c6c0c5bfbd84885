/** What a simulation is asked, and what it answers, in plain serialisable form: worker, screen, report, command line. */
import type { EntryOf } from '@/engine/trace';

/** Something that is not known exactly: an entry of a line, or a driver. */
export interface UncertainInput extends EntryOf {
  /** "Users", "Count of “Web”". */
  readonly label: string;
  readonly unit: string;
  readonly lean: number;
  readonly likely: number;
  readonly heavy: number;
  readonly whole: boolean;
  /** Marked as a guess, or as measured. */
  readonly known: 'guess' | 'measured' | null;
}

export interface Quantiles {
  readonly mean: number;
  readonly p10: number;
  readonly p50: number;
  readonly p80: number;
  readonly p90: number;
}

export interface RangeRow extends Quantiles {
  readonly id: string;
  readonly name: string;
}

export interface RangeAnswer {
  readonly currency: string;
  readonly seed: string;
  /** How many draws were asked for, and how many are done. */
  readonly draws: number;
  readonly done: number;
  /** Draws in which a line had no amount: left out. */
  readonly without: number;
  readonly inputs: readonly UncertainInput[];
  /** Of the month of the design. */
  readonly design: Quantiles & {
    readonly deviation: number;
    readonly least: number;
    readonly most: number;
  };
  /** Between which two amounts the true P90 lies, nineteen times of twenty, as far as the draws go. */
  readonly p90Between: readonly [number, number];
  /** The share of draws above the budget; null: there is none. */
  readonly budget: { readonly amount: string; readonly exceeded: number } | null;
  /** Equal steps of money, and how many draws fell into each. */
  readonly histogram: { readonly from: number; readonly step: number; readonly counts: readonly number[] };
  /** A hundred and one amounts: the least, each per cent, the most. */
  readonly cumulative: readonly number[];
  readonly sections: readonly RangeRow[];
  readonly lines: readonly RangeRow[];
  /** The three cases, exact text, and the share of draws at or below each. */
  readonly cases: readonly {
    readonly case: 'lean' | 'likely' | 'heavy';
    readonly amount: string;
    readonly rank: number;
  }[];
  /** Lines that the engine prices in each draw, because a choice inside of them changes. */
  readonly plainLines: number;
  readonly notes: readonly string[];
}

/** An input, or inputs that move together, and what of the spread it explains. */
export interface Effect {
  readonly label: string;
  readonly inputs: readonly number[];
  /** Share of the variance that is gone, on average, once it is known. */
  readonly first: number;
  /** Share that is left if all but it are known. */
  readonly total: number;
  /** The same as a deviation in money: √first × deviation. */
  readonly money: number;
  /** How wide P10 to P90 would about be, once it is measured. */
  readonly widthThen: number;
}

export interface EffectsAnswer {
  readonly method: string;
  readonly base: number;
  readonly width: number;
  readonly effects: readonly Effect[];
}

/** One input from lean to heavy, all others likely; exact text. */
export interface Swing {
  readonly input: number;
  readonly atLean: string | null;
  readonly atHeavy: string | null;
}

export interface SwingsAnswer {
  readonly likely: string;
  /** The widest first. */
  readonly swings: readonly Swing[];
}

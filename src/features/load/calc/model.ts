/** What a curve is asked, and what it answers, in plain serialisable form: worker, screen, report and command line. */
import type { LookedAt } from '@/engine/design';
import type { AmountOf, DesignPlan } from '@/engine/pricing';
import type { Varied } from '@/engine/program';

/** What is looked at: from where to where, in steps of equal size or equal share. */
export interface Axis1 extends LookedAt {
  readonly title: string;
  /** Empty: a mere number. */
  readonly unit: string;
  /** As the design stands: lean, likely, heavy; each once. */
  readonly now: readonly Reading[];
}

/** A place on the axis with a name. */
export interface Reading {
  readonly label: string;
  readonly at: number;
}

/** A design on the curve. Each may call what varies by another entry. */
export interface CurveSide {
  /** Null: the design itself. */
  readonly id: string | null;
  readonly name: string;
  readonly plan: DesignPlan;
  readonly varied: Varied;
}

export interface CurveAsk {
  readonly axis: Axis1;
  readonly sides: readonly CurveSide[];
  readonly what: AmountOf;
  readonly points: number;
}

/** Where another side becomes the one that costs least. */
export interface Crossing {
  readonly at: number;
  /** Places among the sides. */
  readonly below: number;
  readonly above: number;
  /** What both cost there, exact text. */
  readonly amount: string;
}

/** A stretch of the axis in which one side costs least; null: none has an amount. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
  readonly cheapest: number | null;
}

/** Something that happens at a place of the axis: a tier, a started unit, the end of an allowance. */
export interface Mark {
  readonly at: number;
  readonly line: string;
  readonly name: string;
  /** What happens there, in the words of the trace. */
  readonly what: string;
  /** By how much the month jumps there, exact text; null: it only turns. */
  readonly jump: string | null;
  /** The same step of the same line again, so often, the last of them there. */
  readonly again: { readonly times: number; readonly until: number } | null;
}

export interface MarkedReading extends Reading {
  /** By side: exact text; null: no amount there. */
  readonly amounts: readonly (string | null)[];
}

export interface GrowingLine {
  readonly id: string;
  readonly name: string;
  /** Of the own side, at the readings of `growth.at`. */
  readonly amounts: readonly (number | null)[];
}

export interface Curve {
  readonly axis: Axis1;
  readonly currency: string;
  readonly at: readonly number[];
  readonly sides: readonly {
    readonly id: string | null;
    readonly name: string;
    /** Null: no amount there. */
    readonly amounts: readonly (number | null)[];
    /** Lines without an amount as it stands: its curve is too low. */
    readonly unpriced: number;
    /** Where its curve crosses the design's budget, upwards. */
    readonly budget: number | null;
  }[];
  readonly stretches: readonly Stretch[];
  readonly crossings: readonly Crossing[];
  readonly readings: readonly MarkedReading[];
  readonly marks: readonly Mark[];
  /** So many more places at which it jumps or turns are not told; `atLeast`: there may be more yet. */
  readonly untold: { readonly places: number; readonly atLeast: boolean };
  readonly budget: string | null;
  readonly growth: { readonly at: readonly number[]; readonly lines: readonly GrowingLine[] };
}

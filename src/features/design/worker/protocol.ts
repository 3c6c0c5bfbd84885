/**
 * The contract between the page and its pricing workers, in one file: tagged messages, a request id, what is new in the
 * design since the request before, and for prices the version of the design, so that stale replies are dropped. An error
 * is a reply like any other.
 */
import type { MonthEvent } from '@/engine/analysis';
import type { AlternativeDesign } from '@/features/compare/calc/alternatives';
import type { Axis, AxisAnswer } from '@/features/compare/calc/axes';
import type { MeasuredRates, Quantities } from '@/features/unit-prices/calc';
import type { Comparison, GroupBy } from '@/features/compare/calc/comparison';
import type { Axis1, Curve, Fame, LoadMap } from '@/features/load/calc';
import type { ReadyWish, Along, Change, Component, Design, Place, Scope } from '@/engine/design';
import type { EffectsAnswer, RangeAnswer, SwingsAnswer } from '@/features/range/calc';
import type { FormWish } from '@/features/compare/calc/deployment-forms';
import type { Finding } from '@/features/checklist/calc';
import type {
  BothPlan,
  CreditChange,
  CreditChangeWish,
  CreditPlan,
  CreditWish,
  SoldAhead,
  SpendPlan,
  SpendWish,
  StepsPlan,
  UsagePlan,
} from '@/features/paying/calc';
import type { AmountOf } from '@/engine/pricing';
import type { DesignSummary } from '@/engine/summary';
import type { PlainFigure } from '@/engine/trace';
import type { EarlyEnd, Term } from '@/engine/terms';
import type { Case } from '@/engine/usage';
import type { DesignNews } from './news';

export interface OfferChoice {
  readonly sku: string;
  readonly name: string;
  readonly family: string;
  readonly processor: string;
  readonly vcpu: number | null;
  readonly memory: number | null;
  readonly burstable: boolean;
  readonly retires: string | null;
  readonly note: string;
  /** On-demand price of an hour, exact; null where there is none. */
  readonly hourly: string | null;
  readonly unitPrice: string | null;
  readonly unit: string | null;
  /** The component with this offer for a month, exact; null where it cannot be priced so. */
  readonly monthly: string | null;
  readonly soldHere: boolean;
  readonly nearest: string | null;
}

export interface TermRow {
  readonly term: Term;
  readonly monthly: string | null;
  readonly upfront: string | null;
  readonly recurring: string | null;
  readonly wholeTerm: string | null;
  /** 0.31 means 31 % less than on demand. */
  readonly saving: string | null;
  /** The share of the month from which a commitment costs no more than on demand. */
  readonly breakEven: string | null;
  readonly leaving: LeavingRow | null;
  readonly why: string | null;
}

/** What ending a commitment early costs. */
export interface LeavingRow {
  readonly rule: EarlyEnd['rule'];
  /** By month of ending: paid in all, against the same months on demand. */
  readonly rows: readonly { readonly month: number; readonly total: string; readonly onDemand: string }[];
  readonly breakEven: number | null;
}

/** What another revision of the books would change: likely amounts, exact. */
export interface NewerAnswer {
  readonly before: string;
  readonly after: string;
  /** Only what differs; null: not priced. */
  readonly rows: readonly {
    readonly id: string;
    readonly before: string | null;
    readonly after: string | null;
  }[];
}

export interface PlainMonth {
  /** `2027-01`; null where the design has no start, and for quarters and years. */
  readonly calendar: string | null;
  readonly monthly: string;
  readonly cash: string;
}

export interface MonthsAnswer {
  readonly rows: readonly PlainMonth[];
  readonly quarters: readonly PlainMonth[];
  readonly years: readonly PlainMonth[];
  readonly whole: PlainMonth;
}

/** A finding, and what its remedy would add to the likely month (less than none: saves); null: no remedy. */
export interface PricedFinding extends Finding {
  readonly changes: string | null;
}

/** One form of the same capacity. */
export interface PlainForm {
  readonly label: string;
  readonly edition: string;
  readonly offer: string;
  readonly component: Component | null;
  /** Exact; null: it does not fit. */
  readonly monthly: string | null;
  readonly note: string;
}

/** The months of a design or of an alternative, with what happens in them. */
export interface CashSide {
  /** Null: the design itself. */
  readonly id: string | null;
  readonly name: string;
  readonly months: MonthsAnswer;
  readonly events: readonly MonthEvent[];
}

/** Cash of one column of a comparison, exact. */
export interface CashRow {
  /** Null: the design itself. */
  readonly id: string | null;
  readonly firstYear: string;
  readonly whole: string;
}

export type Question =
  | { readonly ask: 'price'; readonly design: Design; readonly version: number }
  | {
      readonly ask: 'explain';
      readonly design: Design;
      readonly version: number;
      readonly amount: AmountOf;
      readonly case: Case;
    }
  | { readonly ask: 'offers'; readonly design: Design; readonly component: Component }
  | { readonly ask: 'terms'; readonly design: Design; readonly component: Component }
  | { readonly ask: 'newer'; readonly design: Design; readonly books: Design['books'] }
  | { readonly ask: 'months'; readonly design: Design; readonly horizon: number }
  | {
      readonly ask: 'cash';
      readonly design: Design;
      readonly horizon: number;
      readonly sides: readonly string[];
    }
  | { readonly ask: 'checks'; readonly design: Design }
  | { readonly ask: 'budget'; readonly design: Design }
  | { readonly ask: 'compare'; readonly design: Design; readonly by: GroupBy }
  | { readonly ask: 'compare-cash'; readonly design: Design; readonly horizon: number }
  | { readonly ask: 'axis'; readonly design: Design; readonly axis: Axis; readonly what: Scope }
  | { readonly ask: 'bare-rates'; readonly design: Design; readonly quantities: Quantities }
  | { readonly ask: 'mixed'; readonly design: Design; readonly by: 'section' | 'line' }
  | { readonly ask: 'without-free'; readonly design: Design; readonly alternative: string }
  | { readonly ask: 'alternative'; readonly design: Design; readonly alternative: string }
  | ({ readonly ask: 'curve'; readonly design: Design } & CurveWish)
  | { readonly ask: 'ready'; readonly design: Design; readonly wish: ReadyWish }
  | {
      readonly ask: 'load-map';
      readonly design: Design;
      readonly across: Along;
      readonly up: Along;
      readonly sides: readonly string[];
    }
  | {
      readonly ask: 'fame';
      readonly design: Design;
      readonly along: Along;
      readonly times: string;
      readonly lasts: 'day' | 'month';
    }
  | { readonly ask: 'usage-plan'; readonly design: Design; readonly term: Term }
  | { readonly ask: 'sold-ahead'; readonly design: Design }
  | { readonly ask: 'spend-plan'; readonly design: Design; readonly wish: SpendWish }
  | { readonly ask: 'steps-plan'; readonly design: Design; readonly wish: SpendWish; readonly months: number }
  | { readonly ask: 'both-plan'; readonly design: Design; readonly lineTerm: Term; readonly wish: SpendWish }
  | {
      readonly ask: 'credit-change';
      readonly design: Design;
      readonly wish: CreditChangeWish;
      readonly months: number;
    }
  | { readonly ask: 'credit-plan'; readonly design: Design; readonly wish: CreditWish }
  /** Draws for a while and answers with what is there: asked again, it goes on. */
  | { readonly ask: 'range'; readonly design: Design; readonly seed: string; readonly draws: number }
  | { readonly ask: 'effects'; readonly design: Design; readonly seed: string; readonly draws: number }
  | { readonly ask: 'swings'; readonly design: Design; readonly seed: string; readonly draws: number }
  | { readonly ask: 'forms'; readonly design: Design; readonly place: Place; readonly wish: FormWish };

/** What a curve is drawn of. */
export interface CurveWish {
  readonly along: Along;
  /** Null: as it is usually looked at. */
  readonly range: Pick<Axis1, 'from' | 'to' | 'scale'> | null;
  /** Ids of the alternatives beside the design. */
  readonly sides: readonly string[];
  readonly what: AmountOf;
  readonly points: number;
}

export interface Answers {
  price: { readonly version: number; readonly summary: DesignSummary; readonly milliseconds: number };
  explain: PlainFigure | null;
  offers: readonly OfferChoice[];
  terms: readonly TermRow[];
  newer: NewerAnswer;
  months: MonthsAnswer;
  cash: readonly CashSide[];
  checks: readonly PricedFinding[];
  forms: readonly PlainForm[];
  compare: Comparison;
  'compare-cash': readonly CashRow[];
  axis: AxisAnswer;
  /** Of the books that the design pins; its own lines are not read. */
  'bare-rates': readonly MeasuredRates[];
  /** What makes the best of each an alternative, and how that is said. */
  mixed: { readonly changes: readonly Change[]; readonly says: string };
  /** Null: it is not there any more. */
  alternative: AlternativeDesign | null;
  /** Exact amounts; null: the alternative is not there any more. */
  'without-free': { readonly change: string; readonly without: string } | null;
  curve: Curve;
  ready: Curve;
  'load-map': LoadMap;
  fame: Fame;
  'usage-plan': UsagePlan;
  'sold-ahead': { readonly spend: readonly SoldAhead[]; readonly credit: readonly SoldAhead[] };
  'spend-plan': SpendPlan | null;
  'steps-plan': StepsPlan | null;
  'both-plan': BothPlan;
  'credit-plan': CreditPlan | null;
  'credit-change': CreditChange;
  range: RangeAnswer;
  effects: EffectsAnswer;
  swings: SwingsAnswer;
  /** By how much the load may grow; null: no budget. */
  budget: { readonly crossed: 'at' | 'never' | 'without-load'; readonly times: string | null } | null;
}

/** The request's own id must not be covered by a field of the question. */
type Told<Q> = Q extends { readonly id: unknown } ? never : Q extends Question ? Omit<Q, 'design'> : never;

/** A question without its design, and the news by which the worker knows it. */
export type Request = { readonly id: number; readonly news: DesignNews } & Told<Question>;

export type Reply =
  | { readonly id: number; readonly ok: true; readonly answer: Answers[keyof Answers] }
  | { readonly id: number; readonly ok: false; readonly message: string };

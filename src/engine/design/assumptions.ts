/** What a design is priced under, beside its components. */
import type { MonthConvention } from '../time';
import type { Driver, MovingTogether } from '../drivers';
import type { Cased } from '../usage';
import type { Kept } from './kept';

export interface ExchangeRate {
  readonly from: string;
  readonly to: string;
  /** How many of `to` one of `from` is. */
  readonly rate: string;
  /** ISO date of the table. */
  readonly date: string;
}

export interface Assumptions {
  readonly month: MonthConvention;
  readonly countAllowances: boolean;
  readonly exchange: readonly ExchangeRate[];
  /** The design's share of the account's allowances; absent: all. */
  readonly allowanceShare?: string;
  /** The country or area that everything has to stay in. Changes no amount. */
  readonly residence?: string;
  /** The first month, `2027-01`: seasons, agreements and calendar months follow from it. */
  readonly start?: string;
  /** Growth a month as a share: traffic and stock each by its own. */
  readonly growth?: { readonly traffic: Cased; readonly stock: Cased };
  /** Twelve multipliers of traffic, January first. */
  readonly season?: readonly string[];
  /** Multiplies the traffic of one month (the first is 1). */
  readonly campaigns?: readonly { readonly month: number; readonly times: string }[];
  /** Shares on top of the net total. */
  readonly contingency?: string;
  readonly tax?: string;
  /** How many months ahead are looked at; absent: 36. */
  readonly horizon?: number;
  /** What a month may cost, in the design's currency. */
  readonly budget?: string;
  /** What the load is stated by; formulas of entries refer to them by name. */
  readonly drivers?: readonly Driver[];
  /** For simulations. Changes no amount. */
  readonly together?: readonly MovingTogether[];
  /** Questions that are answered beside the design and in its report. Changes no amount. */
  readonly kept?: readonly Kept[];
}

/** A check of the checklist that was answered: what it found is not wanted, and why. */
export interface CheckAnswer {
  readonly check: string;
  /** The component it was found at; empty: the design as a whole. */
  readonly subject: string;
  readonly reason: string;
}

export interface BookPin {
  readonly book: string;
  readonly revision: number;
}

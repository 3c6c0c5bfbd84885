/** What pricing a design gives: a line per component, subtotals, totals. All amounts in the design's currency. */
import type { Decimal, Issue } from '../base';
import type { BookHead, Offer } from '../books';
import type { Miss } from '../sizing';
import type { Figure } from '../trace';
import type { Case } from '../usage';

export interface PricedComponent {
  readonly status: 'priced';
  readonly id: string;
  readonly offer: Offer;
  readonly book: BookHead;
  /** The month as it compares: recurring + upfront spread over the term. Opens into its trace. */
  readonly monthly: Figure;
  /** What leaves each month. */
  readonly recurring: Decimal;
  /** What leaves at the start. */
  readonly upfront: Decimal;
  /** The whole commitment; null on demand. */
  readonly wholeTerm: { readonly months: number; readonly amount: Decimal } | null;
  /** The same use on demand; null where it is not sold so. */
  readonly onDemand: Decimal | null;
  readonly count: Decimal;
  /** Whether its amount depends on what other components use. */
  readonly pooled: boolean;
  readonly notices: readonly Issue[];
}

export interface UnpricedComponent {
  readonly status: 'unpriced';
  readonly id: string;
  /** At least one: why there is no amount. */
  readonly issues: readonly Issue[];
  readonly nearest: readonly Miss[];
}

export type PricedLine = PricedComponent | UnpricedComponent;

export interface PricedSection {
  readonly id: string;
  readonly name: string;
  readonly lines: readonly PricedLine[];
  readonly monthly: Figure;
}

export interface PricedDesign {
  readonly case: Case;
  readonly currency: string;
  readonly sections: readonly PricedSection[];
  readonly monthly: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  /** Cash of the first 12 months: upfront + 12 × recurring. */
  readonly firstYear: Decimal;
  /** How many components have no amount; more than none makes every total incomplete. */
  readonly unpriced: number;
}

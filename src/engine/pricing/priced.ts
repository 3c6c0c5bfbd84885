/** What pricing a design gives: a line per component, subtotals, totals. All amounts in the design's currency. */
import type { Decimal, Issue } from '../base';
import type { BookHead, Kind, Offer } from '../books';
import type { Miss } from '../sizing';
import type { Figure } from '../trace';
import type { Case } from '../usage';
import type { EarlyEnd } from '../terms';
import type { PaidAhead, PaidPart } from './agreed';

export interface PricedComponent {
  readonly status: 'priced';
  readonly id: string;
  readonly kind: Kind;
  /** Null for own lines. */
  readonly offer: Offer | null;
  readonly book: BookHead | null;
  /** The month as it compares, contracted: recurring + upfront spread over the term. Opens into its trace. */
  readonly monthly: Figure;
  /** The same month at list price, and at what a buyer pays who buys it from us. */
  readonly list: Figure;
  readonly resale: Figure;
  /** The contracted month in the book's currency. */
  readonly inBook: Figure;
  /** What `inBook` is made of, meter by meter. */
  readonly parts: readonly PaidPart[];
  /** One unit of the book's currency in the design's; null: they are the same. */
  readonly exchange: Decimal | null;
  /** What leaves each month. */
  readonly recurring: Decimal;
  /** What leaves at the start: upfront payments and one-time fees. */
  readonly upfront: Decimal;
  /** The part of it that is a one-time fee. */
  readonly once: Decimal;
  /** After so many months the upfront payment is due again; null: there is none. */
  readonly renews: number | null;
  /** The whole commitment; null on demand. */
  readonly wholeTerm: { readonly months: number; readonly amount: Decimal } | null;
  /** The same use on demand; null where it is not sold so. */
  readonly onDemand: Decimal | null;
  readonly count: Decimal;
  /** What the book says about ending its commitment early; null: nothing, or there is none. */
  readonly early: EarlyEnd | null;
  /** What of its month other lines (commitments, credits) paid ahead: that money left with them. */
  readonly ahead: readonly PaidAhead[];
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
  /** Contracted, without contingency and tax. */
  readonly monthly: Figure;
  readonly list: Decimal;
  readonly resale: Decimal;
  /** With contingency and tax, where the design states them; else the same as `monthly`. */
  readonly gross: Figure;
  readonly recurring: Decimal;
  readonly upfront: Decimal;
  /** Cash of twelve such months: upfront + 12 × recurring. The first 12 months are worked out one by one. */
  readonly twelveMonths: Decimal;
  /** How many components have no amount; more than none makes every total incomplete. */
  readonly unpriced: number;
}

/**
 * The month of every line that has one, by id.
 *
 * @example
 * monthlyOf(priceDesign(design, books, 'likely')).get('a')?.toString(); // => '146'
 */
export function monthlyOf({ sections }: PricedDesign): Map<string, Decimal> {
  return new Map(
    sections.flatMap((section) =>
      section.lines.flatMap((line): [string, Decimal][] =>
        line.status === 'priced' ? [[line.id, line.monthly.value]] : [],
      ),
    ),
  );
}

/**
 * A design: sections of components, the assumptions it is priced under, and the price-book revisions it is pinned
 * to. Plain serialisable data with decimals as text, so that browser, server and files hold the same thing.
 */
import type { Kind } from '../books';
import type { Need } from '../sizing';
import type { Term } from '../terms';
import type { MonthConvention } from '../time';
import type { Cased, Running } from '../usage';

export interface UsageEntry {
  readonly amount: Cased;
  readonly unit: string;
}

export type Choice =
  | { readonly by: 'none' }
  | { readonly by: 'sku'; readonly sku: string }
  | { readonly by: 'cheapest'; readonly need: Need };

export interface Place {
  readonly book: string;
  readonly region: string;
}

export interface Component {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  /** Whole units; usage below is for each of them. */
  readonly count: Cased;
  readonly place: Place | null;
  readonly choice: Choice;
  readonly running: Running;
  /** By meter, for one unit and one month. */
  readonly usage: Readonly<Record<string, UsageEntry>>;
  readonly term: Term;
}

export interface Section {
  readonly id: string;
  readonly name: string;
  readonly components: readonly Component[];
}

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
}

export interface BookPin {
  readonly book: string;
  readonly revision: number;
}

export interface Design {
  readonly title: string;
  readonly description: string;
  readonly currency: string;
  readonly assumptions: Assumptions;
  readonly books: readonly BookPin[];
  readonly sections: readonly Section[];
}

export function allComponents(design: Design): Component[] {
  return design.sections.flatMap((section) => section.components);
}

export function findComponent(design: Design, id: string): Component | undefined {
  for (const section of design.sections) {
    const found = section.components.find((component) => component.id === id);
    if (found) return found;
  }
  return undefined;
}

/** The charge structures as data, and what they need to label their steps. Source: pricing rules, "Charge structures". */
import type { Decimal } from '../base';
import type { RateSource } from '../trace';

export interface Tier {
  /** The tier ends at this quantity, itself included; null: no end. */
  readonly upTo: Decimal | null;
  readonly price: Decimal;
}

export type Charge =
  | { readonly structure: 'per-unit'; readonly price: Decimal }
  | { readonly structure: 'graduated'; readonly tiers: readonly Tier[] };

/** What a structure needs to label its steps. `unit` is the billed unit, `currency` the book's. */
export interface ChargeContext {
  readonly unit: string;
  readonly currency: string;
  readonly source: RateSource;
}

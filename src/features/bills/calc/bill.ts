/**
 * A bill as it is held against a design: its head, and its things. A thing is every row that says the same of what was
 * charged, for all days; money and quantities are sums over them. Source: FOCUS 1.0 to 1.2; pricing rules, "Bills".
 */

export const CHARGE_CATEGORIES = ['Usage', 'Purchase', 'Tax', 'Credit', 'Adjustment'] as const;
export type ChargeCategory = (typeof CHARGE_CATEGORIES)[number];

/** ISO dates: the first day, and the first after it. A billing period need not be a calendar month. */
export interface BillPeriod {
  readonly from: string;
  readonly to: string;
}

export interface BillHead extends BillPeriod {
  readonly provider: string;
  /** The billing account. */
  readonly account: string;
  readonly currency: string;
}

/** What rows have to say alike to be one thing. Texts that a row does not have are empty. */
export interface BillSaid {
  readonly category: ChargeCategory;
  readonly isCorrection: boolean;
  readonly service: string;
  readonly sku: string;
  /** What is counted, as the provider calls it. */
  readonly meter: string;
  readonly region: string;
  /** The account within the billing account. */
  readonly account: string;
  readonly resource: string;
  readonly resourceName: string;
  readonly description: string;
  readonly tags: Readonly<Record<string, string>>;
  /** In which the price is stated; empty: a fee. */
  readonly unit: string;
  readonly listUnitPrice: string | null;
  readonly contractedUnitPrice: string | null;
  /** The commitment that pays for it, or that it is. */
  readonly commitment: string;
  readonly commitmentStatus: 'Used' | 'Unused' | null;
}

export interface BillThing extends BillSaid {
  /** Its place in the bill; the same for the same bill. */
  readonly at: number;
  readonly rows: number;
  readonly list: string;
  readonly contracted: string;
  readonly billed: string;
  readonly effective: string;
  /** In `unit`; null: no row has one. */
  readonly quantity: string | null;
}

/** Which money is looked at: what is charged, or with payments in advance spread over what they pay for. */
export type CostBasis = 'effective' | 'billed';

/**
 * @example
 * periodDays({ from: '2026-11-01', to: '2026-12-01' }); // => 30
 */
export function periodDays({ from, to }: BillPeriod): number {
  const at = (day: string): number => Date.parse(`${day}T00:00:00Z`);
  return Math.max(0, (at(to) - at(from)) / 86_400_000);
}

/** One charge of one day. */
export interface ChargedRow extends BillSaid {
  readonly day: string;
  readonly list: string;
  readonly contracted: string;
  readonly billed: string;
  readonly effective: string;
  readonly quantity: string | null;
}

/**
 * The days of a period, in their order.
 *
 * @example
 * daysOfPeriod({ from: '2026-11-29', to: '2026-12-01' }); // => ['2026-11-29', '2026-11-30']
 */
export function daysOfPeriod(period: BillPeriod): string[] {
  return Array.from({ length: periodDays(period) }, (_, at) => dayAfter(period.from, at));
}

/**
 * So many days after a day; before it where `by` is negative.
 *
 * @example
 * dayAfter('2026-11-30'); // => '2026-12-01'
 */
export function dayAfter(day: string, by = 1): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10);
}

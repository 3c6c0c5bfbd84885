/** Where each offer of a book that is coming in is sold, and at what price: noted rate by rate, in any order. */
import type { Decimal } from '@/engine/base';
import { lotPrice, standingFee } from '@/engine/books';
import { type RateRow } from '@/features/price-books/format/price-book-schema';
import { toRate } from '@/features/price-books/format/price-book';

export class OfferPlaces {
  private readonly prices = new Map<string, Map<string, Decimal | null>>();
  /** Monthly fees, summed. Few offers have one. */
  private readonly fees = new Map<string, Map<string, Decimal>>();

  /** `leads`: lists go by this rate. */
  note(rate: RateRow, leads: boolean): void {
    let regions = this.prices.get(rate.sku);
    if (!regions) this.prices.set(rate.sku, (regions = new Map()));
    if (leads) regions.set(rate.region, lotPrice(toRate(rate)));
    else if (!regions.has(rate.region)) regions.set(rate.region, null);
    if (rate.charge.structure === 'flat') this.noteFee(rate);
  }

  private noteFee(rate: RateRow): void {
    const fee = standingFee(toRate(rate));
    if (!fee) return;
    let regions = this.fees.get(rate.sku);
    if (!regions) this.fees.set(rate.sku, (regions = new Map()));
    regions.set(rate.region, fee.plus(regions.get(rate.region) ?? 0));
  }

  /** Once all rates are noted: where the main meter costs nothing, the fee is the price. */
  countFees(): void {
    for (const [sku, fees] of this.fees) {
      const regions = this.prices.get(sku)!;
      for (const [region, fee] of fees) if (regions.get(region)?.isZero()) regions.set(region, fee);
    }
  }

  of(sku: string): ReadonlyMap<string, Decimal | null> {
    return this.prices.get(sku) ?? new Map<string, Decimal | null>();
  }

  /** The lowest price and where it is; of several the first by code. Without any price: the first place. */
  cheapest(sku: string): { readonly price: string | null; readonly cheapestIn: string | null } {
    let first: readonly [string, Decimal | null] | null = null;
    for (const each of this.of(sku)) if (!first || isBefore(each, first)) first = each;
    return { price: first?.[1]?.toString() ?? null, cheapestIn: first?.[0] ?? null };
  }
}

function isBefore(
  [a, one]: readonly [string, Decimal | null],
  [b, other]: readonly [string, Decimal | null],
): boolean {
  if (!one || !other) return one ? true : !other && a < b;
  const order = one.comparedTo(other);
  return order < 0 || (order === 0 && a < b);
}

/**
 * What one server costs a month, as a bare number: the fast path used to rank candidates. A test holds it against
 * the traced pricing of the same component.
 */
import type { Decimal } from '../base';
import type { Offer, PriceBook } from '../books';
import { firstUnitPrice } from '../rates';
import { commitmentOf, type Term } from '../terms';
import { conversionFactor } from '../units';

/** In the book's currency; null: not sold in the region under that term. */
export function unitMonthlyCost(
  book: PriceBook,
  offer: Offer,
  region: string,
  term: Term,
  hoursRun: Decimal,
  hoursInMonth: Decimal,
): Decimal | null {
  const rate = book.rate(offer.sku, region, 'running', term);
  if (!rate) return null;
  const price = firstUnitPrice(rate.charge);
  const commitment = commitmentOf(term);
  if (commitment) {
    const recurring = price.times(hoursInMonth);
    return rate.upfront ? recurring.plus(rate.upfront.dividedBy(commitment.months)) : recurring;
  }
  if (rate.unit === 'hour') return price.times(hoursRun);
  const factor = conversionFactor('hour', rate.unit);
  return factor.ok ? price.times(hoursRun).times(factor.value) : null;
}

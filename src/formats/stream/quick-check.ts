/**
 * The fast way through a million rates: a plain rate (a price per unit and nothing rare) whose kind, meter, term and
 * unit were found good before is good again. Whatever is not so plain is checked in full. A test holds that nothing
 * passes here that the full check refuses.
 */
import { AMOUNT_TEXT } from '../fields';
import type { OfferRow, RateRow } from '../price-book-schema';
import { rateSchema } from '../price-book-schema';
import { rateFaults } from '../rate-checks';

const PLAIN_FIELDS = 9;

export class QuickCheck {
  /** Combinations that the full check found good at a price of zero. */
  private readonly good = new Map<string, boolean>();

  /** True: the row is a sound rate of the offer. False: check it in full. */
  accepts(row: unknown, offerOf: (sku: string) => OfferRow | undefined): row is RateRow {
    if (row === null || typeof row !== 'object') return false;
    const rate = row as Partial<RateRow>;
    const { charge } = rate;
    if (!charge || charge.structure !== 'per-unit' || !isAmount(charge.price)) return false;
    if (typeof rate.sku !== 'string' || typeof rate.region !== 'string') return false;
    if (rate.allowance !== null || (rate.upfront !== null && !isAmount(rate.upfront))) return false;
    if (fieldsOf(row) !== PLAIN_FIELDS || fieldsOf(charge) !== 2) return false;
    const offer = offerOf(rate.sku);
    if (!offer) return false;
    const hasUpfront = rate.upfront === null ? '' : '+';
    const key = `${offer.kind}\n${rate.meter}\n${rate.term}\n${rate.unit}\n${rate.pool}\n${hasUpfront}`;
    let good = this.good.get(key);
    if (good === undefined) {
      const parsed = rateSchema.safeParse({ ...row, region: 'any' });
      good = parsed.success && rateFaults(parsed.data, offer, '').length === 0;
      this.good.set(key, good);
    }
    return good;
  }
}

function isAmount(text: unknown): boolean {
  return typeof text === 'string' && AMOUNT_TEXT.test(text);
}

function fieldsOf(object: object): number {
  let fields = 0;
  for (const _ in object) fields += 1;
  return fields;
}

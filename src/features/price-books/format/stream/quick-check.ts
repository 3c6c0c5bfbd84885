/**
 * The fast way through a million rates: a price per unit whose kind, meter, term, unit and rare fields were all found
 * good together before is good again. Whatever is not so plain is checked in full. A test holds that nothing passes
 * here that the full check refuses.
 */
import { AMOUNT_TEXT } from '@/platform/formats/fields';
import type { OfferRow, RateRow } from '../price-book-schema';
import { rateSchema } from '../price-book-schema';
import { rateFaults } from '../rate-checks';

/** Rare fields that differ from rate to rate must not fill the memory. */
const MOST_KEPT = 5000;

export class QuickCheck {
  /** Combinations by what the full check found. */
  private readonly known = new Map<string, boolean>();

  /** True: the row is a sound rate of the offer. False: check it in full. */
  accepts(row: unknown, offerOf: (sku: string) => OfferRow | undefined): row is RateRow {
    if (row === null || typeof row !== 'object') return false;
    const rate = row as Partial<RateRow>;
    const { charge, upfront } = rate;
    if (!charge || charge.structure !== 'per-unit' || !isAmount(charge.price)) return false;
    if (typeof rate.sku !== 'string' || typeof rate.region !== 'string') return false;
    if (rate.allowance !== null || (upfront !== null && !isAmount(upfront))) return false;
    if (fieldsOf(charge) !== 2) return false;
    const offer = offerOf(rate.sku);
    if (!offer) return false;
    const rare = rareText(rate);
    if (rare === null) return false;
    const ahead = upfront === null ? '' : '+';
    const key = `${offer.kind}\n${rate.meter}\n${rate.term}\n${rate.unit}\n${rate.pool}\n${ahead}\n${rare}`;
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const parsed = rateSchema.safeParse({ ...row, region: 'any' });
    const good = parsed.success && rateFaults(parsed.data, offer, '').length === 0;
    if (this.known.size < MOST_KEPT) this.known.set(key, good);
    return good;
  }
}

const PLAIN: ReadonlySet<string> = new Set([
  'sku',
  'region',
  'meter',
  'term',
  'unit',
  'charge',
  'upfront',
  'allowance',
  'pool',
]);

/** Everything about a rate but what it is a rate of, and its price; null: something of that is missing. */
function rareText(rate: Partial<RateRow>): string | null {
  const fields = Object.keys(rate);
  let rare = '';
  let plain = 0;
  for (const field of fields) {
    if (PLAIN.has(field)) plain += 1;
    else rare += `${field}${JSON.stringify(rate[field as keyof RateRow])}`;
  }
  return plain === PLAIN.size ? rare : null;
}

function isAmount(text: unknown): boolean {
  return typeof text === 'string' && AMOUNT_TEXT.test(text);
}

function fieldsOf(object: object): number {
  let fields = 0;
  for (const _ in object) fields += 1;
  return fields;
}

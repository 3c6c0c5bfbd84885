/** The shape of the price-book file, version 1, as a schema. Published under docs/formats. */
import { z } from 'zod';
import { KIND_CODES } from '@/core/books';
import { amountText, code, currency, isoDate, LIMITS, longText, name, term, unit } from './fields';

const tier = z.strictObject({ upTo: amountText.nullable(), price: amountText });

const charge = z.discriminatedUnion('structure', [
  z.strictObject({ structure: z.literal('per-unit'), price: amountText }),
  z.strictObject({ structure: z.literal('graduated'), tiers: z.array(tier).min(1).max(50) }),
]);

const region = z.strictObject({
  code,
  name,
  country: name,
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  carbon: z.number().min(0).max(3000).nullable(),
});

const offer = z.strictObject({
  sku: code,
  kind: z.enum(KIND_CODES),
  name,
  family: z.string().max(LIMITS.name),
  processor: z.string().max(LIMITS.name),
  vcpu: amountText.nullable(),
  memory: amountText.nullable(),
  burstable: z.boolean(),
  lifecycle: z.enum(['current', 'retiring']),
  retires: isoDate.nullable(),
  replacedBy: code.nullable(),
  note: longText,
});

const rate = z.strictObject({
  sku: code,
  region: code,
  meter: code,
  term,
  unit,
  charge,
  upfront: amountText.nullable(),
  allowance: amountText.nullable(),
  pool: z.enum(['component', 'region', 'provider']),
});

export const priceBookSchema = z.strictObject({
  format: z.literal('wick-price-book'),
  version: z.literal(1),
  book: z.strictObject({ key: code, title: name, provider: name, currency, monthHours: amountText }),
  revision: z.strictObject({ number: z.int().min(1).max(1_000_000), effective: isoDate, source: longText }),
  regions: z.array(region).min(1).max(500),
  offers: z.array(offer).min(1).max(200_000),
  rates: z.array(rate).min(1).max(LIMITS.rates),
});

export type PriceBookFile = z.infer<typeof priceBookSchema>;
export type RateRow = PriceBookFile['rates'][number];
export type OfferRow = PriceBookFile['offers'][number];

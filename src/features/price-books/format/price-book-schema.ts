/** The shape of the price-book file, version 1, as a schema. Published under docs/formats. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import { RATE_TERMS, type RateTerm } from '@/engine/terms';
import { charge, shareText } from './charge';
import { amountText, code, currency, isoDate, LIMITS, longText, name, unit } from '@/platform/formats/fields';

/** February, and a month of 31 days. */
const SHORTEST_MONTH = 672;
const LONGEST_MONTH = 744;

const months = z.int().min(1).max(120);

export const regionSchema = z.strictObject({
  code,
  name,
  country: name,
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  area: name.optional(),
  carbon: z.number().min(0).max(3000).nullable(),
  /** Name of the price band by kind. */
  bands: z.partialRecord(z.enum(KIND_CODES), name).optional(),
});

export const offerSchema = z.strictObject({
  sku: code,
  kind: z.enum(KIND_CODES),
  name,
  family: z.string().max(LIMITS.name),
  processor: z.string().max(LIMITS.name),
  vcpu: amountText.nullable(),
  memory: amountText.nullable(),
  burstable: z.boolean(),
  lifecycle: z.enum(['current', 'retiring', 'announced']),
  retires: isoDate.nullable(),
  replacedBy: code.nullable(),
  note: longText,
  gpu: amountText.nullable().optional(),
  service: z.string().max(LIMITS.name).optional(),
  capabilities: z.array(code).max(40).optional(),
  attributes: z.record(code, name).optional(),
  limits: z
    .strictObject({
      vcpuLeast: amountText,
      vcpuMost: amountText,
      memoryPerVcpuLeast: amountText,
      memoryPerVcpuMost: amountText,
    })
    .nullable()
    .optional(),
  grants: z
    .array(z.strictObject({ sku: code, meter: code, amount: amountText, unit }))
    .max(20)
    .optional(),
});

export const rateTerm = z.enum(RATE_TERMS as [RateTerm, ...RateTerm[]]);

export const rateSchema = z.strictObject({
  sku: code,
  region: code,
  meter: code,
  term: rateTerm,
  unit,
  charge,
  upfront: amountText.nullable(),
  allowance: amountText.nullable(),
  pool: z.enum(['component', 'region', 'provider', 'workspace']),
  allowanceMonths: months.nullable().optional(),
  increment: z.strictObject({ step: amountText, unit, least: amountText.nullable() }).nullable().optional(),
  minimums: z
    .strictObject({
      each: amountText.nullable(),
      count: amountText.nullable(),
      total: amountText.nullable(),
      keptDays: amountText.nullable(),
    })
    .nullable()
    .optional(),
  basis: z.enum(['consumed', 'set-aside']).optional(),
  sustained: z
    .array(z.strictObject({ upTo: shareText, multiplier: amountText }))
    .min(1)
    .max(12)
    .nullable()
    .optional(),
  monthlyCap: amountText.nullable().optional(),
  range: z.strictObject({ low: amountText, high: amountText }).nullable().optional(),
  early: z
    .discriminatedUnion('rule', [
      z.strictObject({ rule: z.literal('rest-due') }),
      z.strictObject({ rule: z.literal('fee'), share: shareText }),
      z.strictObject({ rule: z.literal('re-rate') }),
    ])
    .nullable()
    .optional(),
  overage: amountText.nullable().optional(),
});

/** Addresses under `books` that are no book. */
const TAKEN: ReadonlySet<string> = new Set(['import']);

export const bookSchema = z.strictObject({
  key: code.refine((key) => !TAKEN.has(key), 'is taken by the application; choose another key'),
  title: name,
  provider: name,
  currency,
  monthHours: amountText.refine(
    (text) => Number(text) >= SHORTEST_MONTH && Number(text) <= LONGEST_MONTH,
    `must be between ${SHORTEST_MONTH} and ${LONGEST_MONTH} hours, the shortest and the longest month`,
  ),
});
export const revisionSchema = z.strictObject({
  number: z.int().min(1).max(1_000_000),
  effective: isoDate,
  source: longText,
});

export const MOST_REGIONS = 500;
export const MOST_OFFERS = 200_000;

export const priceBookSchema = z.strictObject({
  format: z.literal('wick-price-book'),
  version: z.literal(1),
  book: bookSchema,
  revision: revisionSchema,
  regions: z.array(regionSchema).min(1).max(MOST_REGIONS),
  offers: z.array(offerSchema).min(1).max(MOST_OFFERS),
  rates: z.array(rateSchema).min(1).max(LIMITS.rates),
});

export type PriceBookFile = z.infer<typeof priceBookSchema>;
export type RateRow = PriceBookFile['rates'][number];
export type OfferRow = PriceBookFile['offers'][number];
export type RegionRow = PriceBookFile['regions'][number];

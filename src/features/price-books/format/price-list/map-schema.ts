/** How any price list is read, as a file: which column is what, which rows are which meter. YAML or JSON. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import { RATE_TERMS, type RateTerm } from '@/engine/terms';
import type { Checked } from '@/platform/formats/faults';
import { amountText, code, currency, isoDate, LIMITS, longText, name, unit } from '@/platform/formats/fields';
import { readYaml } from '@/features/review/format/review/yaml-file';

const heading = z.string().min(1).max(500);
const pattern = z.string().min(1).max(500);
const number = z.union([z.string(), z.number()]).transform(String).pipe(amountText);

/** What a column can be. `tierFrom` is where a tier begins, `tierUpTo` where it ends; one of them is enough. */
export const LIST_COLUMNS = [
  'offer',
  'name',
  'region',
  'meter',
  'unit',
  'price',
  'term',
  'upfront',
  'allowance',
  'tierFrom',
  'tierUpTo',
  'currency',
  'service',
] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number];

const when = z
  .partialRecord(z.enum(LIST_COLUMNS), pattern)
  .refine((all) => Object.keys(all).length > 0, 'must say at least one thing; it would take every row');

const lines = z.strictObject({
  when,
  kind: z.enum(KIND_CODES),
  meter: code,
  /** Where the list's own unit says too little. */
  unit: unit.optional(),
  vcpu: number.optional(),
  memory: number.optional(),
  family: z.string().max(LIMITS.name).optional(),
  pool: z.enum(['component', 'region', 'provider', 'workspace']).optional(),
  tiers: z.enum(['graduated', 'volume']).optional(),
});

const region = z.strictObject({
  code,
  name: name.optional(),
  country: name,
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
});

const columns = z
  .partialRecord(z.enum(LIST_COLUMNS), heading)
  .refine(
    ({ offer, price }) => offer !== undefined && price !== undefined,
    'must say which column the offer is in, and which the price',
  );

const always = z.partialRecord(z.enum(LIST_COLUMNS), z.string().max(500));

export const priceListMapSchema = z.strictObject({
  wick: z.literal('price-list'),
  version: z.literal(1),
  title: name.optional(),
  book: z.strictObject({
    ...{ key: code, title: name, provider: name, currency },
    monthHours: number.optional(),
    revision: z.int().min(1).max(1_000_000),
    effective: isoDate,
    source: longText.optional(),
  }),
  /** Of a workbook; absent: its first one that has the headings. */
  sheet: name.optional(),
  /** How numbers are written: 1,234.50 or 1.234,50. */
  decimals: z.enum(['point', 'comma']).optional(),
  columns,
  /** What no column says and is the same in every row. */
  always: always.optional(),
  /** By what the list calls them. */
  regions: z.record(z.string().max(500), region),
  /** Words of the list for units, terms. */
  units: z.record(z.string().max(500), z.string().max(200)).optional(),
  terms: z.record(z.string().max(500), z.enum(RATE_TERMS as [RateTerm, ...RateTerm[]])).optional(),
  /** Rows that are left out on purpose. */
  skip: z.array(z.strictObject({ when })).max(500).optional(),
  /** The first that fits says what a row is. */
  lines: z.array(lines).min(1).max(2000),
});

export type PriceListMap = z.infer<typeof priceListMapSchema>;

export function readPriceListMap(text: string): Checked<PriceListMap> {
  return readYaml(text, priceListMapSchema);
}

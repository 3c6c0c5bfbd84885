/** The parts that a design file and the edits of a design have in common. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import { chargeFaults } from '@/engine/rates';
import { shareText } from '@/features/price-books/format/charge';
import { component, place } from './component';
import {
  amountText,
  amountUpTo,
  code,
  currency,
  isoDate,
  LIMITS,
  name,
  term,
  unit,
} from '@/platform/formats/fields';
import { drivers, together } from './drivers';
import { kept } from '@/features/saved-questions/format/kept';
import { plainCasedOf } from './use-fields';

export const id = code;

export const section = z.strictObject({
  id,
  name,
  place: place.nullable().optional(),
  components: z.array(component).max(LIMITS.components),
});

export const month = z.union([
  z.strictObject({ hours: z.enum(['730', '720', '744', 'book']) }),
  z.strictObject({
    hours: z.literal('calendar'),
    year: z.int().min(2000).max(2100),
    month: z.int().min(1).max(12),
  }),
]);

const exchangeRate = amountText.refine(
  (text) => !(Number(text) < 1e-9 || Number(text) > 1e9),
  'must be above zero: from 0.000000001 to 1000000000',
);

/** Of a month; doubling it is taken, more is a percentage that was meant otherwise. */
const monthlyGrowth = plainCasedOf(
  amountUpTo(1, 'must be a share of at most 1 (100 % a month); 15 % is written 0.15'),
);
const shareOnTop = amountUpTo(10, 'must be a share of at most 10 (1 000 %); 20 % is written 0.2');

export const exchange = z
  .array(
    z.strictObject({
      from: currency,
      to: currency,
      rate: exchangeRate,
      date: isoDate,
    }),
  )
  .max(200);

export const bookPins = z.array(z.strictObject({ book: code, revision: z.int().min(1) })).max(200);

const monthNumber = z.int().min(1).max(120);

export const ASSUMPTION_FIELDS = {
  month,
  countAllowances: z.boolean(),
  exchange,
  allowanceShare: shareText,
  residence: name,
  start: z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/, 'must be a month like 2027-01'),
  growth: z.strictObject({ traffic: monthlyGrowth, stock: monthlyGrowth }),
  season: z
    .array(amountUpTo(1000, 'must be at most a thousand times'))
    .length(12, 'must be twelve multipliers, January first'),
  campaigns: z
    .array(
      z.strictObject({ month: monthNumber, times: amountUpTo(10_000, 'must be at most ten thousand times') }),
    )
    .max(60),
  contingency: shareOnTop,
  tax: shareOnTop,
  horizon: monthNumber,
  budget: amountText,
  drivers,
  together,
  kept,
} as const;

export const assumptions = z.strictObject(ASSUMPTION_FIELDS).partial({
  allowanceShare: true,
  residence: true,
  start: true,
  growth: true,
  season: true,
  campaigns: true,
  contingency: true,
  tax: true,
  horizon: true,
  budget: true,
  drivers: true,
  together: true,
  kept: true,
});

const codes = z.array(code).max(500);

/** A fixed price replaces that of one meter under one way of paying, in a unit of its own if it says so. */
const FIXED = { meter: code, unit: unit.optional(), term: term.optional() } as const;

const agreedTiers = z
  .array(z.strictObject({ upTo: amountText.nullable(), price: amountText }))
  .min(1)
  .max(50)
  .superRefine((tiers, context) => {
    for (const { path, message } of chargeFaults({ structure: 'graduated', tiers }, '')) {
      const [, at, field] = /\[(\d+)\]\.(\w+)$/.exec(path) ?? [];
      context.addIssue({ code: 'custom', path: at && field ? [Number(at), field] : [], message });
    }
  });

export const agreements = z
  .array(
    z
      .strictObject({
        id,
        name,
        covers: z.strictObject({
          books: codes,
          categories: z.array(name).max(50),
          kinds: z.array(z.enum(KIND_CODES)).max(KIND_CODES.length),
          skus: codes,
        }),
        from: isoDate.nullable(),
        to: isoDate.nullable(),
        discount: z
          .discriminatedUnion('by', [
            z.strictObject({ by: z.literal('share'), share: shareText }),
            z.strictObject({ by: z.literal('price'), price: amountText, ...FIXED }),
            z.strictObject({ by: z.literal('tiers'), tiers: agreedTiers, ...FIXED }),
          ])
          .nullable(),
        margin: amountUpTo(100, 'must be a share of at most 100; 20 % is written 0.2').nullable(),
      })
      .refine(({ from, to }) => !from || !to || to >= from, {
        path: ['to'],
        message: 'must not be before it begins',
      }),
  )
  .max(200);

export const CHECK_ANSWER = { check: code, subject: z.union([id, z.literal('')]), reason: name } as const;

/** What a component uses, as files and edits write it: cased values, quantities, running patterns, loads. */
import { z } from 'zod';
import { Decimal } from '@/core/base';
import { isDrawnWeek } from '@/core/usage';
import { amountText, unit } from './fields';

export const wholeText = amountText.refine(
  (text) => /^\d{1,7}$/.test(text) && Number(text) <= 1_000_000,
  'must be a whole number up to 1000000',
);

const casedOf = (value: typeof amountText) =>
  z.strictObject({ likely: value, lean: value.optional(), heavy: value.optional() });

export const cased = casedOf(amountText);
export const casedCount = casedOf(wholeText);

const sized = z.strictObject({ amount: cased, unit });

export const usageEntry = z
  .strictObject({
    amount: cased,
    unit,
    sizes: z
      .array(z.strictObject({ count: wholeText, amount: amountText }))
      .min(1)
      .max(2000)
      .optional(),
    each: sized.optional(),
    setAside: cased.optional(),
    keptDays: cased.optional(),
  })
  .refine(
    ({ sizes, amount }) => {
      if (!sizes) return true;
      const total = sizes.reduce(
        (sum, row) => sum.plus(new Decimal(row.count).times(row.amount)),
        new Decimal(0),
      );
      return total.equals(amount.likely) && amount.lean === undefined && amount.heavy === undefined;
    },
    { path: ['amount'], message: 'must be the sum of its sizes, without lean and heavy' },
  );

const days = z.array(z.int().min(0).max(6)).max(7);
const fromHour = z.int().min(0).max(23);

export const running = z.discriminatedUnion('pattern', [
  z.strictObject({ pattern: z.literal('always') }),
  z.strictObject({ pattern: z.literal('hours'), hoursPerMonth: cased }),
  z.strictObject({ pattern: z.literal('days'), hoursPerDay: cased, daysPerMonth: cased }),
  z.strictObject({ pattern: z.literal('weekdays'), hoursPerDay: cased, daysPerWeek: cased }),
  z.strictObject({
    pattern: z.literal('week'),
    days: z
      .array(z.string().max(24))
      .refine(isDrawnWeek, 'must be seven days from Monday, each of 24 characters “#” (runs) or “.”'),
  }),
  z.strictObject({
    pattern: z.literal('asleep'),
    share: cased,
    wakeUps: cased.optional(),
    idleMinutes: cased.optional(),
  }),
  z.strictObject({ pattern: z.literal('runs'), perMonth: cased, minutesEach: cased }),
  z.strictObject({
    pattern: z.literal('peaks'),
    baseline: cased,
    peak: cased,
    days,
    from: fromHour,
    hours: cased,
  }),
  z.strictObject({ pattern: z.literal('autoscale'), floor: cased, ceiling: cased, carries: cased }),
]);

export const load = z.strictObject({
  rate: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('requests'), perSecond: cased }),
    z.strictObject({ by: z.literal('viewers'), viewers: cased, refreshSeconds: cased }),
  ]),
  peak: z.strictObject({ times: cased, days, from: fromHour, hours: cased }).nullable().optional(),
  secondsEach: cased.nullable().optional(),
  requestSize: sized.nullable().optional(),
  replySize: sized.nullable().optional(),
  requestsPerConnection: cased.nullable().optional(),
});

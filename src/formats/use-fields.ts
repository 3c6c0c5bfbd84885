/** What a component uses, as files and edits write it: cased values, quantities, running patterns, loads. */
import { z } from 'zod';
import { Decimal } from '@/core/base';
import { isDrawnWeek } from '@/core/usage';
import { amountText, positiveText, unit } from './fields';

export const wholeText = amountText.refine(
  (text) => /^\d{1,7}$/.test(text) && Number(text) <= 1_000_000,
  'must be a whole number up to 1000000',
);

const casedOf = (value: typeof amountText) =>
  z.strictObject({ likely: value, lean: value.optional(), heavy: value.optional() });

export const cased = casedOf(amountText);

/** Where more is heavier: lean is not above likely, and likely not above heavy. */
function rising<T extends typeof cased>(schema: T): T {
  return schema.superRefine(({ lean, likely, heavy }, context) => {
    const above = (a: string | undefined, b: string | undefined): boolean =>
      a !== undefined && b !== undefined && new Decimal(a).greaterThan(b);
    const refuse = (path: string, message: string): void =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (above(lean, likely)) refuse('lean', `must not be above likely (${likely})`);
    if (above(likely, heavy)) refuse('heavy', `must not be below likely (${likely})`);
    else if (above(lean, heavy)) refuse('lean', `must not be above heavy (${heavy})`);
  }) as T;
}

export const risingCased = rising(cased);
export const casedCount = rising(casedOf(wholeText));

const sized = z.strictObject({ amount: cased, unit });

export const usageEntry = z
  .strictObject({
    amount: risingCased,
    unit,
    sizes: z
      .array(z.strictObject({ count: wholeText, amount: positiveText }))
      .min(1)
      .max(2000)
      .optional(),
    each: sized.optional(),
    setAside: risingCased.optional(),
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

/** Of a day: a window of more hours would overlap itself. */
const hoursOfDay = casedOf(amountText.refine((text) => Number(text) <= 24, 'a day has 24 hours'));

const CASES = ['lean', 'likely', 'heavy'] as const;
type CasedText = z.infer<typeof cased>;

/** In every case the first is not above the second. */
function ordered(low: CasedText, high: CasedText): boolean {
  const read = (value: CasedText, which: (typeof CASES)[number]): string => value[which] ?? value.likely;
  return CASES.every((which) => !new Decimal(read(low, which)).greaterThan(read(high, which)));
}

export const running = z.discriminatedUnion('pattern', [
  z.strictObject({ pattern: z.literal('always') }),
  z.strictObject({ pattern: z.literal('hours'), hoursPerMonth: cased }),
  z.strictObject({ pattern: z.literal('days'), hoursPerDay: hoursOfDay, daysPerMonth: cased }),
  z.strictObject({ pattern: z.literal('weekdays'), hoursPerDay: hoursOfDay, daysPerWeek: cased }),
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
  z
    .strictObject({
      pattern: z.literal('peaks'),
      baseline: cased,
      peak: cased,
      days,
      from: fromHour,
      hours: hoursOfDay,
    })
    .refine(({ baseline, peak }) => ordered(baseline, peak), {
      path: ['peak'],
      message: 'must not be below the baseline, in any case',
    }),
  z
    .strictObject({ pattern: z.literal('autoscale'), floor: cased, ceiling: cased, carries: cased })
    .refine(({ floor, ceiling }) => ordered(floor, ceiling), {
      path: ['ceiling'],
      message: 'must not be below the floor, in any case',
    }),
]);

export const load = z.strictObject({
  rate: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('requests'), perSecond: risingCased }),
    z.strictObject({ by: z.literal('viewers'), viewers: risingCased, refreshSeconds: cased }),
  ]),
  peak: z.strictObject({ times: cased, days, from: fromHour, hours: hoursOfDay }).nullable().optional(),
  secondsEach: cased.nullable().optional(),
  requestSize: sized.nullable().optional(),
  replySize: sized.nullable().optional(),
  requestsPerConnection: cased.nullable().optional(),
});

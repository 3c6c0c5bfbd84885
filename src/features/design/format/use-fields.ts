/** What a component uses, as files and edits write it: cased values, quantities, running patterns, loads. */
import { z } from 'zod';
import { Decimal, parseDecimal } from '@/engine/base';
import { sentenceFor } from '@/platform/words';
import { LONGEST_FORMULA, parseFormula } from '@/engine/drivers';
import { isDrawnWeek } from '@/engine/usage';
import { amountText, amountUpTo, positiveText, unit } from '@/platform/formats/fields';

export const wholeText = amountText.refine(
  (text) => /^\d{1,7}$/.test(text) && Number(text) <= 1_000_000,
  'must be a whole number up to 1000000',
);

/** A formula over the drivers of the design; whether it gives anything is said where it is looked at. */
const formula = z
  .string()
  .trim()
  .min(1, 'a formula must not be empty')
  .max(LONGEST_FORMULA, `a formula has at most ${LONGEST_FORMULA} characters`)
  .superRefine((text, context) => {
    const read = parseFormula(text);
    if (!read.ok) context.addIssue({ code: 'custom', message: sentenceFor(read.issue) });
  });

export const plainCasedOf = (value: typeof amountText) =>
  z.strictObject({ likely: value, lean: value.optional(), heavy: value.optional() });

/** An entry that may follow a formula. */
export const casedOf = (value: typeof amountText) =>
  z.strictObject({
    likely: value,
    lean: value.optional(),
    heavy: value.optional(),
    formula: formula.optional(),
  });

export const cased = casedOf(amountText);
export const plainCased = plainCasedOf(amountText);

/** Is the first more? What is no number, or is not there, is refused elsewhere and is not above anything. */
function above(a: string | undefined, b: string | undefined): boolean {
  const [left, right] = [parseDecimal(a ?? ''), parseDecimal(b ?? '')];
  return left.ok && right.ok && left.value.greaterThan(right.value);
}

/** Where more is heavier: lean is not above likely, and likely not above heavy. */
function rising<T extends typeof cased | typeof plainCased>(schema: T): T {
  return (schema as typeof cased).superRefine(({ lean, likely, heavy, formula: follows }, context) => {
    // What follows a driver may well fall where the driver rises.
    if (follows !== undefined) return;
    const refuse = (path: string, message: string): void =>
      context.addIssue({ code: 'custom', path: [path], message });
    if (above(lean, likely)) refuse('lean', `must not be above likely (${likely})`);
    if (above(likely, heavy)) refuse('heavy', `must not be below likely (${likely})`);
    else if (above(lean, heavy)) refuse('lean', `must not be above heavy (${heavy})`);
  }) as unknown as T;
}

export const risingCased = rising(cased);
export const risingPlainCased = rising(plainCased);
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
    keptDays: casedOf(amountUpTo(36_500, 'a hundred years at most: 36500 days')).optional(),
  })
  .refine(
    ({ sizes, amount }) => {
      if (!sizes) return true;
      const read = [amount.likely, ...sizes.flatMap((row) => [row.count, row.amount])].map((text) =>
        parseDecimal(text),
      );
      // What is no number is refused where it stands.
      if (read.some((each) => !each.ok)) return true;
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
const hoursOfDay = casedOf(amountUpTo(24, 'a day has 24 hours'));
const hoursOfMonth = casedOf(amountUpTo(744, 'a month has at most 744 hours'));
const daysOfMonth = casedOf(amountUpTo(31, 'a month has at most 31 days'));
const daysOfWeek = casedOf(amountUpTo(7, 'a week has 7 days'));
const shareOfTime = casedOf(amountUpTo(1, 'must be a share between 0 and 1'));
const minutesOfMonth = casedOf(amountUpTo(44_640, 'a month has at most 44640 minutes'));
/** Units that run at once. */
const manyUnits = casedOf(amountUpTo(1_000_000, 'at most 1000000 units'));
const often = casedOf(amountUpTo(1e12, 'at most a million million'));
const seconds = casedOf(amountUpTo(31_536_000, 'a year at most: 31536000 seconds'));

const CASES = ['lean', 'likely', 'heavy'] as const;
type CasedText = z.infer<typeof cased>;

/** In every case the first is not above the second. */
function ordered(low: CasedText, high: CasedText): boolean {
  const read = (value: CasedText, which: (typeof CASES)[number]): string => value[which] ?? value.likely;
  return CASES.every((which) => !above(read(low, which), read(high, which)));
}

export const running = z.discriminatedUnion('pattern', [
  z.strictObject({ pattern: z.literal('always') }),
  z.strictObject({ pattern: z.literal('hours'), hoursPerMonth: hoursOfMonth }),
  z.strictObject({ pattern: z.literal('days'), hoursPerDay: hoursOfDay, daysPerMonth: daysOfMonth }),
  z.strictObject({ pattern: z.literal('weekdays'), hoursPerDay: hoursOfDay, daysPerWeek: daysOfWeek }),
  z.strictObject({
    pattern: z.literal('week'),
    days: z
      .array(z.string().max(24))
      .refine(isDrawnWeek, 'must be seven days from Monday, each of 24 characters “#” (runs) or “.”'),
  }),
  z.strictObject({
    pattern: z.literal('asleep'),
    share: shareOfTime,
    wakeUps: often.optional(),
    idleMinutes: minutesOfMonth.optional(),
  }),
  z.strictObject({ pattern: z.literal('runs'), perMonth: often, minutesEach: minutesOfMonth }),
  z
    .strictObject({
      pattern: z.literal('peaks'),
      baseline: manyUnits,
      peak: manyUnits,
      days,
      from: fromHour,
      hours: hoursOfDay,
    })
    .refine(({ baseline, peak }) => ordered(baseline, peak), {
      path: ['peak'],
      message: 'must not be below the baseline, in any case',
    }),
  z
    .strictObject({ pattern: z.literal('autoscale'), floor: manyUnits, ceiling: manyUnits, carries: often })
    .refine(({ floor, ceiling }) => ordered(floor, ceiling), {
      path: ['ceiling'],
      message: 'must not be below the floor, in any case',
    }),
]);

export const load = z.strictObject({
  rate: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('requests'), perSecond: rising(often) }),
    z.strictObject({ by: z.literal('viewers'), viewers: rising(often), refreshSeconds: seconds }),
  ]),
  peak: z
    .strictObject({
      times: casedOf(amountUpTo(10_000, 'at most ten thousand times')),
      days,
      from: fromHour,
      hours: hoursOfDay,
    })
    .nullable()
    .optional(),
  secondsEach: seconds.nullable().optional(),
  requestSize: sized.nullable().optional(),
  replySize: sized.nullable().optional(),
  requestsPerConnection: often.nullable().optional(),
});

/** How a report is asked for: `variant`, `until`, `agreements`, `months`, `beside` as they stand in an address. */
import { z } from 'zod';
import { BESIDES, type ReportOptions } from '@/features/report/calc';

const schema = z
  .object({
    variant: z.enum(['full', 'quotation']).default('full'),
    until: z.iso.date().optional(),
    agreements: z.literal('1').optional(),
    months: z.literal('1').optional(),
    beside: z
      .string()
      .transform((text) => text.split(','))
      .pipe(z.array(z.enum(BESIDES)).max(BESIDES.length))
      .optional(),
  })
  .transform(({ variant, until, agreements, months, beside }): ReportOptions => {
    const quotation = variant === 'quotation';
    return {
      variant,
      validUntil: quotation ? (until ?? null) : null,
      withAgreements: !quotation && agreements === '1',
      ...(months === '1' ? { byMonth: true } : {}),
      ...(beside && !quotation ? { beside: BESIDES.filter((each) => beside.includes(each)) } : {}),
    };
  });

/** Null: one of them is not what it should be. */
export function readReportOptions(given: Readonly<Record<string, unknown>>): ReportOptions | null {
  const read = schema.safeParse(given);
  return read.success ? read.data : null;
}

export function writeReportOptions(options: ReportOptions): string {
  const { variant, validUntil, withAgreements, byMonth, beside = [] } = options;
  const query = new URLSearchParams();
  if (variant !== 'full') query.set('variant', variant);
  if (validUntil) query.set('until', validUntil);
  if (withAgreements) query.set('agreements', '1');
  if (byMonth) query.set('months', '1');
  if (beside.length > 0) query.set('beside', beside.join(','));
  return query.toString();
}

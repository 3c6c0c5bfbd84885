/** How a report is asked for: `variant`, `until`, `agreements`, `months` as they stand in an address. */
import { z } from 'zod';
import type { ReportOptions } from '@/core/report';

const schema = z
  .object({
    variant: z.enum(['full', 'quotation']).default('full'),
    until: z.iso.date().optional(),
    agreements: z.literal('1').optional(),
    months: z.literal('1').optional(),
  })
  .transform(({ variant, until, agreements, months }): ReportOptions => {
    const quotation = variant === 'quotation';
    return {
      variant,
      validUntil: quotation ? (until ?? null) : null,
      withAgreements: !quotation && agreements === '1',
      ...(months === '1' ? { byMonth: true } : {}),
    };
  });

/** Null: one of them is not what it should be. */
export function readReportOptions(given: Readonly<Record<string, unknown>>): ReportOptions | null {
  const read = schema.safeParse(given);
  return read.success ? read.data : null;
}

export function writeReportOptions({ variant, validUntil, withAgreements, byMonth }: ReportOptions): string {
  const query = new URLSearchParams();
  if (variant !== 'full') query.set('variant', variant);
  if (validUntil) query.set('until', validUntil);
  if (withAgreements) query.set('agreements', '1');
  if (byMonth) query.set('months', '1');
  return query.toString();
}

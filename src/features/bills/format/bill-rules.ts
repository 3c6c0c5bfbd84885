/** Rules that put what is billed to the components of a design, as a file: YAML or JSON. */
import { z } from 'zod';
import type { BillRule } from '@/features/bills/calc';
import type { Checked } from '@/platform/formats/faults';
import { amountText, code, name } from '@/platform/formats/fields';
import { readYaml } from '@/features/review/format/review/yaml-file';

const pattern = z.string().min(1).max(500);

const when = z
  .strictObject({
    service: pattern.optional(),
    sku: pattern.optional(),
    meter: pattern.optional(),
    region: pattern.optional(),
    account: pattern.optional(),
    resource: pattern.optional(),
    text: pattern.optional(),
    category: pattern.optional(),
    tag: z.strictObject({ key: pattern, value: pattern.optional() }).optional(),
  })
  .refine((all) => Object.keys(all).length > 0, 'must say at least one thing; it would take every row');

const parts = z
  .union([z.string(), z.number()])
  .transform(String)
  .pipe(amountText.refine((text) => Number(text) > 0, 'must be above zero'));

const rule = z.strictObject({
  id: code,
  when,
  to: z.union([
    name,
    z
      .array(z.strictObject({ component: name, parts }))
      .min(1)
      .max(100),
  ]),
  meter: name.optional(),
});

export const billRulesSchema = z
  .strictObject({
    wick: z.literal('bill-rules'),
    version: z.literal(1),
    title: name.optional(),
    rules: z.array(rule).max(2000),
  })
  .superRefine(({ rules }, context) => {
    const seen = new Set<string>();
    rules.forEach(({ id }, at) => {
      if (seen.has(id))
        context.addIssue({ code: 'custom', path: ['rules', at, 'id'], message: `“${id}” stands twice` });
      seen.add(id);
    });
  });

export function readBillRules(text: string): Checked<readonly BillRule[]> {
  const read = readYaml(text, billRulesSchema);
  return read.ok ? { ok: true, value: read.value.rules as readonly BillRule[] } : read;
}

/** A component as files and edits write it, and what its kind allows. */
import { z } from 'zod';
import { chargeFaults } from '@/engine/rates';
import { KIND_CODES } from '@/engine/books';
import { type Component, type ComponentField, kindFaults } from '@/engine/design';
import { charge, shareText } from '@/features/price-books/format/charge';
import { amountText, amountUpTo, code, name, term, unit } from '@/platform/formats/fields';
import { cased, casedCount, casedOf, load, plainCased, running, usageEntry } from './use-fields';

export const need = z.strictObject({
  vcpu: amountText,
  memory: amountText,
  countedIn: z.literal('thread').optional(),
  family: name.optional(),
  processor: name.optional(),
  allowBurstable: z.boolean().optional(),
  allowRetiring: z.boolean().optional(),
  gpu: amountText.optional(),
  capabilities: z.array(code).max(20).optional(),
  attributes: z.record(code, name).optional(),
});

export const choice = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('none') }),
  z.strictObject({ by: z.literal('sku'), sku: code }),
  z.strictObject({ by: z.literal('cheapest'), need }),
]);

export const place = z.strictObject({ book: code, region: code });

const sized = casedOf(amountUpTo(1_000_000, 'at most 1000000'));

export const size = z.strictObject({ vcpu: sized, memory: sized, gpu: sized.optional() });

export const licences = z
  .array(
    z.strictObject({ product: code, how: z.enum(['included', 'brought']), ownYearly: plainCased.optional() }),
  )
  .max(20);

const month = z.int().min(1).max(120);

export const months = z
  .strictObject({ from: month, to: month.nullable() })
  .refine(({ from, to }) => to === null || to >= from, 'must not end before it begins');

export const custom = z
  .array(
    z.strictObject({
      label: name,
      unit,
      amount: cased,
      charge,
      allowance: amountText.optional(),
    }),
  )
  .max(40)
  .superRefine((rows, context) => {
    rows.forEach((row, index) => {
      if (row.charge.structure === 'share-of-spend' || row.charge.structure === 'greatest-of') {
        const message = 'an own line has no load and no spend to look at; choose another structure';
        context.addIssue({ code: 'custom', path: [index, 'charge', 'structure'], message });
      }
      if (row.charge.structure === 'stepped' && row.allowance !== undefined) {
        const message = 'stepped fees have no quantity that an allowance could reduce';
        context.addIssue({ code: 'custom', path: [index, 'allowance'], message });
      }
      for (const fault of chargeFaults(row.charge, 'charge')) {
        context.addIssue({ code: 'custom', path: [index, fault.path], message: fault.message });
      }
    });
  });

export const later = z.array(z.strictObject({ fromMonth: month, amount: amountText })).max(60);

export const zones = z.int().min(1).max(12);

export const guesses = z.array(z.string().min(1).max(120)).max(60);

/** A share of one, in every case. */
export const allocated = z.strictObject({
  likely: shareText,
  lean: shareText.optional(),
  heavy: shareText.optional(),
});

export const origin = name;

export const tags = z.record(name, z.string().max(256)).refine((all) => Object.keys(all).length <= 50, {
  message: 'a line has at most 50 tags',
});

/** Of each field that an edit may set; null takes away what may be missing. */
export const COMPONENT_PARTS = {
  name,
  count: casedCount,
  place: place.nullable(),
  choice,
  running,
  term,
  size: size.nullable(),
  load: load.nullable(),
  zones: zones.nullable(),
  committed: casedCount.nullable(),
  mayBeStopped: z.boolean().nullable(),
  licences: licences.nullable(),
  months: months.nullable(),
  custom: custom.nullable(),
  later: later.nullable(),
  allocated: allocated.nullable(),
  guesses: guesses.nullable(),
  measured: guesses.nullable(),
  origin: origin.nullable(),
  tags: tags.nullable(),
} as const satisfies Record<ComponentField, z.ZodType>;

const {
  name: _,
  count,
  place: where,
  choice: chosen,
  running: runs,
  term: paid,
  ...mayBeMissing
} = COMPONENT_PARTS;

export const component = z
  .strictObject({
    id: code,
    name,
    kind: z.enum(KIND_CODES),
    count,
    place: where,
    choice: chosen,
    running: runs,
    usage: z.record(code, usageEntry),
    term: paid,
    ...z.object(mayBeMissing).partial().shape,
  })
  .superRefine((value, context) => {
    for (const { path, message } of kindFaults(value as Component)) {
      context.addIssue({ code: 'custom', path: [...path], message });
    }
  });

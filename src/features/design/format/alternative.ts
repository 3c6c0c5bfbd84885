/** Alternatives of a design, as files and edits write them. */
import { z } from 'zod';
import type { Alternative, Change } from '@/engine/design';
import { designEditSchema } from './design-edit';
import { id } from './design-parts';
import { amountUpTo, code, LIMITS, longText, name, term } from '@/platform/formats/fields';

export const MOST_ALTERNATIVES = 24;
const MOST_CHANGES = 1000;

const scope = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('all') }),
  z.strictObject({ of: z.literal('section'), id }),
  z.strictObject({
    of: z.literal('lines'),
    ids: z.array(id).min(1, 'must name at least one line').max(LIMITS.components),
  }),
]);

const revision = z.int().min(1);

export const changeSchema: z.ZodType<Change> = z.discriminatedUnion('change', [
  z.strictObject({ change: z.literal('edit'), edit: designEditSchema }),
  z.strictObject({
    change: z.literal('move'),
    what: scope,
    book: code,
    revision,
    region: code.nullable(),
    sameProcessor: z.boolean().optional(),
  }),
  z.strictObject({
    change: z.literal('size'),
    what: scope,
    allowBurstable: z.boolean().optional(),
    processor: name.optional(),
  }),
  z.strictObject({ change: z.literal('pay'), what: scope, term }),
  z.strictObject({ change: z.literal('licences'), what: scope, how: z.enum(['included', 'brought']) }),
  z.strictObject({
    change: z.literal('traffic'),
    what: scope,
    times: amountUpTo(10_000, 'must be at most ten thousand times').refine(
      (text) => !/\.\d{7}/.test(text),
      'must have at most 6 digits after the point',
    ),
  }),
  z.strictObject({ change: z.literal('leave-out'), what: scope }),
  z.strictObject({ change: z.literal('revision'), book: code, revision }),
]);

export const alternative: z.ZodType<Alternative> = z.strictObject({
  id,
  name,
  note: longText,
  changes: z.array(changeSchema).max(MOST_CHANGES),
});

export const alternatives = z.array(alternative).max(MOST_ALTERNATIVES);

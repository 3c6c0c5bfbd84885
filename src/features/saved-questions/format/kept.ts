/** Questions that are kept with a design, as files and edits write them. */
import { z } from 'zod';
import { MOST_KEPT, READY } from '@/engine/design';
import { TERMS } from '@/engine/terms';
import { amountText, code, name } from '@/platform/formats/fields';

const id = z.string().min(1).max(80);
const entry = z.string().min(1).max(120);
const term = z.enum(TERMS);
const sold = { book: code, region: code, sku: code } as const;

const along = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('traffic') }),
  z.strictObject({ of: z.literal('driver'), name: z.string().min(1).max(40) }),
  z.strictObject({ of: z.literal('entry'), line: id, entry }),
]);

const end = z.number().min(0).max(1e15);
const range = z
  .strictObject({ from: end, to: end, scale: z.enum(['linear', 'log']) })
  .refine(({ from, to }) => from < to, { path: ['to'], message: 'must be above where the range begins' })
  .refine(({ from, scale }) => scale === 'linear' || from > 0, {
    path: ['from'],
    message: 'a range by powers must begin above zero',
  });

const scope = z.discriminatedUnion('of', [
  z.strictObject({ of: z.literal('all') }),
  z.strictObject({ of: z.literal('section'), id }),
  z.strictObject({ of: z.literal('lines'), ids: z.array(id).min(1).max(1) }),
]);

const ask = z.discriminatedUnion('shows', [
  z.strictObject({
    shows: z.literal('curve'),
    along,
    range: range.nullable(),
    beside: z.array(id).max(50),
    of: scope,
  }),
  z.strictObject({
    shows: z.literal('ready'),
    ready: z.enum(READY),
    line: id,
    other: id.nullable(),
    entry: entry.nullable(),
  }),
  z.strictObject({
    shows: z.literal('draws'),
    seed: z.string().max(40),
    draws: z.int().min(100).max(100_000),
  }),
  z.strictObject({ shows: z.literal('units'), term }),
  z.strictObject({ shows: z.literal('every-hour'), ...sold, term, level: amountText.nullable() }),
  z.strictObject({ shows: z.literal('prepaid'), ...sold }),
]);

export const kept = z
  .array(z.strictObject({ id, name, ask }))
  .max(MOST_KEPT, `a design keeps at most ${MOST_KEPT} questions`)
  .superRefine((all, context) => {
    const ids = all.map((each) => each.id);
    ids.forEach((each, at) => {
      if (ids.indexOf(each) === at) return;
      context.addIssue({ code: 'custom', path: [at, 'id'], message: `the id “${each}” stands twice` });
    });
  });

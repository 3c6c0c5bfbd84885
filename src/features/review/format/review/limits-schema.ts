/** Limits as a file: YAML beside the code. */
import { z } from 'zod';
import { decimal } from '@/engine/base';
import { KIND_CODES } from '@/engine/books';
import type { Limit, Limits, Rule } from '@/features/review/calc';
import type { Checked } from '@/platform/formats/faults';
import { amountText, code, isoDate, name } from '@/platform/formats/fields';
import { readYaml } from './yaml-file';

const amount = z.union([z.string(), z.number()]).transform(String).pipe(amountText);

const most = z
  .strictObject({
    total: amount.optional(),
    difference: amount.optional(),
    percent: amount.optional(),
    upfront: amount.optional(),
    resource: amount.optional(),
  })
  .refine(
    (all) => Object.values(all).filter((each) => each !== undefined).length === 1,
    'must say one thing: total, difference, percent, upfront or resource',
  );

const patterns = z.array(name).min(1).max(200);

const not = z
  .strictObject({
    kinds: z.array(z.enum(KIND_CODES)).min(1).optional(),
    sizes: patterns.optional(),
    families: patterns.optional(),
  })
  .refine(
    (all) => Object.values(all).filter((each) => each !== undefined).length === 1,
    'must say one thing: kinds, sizes or families',
  );

const limit = z
  .strictObject({
    id: code,
    level: z.enum(['warn', 'fail']).default('fail'),
    say: name.optional(),
    most: most.optional(),
    not: not.optional(),
    only: z.strictObject({ regions: patterns }).optional(),
    tags: z.array(name).min(1).max(50).optional(),
    'all-priced': z.literal(true).optional(),
    budget: z.literal(true).optional(),
  })
  .refine(
    (each) =>
      [each.most, each.not, each.only, each.tags, each['all-priced'], each.budget].filter(
        (part) => part !== undefined,
      ).length === 1,
    'must say one thing: most, not, only, tags, all-priced or budget',
  );

const exception = z.strictObject({
  limit: code,
  address: name.optional(),
  reason: name,
  until: isoDate,
});

export const limitsSchema = z
  .strictObject({
    wick: z.literal('limits'),
    version: z.literal(1),
    title: name.optional(),
    limits: z.array(limit).max(200),
    exceptions: z.array(exception).max(1000).optional(),
  })
  .superRefine(({ limits, exceptions = [] }, context) => {
    const ids = new Set<string>();
    limits.forEach(({ id }, at) => {
      if (ids.has(id))
        context.addIssue({ code: 'custom', path: ['limits', at, 'id'], message: `“${id}” stands twice` });
      ids.add(id);
    });
    exceptions.forEach(({ limit: id }, at) => {
      if (!ids.has(id))
        context.addIssue({
          code: 'custom',
          path: ['exceptions', at, 'limit'],
          message: `there is no limit “${id}”`,
        });
    });
  });

export function readLimits(text: string): Checked<Limits> {
  const read = readYaml(text, limitsSchema);
  if (!read.ok) return read;
  const { title = '', limits, exceptions = [] } = read.value;
  return { ok: true, value: { title, limits: limits.map(limitOf), exceptions } };
}

type Written = z.infer<typeof limit>;

function limitOf({ id, level, say, ...rest }: Written): Limit {
  return { id, level, rule: ruleOf(rest), ...(say !== undefined && { say }) };
}

function ruleOf({ most: bound, not: kept, only, tags, budget }: Omit<Written, 'id' | 'level' | 'say'>): Rule {
  if (bound) {
    if (bound.percent !== undefined)
      return { is: 'bound', bound: { of: 'share', most: decimal(bound.percent).dividedBy(100).toString() } };
    const [of, amount] = Object.entries(bound).find(([, value]) => value !== undefined) as [
      'total' | 'difference' | 'upfront' | 'resource',
      string,
    ];
    return { is: 'bound', bound: { of, most: amount } };
  }
  if (kept?.kinds) return { is: 'not-kinds', kinds: kept.kinds };
  if (kept?.sizes) return { is: 'not-sizes', patterns: kept.sizes };
  if (kept?.families) return { is: 'not-families', patterns: kept.families };
  if (only) return { is: 'only-regions', patterns: only.regions };
  if (tags) return { is: 'tags', tags };
  return { is: budget ? 'budget' : 'all-priced' };
}

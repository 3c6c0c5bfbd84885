/** The extract of a plan as it is sent and kept: what resources are in the words of price books, and what a rule read. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import type { Extract, PlanAction } from '@/features/review/calc';
import { need } from '@/features/design/format/component';
import { longText, term } from '@/platform/formats/fields';
import { load, plainCased as cased, running, usageEntry } from '@/features/design/format/use-fields';

/** Of one extract that is sent: more is held against its limits on the command line. */
export const MOST_SENT_RESOURCES = 20_000;

/** An address with all its modules and keys. */
const address = z
  .string()
  .min(1)
  .max(2000)
  .regex(/^[^\u0000-\u001f\p{Cs}]*$/u, 'must stand on one line');
const short = z
  .string()
  .max(400)
  .regex(/^[^\u0000-\u001f\p{Cs}]*$/u, 'must stand on one line');
const part = short.nullable();
const attributes = z.array(short).max(200);

/** As the map gave it: a size or region that no book has is told when it is priced. */
const component = z.strictObject({
  id: z.string().min(1).max(2500),
  name: z.string().min(1).max(2500),
  kind: z.enum(KIND_CODES),
  count: cased,
  place: z.strictObject({ book: short.min(1), region: short.min(1) }).nullable(),
  choice: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('none') }),
    z.strictObject({ by: z.literal('sku'), sku: short.min(1) }),
    z.strictObject({ by: z.literal('cheapest'), need }),
  ]),
  running,
  usage: z.record(z.string().max(80), usageEntry),
  term,
  size: z.strictObject({ vcpu: cased, memory: cased, gpu: cased.optional() }).nullable().optional(),
  load: load.nullable().optional(),
});

const line = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('line'), part, component }),
  z.strictObject({ is: z.literal('unknown'), part, attributes, among: z.array(component).max(50) }),
  z.strictObject({ is: z.literal('secret'), part, attributes }),
  z.strictObject({ is: z.literal('fault'), part, message: longText }),
]);

const side = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('free'), why: longText }),
  z.strictObject({ is: z.literal('no-rule') }),
  z.strictObject({ is: z.literal('lines'), lines: z.array(line).max(500) }),
]);

const PLAN_ACTIONS = [
  'create',
  'update',
  'delete',
  'replace',
  'read',
  'unchanged',
  'moved',
  'import',
  'forget',
] as const satisfies readonly PlanAction[];

const kept = z.union([short, z.number(), z.boolean(), z.null()]);

const resource = z.strictObject({
  address,
  movedFrom: address.nullable(),
  module: z.string().max(2000),
  type: short.min(1),
  action: z.enum(PLAN_ACTIONS),
  under: address.nullable(),
  tags: z.record(short, short).nullable(),
  before: side.nullable(),
  after: side.nullable(),
  read: z.array(z.strictObject({ path: short, before: kept, after: kept, unknown: z.boolean() })).max(500),
});

export const extractSchema = z.strictObject({
  form: short,
  map: longText,
  resources: z.array(resource).max(MOST_SENT_RESOURCES),
  remarks: z.array(longText).max(1000),
}) satisfies z.ZodType<Extract>;

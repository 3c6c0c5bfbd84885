/** What is planned with an estate, as it is stored and sent. */
import { z } from 'zod';
import { type FleetPlan, READINESS_CODES } from '@/features/fleet/calc';
import { place } from '@/features/design/format/component';
import { agreements, bookPins, exchange } from '@/features/design/format/design-parts';
import { code, currency, name, term } from '@/platform/formats/fields';

const share = z.number().min(0).max(1);
/** As inventories write them: may be empty, on one line. */
const plainText = z
  .string()
  .max(400)
  .regex(/^[^\u0000-\u001f\u007f\p{Cs}]*$/u, 'must stand on one line, without control characters');
const words = z.array(plainText).max(500);
const between = z
  .strictObject({ from: z.number().min(0).max(1e9).optional(), to: z.number().min(0).max(1e9).optional() })
  .refine(({ from = 0, to = Infinity }) => from <= to, 'must not end before it begins');

export const machineFilter = z.strictObject({
  words: plainText.optional(),
  sets: z
    .strictObject({
      host: words.optional(),
      cluster: words.optional(),
      environment: words.optional(),
      system: words.optional(),
    })
    .optional(),
  ranges: z
    .strictObject({
      vcpu: between.optional(),
      memory: between.optional(),
      storage: between.optional(),
      peakCpu: between.optional(),
      peakMemory: between.optional(),
    })
    .optional(),
  tag: plainText.optional(),
  power: z.enum(['on', 'off', 'unknown']).optional(),
  kind: z.enum(['physical', 'virtual']).optional(),
  measured: z.enum(['yes', 'no']).optional(),
  ready: z.enum([...READINESS_CODES, 'ready']).optional(),
});

const sizingRule = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('installed') }),
  z.strictObject({ by: z.enum(['peak', 'usual']), headroom: z.number().min(0).max(5) }),
  z.strictObject({
    by: z.literal('target'),
    cpu: z.number().min(0.01).max(1),
    memory: z.number().min(0.01).max(1),
  }),
]);

const form = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('shared') }),
  z.strictObject({ by: z.literal('own-host') }),
  z.strictObject({
    by: z.literal('hosts'),
    cpuTimes: z.number().min(0.1).max(50),
    memoryTimes: z.number().min(0.1).max(10),
    storageRatio: z.number().min(1).max(50),
    spare: z.int().min(0).max(100),
  }),
]);

export const placementSchema = z.strictObject({
  id: code,
  name,
  places: z.array(place).min(1).max(40),
  form,
  rule: sizingRule,
  least: z.strictObject({ vcpu: z.number().min(0).max(1000), memory: z.number().min(0).max(10_000) }),
  allowed: z.strictObject({
    family: name.optional(),
    processor: name.optional(),
    allowBurstable: z.boolean().optional(),
    allowRetiring: z.boolean().optional(),
  }),
  disks: z.strictObject({
    by: z.enum(['used', 'allocated']),
    medium: z.enum(['solid state', 'magnetic', 'cheapest']),
    pooled: z.boolean(),
    fastFrom: z.number().min(0).max(1e9).nullable(),
    snapshots: z.number().min(0).max(10),
  }),
  leaving: share,
  licences: z.enum(['included', 'brought']),
  softwareLicences: z.enum(['included', 'brought']).optional(),
  term,
  withoutOff: z.boolean(),
  agreements: agreements.optional(),
});

const system = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('free') }),
  z.strictObject({ is: z.literal('licensed'), product: code }),
  z.strictObject({ is: z.literal('not-sold') }),
]);

export const fleetPlanSchema = z
  .strictObject({
    title: name,
    currency,
    exchange,
    books: bookPins,
    origin: plainText,
    systems: z.record(plainText, system),
    licences: z.record(plainText, system).optional(),
    limits: z.strictObject({ muchDisk: z.number().min(0).max(1e9) }),
    groups: z.array(z.strictObject({ id: code, name, filter: machineFilter })).max(100),
    placements: z.array(placementSchema).max(40),
  })
  .superRefine(({ groups, placements }, context) => {
    for (const [path, list] of [
      ['groups', groups],
      ['placements', placements],
    ] as const) {
      const seen = new Set<string>();
      list.forEach(({ id }, at) => {
        if (seen.has(id))
          context.addIssue({ code: 'custom', path: [path, at, 'id'], message: `“${id}” stands twice` });
        seen.add(id);
      });
    }
  });

/** The plan, or what is wrong with it in words. */
export function readFleetPlan(
  data: unknown,
): { readonly ok: true; readonly value: FleetPlan } | { readonly ok: false; readonly message: string } {
  const read = fleetPlanSchema.safeParse(data);
  if (read.success) return { ok: true, value: read.data as FleetPlan };
  const issue = read.error.issues[0]!;
  return { ok: false, message: `${issue.path.join('.')}: ${issue.message}.` };
}

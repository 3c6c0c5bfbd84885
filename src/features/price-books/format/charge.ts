/** Charge structures as files and designs write them; what must hold inside one is the core's. */
import { z } from 'zod';
import { KIND_CODES } from '@/engine/books';
import type { ChargeStructure, ChargeText } from '@/engine/rates';
import { amountText, code, name, positiveText, unit } from '@/platform/formats/fields';

export const shareText = amountText.refine((text) => !(Number(text) > 1), 'must be a share between 0 and 1');

const tier = z.strictObject({ upTo: positiveText.nullable(), price: amountText });

/** One for each structure that the core knows. */
const BY_STRUCTURE = {
  'per-unit': z.strictObject({ structure: z.literal('per-unit'), price: amountText }),
  'per-block': z.strictObject({ structure: z.literal('per-block'), block: positiveText, price: amountText }),
  graduated: z.strictObject({ structure: z.literal('graduated'), tiers: z.array(tier).min(1).max(50) }),
  volume: z.strictObject({ structure: z.literal('volume'), tiers: z.array(tier).min(1).max(50) }),
  stepped: z.strictObject({
    structure: z.literal('stepped'),
    bands: z
      .array(z.strictObject({ upTo: positiveText, fee: amountText }))
      .min(1)
      .max(50),
    beyond: z.strictObject({ block: positiveText, fee: amountText }).nullable(),
  }),
  'greatest-of': z.strictObject({
    structure: z.literal('greatest-of'),
    dimensions: z
      .array(z.strictObject({ dimension: code, label: name, carries: positiveText, unit }))
      .min(1)
      .max(12),
    unitPrice: amountText,
    basePrice: amountText.nullable(),
    whole: z.boolean(),
  }),
  'by-parts': z.strictObject({
    structure: z.literal('by-parts'),
    vcpu: amountText,
    memory: amountText,
    gpu: amountText.nullable(),
  }),
  'share-of-spend': z.strictObject({
    structure: z.literal('share-of-spend'),
    tiers: z
      .array(z.strictObject({ upTo: positiveText.nullable(), share: shareText }))
      .min(1)
      .max(50),
    floor: amountText.nullable(),
    base: z.strictObject({
      over: z.enum(['provider', 'design']),
      kinds: z.array(z.enum(KIND_CODES)).max(KIND_CODES.length),
    }),
  }),
  flat: z.strictObject({ structure: z.literal('flat'), amount: amountText, once: z.boolean() }),
} satisfies { readonly [S in ChargeStructure]: z.ZodType<Extract<ChargeText, { structure: S }>> };

type OfStructure = (typeof BY_STRUCTURE)[ChargeStructure];

export const charge = z.discriminatedUnion(
  'structure',
  Object.values(BY_STRUCTURE) as [OfStructure, ...OfStructure[]],
);

/** Charge structures as files and designs write them, and what must hold inside one. */
import { z } from 'zod';
import { assertNever, Decimal } from '@/core/base';
import { KIND_CODES } from '@/core/books';
import type { ChargeText } from '@/core/rates';
import { amountText, code, name, unit } from './fields';
import type { Fault } from './faults';

const positiveText = amountText.refine((text) => !(Number(text) <= 0), 'must be above zero');
export const shareText = amountText.refine((text) => !(Number(text) > 1), 'must be a share between 0 and 1');

const tier = z.strictObject({ upTo: positiveText.nullable(), price: amountText });

export const charge = z.discriminatedUnion('structure', [
  z.strictObject({ structure: z.literal('per-unit'), price: amountText }),
  z.strictObject({ structure: z.literal('per-block'), block: positiveText, price: amountText }),
  z.strictObject({ structure: z.literal('graduated'), tiers: z.array(tier).min(1).max(50) }),
  z.strictObject({ structure: z.literal('volume'), tiers: z.array(tier).min(1).max(50) }),
  z.strictObject({
    structure: z.literal('stepped'),
    bands: z
      .array(z.strictObject({ upTo: positiveText, fee: amountText }))
      .min(1)
      .max(50),
    beyond: z.strictObject({ block: positiveText, fee: amountText }).nullable(),
  }),
  z.strictObject({
    structure: z.literal('greatest-of'),
    dimensions: z
      .array(z.strictObject({ dimension: code, label: name, carries: positiveText, unit }))
      .min(1)
      .max(12),
    unitPrice: amountText,
    basePrice: amountText.nullable(),
    whole: z.boolean(),
  }),
  z.strictObject({
    structure: z.literal('by-parts'),
    vcpu: amountText,
    memory: amountText,
    gpu: amountText.nullable(),
  }),
  z.strictObject({
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
  z.strictObject({ structure: z.literal('flat'), amount: amountText, once: z.boolean() }),
]);

/** Tiers and bands must rise and leave no gap; the last tier has no end. */
export function chargeFaults(value: ChargeText, path: string): Fault[] {
  switch (value.structure) {
    case 'graduated':
    case 'volume':
    case 'share-of-spend':
      return [
        ...risingFaults(value.tiers, `${path}.tiers`, 'tiers'),
        ...endFaults(value.tiers, `${path}.tiers`),
      ];
    case 'stepped':
      return risingFaults(value.bands, `${path}.bands`, 'bands');
    case 'greatest-of': {
      const names = value.dimensions.map((each) => each.dimension);
      return names.flatMap((each, index) =>
        names.indexOf(each) === index
          ? []
          : [{ path: `${path}.dimensions[${index}].dimension`, message: `“${each}” stands twice` }],
      );
    }
    case 'per-unit':
    case 'per-block':
    case 'by-parts':
    case 'flat':
      return [];
    default:
      return assertNever(value);
  }
}

interface Step {
  readonly upTo: string | null;
}

function risingFaults(steps: readonly Step[], path: string, what: string): Fault[] {
  const faults: Fault[] = [];
  let from = new Decimal(0);
  steps.forEach(({ upTo }, index) => {
    if (upTo === null) return;
    const end = new Decimal(upTo);
    if (!end.greaterThan(from)) {
      const message = `${what} must rise without overlap: ${upTo} does not exceed ${from}`;
      faults.push({ path: `${path}[${index}].upTo`, message });
    }
    from = end;
  });
  return faults;
}

function endFaults(tiers: readonly Step[], path: string): Fault[] {
  return tiers.flatMap(({ upTo }, index) => {
    const last = index === tiers.length - 1;
    if (last === (upTo === null)) return [];
    const message = last
      ? 'the last tier must be without an end (null)'
      : 'only the last tier may be without an end';
    return [{ path: `${path}[${index}].upTo`, message }];
  });
}

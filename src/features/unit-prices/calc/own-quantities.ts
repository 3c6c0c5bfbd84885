/** How much of each measured thing a design holds and moves, so that bare rates can be read at its own height. */
import { addAll, decimal, type Decimal } from '@/engine/base';
import type { Kind } from '@/engine/books';
import { allComponents, type Design } from '@/engine/design';
import { conversionFactor } from '@/engine/units';
import { MEASURED_KINDS, meterMeasured, unitMeasured } from './measures';

/**
 * By kind: its likely month in the measured unit, over all lines. A kind that the design has none of, or that is measured
 * by being there, is absent.
 *
 * @example
 * ownQuantities({ ...design, sections: [{ id: 's', name: 'S', components: [{ ...anyOfKind('transfer-out', null), usage: { transferred: { amount: { likely: '2' }, unit: 'TB' } } }] }] }); // => { 'transfer-out': '2000' }
 */
export function ownQuantities(design: Design): Partial<Record<Kind, string>> {
  const found = new Map<Kind, Decimal[]>();
  for (const { kind, usage, count } of allComponents(design)) {
    const [unit, meter] = [unitMeasured(kind), meterMeasured(kind)];
    const entry = meter && usage[meter];
    if (!MEASURED_KINDS.includes(kind) || !unit || !entry) continue;
    const factor = conversionFactor(entry.unit, unit);
    if (!factor.ok) continue;
    const amount = decimal(entry.amount.likely).times(factor.value).times(count.likely);
    found.set(kind, [...(found.get(kind) ?? []), amount]);
  }
  const sums = [...found].map(([kind, amounts]) => [kind, addAll(amounts)] as const);
  return Object.fromEntries(
    sums.filter(([, sum]) => sum.greaterThan(0)).map(([kind, sum]) => [kind, sum.toString()]),
  );
}

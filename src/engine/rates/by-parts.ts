/** By parts: a size chosen freely, vCPU × a + GiB × b + GPU × c, for so many hours. Needs D5, F4, K2. */
import { type Figure, product, rate, sum } from '../trace';
import type { Charge, ChargeContext, FreeParts } from './structure';

export type ByPartsCharge = Extract<Charge, { structure: 'by-parts' }>;

/**
 * What one unit of the chosen size costs for one unit of time.
 *
 * @example
 * partsPrice({ structure: 'by-parts', vcpu: decimal('0.03'), memory: decimal('0.004') }, { vcpu: given('vCPU', decimal('2'), 'vCPU'), memory: given('memory', decimal('8'), 'GiB') }, { currency: 'USD', unit: 'hour', source: { book: 'small', revision: 3, effective: '2026-11-01', sku: 'A-4', region: 'severn' } }).value.toString(); // => '0.092'
 */
export function partsPrice(charge: ByPartsCharge, parts: FreeParts, context: ChargeContext): Figure {
  const { currency, unit, source } = context;
  const per = `${currency} per ${unit}`;
  const price = (name: string, value: typeof charge.vcpu): Figure =>
    rate(`Price per ${name}`, value, `${per} and ${name}`, source);
  const rows = [
    product('vCPU', per, [parts.vcpu, price('vCPU', charge.vcpu)]),
    product('Memory', per, [parts.memory, price('GiB', charge.memory)]),
  ];
  if (parts.gpu && charge.gpu) rows.push(product('GPU', per, [parts.gpu, price('GPU', charge.gpu)]));
  return sum(`One of this size per ${unit}`, per, rows);
}

export function chargeByParts(
  charge: ByPartsCharge,
  quantity: Figure,
  parts: FreeParts,
  context: ChargeContext,
): Figure {
  return product('The chosen size', context.currency, [quantity, partsPrice(charge, parts, context)]);
}

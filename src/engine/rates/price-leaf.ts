/** A price as a leaf of the trace: read from the book, or negotiated between two parties. */
import type { Decimal } from '../base';
import { type Figure, negotiated, rate } from '../trace';
import type { ChargeContext } from './structure';

/**
 * @example
 * priceLeaf('Price', decimal('0.1'), 'USD per hour', { currency: 'USD' }).value.toString(); // => '0.1'
 */
export function priceLeaf(label: string, value: Decimal, unit: string, context: ChargeContext): Figure {
  return context.agreement === undefined
    ? rate(label, value, unit, context.source)
    : negotiated(`${label}, by “${context.agreement}”`, value, unit);
}

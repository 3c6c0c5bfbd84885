/** Numbers and quantities as they are typed, read as plain decimal text. */
import { err, issue, ok, type Result } from '@/engine/base';
import { convertQuantity, readQuantity } from '@/engine/units';

/** Reads an amount typed in any fitting unit as plain decimal text in `unit`. */
export function readAmount(unit: string): (text: string) => Result<string> {
  return (text) => {
    const quantity = readQuantity(text, unit);
    if (!quantity.ok) return quantity;
    const inUnit = convertQuantity(quantity.value, unit);
    return inUnit.ok ? ok(inUnit.value.amount.toDecimalPlaces(18).toString()) : inUnit;
  };
}

export function readWhole(text: string): Result<string> {
  const quantity = readQuantity(text, 'request');
  if (!quantity.ok) return quantity;
  if (!quantity.value.amount.isInteger())
    return err(issue('count.not-whole', [], { count: text.trim().slice(0, 40) }));
  if (quantity.value.amount.greaterThan(1_000_000)) {
    return err(issue('quantity.too-large', [], { amount: text.trim().slice(0, 40) }));
  }
  return ok(quantity.value.amount.toString());
}

/** Reads a bare number. */
export function readNumber(text: string): Result<string> {
  return readAmount('unit')(text);
}

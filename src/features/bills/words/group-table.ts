/** Groups of a bill as printed rows. */
import { addAll, decimal } from '@/engine/base';
import type { ThingGroup } from '@/features/bills/calc';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';

/**
 * Groups as they are printed: in each column they add up to the printed bill.
 *
 * @example
 * const group = { name: 'a', rows: 1, list: '0.335', contracted: '0.335', billed: '0.335', effective: '0.335' };
 * printedGroups([group, { ...group, name: 'b' }], 'USD').map(({ billed }) => billed); // => ['0.34', '0.33']
 */
export function printedGroups(groups: readonly ThingGroup[], currency: string): ThingGroup[] {
  const digits = minorDigits(currency);
  const printed = (key: 'list' | 'contracted' | 'billed' | 'effective'): string[] => {
    const own = groups.map((group) => decimal(group[key]));
    return roundRows(own, digits, halfAwayFromZero(addAll(own), digits)).map(String);
  };
  const columns = {
    list: printed('list'),
    contracted: printed('contracted'),
    billed: printed('billed'),
    effective: printed('effective'),
  };
  return groups.map((group, at) => ({
    ...group,
    list: columns.list[at]!,
    contracted: columns.contracted[at]!,
    billed: columns.billed[at]!,
    effective: columns.effective[at]!,
  }));
}

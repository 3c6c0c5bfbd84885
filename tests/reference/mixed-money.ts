/** Random rates of spend commitments and prepaid credit. */
import type { RateRow } from '@/features/price-books/format/price-book-schema';
import type { Dice } from './dice';
import { inRegions, per } from './mixed-rates';

type ChargeRow = RateRow['charge'];

export function moneyRates(dice: Dice, sku: string, meter: string, unit: string, credit: boolean): RateRow[] {
  return (['12-none', '12-part', '12-all', '36-part'] as const).flatMap((term) => {
    const recurring = term === '12-all' ? '0' : term.endsWith('none') ? '1' : '0.5';
    const price = credit && term !== '12-all' ? (Number(recurring) * 0.9).toFixed(2) : recurring;
    const upfront = term.endsWith('none') ? null : term === '12-all' ? '11' : '6';
    const early = dice.one(null, { rule: 'rest-due' as const }, { rule: 'fee' as const, share: '0.4' });
    const overage = credit && dice.often(0.4) ? '1.1' : null;
    const charge: ChargeRow =
      credit && dice.often(0.5)
        ? {
            structure: 'volume',
            tiers: [
              { upTo: '100', price },
              { upTo: null, price: (Number(price) * 0.9).toFixed(4) },
            ],
          }
        : per(price);
    return inRegions(dice, sku, meter, () => ({
      unit,
      charge,
      more: { term, upfront, early, ...(overage ? { overage } : {}) },
    }));
  });
}

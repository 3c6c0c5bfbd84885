/** What was paid for a unit beside a price book, as a flat table. Needs B24, Q9. */
import { addAll, decimal } from '@/engine/base';
import type { HeldRate, RateState } from '@/features/bills/calc';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import { writeMoney, writeNumber, writePrice } from '@/platform/words';
import type { FlatTable } from '@/platform/tables';

const STATES: Readonly<Record<RateState, string>> = {
  same: 'the same',
  'other-price': 'another price',
  'unknown-sku': 'not in the book',
  'unknown-region': 'not sold there in the book',
  'other-unit': 'counted in another unit',
  'several-meters': 'could be several of its meters',
  tiers: 'hangs on how much is used',
  'no-price': 'the bill says no price',
};

/**
 * @example
 * rateStateWords('tiers'); // => 'hangs on how much is used'
 */
export const rateStateWords = (state: RateState): string => STATES[state];

interface NamedBook {
  readonly title: string;
  readonly revision: number;
}

/**
 * @example
 * pricesSentence([], null, 'USD'); // => 'There is no price book of this provider in USD here.'
 * pricesSentence([{ state: 'tiers', difference: null }], { title: 'Small', revision: 3 }, 'USD'); // => 'No rate of this bill can be held against “Small”, revision 3; each says why.'
 */
export function pricesSentence(
  rates: readonly Pick<HeldRate, 'state' | 'difference'>[],
  book: NamedBook | null,
  currency: string,
): string {
  if (!book) return `There is no price book of this provider in ${currency} here.`;
  if (rates.length === 0) return 'This bill has no use with a price.';
  const name = `“${book.title}”, revision ${book.revision}`;
  const other = rates.filter(({ state }) => state === 'other-price').length;
  const cannot = rates.length - other - rates.filter(({ state }) => state === 'same').length;
  const rest = cannot === 0 ? '' : ` ${cannot} of ${rates.length} cannot be held against it; each says why.`;
  if (cannot === rates.length) return `No rate of this bill can be held against ${name}; each says why.`;
  if (other === 0) return `Every list price that can be held against ${name}, is the same.${rest}`;
  const money = addAll(rates.map(({ difference }) => decimal(difference ?? '0')));
  return `${other} of ${rates.length} rates differ from ${name}: ${writeMoney(money.abs(), currency)} ${currency} ${money.isNegative() ? 'less' : 'more'} in this bill.${rest}`;
}

/**
 * Rates whose differences are as they are printed: together they are the printed difference.
 *
 * @example
 * printedRates([{ difference: '0.335' }, { difference: null }, { difference: '0.335' }], 'USD').map(({ difference }) => difference); // => ['0.34', null, '0.33']
 */
export function printedRates<T extends Pick<HeldRate, 'difference'>>(
  rates: readonly T[],
  currency: string,
): T[] {
  const digits = minorDigits(currency);
  const own = rates.map(({ difference }) => decimal(difference ?? '0'));
  const printed = roundRows(own, digits, halfAwayFromZero(addAll(own), digits));
  return rates.map((rate, at) => ({
    ...rate,
    difference: rate.difference === null ? null : printed[at]!.toString(),
  }));
}

/**
 * @example
 * pricesTable([], { title: 'Small', revision: 3 }, 'USD').answer; // => 'This bill has no use with a price.'
 */
export function pricesTable(rates: readonly HeldRate[], book: NamedBook | null, currency: string): FlatTable {
  const price = (text: string | null | undefined): string => (text ? writePrice(text, 2) : '');
  return {
    title: 'What was paid for a unit',
    answer: pricesSentence(rates, book, currency),
    currency,
    head: [
      'Offer',
      'Region',
      'Meter',
      'Unit',
      'Used',
      'List',
      'Contracted',
      'In the book',
      'So it is',
      'Makes',
    ],
    rows: printedRates(rates, currency).map(
      ({ paid, state, meter, unit, list, contracted, listed, difference }) => ({
        level: 'line',
        cells: [
          paid.sku,
          paid.region,
          meter ?? paid.meter,
          unit ?? paid.unit,
          `${writeNumber(paid.quantity, undefined, 2)} ${paid.unit}`,
          price(list ?? paid.list?.price),
          price(contracted ?? paid.contracted?.price),
          price(listed),
          `${STATES[state]}${paid.list?.isMean ? ', a mean' : ''}`,
          difference === null ? '' : { money: difference },
        ],
      }),
    ),
    notes: [],
  };
}

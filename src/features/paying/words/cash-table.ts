/** Cash against spread, over quarters, with what happens when. */
import { decimal } from '@/engine/base';
import type { MonthEvent } from '@/engine/analysis';
import { minorDigits, roundRows } from '@/engine/money';
import { writeMoney } from '@/platform/words';
import type { FlatRow, FlatTable } from '@/platform/tables';

interface Quarter {
  readonly cash: string;
  readonly monthly: string;
}

export interface CashOf {
  readonly name: string;
  readonly quarters: readonly Quarter[];
  readonly events: readonly MonthEvent[];
}

/** What happens in a month, said to the last word; none of it is money by itself but where an amount stands. */
const EVENT_WORDS: Readonly<Record<MonthEvent['what'], string>> = {
  'paid-ahead': 'is paid ahead',
  renewed: 'is renewed',
  begins: 'begins',
  ends: 'ends',
  'ends-early': 'ends before its term',
  'allowance-ends': 'What was included free of charge ends',
};

/**
 * @example
 * eventText({ month: 13, what: 'renewed', line: 'a', name: 'Web', amount: '400' }, 'USD'); // => 'Month 13: “Web” is renewed, 400.00 USD'
 */
export function eventText({ month, what, name, amount }: MonthEvent, currency: string): string {
  const money = amount === null ? '' : `, ${writeMoney(amount, currency)} ${currency}`;
  const words = EVENT_WORDS[what];
  return `Month ${month}: ${name === '' ? words : `“${name}” ${words}`}${money}`;
}

/**
 * Of each side what leaves in a quarter, what it compares as, and what has left since the beginning.
 *
 * @example
 * cashTable([{ name: 'The design', quarters: [{ cash: '9', monthly: '6' }], events: [] }], 'USD', '').rows[0]!.cells; // => ['1', { money: '9' }, { money: '6' }, { money: '9' }]
 */
export function cashTable(sides: readonly CashOf[], currency: string, answer: string): FlatTable {
  const own = sides.length === 1;
  const named = (name: string, what: string): string => (own ? what : `${name}: ${what}`);
  const quarters = sides[0]?.quarters ?? [];
  // Rounded so that what has left is the sum of what is printed above it.
  const column = (side: CashOf, read: (each: Quarter) => string) =>
    roundRows(
      side.quarters.map((each) => decimal(read(each))),
      minorDigits(currency),
    );
  const cash = sides.map((side) => column(side, (each) => each.cash));
  const spread = sides.map((side) => column(side, (each) => each.monthly));
  const left = sides.map(() => decimal('0'));
  return {
    title: 'Cash against spread',
    answer,
    currency,
    head: [
      'Quarter',
      ...sides.flatMap(({ name }) => [
        named(name, 'leaves'),
        named(name, 'compares as'),
        named(name, 'left since the beginning'),
      ]),
    ],
    rows: quarters.map((_, at): FlatRow => ({
      level: 'line',
      cells: [
        String(at + 1),
        ...sides.flatMap((_, index) => {
          const [leaves, compares] = [cash[index]![at]!, spread[index]![at]!];
          left[index] = left[index]!.plus(leaves);
          return [leaves, compares, left[index]].map((each) => ({ money: each.toString() }));
        }),
      ],
    })),
    notes: sides.flatMap(({ name, events }) =>
      events.length === 0
        ? []
        : [
            {
              title: own ? 'What happens when' : `What happens when: ${name}`,
              lines: events.map((each) => eventText(each, currency)),
            },
          ],
    ),
  };
}

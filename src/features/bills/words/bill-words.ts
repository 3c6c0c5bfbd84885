/** Bills against what was expected, in words. Opening 37. */
import { type Decimal, decimal } from '@/engine/base';
import type { LaidBill, Projection, Relation, Variance } from '@/features/bills/calc';
import { halfAwayFromZero, minorDigits, roundRows } from '@/engine/money';
import { writeMoney, writeNumber } from '@/platform/words';
import type { BillLine } from './bill-lines';

const PARTS = [
  ['quantity', 'more of it', 'less of it'],
  ['price', 'a higher price', 'a lower price'],
  ['mix', 'more of what costs more', 'more of what costs less'],
  ['new', 'what was not expected', 'what was not expected'],
  ['gone', 'what was expected and is not there', 'what was expected and is not there'],
  ['corrections', 'corrections', 'corrections'],
] as const;

/**
 * What moves most first; parts that move nothing are left out. `printed`: the difference as it is printed beside it.
 *
 * @example
 * varianceSentence({ price: '-6.63', quantity: '56.3', mix: '0', new: '0', gone: '0', corrections: '0', difference: '49.67' }, 'USD'); // => '49.67 USD over: 56.30 from more of it, −6.63 from a lower price.'
 */
export function varianceSentence(variance: Variance, currency: string, printed?: string): string {
  const digits = minorDigits(currency);
  const difference = decimal(printed ?? halfAwayFromZero(decimal(variance.difference), digits).toString());
  const money = (amount: Decimal): string => writeMoney(amount, currency);
  const amounts = printedParts(variance, difference.toString(), digits);
  const said = PARTS.flatMap(([part, more, less]) => {
    const amount = decimal(amounts[part]);
    return amount.isZero() ? [] : [{ amount, words: amount.isPositive() ? more : less }];
  })
    .sort((a, b) => b.amount.abs().comparedTo(a.amount.abs()))
    .map(({ amount, words }) => `${money(amount)} from ${words}`);
  if (said.length === 0) return 'As expected.';
  const by = difference.isZero()
    ? `As much as expected, in another way`
    : `${money(difference.abs())} ${currency} ${difference.isPositive() ? 'over' : 'under'}`;
  return `${by}: ${said.join(', ')}.`;
}

/**
 * The parts as they are printed: they add up to the printed difference.
 *
 * @example
 * const variance = { price: '0.335', quantity: '0.335', mix: '0', new: '0', gone: '0', corrections: '0', difference: '0.67' };
 * printedParts(variance, '0.67', 2).quantity; // => '0.34'
 */
export function printedParts(
  variance: Variance,
  difference: string,
  digits: number,
): Readonly<Record<(typeof PARTS)[number][0], string>> {
  const moving = PARTS.filter(([part]) => !decimal(variance[part]).isZero());
  const rounded = roundRows(
    moving.map(([part]) => decimal(variance[part])),
    digits,
    decimal(difference),
  );
  const texts = { quantity: '0', price: '0', mix: '0', new: '0', gone: '0', corrections: '0' };
  moving.forEach(([part], at) => (texts[part] = rounded[at]!.toString()));
  return texts;
}

/**
 * @example
 * closeSentence({ billed: '100', low: '290', likely: '300', high: '310', days: [], from: 10, rangeOf: 2 }, 'USD'); // => 'Closes at about 300.00 USD, between 290.00 and 310.00 in eight of ten; 100.00 are billed so far. Worked out of 10 days; the range is wider than these days say, as the 2 periods before closed further off.'
 * closeSentence({ billed: '100', low: '100', likely: '100', high: '100', days: [{ day: '2026-11-30', soFar: '100', isAhead: false }], from: 10, rangeOf: 0 }, 'USD'); // => 'Came to 100.00 USD: every day of it is known.'
 */
export function closeSentence(
  { billed, low, likely, high, from, rangeOf, days }: Projection,
  currency: string,
): string {
  const money = (text: string): string => writeMoney(text, currency);
  const range = low === high ? '' : `, between ${money(low)} and ${money(high)} in eight of ten`;
  if (days.at(-1)?.isAhead === false)
    return `Came to ${money(likely)} ${currency}: every day of it is known.`;
  const known = `${from} ${from === 1 ? 'day' : 'days'}`;
  const before = rangeOf === 1 ? 'the period before' : `the ${rangeOf} periods before`;
  const wider =
    rangeOf === 0 ? '' : `; the range is wider than these days say, as ${before} closed further off`;
  return `Closes at about ${money(likely)} ${currency}${range}; ${money(billed)} are billed so far. Worked out of ${known}${wider}.`;
}

/**
 * How a bill stands: over or under, and why; where it is held against no design, what is billed.
 *
 * @example
 * const variance = { price: '0', quantity: '0', mix: '0', new: '90', gone: '0', corrections: '0', difference: '90' };
 * billSentence({ variance, billed: '90' }, 'USD', { difference: '90', hasDesign: true }); // => '90.00 USD over: 90.00 from what was not expected.'
 * billSentence({ variance, billed: '90' }, 'USD', { difference: '90', hasDesign: false }); // => '90.00 USD are billed; no design says what to expect.'
 */
export function billSentence(
  { variance, billed }: Pick<LaidBill, 'variance' | 'billed'>,
  currency: string,
  { difference, hasDesign }: { readonly difference: string; readonly hasDesign: boolean },
): string {
  return hasDesign
    ? varianceSentence(variance, currency, difference)
    : `${writeMoney(billed, currency)} ${currency} are billed; no design says what to expect.`;
}

/**
 * The meter that moves the most, and how: the first thing to look at.
 *
 * @example
 * largestSentence([], 'USD'); // => null
 */
export function largestSentence(lines: readonly BillLine[], currency: string): string | null {
  const largest = lines
    .filter(({ level, part }) => level === 'meter' && part !== 'credits' && part !== 'taxes')
    .sort((a, b) => decimal(b.difference).abs().comparedTo(decimal(a.difference).abs()))[0];
  if (!largest || decimal(largest.difference).isZero()) return null;
  const owner = lines.find(({ key }) => key === largest.parent);
  const difference = decimal(largest.difference);
  const money = `${writeMoney(difference.abs().toString(), currency)} ${currency}`;
  const named = `${largest.name.charAt(0).toUpperCase()}${largest.name.slice(1)} of “${owner?.name ?? ''}” is ${money} ${difference.isPositive() ? 'over' : 'under'}`;
  if (largest.part === 'outside') return `${named}: it is not in the design.`;
  const { quantityExpected, quantityBilled, unit } = largest;
  if (quantityExpected === null || quantityBilled === null || unit === null) return `${named}.`;
  const more = decimal(quantityBilled).minus(quantityExpected);
  if (more.isZero()) return `${named}: as much as planned, at another price.`;
  const words = `${quantityText(more.abs().toString())} ${unit} ${more.isPositive() ? 'beyond' : 'below'} the ${quantityText(quantityExpected)} planned so far`;
  return `${named}: ${words}.`;
}

/**
 * A relation that is another than in the design, and where to look.
 *
 * @example
 * relationSentence({ section: 's', is: 'volume', expected: '200000', billed: '800000', times: '4', requests: '0.25' }, 'Delivery').split(':')[0]; // => '“Delivery” moves 800 kB for each request in place of 200 kB'
 */
export function relationSentence({ expected, billed, times, requests }: Relation, section: string): string {
  const head = `“${section}” moves ${writeBytes(billed)} for each request in place of ${writeBytes(expected)}`;
  const share = writeTimes(requests);
  return decimal(times).greaterThan(1)
    ? `${head}: requests are ${share} of the plan, so each answer weighs more; look at what is sent again though it did not change.`
    : `${head}: requests are ${share} of the plan, so much is asked that has little to answer; look at how often it is asked.`;
}

const BYTES = [
  ['1000000000', 'GB'],
  ['1000000', 'MB'],
  ['1000', 'kB'],
] as const;

function writeBytes(text: string): string {
  const value = decimal(text);
  const [size, unit] = BYTES.find(([each]) => value.greaterThanOrEqualTo(each)) ?? ['1', 'B'];
  return `${quantityText(value.dividedBy(size).toSignificantDigits(3).toString())} ${unit}`;
}

const writeTimes = (text: string): string => {
  const value = decimal(text);
  return value.lessThan(1)
    ? `${value.times(100).toDecimalPlaces(0).toString()}\u00a0%`
    : `${value.toSignificantDigits(2).toString()} times those`;
};

/** Quantities of a month need no more than this. */
const quantityText = (text: string): string => writeNumber(decimal(text).toSignificantDigits(5).toString());

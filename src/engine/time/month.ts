/**
 * How long a month is. It is an assumption of the design and printed with it: 730 hours by default, 720, 744, a
 * calendar month, or the book's own. Source: pricing rules, "Numbers"; needs F3.
 */
import { assertNever, Decimal } from '../base';

export type MonthConvention =
  | { readonly hours: '730' | '720' | '744' }
  | { readonly hours: 'calendar'; readonly year: number; readonly month: number }
  | { readonly hours: 'book' };

export const DEFAULT_MONTH: MonthConvention = { hours: '730' };

/**
 * Hours of the month under a convention. `bookHours` is what the price book itself counts with.
 *
 * @example
 * monthHours({ hours: 'calendar', year: 2028, month: 2 }, decimal('730')).toString(); // => '696'
 */
export function monthHours(convention: MonthConvention, bookHours: Decimal): Decimal {
  switch (convention.hours) {
    case '730':
    case '720':
    case '744':
      return new Decimal(convention.hours);
    case 'calendar':
      return new Decimal(daysInMonth(convention.year, convention.month)).times(24);
    case 'book':
      return bookHours;
    default:
      return assertNever(convention);
  }
}

/**
 * Days of a calendar month; `month` is 1 to 12 (Gregorian).
 *
 * @example
 * daysInMonth(2028, 2); // => 29
 */
export function daysInMonth(year: number, month: number): number {
  if (month === 2) {
    const leap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
    return leap ? 29 : 28;
  }
  return [4, 6, 9, 11].includes(month) ? 30 : 31;
}

/**
 * "730 h month", "February 2027 (672 h)", "the book's own month".
 *
 * @example
 * describeMonth({ hours: '720' }); // => '720 h month'
 */
export function describeMonth(convention: MonthConvention): string {
  switch (convention.hours) {
    case '730':
    case '720':
    case '744':
      return `${convention.hours} h month`;
    case 'calendar': {
      const hours = daysInMonth(convention.year, convention.month) * 24;
      return `${convention.year}-${String(convention.month).padStart(2, '0')} (${hours} h)`;
    }
    case 'book':
      return 'each book’s own month';
    default:
      return assertNever(convention);
  }
}

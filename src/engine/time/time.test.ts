import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Decimal } from '../base';
import { daysInMonth, DEFAULT_MONTH, describeMonth, type MonthConvention, monthHours } from './';

const BOOK = new Decimal(720);

describe('the length of a month', () => {
  it.each([
    [{ hours: '730' }, '730', '730 h month'],
    [{ hours: '720' }, '720', '720 h month'],
    [{ hours: '744' }, '744', '744 h month'],
    [{ hours: 'book' }, '720', 'each book’s own month'],
    [{ hours: 'calendar', year: 2027, month: 2 }, '672', '2027-02 (672 h)'],
    [{ hours: 'calendar', year: 2028, month: 2 }, '696', '2028-02 (696 h)'],
    [{ hours: 'calendar', year: 2027, month: 12 }, '744', '2027-12 (744 h)'],
  ] as const)('of %j is %s hours', (convention, hours, words) => {
    expect(monthHours(convention as MonthConvention, BOOK).toString()).toBe(hours);
    expect(describeMonth(convention as MonthConvention)).toBe(words);
  });

  it('is 730 hours where nothing is said: a year in twelve', () => {
    expect(monthHours(DEFAULT_MONTH, BOOK).times(12).toString()).toBe(String(365 * 24));
  });

  it('follows the calendar, leap years and centuries too', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1900, max: 2400 }), fc.integer({ min: 1, max: 12 }), (year, month) => {
        expect(daysInMonth(year, month)).toBe(new Date(Date.UTC(year, month, 0)).getUTCDate());
      }),
    );
    expect([1900, 2000, 2100, 2024].map((year) => daysInMonth(year, 2))).toEqual([28, 29, 28, 29]);
  });
});

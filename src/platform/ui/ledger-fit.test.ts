import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fittingColumns, inBounds, leastWidth, NARROWEST, tracksOf, WIDEST } from './ledger-fit';

const columns = [
  { key: 'name', track: 'minmax(170px,1.7fr)' },
  { key: 'what', track: 'minmax(96px,1fr)', worth: 5 },
  { key: 'where', track: '100px', worth: 3 },
  { key: 'paid', track: '92px', worth: -8 },
  { key: 'amount', track: '104px' },
];
const keys = (width: number | null, widths = {}) =>
  fittingColumns(columns, width, widths).map(({ key }) => key);

describe('columns that fit', () => {
  it('are all of them where there is room, or nobody knows yet', () => {
    expect(keys(null)).toEqual(['name', 'what', 'where', 'paid', 'amount']);
    expect(keys(562)).toHaveLength(5);
  });

  it('give way in order of worth, and those without one never', () => {
    expect(keys(561)).toEqual(['name', 'what', 'where', 'amount']);
    expect(keys(400)).toEqual(['name', 'what', 'amount']);
    expect(keys(300)).toEqual(['name', 'amount']);
    expect(keys(10)).toEqual(['name', 'amount']);
  });

  it('need what they were drawn to', () => {
    expect(keys(562, { where: 160 })).toEqual(['name', 'what', 'where', 'amount']);
    expect(leastWidth(columns, { where: 160 })).toBe(622);
    expect(tracksOf(columns, { where: 160, name: 200, what: 90 })).toBe(
      'minmax(200px,1fr) 90px 160px 92px 104px',
    );
  });

  it('never take more than there is, as long as others can give way', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1200 }),
        fc.dictionary(fc.constantFrom('what', 'where', 'paid'), fc.integer({ min: NARROWEST, max: WIDEST })),
        (width, widths) => {
          const shown = fittingColumns(columns, width, widths);
          expect(
            leastWidth(shown, widths) <= width ||
              shown.every(({ key }) => key === 'name' || key === 'amount'),
          ).toBe(true);
          expect(columns.filter((each) => shown.includes(each))).toEqual(shown);
        },
      ),
    );
  });

  it('are drawn within bounds', () => {
    expect([inBounds(3), inBounds(99.6), inBounds(9999)]).toEqual([NARROWEST, 100, WIDEST]);
  });
});

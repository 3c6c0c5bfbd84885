import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isDrawnWeek } from '@/core/usage';
import { readPercent } from './agreement-draft';
import { painted } from './week-editor';

const NEVER = Array.from({ length: 7 }, () => '.'.repeat(24));
const cellAt = fc.record({ day: fc.integer({ min: 0, max: 6 }), hour: fc.integer({ min: 0, max: 23 }) });

describe('painting a week', () => {
  it('sets the rectangle between two hours and nothing else, in whichever order', () => {
    fc.assert(
      fc.property(cellAt, cellAt, (from, to) => {
        const week = painted(NEVER, from, to, true);
        expect(isDrawnWeek(week)).toBe(true);
        expect(painted(NEVER, to, from, true)).toEqual(week);
        const inside = (Math.abs(from.day - to.day) + 1) * (Math.abs(from.hour - to.hour) + 1);
        expect(week.join('').split('#').length - 1).toBe(inside);
        expect(painted(week, from, to, false)).toEqual(NEVER);
      }),
    );
  });
});

describe('a percentage', () => {
  it.each([
    ['12', '0.12'],
    ['12.5 %', '0.125'],
    ['0', '0'],
  ])('“%s” is a share of %s', (text, share) => expect(readPercent(text)).toBe(share));
  it.each(['', '-3', 'twelve', '1,5'])('“%s” is none', (text) => expect(readPercent(text)).toBeNull());
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isDrawnWeek } from '@/engine/usage';
import { percentText, readOptionalPercent, readPercent } from '../cells/percent-text';
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
  ])('“%s” is a share of %s', (text, share) => expect(readPercent(text)).toEqual({ ok: true, value: share }));
  it.each(['', '-3', 'twelve', '1,5'])('“%s” is none', (text) => expect(readPercent(text).ok).toBe(false));

  it('is bounded where it must be, may be left empty, and is written as it is typed', () => {
    expect(readPercent('101 %', 100)).toMatchObject({ ok: false, issue: { code: 'percent.out-of-range' } });
    expect(readOptionalPercent(' ')).toEqual({ ok: true, value: null });
    for (const share of ['0.02', '0.0825', '1', '0.000000000000000001']) {
      expect(readPercent(percentText(share))).toEqual({ ok: true, value: share });
    }
    expect(percentText(null)).toBe('');
  });
});

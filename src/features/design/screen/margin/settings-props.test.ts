import { describe, expect, it } from 'vitest';
import { readAmount, readNumber, readWhole } from '../cells/number-text';

describe('what is typed into the margin', () => {
  it.each([
    ['GiB', '500', '500'],
    ['GiB', '2 TiB', '2048'],
    ['request', '10 million requests', '10000000'],
    ['millisecond', '0.2 s', '200'],
    ['hour', '90 min', '1.5'],
  ])('in %s: “%s” is %s', (unit, text, amount) => {
    expect(readAmount(unit)(text)).toEqual({ ok: true, value: amount });
  });

  it.each([
    ['GiB', '5 hours', 'unit.mismatch'],
    ['GiB', '-5', 'quantity.negative'],
    ['GiB', '1,5', 'decimal.comma-ambiguous'],
  ])('in %s: “%s” is refused with %s', (unit, text, code) => {
    expect(readAmount(unit)(text)).toMatchObject({ ok: false, issue: { code } });
  });

  it('counts whole things only, and numbers without a unit', () => {
    expect(readWhole('3')).toEqual({ ok: true, value: '3' });
    expect(readWhole('2.5')).toMatchObject({ ok: false, issue: { code: 'count.not-whole' } });
    expect(readWhole('2000000')).toMatchObject({ ok: false, issue: { code: 'quantity.too-large' } });
    expect(readNumber('0.6')).toEqual({ ok: true, value: '0.6' });
  });
});

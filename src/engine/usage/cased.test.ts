import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Cased, isOutOfOrder, withLikely } from './cased';

const number = fc.integer({ min: 0, max: 500 }).map(String);
const range: fc.Arbitrary<Cased> = fc
  .tuple(number, number, number)
  .map((three) => three.toSorted((a, b) => Number(a) - Number(b)))
  .map(([lean, likely, heavy]) => ({ lean, likely: likely!, heavy }));

describe('another likely value', () => {
  it.each([
    ['inside its range, which stays', '5', { lean: '3', likely: '5', heavy: '6' }],
    ['below its lean, which comes down', '1', { lean: '1', likely: '1', heavy: '6' }],
    ['above its heavy, which goes up', '10', { lean: '3', likely: '10', heavy: '10' }],
  ])('%s', (_, likely, expected) => {
    expect(withLikely({ lean: '3', likely: '4', heavy: '6' }, likely)).toEqual(expected);
  });

  it('compares numbers, not texts', () => {
    expect(withLikely({ lean: '9', likely: '10' }, '11')).toEqual({ lean: '9', likely: '11' });
  });

  it('without a range stays without one', () => {
    expect(withLikely({ likely: '4' }, '9')).toEqual({ likely: '9' });
  });

  it('never leaves a range that does not hold it, and never narrows one', () => {
    fc.assert(
      fc.property(range, number, (before, likely) => {
        const after = withLikely(before, likely);
        expect(isOutOfOrder(after)).toBe(false);
        expect(Number(after.lean)).toBeLessThanOrEqual(Number(before.lean));
        expect(Number(after.heavy)).toBeGreaterThanOrEqual(Number(before.heavy));
      }),
    );
  });

  it('leaves a range alone that was out of order before', () => {
    expect(withLikely({ lean: '8', likely: '4' }, '5')).toEqual({ lean: '8', likely: '5' });
  });
});

describe('out of order', () => {
  it.each([
    [{ likely: '4' }, false],
    [{ lean: '4', likely: '4', heavy: '4' }, false],
    [{ lean: '5', likely: '4' }, true],
    [{ likely: '10', heavy: '9' }, true],
  ])('%j: %s', (value, expected) => {
    expect(isOutOfOrder(value)).toBe(expected);
  });
});

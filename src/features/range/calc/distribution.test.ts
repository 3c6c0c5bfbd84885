import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { normalShare, triangularAt } from './';

describe('distributions', () => {
  it('of normal values never leave zero to one, far out either', () => {
    fc.assert(
      fc.property(fc.double({ min: -12, max: 12, noNaN: true }), (z) => {
        expect(normalShare(z)).toBeGreaterThanOrEqual(0);
        expect(normalShare(z)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 2000 },
    );
  });

  it('lie between their ends and rise', () => {
    const number = fc.double({ min: 0, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(number, number, number, number, (x, y, z, share) => {
        const [lean, likely, heavy] = [x, y, z].sort((p, q) => p - q) as [number, number, number];
        const at = (part: number): number => triangularAt({ lean, likely, heavy }, part);
        const part = share / 1e6;
        expect(at(0)).toBeCloseTo(lean, 6);
        expect(at(1)).toBeCloseTo(heavy, 6);
        expect(at(part)).toBeLessThanOrEqual(at(Math.min(1, part + 0.1)) + 1e-9);
      }),
    );
    expect(triangularAt({ lean: 9, likely: 3, heavy: 0 }, 0)).toBe(9);
    expect([-1.959964, 0, 1.281552].map((z) => Number(normalShare(z).toFixed(6)))).toEqual([0.025, 0.5, 0.9]);
  });
});

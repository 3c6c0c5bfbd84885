import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal } from '@/engine/base';
import { BARE_MACHINE, sizedNeed } from './';

const need = (value: number) =>
  sizedNeed(
    { ...BARE_MACHINE, vcpu: { value, from: 'typed' }, memory: { value, from: 'typed' } },
    { by: 'installed' },
  ).vcpu;

describe('a size as text', () => {
  it('is that of exact arithmetic: rounded up to four digits', () => {
    const anySize = fc.oneof(
      fc.double({ min: 1e-6, max: 1e6, noNaN: true }),
      fc.integer({ min: 1, max: 1e7 }).map((value) => value / 1e4),
      fc.integer({ min: 1, max: 1e9 }),
    );
    fc.assert(
      fc.property(anySize, (value) => {
        expect(need(value)).toBe(decimal(value.toPrecision(15)).toDecimalPlaces(4, 2).toString());
      }),
      { numRuns: 2000 },
    );
  });
});

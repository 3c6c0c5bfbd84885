import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chargeFaults, type ChargeText } from './';

const faults = (charge: ChargeText): string[] => chargeFaults(charge, 'charge').map((each) => each.message);
const tiers = (...ends: readonly (string | null)[]) => ends.map((upTo) => ({ upTo, price: '1' }));

describe('what must hold inside a charge', () => {
  it.each(['graduated', 'volume'] as const)('%s: tiers rise, and only the last has no end', (structure) => {
    expect(faults({ structure, tiers: tiers('10', '20', null) })).toEqual([]);
    expect(faults({ structure, tiers: tiers(null) })).toEqual([]);
    expect(faults({ structure, tiers: tiers('20', '10', null) })[0]).toContain('10 does not exceed 20');
    expect(faults({ structure, tiers: tiers('10', '10', null) })[0]).toContain('10 does not exceed 10');
    expect(faults({ structure, tiers: tiers('10', '20') })).toEqual([
      'the last tier must be without an end (null)',
    ]);
    expect(faults({ structure, tiers: tiers(null, null) })).toEqual([
      'only the last tier may be without an end',
    ]);
  });

  it('share of spend: the same of its tiers', () => {
    const base = { over: 'design', kinds: [] } as const;
    const shares = (...ends: readonly (string | null)[]): ChargeText => ({
      structure: 'share-of-spend',
      tiers: ends.map((upTo) => ({ upTo, share: '0.1' })),
      floor: null,
      base,
    });
    expect(faults(shares('100', null))).toEqual([]);
    expect(faults(shares('100', '50', null))).toHaveLength(1);
  });

  it('stepped: bands rise', () => {
    const bands = (...sizes: readonly string[]): ChargeText => ({
      structure: 'stepped',
      bands: sizes.map((upTo) => ({ upTo, fee: '1' })),
      beyond: null,
    });
    expect(faults(bands('50', '500'))).toEqual([]);
    expect(chargeFaults(bands('50', '40'), 'rates[3].charge')[0]!.path).toBe('rates[3].charge.bands[1].upTo');
  });

  it('greatest of: a dimension stands once', () => {
    const dimension = { dimension: 'data', label: 'Data', carries: '1', unit: 'GB' };
    const charge: ChargeText = {
      structure: 'greatest-of',
      dimensions: [dimension, { ...dimension, dimension: 'requests' }, dimension],
      unitPrice: '1',
      basePrice: null,
      whole: false,
    };
    expect(faults(charge)).toEqual(['“data” stands twice']);
  });

  it('the others have nothing inside that could disagree', () => {
    expect(faults({ structure: 'per-unit', price: '1' })).toEqual([]);
    expect(faults({ structure: 'per-block', block: '10', price: '1' })).toEqual([]);
    expect(faults({ structure: 'flat', amount: '1', once: true })).toEqual([]);
    expect(faults({ structure: 'by-parts', vcpu: '1', memory: '1', gpu: null })).toEqual([]);
  });

  it('rising ends are sound in any number, and exchanging two is a fault', () => {
    const rising = fc
      .uniqueArray(fc.integer({ min: 1, max: 1_000_000 }), { minLength: 2, maxLength: 20 })
      .map((ends) => ends.sort((a, b) => a - b).map(String));
    fc.assert(
      fc.property(rising, fc.nat(), (ends, at) => {
        const made = (list: readonly string[]): ChargeText => ({
          structure: 'graduated',
          tiers: tiers(...list, null),
        });
        expect(faults(made(ends))).toEqual([]);
        const first = at % (ends.length - 1);
        const swapped = [...ends];
        [swapped[first], swapped[first + 1]] = [ends[first + 1]!, ends[first]!];
        expect(faults(made(swapped)).length).toBeGreaterThan(0);
      }),
    );
  });
});

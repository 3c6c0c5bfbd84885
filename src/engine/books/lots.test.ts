import { describe, expect, it } from 'vitest';
import { decimal } from '../base';
import { conversionFactor, UNIT_CODES } from '../units';
import type { RateTerm } from '../terms';
import { lotOf, lotPrice } from './';

const rate = (unit: string, price: string, term: RateTerm = 'on-demand') => ({
  unit,
  term,
  charge: { structure: 'per-unit' as const, price: decimal(price) },
  upfront: null,
  monthlyCap: null,
});

describe('picturable lots', () => {
  it.each([
    ['hour', '0.1', '730 hours', '73'],
    ['second', '0.00001', '730 hours', '26.28'],
    ['GiB-hour', '0.004', '1 GiB for 730 hours', '2.92'],
    ['GB-month', '0.02', '1 TB for a month', '20'],
    ['GB', '0.09', '1 TB', '90'],
    ['request', '0.0000004', '1 million requests', '0.4'],
    ['ten thousand requests', '0.01', '1 million requests', '1'],
    ['user-month', '5', '1 user-month', '5'],
  ])('a price for one %s of %s is pictured for %s: %s', (unit, price, label, lot) => {
    expect(lotOf(unit).label).toBe(label);
    expect(lotPrice(rate(unit, price))!.toString()).toBe(lot);
  });

  it('cost the same in whatever unit of a dimension the price is written', () => {
    for (const unit of UNIT_CODES) {
      for (const other of UNIT_CODES) {
        const factor = conversionFactor(other, unit);
        if (!factor.ok || lotOf(unit).label === `1 ${unit}`) continue;
        const inOther = lotPrice(rate(other, factor.value.toString()))!;
        expect(
          inOther
            .minus(lotPrice(rate(unit, '1'))!)
            .abs()
            .lessThan('1e-12'),
        ).toBe(true);
      }
    }
  });

  it('spread what is paid upfront over its term, and stay under a monthly cap', () => {
    const committed = { ...rate('hour', '0', '12-all'), upfront: decimal('600') };
    expect(lotPrice(committed)!.toString()).toBe('50');
    expect(lotPrice({ ...rate('hour', '0.06'), monthlyCap: decimal('30') })!.toString()).toBe('30');
    expect(lotPrice({ ...rate('hour', '0.03'), monthlyCap: decimal('30') })!.toString()).toBe('21.9');
  });

  it('are never pictured as free because a first tier is', () => {
    const tiers = (...prices: string[]) => ({
      structure: 'graduated' as const,
      tiers: prices.map((price, at) => ({
        upTo: at === prices.length - 1 ? null : decimal(String(at + 1)),
        price: decimal(price),
      })),
    });
    const priced = (charge: ReturnType<typeof tiers>) => lotPrice({ ...rate('GB', '0'), charge })!.toString();
    expect(priced(tiers('0', '0.09', '0.05'))).toBe('90');
    expect(priced(tiers('0.1', '0.05'))).toBe('100');
    expect(priced(tiers('0', '0'))).toBe('0');
  });
});

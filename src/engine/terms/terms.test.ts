import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, Decimal } from '../base';
import { given, product } from '../trace';
import { committedAmounts, commitmentOf, describeTerm, TERMS } from './';

const source = { book: 'Small', revision: 1, effective: '2026-11-01', sku: 'A-4', region: 'severn' };
const amounts = (months: 12 | 36, hourly: Decimal, upfront: Decimal | null, count: number) =>
  committedAmounts(
    {
      commitment: { months, payment: 'part', exchangeable: false },
      recurring: product('Recurring', 'USD', [
        given('Count', new Decimal(count), 'server'),
        given('Hours', decimal('730'), 'hour'),
        given('Hourly', hourly, 'USD per hour'),
      ]),
      upfrontPrice: upfront,
      currency: 'USD',
      source,
    },
    given('Count', new Decimal(count), 'server'),
  );

describe('terms', () => {
  it('knows on demand, interruptible and two lengths with three payments each, fixed or exchangeable', () => {
    const fixed = ['12-none', '12-part', '12-all', '36-none', '36-part', '36-all'];
    const exchangeable = fixed.map((term) => `${term}-exchangeable`);
    expect(TERMS).toEqual(['on-demand', ...fixed, ...exchangeable, 'interruptible']);
    expect(commitmentOf('36-part')).toEqual({ months: 36, payment: 'part', exchangeable: false });
    expect(commitmentOf('12-all-exchangeable')).toEqual({ months: 12, payment: 'all', exchangeable: true });
    expect(commitmentOf('interruptible')).toBeNull();
    expect(commitmentOf('on-demand')).toBeNull();
    expect(describeTerm('12-all')).toBe('12 months, all upfront');
  });
});

describe('a commitment seen in three ways', () => {
  it('spreads the upfront payment over the term', () => {
    const seen = amounts(12, decimal('0.035'), decimal('300'), 2);
    expect(seen.recurring.value.toString()).toBe('51.1');
    expect(seen.upfront.value.toString()).toBe('600');
    expect(seen.monthly.value.toString()).toBe('101.1');
    expect(seen.wholeTerm.value.toString()).toBe('1213.2');
  });

  it('is the same money in each: month × months = upfront + recurring × months', () => {
    const cents = fc.integer({ min: 0, max: 100_000 }).map((value) => new Decimal(value).dividedBy(10_000));
    fc.assert(
      fc.property(
        fc.constantFrom(12 as const, 36 as const),
        cents,
        cents,
        fc.integer({ min: 0, max: 90 }),
        (months, hourly, upfront, count) => {
          const seen = amounts(months, hourly, upfront, count);
          expect(seen.monthly.value.times(months).minus(seen.wholeTerm.value).abs().lessThan('1e-20')).toBe(
            true,
          );
        },
      ),
    );
  });
});

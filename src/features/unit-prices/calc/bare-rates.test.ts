import { describe, expect, it } from 'vitest';
import { bookFrom, smallBookFile, smallBooks } from '@tests/support/books';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { decimal } from '@/engine/base';
import type { Design } from '@/engine/design';
import { type BookSet, createPricer, priceDesign } from '@/engine/pricing';
import { bareDesign, bareRates, kindsMeasured, type MeasuredRates, measuresOf, ownQuantities } from './';

const SMALL = bookFrom(smallBookFile());
const WIDE_BOOK = WIDE_BOOKS.get('wide', 1)!;
const QUANTITIES = { data: '150', requests: '1000000' };

function measured(
  key: string,
  { book = SMALL, books = smallBooks(), around = designOf([]), quantities = QUANTITIES } = {},
): MeasuredRates {
  const measure = measuresOf([book], quantities).find((each) => each.key === key)!;
  return bareRates(measure, { around, books: [book], pricer: createPricer(books) });
}

const inSevern = ({ rates }: MeasuredRates) => rates.find(({ region }) => region === 'severn')!;
const without = (design: Design): Design => ({
  ...design,
  assumptions: { ...design.assumptions, countAllowances: false },
});

describe('bare rates', () => {
  it('are told tier by tier, with and without what is included', () => {
    // 100 GB are free; then 10 at 1.00 and 40 at 0.50. Without: 10 at 1.00, 90 at 0.50, 50 at 0.10.
    expect(inSevern(measured('transfer-out')).amount).toBe('30');
    expect(inSevern(measured('transfer-out', { around: without(designOf([])) })).amount).toBe('60');
    expect(inSevern(measured('transfer-out')).each).toBe('0.2');
  });

  it('of a vCPU are those of the offer with the cheapest one, light duty and retiring ones aside', () => {
    // A-8 at 0.19 an hour: 138.70 for 730 hours and 8 vCPU. L-4 and O-4 would be 5.475 and 9.125.
    const { offer, amount, line } = inSevern(measured('vcpu'));
    expect([offer, amount]).toEqual(['a-8', '17.3375']);
    expect(oneLine(designOf([]), line!, smallBooks())).toBe('138.7');
  });

  it('of a size are those of the cheapest offer that has as much', () => {
    const one = inSevern(measured('server-4-16'));
    expect(one.line?.choice).toEqual({
      by: 'cheapest',
      need: { vcpu: '4', memory: '16', allowBurstable: true },
    });
    expect(one.amount).toBe(
      priceDesign(bareDesign(designOf([]), one.line!), smallBooks(), 'likely').monthly.value.toString(),
    );
  });

  it('say where nothing of the kind is sold, and where there is no price', () => {
    const inTasman = ({ rates }: MeasuredRates) => rates.find(({ region }) => region === 'tasman')!;
    const { amount, why, line } = inTasman(measured('transfer-out'));
    expect([amount, why, line]).toEqual([null, null, null]);
    expect(inTasman(measured('server-8-32'))).toMatchObject({
      amount: null,
      why: { code: 'need.nothing-fits' },
    });
    const huge = measured('vcpu', { around: { ...designOf([]), currency: 'EUR' } });
    expect(inSevern(huge)).toMatchObject({ amount: null, why: { code: 'currency.no-rate' } });
  });

  it('of every measure are what the engine says of the line alone, and none is cheaper', () => {
    const around: Design = { ...designOf([]), books: [{ book: 'wide', revision: 1 }] };
    const asked = { around, books: [WIDE_BOOK], pricer: createPricer(WIDE_BOOKS) };
    const all = measuresOf([WIDE_BOOK], QUANTITIES).map((measure) => bareRates(measure, asked));
    let priced = 0;
    for (const { measure, rates } of all) {
      for (const { amount, line, book, region } of rates) {
        expect([book, WIDE_BOOK.region(region) === undefined]).toEqual(['wide', false]);
        if (amount === null || measure.divisor) continue;
        priced += 1;
        expect(oneLine(around, line!, WIDE_BOOKS)).toBe(amount);
      }
      const amounts = rates.flatMap(({ amount }) => (amount === null ? [] : [decimal(amount)]));
      expect([...amounts].sort((a, b) => a.comparedTo(b))).toEqual(amounts);
    }
    expect(priced).toBeGreaterThan(10);
  });

  it('need each measured kind in each region, and nothing that no book sells', () => {
    const wanted = kindsMeasured([SMALL]).map(({ kind, place }) => `${kind} ${place?.region}`);
    expect(wanted).toContain('transfer-out elbe');
    expect(wanted.some((each) => each.startsWith('vpn'))).toBe(false);
    expect(new Set(wanted).size).toBe(wanted.length);
  });
});

describe('the height of a design', () => {
  it('is what it holds and moves of each measured kind, in one unit', () => {
    const design = designOf([
      serverOf('web'),
      transferOf('out', { likely: '100' }, { count: { likely: '3' } }),
      transferOf('more', { likely: '20', heavy: '90' }),
      { ...transferOf('none', { likely: '7' }), usage: {} },
    ]);
    expect(ownQuantities(design)).toEqual({ 'transfer-out': '320' });
    const quantities = { ...QUANTITIES, byKind: ownQuantities(design) };
    expect(measured('transfer-out', { quantities }).measure.quantity).toBe('320');
    // 320 GB: 100 free, 10 at 1.00, 90 at 0.50, 120 at 0.10.
    expect(inSevern(measured('transfer-out', { quantities })).amount).toBe('67');
  });

  it('is empty where nothing is measured', () => {
    expect(ownQuantities(designOf([serverOf('web')]))).toEqual({});
  });
});

function oneLine(around: Design, line: NonNullable<MeasuredRates['rates'][number]['line']>, books: BookSet) {
  return priceDesign(bareDesign(around, line), books, 'likely').monthly.value.toString();
}

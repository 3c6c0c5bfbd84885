/** What is included, what is committed, what was paid for a unit, and whether projections are worth anything. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { smallBooks } from '@tests/support/books';
import { anyRow, NOVEMBER, thingOf } from '@tests/support/bills';
import { allowancesIn } from '@/engine/pricing';
import { designOf, serverOf, transferOf } from '@tests/support/designs';
import { addAll, decimal } from '@/engine/base';
import {
  allowanceUse,
  backTest,
  type BillThing,
  type CommitmentDay,
  commitmentsOf,
  commitmentUse,
  daysOfPeriod,
  holdRates,
  type ListedRate,
  paidRates,
  projectClose,
  usualError,
} from './';

const books = smallBooks();
const quay = (transfers: number, change = {}) =>
  designOf(
    [
      serverOf('web'),
      ...Array.from({ length: transfers }, (_, at) => transferOf(`out${at}`, { likely: '70' })),
    ],
    { books: [{ book: 'small', revision: 3 }], ...change },
  );

describe('what is included', () => {
  it('is told of every meter that has something, once for a pool, with whose use it takes', () => {
    const [out, ...others] = allowancesIn(quay(2), books);
    expect(others).toEqual([]);
    expect(out).toMatchObject({ unit: 'GB', included: '100', components: ['out0', 'out1'] });
    const none = quay(1);
    const ignored = { ...none, assumptions: { ...none.assumptions, countAllowances: false } };
    expect(allowancesIn(ignored, books)).toEqual([]);
    const shared = { ...none, assumptions: { ...none.assumptions, allowanceShare: '0.25' } };
    expect(allowancesIn(shared, books)[0]).toMatchObject({ included: '25' });
  });

  const allowance = {
    ...{ meter: 'transferred', label: 'Sent', unit: 'GB', included: '100' },
    ...{ pool: 'provider' as const, components: ['out'], months: null },
  };
  const closeOf = (each: string, days: number) =>
    projectClose({
      ...{ from: '2026-11-01', to: '2026-12-01', fees: [], completeness: [] },
      days: daysOfPeriod(NOVEMBER)
        .slice(0, days)
        .map((day) => ({ day, cost: each })),
    });

  it('runs out on the day on which the sum reaches it: behind, ahead, or not in this period', () => {
    expect(allowanceUse(allowance, '1', closeOf('10', 12))).toMatchObject({
      ...{ used: '120', left: '0', runsOut: '2026-11-10', isOut: true, share: '1.2' },
    });
    expect(allowanceUse(allowance, '1', closeOf('10', 4))).toMatchObject({
      ...{ used: '40', left: '60', runsOut: '2026-11-10', isOut: false },
    });
    expect(allowanceUse(allowance, '1', closeOf('3', 4))).toMatchObject({ left: '88', runsOut: null });
    expect(allowanceUse(allowance, '0.5', closeOf('3', 4))).toMatchObject({ ofPeriod: '50', left: '38' });
    expect(allowanceUse(allowance, '1', null)).toMatchObject({ used: '0', left: '100', runsOut: null });
  });
});

const committed = (part: Partial<BillThing>): BillThing =>
  thingOf({ commitment: 'c-1', commitmentStatus: 'Used', listUnitPrice: '1', ...part });
const dayOf = (at: number, covered: string, beyond: string): CommitmentDay => ({
  ...{ day: `2026-11-${String(at + 1).padStart(2, '0')}`, covered, beyond },
});

describe('commitments', () => {
  it('are told with what they pay for, and what ran of the same beside them', () => {
    const things = [
      committed({ effective: '60', quantity: '100' }),
      committed({ at: 1, commitmentStatus: 'Unused', effective: '40', quantity: null }),
      thingOf({ at: 2, effective: '50', quantity: '50' }),
      thingOf({ at: 3, sku: 'OTHER', quantity: '70' }),
      thingOf({ at: 4, isCorrection: true, quantity: '70' }),
    ];
    const [parts, ...others] = commitmentsOf(things);
    expect(others).toEqual([]);
    expect(parts!.beyond.map(({ at }) => at)).toEqual([2]);
    expect(commitmentUse(parts!, [])).toMatchObject({
      ...{ used: '60', unused: '40', use: '0.6', coverage: '0.666666667', better: null },
    });
  });

  it('have a better level where another would have cost less, by hand', () => {
    // A unit costs 0.6 committed and 1 on demand; ten units are committed, four run on nine days, ten on one.
    const parts = {
      ...{ commitment: 'c-1', beyond: [] },
      used: [committed({ effective: '27.6', quantity: '46' })],
      unused: [committed({ at: 1, commitmentStatus: 'Unused', effective: '32.4', quantity: null })],
    };
    const days = Array.from({ length: 10 }, (_, at) => dayOf(at, at === 9 ? '10' : '4', '0'));
    // 4 × 0.6 × 10 + 6 × 1 on the one day = 30; ten committed cost 60.
    expect(commitmentUse(parts, days).better).toEqual({
      ...{ level: '4', now: '10', costNow: '60', costBest: '30' },
    });
  });

  it('have no level that is cheaper than the one named best, whatever ran', () => {
    const amounts = fc.integer({ min: 0, max: 40 }).map(String);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(amounts, amounts), { minLength: 1, maxLength: 12 }),
        amounts,
        (ran, other) => {
          const days = ran.map(([covered, beyond], at) => dayOf(at, covered, beyond));
          const parts = {
            ...{ commitment: 'c-1', beyond: [] },
            used: [committed({ effective: '7', quantity: '10' })],
            unused: [committed({ commitmentStatus: 'Unused', effective: '3', quantity: null })],
          };
          const { better } = commitmentUse(parts, days);
          const cost = (level: string) =>
            addAll(
              days.map(({ covered, beyond }) => {
                const above = decimal(covered).plus(beyond).minus(level);
                return decimal(level)
                  .times('0.7')
                  .plus(above.isPositive() ? above : 0);
              }),
            );
          expect(decimal(better!.costBest).lessThanOrEqualTo(cost(other))).toBe(true);
          expect(cost(better!.level).minus(better!.costBest).abs().lessThan('0.0001')).toBe(true);
        },
      ),
    );
  });
});

describe('a projection that is tried on periods that are over', () => {
  const month = (cost: (at: number) => string) => ({
    ...{ from: '2026-11-01', to: '2026-12-01', fees: [] },
    days: daysOfPeriod(NOVEMBER).map((day, at) => ({ day, cost: cost(at) })),
  });
  it('is exact on regular ones, and says how far off it was on others', () => {
    const [regular] = backTest([month(() => '7.25')], 11);
    expect(regular).toMatchObject({ likely: '217.5', actual: '217.5', off: '0', isWithin: true });
    // Twice as much from the sixteenth on: 15 × 10 + 15 × 20 = 450, and 300 would have been said.
    const [rising] = backTest([month((at) => (at < 15 ? '10' : '20'))], 15);
    expect(rising).toMatchObject({ likely: '300', actual: '450', off: '-0.333333', isWithin: false });
    expect(usualError([regular!, rising!])).toBe('0.333333');
    expect(usualError([])).toBeNull();
  });

  const half = (more: number) => month((at) => (at < 15 ? '10' : String(10 * (1 + more))));

  it('makes the range as wide as periods before came to rest beside, never narrower', () => {
    const [first] = backTest([half(0.2)], 15);
    // 150 were to come, and 180 came.
    expect(first).toMatchObject({ beside: '0.2', high: '300' });
    const asked = { ...half(0), days: half(0).days.slice(0, 15), newest: '2026-11-15', completeness: [] };
    // One period: 3.0777 × 0.2 × 150.
    expect(projectClose({ ...asked, past: ['0.2'] })).toMatchObject({
      ...{ low: '207.669', likely: '300', high: '392.331', rangeOf: 1 },
    });
    // Two: the root of (0.04 + 0.16) / 2, × 1.8856 × 150.
    const two = projectClose({ ...asked, past: ['0.2', '-0.4'] })!;
    expect(Number(two.high)).toBeCloseTo(300 + 1.8856 * 150 * Math.sqrt(0.1), 9);
    expect(projectClose({ ...asked, past: ['0', '0'] })).toMatchObject({ high: '300', rangeOf: 0 });
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 15, maxLength: 15 }),
        fc.array(fc.integer({ min: -100, max: 100 }), { maxLength: 9 }),
        (costs, past) => {
          const days = costs.map((cost, at) => ({ ...asked.days[at]!, cost: String(cost) }));
          const bare = projectClose({ ...asked, days })!;
          const tried = projectClose({ ...asked, days, past: past.map((each) => String(each / 100)) })!;
          expect(tried.likely).toBe(bare.likely);
          expect(decimal(tried.high).greaterThanOrEqualTo(bare.high)).toBe(true);
          expect(decimal(tried.low).lessThanOrEqualTo(bare.low)).toBe(true);
          expect(
            decimal(tried.high).minus(bare.likely).plus(tried.low).minus(bare.likely).toNumber(),
          ).toBeCloseTo(0, 9);
        },
      ),
    );
  });

  it('holds in eight of ten where periods turn as they did before', () => {
    let seed = 7;
    const uniform = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const normal = (): number => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const drawn = Array.from({ length: 400 }, () => [
      half(normal() * 0.2),
      half(normal() * 0.2),
      half(normal() * 0.2),
    ]);
    const within = drawn.filter((periods) => backTest(periods, 15)[2]!.isWithin).length / drawn.length;
    expect(within).toBeGreaterThan(0.75);
    expect(within).toBeLessThan(0.85);
    // Days alone know nothing of it.
    expect(drawn.filter(([only]) => backTest([only!], 15)[0]!.isWithin).length).toBe(0);
  });

  it('leaves out what cannot be tried: as many days as there are, or none', () => {
    expect(backTest([month(() => '1')], 30)).toEqual([]);
    expect(backTest([month(() => '1')], 0)).toEqual([]);
    expect(backTest([{ ...month(() => '1'), days: [] }], 5)).toMatchObject([{ actual: '0', off: null }]);
  });
});

const rate = (part: Partial<ListedRate> = {}): ListedRate => ({
  ...{ sku: 'A-4', region: 'severn', meter: 'running', unit: 'hour' },
  charge: { structure: 'per-unit', price: decimal('0.1') },
  ...part,
});
const KINDS = new Map([['A-4', 'server' as const]]);

describe('what was paid for a unit', () => {
  const held = (thing: Partial<BillThing>, rates: ListedRate[] = [rate()]) =>
    holdRates(paidRates([thingOf({ quantity: '100', ...thing })]), rates, KINDS)[0]!;

  it('is read of the unit prices, list and contracted apart; else it is money over quantity, and says so', () => {
    const [said] = paidRates([thingOf({ listUnitPrice: '0.12', contractedUnitPrice: '0.09' })]);
    expect(said).toMatchObject({ list: { price: '0.12', isMean: false }, contracted: { price: '0.09' } });
    const two = [
      thingOf({ listUnitPrice: '0.1', list: '10', quantity: '100' }),
      thingOf({ at: 1, listUnitPrice: '0.2', list: '60', quantity: '300' }),
    ];
    expect(paidRates(two)[0]!.list).toEqual({ price: '0.175', isMean: true });
    expect(paidRates([thingOf({ quantity: null }), thingOf({ category: 'Tax' })])).toEqual([]);
  });

  it('stands beside the book in the book’s own unit, with the money that the difference makes', () => {
    expect(held({ listUnitPrice: '0.1' })).toMatchObject({ state: 'same', difference: '0' });
    expect(held({ listUnitPrice: '0.11' })).toMatchObject({ state: 'other-price', difference: '1' });
    // By the minute: 0.002 for a minute are 0.12 for an hour; 6000 minutes are 100 hours.
    expect(held({ unit: 'Minutes', quantity: '6000', listUnitPrice: '0.002' })).toMatchObject({
      ...{ state: 'other-price', list: '0.12', listed: '0.1', difference: '2' },
    });
  });

  it('says why it cannot be held against the book', () => {
    expect(held({ sku: 'NEW' }).state).toBe('unknown-sku');
    expect(held({ region: 'elbe' }).state).toBe('unknown-region');
    expect(held({ unit: 'GB' }).state).toBe('other-unit');
    expect(held({ meter: 'hours' }, [rate(), rate({ meter: 'other' })]).state).toBe('several-meters');
    expect(held({}, [rate({ sustained: [{}] })]).state).toBe('tiers');
    expect(held({}, [rate({ monthlyCap: decimal('50') })]).state).toBe('tiers');
    const tiers = [{ upTo: null, price: decimal('0.1') }];
    expect(held({}, [rate({ charge: { structure: 'graduated', tiers } })]).state).toBe('tiers');
    expect(held({ listUnitPrice: null, list: '0' }).state).toBe('no-price');
  });

  it('has every row of use with a quantity once, whatever comes', () => {
    fc.assert(
      fc.property(fc.array(anyRow, { maxLength: 30 }), (rows) => {
        const things = rows.map(({ day: _, ...row }, at): BillThing => ({ ...row, at, rows: 1 }));
        const counted = things.filter(
          ({ category, isCorrection, quantity, commitmentStatus }) =>
            category === 'Usage' &&
            !isCorrection &&
            commitmentStatus !== 'Unused' &&
            quantity !== null &&
            decimal(quantity).greaterThan(0),
        );
        const paid = paidRates(things);
        expect(paid.reduce((sum, { rows: each }) => sum + each, 0)).toBe(counted.length);
        const sum = addAll(paid.map(({ quantity }) => decimal(quantity)));
        expect(sum.equals(addAll(counted.map(({ quantity }) => decimal(quantity!))))).toBe(true);
      }),
    );
  });
});

import { anyWideDesign, WIDE_BOOKS } from '@tests/support/wide-designs';
import { componentOf, designOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decimal, must } from '@/engine/base';
import { allComponents, applyEdits, type Component, type Design } from '@/engine/design';
import { type DesignPlan, planOf } from '@/engine/pricing';
import { type Case, CASES, type Running } from '@/engine/usage';
import {
  creditPlan,
  leastRegret,
  soldAhead,
  spendPlan,
  takeOnCredit,
  takeOnSpend,
  takeOnUnits,
  usagePlan,
} from './';
import { drawn } from '@tests/support/drawn';

const PLACE = { book: 'wide', region: 'severn' };
const server = (id: string, part: Partial<Component> = {}): Component =>
  componentOf({ id, kind: 'server', place: PLACE, choice: { by: 'sku', sku: 'S-4' }, ...part });
const wide = (components: readonly Component[]): Design => ({
  ...designOf([...components]),
  books: [{ book: 'wide', revision: 1 }],
});
const month = (plan: DesignPlan, which: Case): number =>
  plan.pricer.price(plan, { case: which }).monthly.value.toNumber();
const planned = (design: Design): DesignPlan => planOf(design, WIDE_BOOKS);

const running: fc.Arbitrary<Running> = fc.oneof(
  fc.constant<Running>({ pattern: 'always' }),
  fc.record({ hours: fc.integer({ min: 20, max: 600 }) }).map(({ hours }): Running => ({
    pattern: 'days',
    hoursPerDay: { likely: String(1 + (hours % 23)) },
    daysPerMonth: { likely: String(1 + (hours % 28)) },
  })),
  fc
    .record({
      low: fc.integer({ min: 0, max: 3 }),
      more: fc.integer({ min: 1, max: 5 }),
      hours: fc.integer({ min: 1, max: 20 }),
    })
    .map(({ low, more, hours }): Running => ({
      pattern: 'peaks',
      baseline: { likely: String(low) },
      peak: { likely: String(low + more) },
      days: [0, 1, 2, 3, 4],
      from: 8,
      hours: { likely: String(hours) },
    })),
);
const count = fc
  .tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 6 }))
  .map(([lean, more, most]) => ({
    lean: String(lean),
    likely: String(lean + more),
    heavy: String(lean + more + most),
  }));
const servers = fc.array(fc.record({ running, count }), { minLength: 1, maxLength: 4 });
const made = (rows: readonly { running: Running; count: Component['count'] }[]): Design =>
  wide(
    rows.map((part, at) =>
      server(`s${at}`, { ...part, choice: { by: 'sku', sku: at % 2 === 0 ? 'S-4' : 'S-8' } }),
    ),
  );

describe('what to commit by line', () => {
  it('is no dearer than any other number of units, in each case, and can be taken on', () => {
    fc.assert(
      fc.property(servers, (rows) => {
        const design = made(rows);
        const plan = planned(design);
        const { rows: found } = usagePlan(plan, '12-none');
        expect(found.map(({ id }) => id)).toContain('s0');
        for (const row of found) {
          const component = allComponents(design).find(({ id }) => id === row.id)!;
          const at = (units: number): DesignPlan =>
            planned(must(applyEdits(design, takeOnUnits(component, '12-none', String(units)))).design);
          const most = Math.ceil(row.running.heavy.most) + 1;
          for (const which of CASES) {
            const best = month(at(Number(row.levels[row.best[which]]!.units)), which);
            for (let units = 0; units <= most; units += 1) {
              expect(best).toBeLessThanOrEqual(month(at(units), which) + 1e-9);
            }
          }
        }
      }),
      { numRuns: drawn(12) },
    );
  });

  it('commits what always runs, and nothing that runs an hour a day', () => {
    const seldom: Running = { pattern: 'days', hoursPerDay: { likely: '1' }, daysPerMonth: { likely: '20' } };
    const { rows, now, then } = usagePlan(
      planned(wide([server('steady', { count: { likely: '3' } }), server('seldom', { running: seldom })])),
      '12-none',
    );
    const units = (id: string) => {
      const row = rows.find((each) => each.id === id)!;
      return row.levels[row.calm]!.units;
    };
    expect([units('steady'), units('seldom')]).toEqual(['3', '0']);
    expect(Number(now) - Number(then)).toBeCloseTo(Number(rows.find(({ id }) => id === 'steady')!.saving), 9);
  });
});

describe('what to commit for every hour', () => {
  const wish = { ...PLACE, sku: 'SPEND', term: '12-none', level: null } as const;

  it('is no dearer than any level, in each case, and its amounts are the engine’s', () => {
    fc.assert(
      fc.property(
        servers,
        fc.array(fc.double({ min: 0, max: 1.2, noNaN: true }), { minLength: 6, maxLength: 6 }),
        (rows, shares) => {
          const design = made(rows);
          const plan = spendPlan(planned(design), wish);
          if (!plan) throw new Error('nothing is sold under it');
          const at = (level: string): DesignPlan =>
            planned(
              level === '0'
                ? design
                : must(applyEdits(design, takeOnSpend(design, wish, level, 'new'))).design,
            );
          for (const { level, amounts } of plan.readings) {
            for (const which of CASES) expect(Number(amounts[which])).toBeCloseTo(month(at(level), which), 9);
          }
          const most = plan.curve.levels.at(-1)!;
          for (const which of CASES) {
            const best = month(at(plan.best[which]), which);
            for (const share of shares) {
              const level = (most * share).toFixed(6);
              // A millionth of an hour’s money is how exactly a level is written.
              expect(best).toBeLessThanOrEqual(month(at(level), which) + 0.001);
            }
          }
          plan.curve.levels.forEach((level, index) => {
            if (index % 20 !== 0) return;
            const exact = month(at(level.toFixed(12)), 'likely');
            expect(Math.abs(plan.curve.amounts.likely[index]! - exact)).toBeLessThanOrEqual(
              1e-6 * Math.max(1, exact),
            );
          });
        },
      ),
      { numRuns: drawn(15) },
    );
  });

  it('regrets least over the three cases: nobody commits to the heavy one', () => {
    const plan = spendPlan(
      planned(wide([server('a', { count: { lean: '1', likely: '4', heavy: '12' } })])),
      wish,
    )!;
    const [lean, heavy, calm] = [plan.best.lean, plan.best.heavy, plan.calm].map(Number) as [
      number,
      number,
      number,
    ];
    expect(calm).toBeGreaterThan(lean);
    expect(calm).toBeLessThan(heavy);
    const loss = (level: string): number =>
      Math.max(
        ...CASES.map((which) => {
          const read = (of: string): number =>
            Number(plan.readings.find((each) => each.level === of)!.amounts[which]);
          return read(level) - read(plan.best[which]);
        }),
      );
    for (const other of [plan.best.lean, plan.best.likely, plan.best.heavy, '0']) {
      expect(loss(plan.calm)).toBeLessThanOrEqual(loss(other) + 1e-6);
    }
    expect(Math.abs(loss(plan.calm) - Number(plan.regret))).toBeLessThan(1e-3);
  });

  it('counts what is committed already first', () => {
    const [free, taken] = [{}, { term: '12-none', committed: { likely: '3' } } as const].map((part) =>
      spendPlan(planned(wide([server('a', { count: { likely: '3' }, ...part }), server('b')])), wish),
    );
    expect(Number(taken!.best.likely)).toBeLessThan(Number(free!.best.likely));
  });
});

describe('what to prepay', () => {
  const wish = { ...PLACE, sku: 'CREDIT' } as const;

  it('is no dearer than any other amount of any term, in each case', () => {
    fc.assert(
      fc.property(
        servers,
        fc.array(fc.double({ min: 0.01, max: 3, noNaN: true }), { minLength: 5, maxLength: 5 }),
        (rows, shares) => {
          const design = made(rows);
          const plan = creditPlan(planned(design), wish)!;
          const at = (term: Component['term'], credit: string): DesignPlan =>
            planned(must(applyEdits(design, takeOnCredit(design, wish, term, credit, 'new'))).design);
          for (const which of CASES) {
            const best = Number(plan.rows[plan.best[which]]!.amounts[which]);
            for (const term of soldAhead(planned(design), 'prepaid-credit')[0]!.terms) {
              for (const share of shares) {
                const credit = (Number(plan.use) * share).toFixed(2);
                if (Number(credit) > 0)
                  expect(best).toBeLessThanOrEqual(month(at(term, credit), which) + 0.02);
              }
            }
          }
          for (const { term, credit, amounts } of plan.rows.filter(({ why }) => why !== 'none')) {
            expect(Number(amounts.likely)).toBeCloseTo(month(at(term, credit), 'likely'), 9);
          }
        },
      ),
      { numRuns: drawn(10) },
    );
  });
});

it('ties of regret stay with what binds less', () => {
  const same = { lean: decimal('1'), likely: decimal('1'), heavy: decimal('1') };
  expect(leastRegret([same, same])).toMatchObject({ best: { lean: 0, likely: 0, heavy: 0 }, calm: 0 });
});

it('any design can be asked: each level is what taking it on costs', () => {
  let looked = 0;
  fc.assert(
    fc.property(anyWideDesign, (design) => {
      const plan = planned(design);
      const before = month(plan, 'likely');
      for (const row of usagePlan(plan, '12-none').rows) {
        const { units, amounts } = row.levels.at(-1)!;
        const taken = planned(must(applyEdits(design, takeOnUnits(row, '12-none', units))).design);
        const moved = month(taken, 'likely') - before;
        // Where nothing is shared with other lines the month moves by what the line moves.
        if (allComponents(design).length === 1) {
          expect(moved).toBeCloseTo(Number(amounts.likely) - Number(row.stands), 6);
        }
        expect(Number.isFinite(moved)).toBe(true);
        looked += 1;
      }
      for (const kind of ['prepaid-credit', 'spend-commitment'] as const) {
        for (const sold of soldAhead(plan, kind)) expect(sold.terms.length).toBeGreaterThan(0);
      }
    }),
    { numRuns: 25, seed: 11 },
  );
  expect(looked).toBeGreaterThan(3);
});

import { WIDE_BOOKS } from '@tests/support/wide-designs';
import { componentOf, designOf } from '@tests/support/designs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { priceMonths } from '@/engine/analysis';
import { must } from '@/engine/base';
import { applyEdits, type Component, type Design, findComponent } from '@/engine/design';
import { bothSentence, bothTable, stepsSentence, stepsTable } from '@/features/paying/words';
import { type DesignPlan, planOf } from '@/engine/pricing';
import { CASES } from '@/engine/usage';
import {
  bothPlan,
  type BothRow,
  cheapestPath,
  type SpendWish,
  spendPlan,
  type Step,
  stepsPlan,
  takeOnSpend,
  takeOnSteps,
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
const planned = (design: Design): DesignPlan => planOf(design, WIDE_BOOKS);
const wish = (term: SpendWish['term'] = '12-none'): SpendWish => ({
  ...PLACE,
  sku: 'SPEND',
  term,
  level: null,
});
const whole = (design: Design, months: number): number =>
  priceMonths(planned(design), 'likely', months).whole.monthly.toNumber();

/** Lines that begin and end at different months. */
const lines = fc.array(
  fc.record({
    count: fc.integer({ min: 1, max: 5 }),
    from: fc.integer({ min: 1, max: 30 }),
    lasts: fc.integer({ min: 3, max: 40 }),
  }),
  { minLength: 1, maxLength: 3 },
);
const moving = (rows: readonly { count: number; from: number; lasts: number }[]): Design =>
  wide(
    rows.map(({ count, from, lasts }, at) =>
      server(`c${at}`, { count: { likely: String(count) }, months: { from, to: from + lasts } }),
    ),
  );

describe('at once or in steps', () => {
  it('is no dearer than any other levels of the years, and what is shown is the engine’s', () => {
    fc.assert(
      fc.property(
        lines,
        fc.array(fc.double({ min: 0, max: 1.6, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (rows, shares) => {
          const design = moving(rows);
          const plan = stepsPlan(planned(design), wish(), 36);
          if (!plan) throw new Error('servers are sold so');
          const [none, once, steps] = plan.rows.map(({ totals }) => Number(totals.likely)) as [
            number,
            number,
            number,
          ];
          expect(none).toBeCloseTo(whole(design, 36), 6);
          for (const row of plan.rows) {
            const taken = must(applyEdits(design, takeOnSteps(design, wish(), row.steps, 'new'))).design;
            expect(whole(taken, 36)).toBeCloseTo(Number(row.totals.likely), 6);
          }
          expect(once).toBeLessThanOrEqual(none + 0.01);
          expect(steps).toBeLessThanOrEqual(once + 0.01);
          const most = Math.max(
            0.5,
            ...plan.rows.flatMap((row) => row.steps.map(({ level }) => Number(level))),
          );
          const other = shares.map((share, year): Step => ({
            fromMonth: year * 12 + 1,
            level: (share * most).toFixed(4),
          }));
          const taken = must(applyEdits(design, takeOnSteps(design, wish(), other, 'new'))).design;
          expect(steps).toBeLessThanOrEqual(whole(taken, 36) + 0.05);
        },
      ),
      { numRuns: drawn(12) },
    );
  });

  it('of a year may be less in the next', () => {
    const falling = moving([
      { count: 5, from: 1, lasts: 11 },
      { count: 1, from: 1, lasts: 40 },
    ]);
    const plan = stepsPlan(planned(falling), wish(), 36)!;
    const levels = plan.rows[2]!.steps.map((step) => Number(step.level));
    expect(plan.onlyUp).toBe(false);
    expect(levels.length).toBe(2);
    expect(levels[1]).toBeLessThan(levels[0]!);
  });

  it('counts what is committed already, and no longer once it has ended', () => {
    const design = wide([server('a', { count: { likely: '4' } })]);
    const before = must(applyEdits(design, takeOnSpend(design, wish(), '0.1', 'old'))).design;
    const until = must(
      applyEdits(before, [{ edit: 'set-component', id: 'old', field: 'months', value: { from: 1, to: 12 } }]),
    ).design;
    const steps = stepsPlan(planned(until), wish('12-none'), 24)!.rows[2]!.steps;
    const [first, second] = [1, 13].map((month) => {
      const held = steps.filter(({ fromMonth }) => fromMonth <= month).at(-1);
      return Number(held?.level ?? 0);
    });
    expect(second! - first!).toBeCloseTo(0.1, 3);
    expect(spendPlan(planned(until), wish())!.before[0]).toMatchObject({ level: '0.1', until: 12 });
  });

  it('says in one sentence what it comes to', () => {
    const design = moving([
      { count: 2, from: 1, lasts: 60 },
      { count: 3, from: 13, lasts: 60 },
    ]);
    const plan = stepsPlan(planned(design), wish('12-none'), 36)!;
    expect(stepsSentence(plan)).toMatch(
      /^Commit in steps: .* from month 13 saves .* in 36 months, .* more than/,
    );
    expect(stepsTable(plan, '12-none').rows.map(({ cells }) => cells[0])).toEqual([
      'nothing',
      'one level throughout',
      'a level for each year',
    ]);
    const flat = stepsPlan(planned(wide([server('a')])), wish(), 24)!;
    expect(stepsSentence(flat)).toMatch(/^Commit at once/);
  });
});

it('the cheapest path is that of all paths', () => {
  const costs = fc.array(fc.array(fc.integer({ min: 0, max: 50 }), { minLength: 4, maxLength: 4 }), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(costs, fc.boolean(), (years, onlyUp) => {
      const cost = (path: readonly number[]): number =>
        path.reduce((sum, at, year) => sum + years[year]![at]!, 0);
      const all = years.reduce<number[][]>(
        (paths) => paths.flatMap((path) => [0, 1, 2, 3].map((at) => [...path, at])),
        [[]],
      );
      const allowed = all.filter(
        (path) => !onlyUp || path.every((at, year) => year === 0 || at >= path[year - 1]!),
      );
      const found = cheapestPath(years, onlyUp);
      expect(allowed).toContainEqual(found);
      expect(cost(found)).toBe(Math.min(...allowed.map(cost)));
    }),
  );
});

describe('both kinds together', () => {
  const taken = (design: Design, { units, level }: BothRow): Design =>
    must(
      applyEdits(design, [
        ...units.flatMap(({ id, units: each }) => takeOnUnits(findComponent(design, id)!, '12-none', each)),
        ...(level === '0' ? [] : takeOnSpend(design, wish(), level, 'new')),
      ]),
    ).design;
  const counts = fc.array(
    fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 4 })),
    { minLength: 1, maxLength: 3 },
  );

  it('are never dearer than the better of them alone, and each row is what taking it on gives', () => {
    fc.assert(
      fc.property(counts, (rows) => {
        const design = wide(
          rows.map(([lean, more, most], at) =>
            server(`c${at}`, {
              count: { lean: String(lean), likely: String(lean + more), heavy: String(lean + more + most) },
              ...(at === 1 ? { running: { pattern: 'asleep', share: { likely: '0.6' } } } : {}),
            }),
          ),
        );
        const plan = bothPlan(planned(design), '12-none', wish());
        const likely = plan.rows.map(({ amounts }) => Number(amounts.likely));
        expect(likely[3]).toBeLessThanOrEqual(Math.min(...likely.slice(0, 3)) + 1e-9);
        for (const row of plan.rows) {
          const made = planned(taken(design, row));
          for (const which of CASES) {
            const month = made.pricer.price(made, { case: which }).monthly.value;
            expect(month.toString()).toBe(row.amounts[which]);
          }
        }
        expect(plan.best.likely).toBe(likely.indexOf(Math.min(...likely)));
        expect(bothTable(plan).answer).toBe(bothSentence(plan));
      }),
      { numRuns: drawn(12) },
    );
  });

  it('cost no more than any pair of levels of one line', () => {
    const design = wide([
      server('a', { count: { likely: '3' }, running: { pattern: 'asleep', share: { likely: '0.4' } } }),
    ]);
    const both = Number(bothPlan(planned(design), '12-none', wish()).rows[3]!.amounts.likely);
    const { levels } = usagePlan(planned(design), '12-none').rows[0]!;
    for (const { units } of levels) {
      for (const level of ['0', '0.05', '0.1', '0.2', '0.4', '0.8']) {
        const made = planned(
          taken(design, {
            way: 'both',
            units: [{ id: 'a', units }],
            level,
            amounts: { lean: '', likely: '', heavy: '' },
          }),
        );
        expect(both).toBeLessThanOrEqual(
          made.pricer.price(made, { case: 'likely' }).monthly.value.toNumber() + 0.001,
        );
      }
    }
  });
});

describe('many levels of a line', () => {
  it('are all there is to look at beside the best: none between costs less', () => {
    const design = wide([
      server('a', {
        count: { lean: '20', likely: '90', heavy: '260' },
        running: {
          pattern: 'peaks',
          baseline: { likely: '1' },
          peak: { likely: '1' },
          days: [0],
          from: 8,
          hours: { likely: '4' },
        },
      }),
    ]);
    const row = usagePlan(planned(design), '12-none').rows[0]!;
    for (const which of CASES) {
      const best = Number(row.levels[row.best[which]]!.amounts[which]);
      for (let units = 0; units <= 260; units += 13) {
        const made = planned(
          must(applyEdits(design, takeOnUnits({ id: 'a' }, '12-none', String(units)))).design,
        );
        const month = made.pricer.price(made, { case: which }).sections[0]!.lines[0]!;
        if (month.status === 'priced')
          expect(best).toBeLessThanOrEqual(month.monthly.value.toNumber() + 1e-6);
      }
    }
  });
});
